package anabion.desktop.sheet;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.Supply;
import anabion.core.command.BandsLine;
import anabion.core.error.InputException;
import anabion.core.isolation.Caution;
import anabion.core.isolation.Isolation;
import anabion.core.job.Arrival;
import anabion.core.job.Circumstance;
import anabion.core.job.ClosingEntry;
import anabion.core.job.Complaint;
import anabion.core.job.Note;
import anabion.core.job.Step;
import anabion.core.job.SymptomKind;
import anabion.core.job.VisitorEvidence;
import anabion.core.job.Whereabouts;
import anabion.core.json.Extra;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import anabion.desktop.control.FadingScrollPane;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;

/** Who it is, how it is fed, what it does wrong, who has been in it before, what was found. Each field is stored as it is left. */
public final class ArrivalSheet implements Sheet {
    private final Session session;
    private final PhotosPane photos;
    private final VBox body = new VBox(6);
    private final ScrollPane pane = new FadingScrollPane(body);
    private final Form form;
    private final VBox taught = new VBox(3);
    private Optional<TextField> first = Optional.empty();
    private Optional<SetRecord> shown = Optional.empty();

    public ArrivalSheet(Session session, Consumer<Throwable> trouble) {
        this.session = session;
        this.photos = new PhotosPane(session);
        this.form = new Form(session, body, trouble);
        pane.getStyleClass().add("sheet");
        pane.setFitToWidth(true);
        pane.setFocusTraversable(false);
        body.setPadding(new Insets(12, 14, 12, 14));
        session.set().addListener((o, a, b) -> look());
        session.step().addListener((o, a, b) -> look());
        session.isolation().addListener((o, a, b) -> anew());
        session.words().addListener((o, a, b) -> anew());
        rebuild();
    }

    /** What nobody sees is built when somebody does. */
    private void look() {
        boolean seen = session.step().get() == Step.ARRIVAL;
        if (seen && !session.set().get().equals(shown)) rebuild();
    }

    private void anew() {
        shown = Optional.empty();
        look();
    }

    private void rebuild() {
        form.remember();
        body.getChildren().clear();
        shown = session.set().get();
        body.getChildren().add(Texts.label(session.say("step.arrival"), "title"));
        if (shown.isEmpty()) return;
        identity(shown.get());
        supply(shown.get());
        earlier(shown.get());
        complaints(shown.get());
        visitors(shown.get());
        found(shown.get());
        body.getChildren().add(taught);
        lessons(shown.get());
        body.getChildren().add(photos.show(shown.get()));
        form.recover();
    }

    /** What other sets of this model taught, once it is known. */
    private void lessons(SetRecord set) {
        taught.getChildren().clear();
        session.ask(w -> w.specimens().lessons(set.chassis().identity(), set.id()), all -> {
            if (all.isEmpty() || shown.filter(s -> s.id().equals(set.id())).isEmpty()) return;
            taught.getChildren().setAll(Texts.label(session.say("arrival.taught"), "strong", "petrol"));
            all.forEach(l -> taught.getChildren()
                    .add(Texts.wrapped(session.say(
                            "arrival.lesson",
                            l.serial(),
                            session.say(
                                            "timeline.note." + l.note().kind().code(),
                                            l.note().text())
                                    + (l.note().reason().isEmpty()
                                            ? ""
                                            : " (" + l.note().reason() + ")")))));
        });
    }

    /** When it left and came back, why, and what was behind it then. */
    private void earlier(SetRecord set) {
        Whereabouts where = Whereabouts.of(set.job());
        if (where.left().isEmpty()) return;
        ClosingEntry left = where.left().get();
        VBox all = new VBox(2, Texts.label(session.say("arrival.earlier"), "strong", "petrol"));
        all.setPadding(new Insets(8, 0, 0, 0));
        set.job().notes().stream()
                .filter(n -> n.kind() == Note.Kind.CAUSE && !n.at().isAfter(left.at()))
                .forEach(n -> all.getChildren()
                        .add(Texts.wrapped(session.say(
                                "timeline.note.cause",
                                n.text() + (n.reason().isEmpty() ? "" : " (" + n.reason() + ")")))));
        String to = left.text().isEmpty() ? "" : session.say("arrival.handed-to", left.text());
        all.getChildren().add(Texts.wrapped(session.say("arrival.handed", day(left.at()), to)));
        where.back().ifPresent(b -> all.getChildren()
                .addAll(
                        Texts.wrapped(session.say("arrival.came-back", day(b.at()), b.detail())),
                        Texts.wrapped(
                                set.healthy()
                                        .map(c -> session.say(
                                                "arrival.own-chart", c.rows().size()))
                                        .orElseGet(() -> session.say("arrival.no-own-chart")),
                                "soft")));
        body.getChildren().add(all);
    }

    private String day(Instant at) {
        return at.atZone(session.clock().getZone()).toLocalDate().toString();
    }

    private void identity(SetRecord set) {
        Identity i = set.chassis().identity();
        GridPane grid = form.grid("arrival.identity");
        first = Optional.of(form.field(grid, 0, 0, "maker", i.maker(), t -> putIdentity(x -> x.withMaker(t))));
        form.field(grid, 1, 0, "model", i.model(), t -> putIdentity(x -> x.withModel(t)));
        form.field(grid, 0, 1, "code", i.chassisCode(), t -> putIdentity(x -> x.withChassisCode(t)));
        form.field(grid, 1, 1, "serial", i.serial(), t -> putIdentity(x -> x.withSerial(t)));
        String year = i.year().isPresent() ? String.valueOf(i.year().getAsInt()) : "";
        form.field(grid, 0, 2, "year", year, t -> putIdentity(x -> x.withYear(year(t))));
        form.wide(grid, 3, "why", i.yearReason(), t -> putIdentity(x -> x.withYearReason(t)));
        grid.add(Texts.label(session.say("arrival.kind"), "soft"), 2, 2);
        ComboBox<String> kind =
                form.choice("arrival-kind", SetKind.values(), i.kind(), "kind.", k -> putIdentity(x -> x.withKind(k)));
        kind.setAccessibleText(session.say("arrival.kind"));
        grid.add(kind, 3, 2);
        form.field(grid, 0, 4, "owner", set.job().arrival().owner(), t -> putArrival(a -> a.withOwner(t)));
        form.field(grid, 1, 4, "bands", BandsLine.text(set.chassis()), this::putBands);
        form.wide(grid, 5, "price", set.job().arrival().price(), t -> putArrival(a -> a.withPrice(t)));
    }

    private static OptionalInt year(String text) {
        if (text.isEmpty()) return OptionalInt.empty();
        if (!text.matches("1[89]\\d\\d|20\\d\\d"))
            throw InputException.at("year")
                    .because("\"" + text + "\" is no year")
                    .so("write four figures, such as 1953");
        return OptionalInt.of(Integer.parseInt(text));
    }

    private void supply(SetRecord set) {
        Supply s = set.chassis().supply();
        GridPane grid = form.grid("arrival.supply");
        ComboBox<String> arrangement = form.choice(
                "arrival-arrangement",
                Arrangement.values(),
                s.arrangement(),
                "supply.",
                a -> putSupply(s.withArrangement(a)));
        arrangement.setAccessibleText(session.say("arrival.arrangement"));
        grid.add(Texts.label(session.say("arrival.arrangement"), "soft"), 0, 0);
        grid.add(arrangement, 1, 0, 3, 1);
        form.field(
                grid,
                0,
                1,
                "volts",
                Figures.fixed(s.volts(), 0),
                t -> putSupply(s.withVolts(Notation.exact(t, Unit.VOLT))));
        form.field(
                grid,
                1,
                1,
                "hertz",
                s.hertz() == 0 ? "" : Figures.fixed(s.hertz(), 0),
                t -> putSupply(s.withHertz(t.isEmpty() ? 0 : Notation.exact(t, Unit.HERTZ))));
        Isolation isolation = session.isolation().get().orElseGet(() -> Isolation.unproved(set.chassis()));
        Label consequence = Texts.wrapped(
                session.words().get().say(isolation.words(set.readingsOfThisVisit()))
                        + (s.arrangement().usesMains() ? " " + session.say("safety.law") : ""),
                isolation.mayBeLive() ? "brick" : "soft");
        body.getChildren().add(consequence);
        List<Caution> cautions = isolation.cautions();
        if (cautions.isEmpty()) return;
        VBox all = new VBox(2, Texts.label(session.say("caution.head"), "soft"));
        cautions.forEach(c -> all.getChildren().add(Texts.wrapped("– " + session.say("caution." + c.code()), "soft")));
        body.getChildren().add(all);
    }

    private void complaints(SetRecord set) {
        GridPane grid = form.grid("arrival.complaints");
        grid.getColumnConstraints().set(2, new ColumnConstraints(190));
        Set<String> where = new LinkedHashSet<>();
        set.chassis().bands().forEach(b -> where.add(b.name()));
        set.job().arrival().complaints().forEach(c -> where.add(c.where()));
        where.add(session.say("arrival.whole-set"));
        int row = 0;
        for (String w : where) {
            Optional<Complaint> now = set.job().arrival().complaints().stream()
                    .filter(c -> c.where().equals(w))
                    .findFirst();
            SymptomKind symptom = now.map(Complaint::symptom).orElse(SymptomKind.UNTRIED);
            Circumstance when = now.map(Complaint::when).orElse(Circumstance.ALWAYS);
            String note = now.map(Complaint::note).orElse("");
            Extra extra = now.map(Complaint::extra).orElse(Extra.NONE);
            ComboBox<String> box = form.choice(
                    "complaint-" + row,
                    SymptomKind.values(),
                    symptom,
                    "symptom.",
                    s -> putComplaint(new Complaint(w, s, when, note, extra)));
            box.setAccessibleText(w);
            grid.add(Texts.label(w, "soft"), 0, row);
            grid.add(box, 1, row);
            TextField words = form.prompted("note", note, t -> putComplaint(new Complaint(w, symptom, when, t, extra)));
            words.setId("complaint-note-" + row);
            grid.add(words, 3, row);
            if (symptom.isWrong()) {
                ComboBox<String> shows = form.choice(
                        "complaint-when-" + row,
                        Circumstance.values(),
                        when,
                        "circumstance.",
                        c -> putComplaint(new Complaint(w, symptom, c, note, extra)));
                shows.setAccessibleText(w + " " + session.say("arrival.when"));
                grid.add(shows, 2, row);
            }
            row++;
        }
    }

    private void visitors(SetRecord set) {
        Label head = Texts.label(session.say("arrival.visitors"), "strong", "petrol");
        head.setPadding(new Insets(8, 0, 0, 0));
        FlowPane flow = new FlowPane(18, 6);
        for (VisitorEvidence v : VisitorEvidence.values()) {
            CheckBox box = new CheckBox(session.say("visitor." + v.code()));
            box.setId("visitor-" + v.code());
            box.setSelected(set.job().arrival().visitors().contains(v));
            box.selectedProperty()
                    .addListener((o, a, on) -> putArrival(x -> {
                        Set<VisitorEvidence> seen = new TreeSet<>(x.visitors());
                        if (on) seen.add(v);
                        else seen.remove(v);
                        return x.withVisitors(seen);
                    }));
            flow.getChildren().add(box);
        }
        body.getChildren().addAll(head, flow);
        if (set.job().arrival().visited())
            body.getChildren().add(Texts.wrapped(session.say("arrival.visited"), "soft"));
    }

    private void found(SetRecord set) {
        GridPane grid = form.grid("arrival.found");
        String now = String.join("; ", set.job().arrival().found());
        form.field(grid, 0, 0, "objects", now, t -> putArrival(a -> a.withFound(split(t))));
        form.field(grid, 1, 0, "remark", set.job().arrival().note(), t -> putArrival(a -> a.withNote(t)));
    }

    private static List<String> split(String text) {
        List<String> all = new ArrayList<>();
        for (String s : text.split(";")) if (!s.isBlank()) all.add(s.strip());
        return all;
    }

    // --- storing ---

    private void putIdentity(UnaryOperator<Identity> change) {
        Chassis c = session.need().chassis();
        session.putChassis(session.say("ui.change.identity"), c.withIdentity(change.apply(c.identity())));
    }

    private void putSupply(Supply supply) {
        session.putChassis(
                session.say("ui.change.supply"), session.need().chassis().withSupply(supply));
    }

    private void putArrival(UnaryOperator<Arrival> change) {
        var job = session.need().job();
        session.putJob(session.say("ui.change.arrival"), job.withArrival(change.apply(job.arrival())));
    }

    private void putComplaint(Complaint complaint) {
        putArrival(a -> {
            List<Complaint> all = new ArrayList<>(a.complaints().stream()
                    .filter(c -> !c.where().equals(complaint.where()))
                    .toList());
            all.add(complaint);
            return a.withComplaints(all);
        });
    }

    private void putBands(String text) {
        Chassis c = session.need().chassis();
        session.putChassis(session.say("ui.change.bands"), BandsLine.parse(c, text));
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public String where() {
        return session.say("step.arrival");
    }

    @Override
    public String prompt() {
        return session.say("ui.arrival.prompt");
    }

    @Override
    public void focus() {
        first.ifPresent(Node::requestFocus);
    }
}

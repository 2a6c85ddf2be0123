package anabion.desktop.shelf;

import anabion.desktop.control.Mark;
import anabion.desktop.control.RowList;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.NextWork;
import anabion.workshop.Op.Place;
import anabion.workshop.SearchIndex;
import anabion.workshop.Summary;
import anabion.workshop.Timer;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The list of sets, narrowed by what is typed, with the timers at the right. */
public final class ShelfPlace extends BorderPane {
    private static final double CELL = 62;
    private static final double NARROW = 1160;
    private static final double PICTURE = 62;
    private static final int MOST_NEXT = 10;
    /** Letters from which on what sets hold is searched. */
    private static final int WORDY = 3;

    private final Session session;
    private final ListView<Summary> list = new RowList<>(CELL);
    private final Label title = Texts.label("", "title");
    private final Label count = Texts.label("", "soft");
    private final VBox timers = new VBox(8);
    private Place place = Place.SHELF;
    private String filter = "";
    private Set<UUID> found = Set.of();

    public ShelfPlace(Session session, Consumer<UUID> open) {
        this.session = session;
        list.setAccessibleText(session.say("shelf.title"));
        list.setId("shelf-list");
        list.setCellFactory(v -> new SetCell());
        list.setOnMouseClicked(e -> {
            if (e.getClickCount() == 2) chosen().ifPresent(s -> open.accept(s.id()));
        });
        list.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) chosen().ifPresent(s -> open.accept(s.id()));
        });
        HBox top = new HBox(12, title, count);
        top.setAlignment(Pos.BASELINE_LEFT);
        top.setPadding(new Insets(12, 14, 8, 14));
        BorderPane sheet = new BorderPane(list);
        sheet.setTop(top);
        sheet.getStyleClass().add("sheet");
        BorderPane.setMargin(sheet, new Insets(0, 10, 0, 0));
        setCenter(sheet);
        VBox side = new VBox(timers);
        side.getStyleClass().add("sheet");
        side.setPadding(new Insets(12, 14, 12, 14));
        side.setPrefWidth(296);
        side.setMinWidth(226);
        widthProperty().addListener((o, a, b) -> side.setPrefWidth(b.doubleValue() < NARROW ? 226 : 296));
        setRight(side);
        session.shelf().addListener((o, a, b) -> rebuild());
        session.timers().addListener((o, a, b) -> showTimers());
        session.words().addListener((o, a, b) -> rebuild());
        rebuild();
    }

    /** Narrows the list to sets that contain all the typed words. */
    public void filter(String text) {
        filter = text.strip().toLowerCase(Locale.ROOT);
        if (filter.length() < WORDY) found = Set.of();
        else seek(filter);
        rebuild();
    }

    /** What a set holds counts, too: parts, notes, owners. */
    private void seek(String wanted) {
        session.ask(
                w -> w.search().find(wanted).stream().map(SearchIndex.Hit::set).collect(Collectors.toSet()), sets -> {
                    if (!filter.equals(wanted)) return; // somebody has typed on
                    found = sets;
                    rebuild();
                });
    }

    /** Shows shelf, archive or trash. */
    public void show(Place which) {
        place = which;
        rebuild();
    }

    public Place place() {
        return place;
    }

    private void rebuild() {
        Optional<UUID> before = chosen().map(Summary::id);
        List<Summary> shown = session.shelf().get().stream()
                .filter(s -> s.place() == place && matches(s))
                .toList();
        list.getItems().setAll(shown);
        title.setText(session.say("shelf." + place.name().toLowerCase(Locale.ROOT)));
        count.setText(session.say(shown.size() == 1 ? "shelf.count-one" : "shelf.count", shown.size())
                + (filter.isEmpty() ? "" : " " + session.say("shelf.filtered", filter)));
        list.setPlaceholder(Texts.wrapped(
                session.say(
                        filter.isEmpty() ? "shelf.empty." + place.name().toLowerCase(Locale.ROOT) : "shelf.no-match"),
                "soft"));
        int at = 0;
        for (int i = 0; i < shown.size(); i++)
            if (before.filter(shown.get(i).id()::equals).isPresent()) at = i;
        if (!shown.isEmpty()) list.getSelectionModel().select(at);
        showTimers();
    }

    private boolean matches(Summary s) {
        if (found.contains(s.id())) return true;
        String all = String.join(
                        " ",
                        s.name(),
                        session.say("kind." + s.kind()),
                        session.say("supply." + s.arrangement()),
                        session.say("step." + s.step().code()),
                        s.next(),
                        s.waitsFor(),
                        s.verdict())
                .toLowerCase(Locale.ROOT);
        for (String word : filter.split("\\s+")) if (!all.contains(word)) return false;
        return true;
    }

    public Optional<Summary> chosen() {
        return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
    }

    public void moved(KeyCode key) {
        int at = list.getSelectionModel().getSelectedIndex() + (key == KeyCode.DOWN ? 1 : -1);
        if (at < 0 || at >= list.getItems().size()) return;
        list.getSelectionModel().select(at);
        list.scrollTo(Math.max(0, at - 3));
    }

    private void showTimers() {
        timers.getChildren().setAll(Texts.label(session.say("shelf.now"), "soft", "small", "medium"));
        NextWork.order(
                        session.shelf().get(),
                        session.timers().get(),
                        session.clock().instant())
                .stream()
                .limit(MOST_NEXT)
                .forEach(s -> timers.getChildren()
                        .add(new VBox(Texts.wrapped(s.name(), "medium"), Texts.wrapped(s.next(), "soft", "small"))));
        loose();
        timers.getChildren().add(Texts.rule());
        timers.getChildren().add(Texts.label(session.say("shelf.timers"), "soft", "small", "medium"));
        if (session.timers().get().isEmpty())
            timers.getChildren().add(Texts.wrapped(session.say("shelf.no-timers"), "soft", "small"));
        for (Timer t : session.timers().get()) {
            String name = session.shelf().get().stream()
                    .filter(s -> s.id().equals(t.set()))
                    .map(Summary::name)
                    .findFirst()
                    .orElse("");
            timers.getChildren()
                    .add(new VBox(
                            Texts.wrapped(left(session, t), "medium"),
                            Texts.wrapped(name + ": " + t.label(), "soft", "small")));
        }
    }

    /** What is borrowed, wanted or went wrong on any set. */
    private void loose() {
        boolean first = true;
        for (Summary s : session.shelf().get()) {
            if (s.place() != Place.SHELF) continue;
            for (String l : s.loose()) {
                if (first)
                    timers.getChildren()
                            .addAll(Texts.rule(), Texts.label(session.say("ui.loose-ends"), "soft", "small", "medium"));
                first = false;
                timers.getChildren()
                        .add(new VBox(Texts.wrapped(l, "medium"), Texts.wrapped(s.name(), "soft", "small")));
            }
        }
    }

    /** What is left of a timer: {@code 1:12 left}, or that it is over. */
    public static String left(Session session, Timer timer) {
        Duration left = Duration.between(session.clock().instant(), timer.ends());
        if (left.isNegative() || left.isZero()) return session.say("shelf.timer-over");
        if (left.toDays() >= 2) return session.say("shelf.timer-days", left.toDays());
        return session.say(
                "shelf.timer-left", String.format(Locale.ROOT, "%d:%02d", left.toHours(), left.toMinutesPart()));
    }

    /** One set. */
    private final class SetCell extends ListCell<Summary> {
        SetCell() {
            // as wide as the list: what does not fit ends in dots, and nothing scrolls sideways
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Summary s, boolean empty) {
            super.updateItem(s, empty);
            setText(null);
            setGraphic(empty || s == null ? null : draw(s));
            setAccessibleText(
                    empty || s == null
                            ? ""
                            : s.name() + ", " + session.say("step." + s.step().code()) + ", " + s.next());
        }

        private HBox draw(Summary s) {
            Label name = Texts.column(s.name(), 190, false, "strong");
            Label kind = Texts.column(
                    session.say("kind." + s.kind()) + ", " + session.say("supply-short." + s.arrangement()),
                    190,
                    false,
                    "soft",
                    "small");
            VBox who = new VBox(name, kind);
            HBox step = new HBox(
                    8,
                    new Mark(Mark.of(s.state())),
                    Texts.label(session.say("step." + s.step().code()), "medium"),
                    Texts.label(session.say("state." + s.state().code()), "soft", "small"));
            step.setAlignment(Pos.CENTER_LEFT);
            String counts = s.charted() > 0
                    ? session.say("shelf.read", s.read(), s.charted())
                    : s.hasParts() ? "" : session.say("shelf.no-circuit");
            VBox where = new VBox(step, Texts.label(counts, "soft", "small"));
            where.setMinWidth(204);
            where.setPrefWidth(204);
            Label first = Texts.label(
                    s.verdict().isEmpty() ? s.next() : s.verdict(), s.verdict().isEmpty() ? "" : "brick");
            first.setMinWidth(0);
            HBox loose = new HBox(8);
            loose.setAlignment(Pos.CENTER_LEFT);
            if (!s.waitsFor().isEmpty())
                loose.getChildren().add(Texts.label(session.say("shelf.waits", s.waitsFor()), "soft", "small"));
            if (s.openEnds() > 0)
                loose.getChildren()
                        .addAll(
                                new Mark(Mark.Kind.TRIANGLE),
                                Texts.label(session.say("shelf.open-ends", s.openEnds()), "brick", "small"));
            if (s.temporary() > 0)
                loose.getChildren()
                        .addAll(
                                new Mark(Mark.Kind.SQUARE),
                                Texts.label(session.say("shelf.temporary", s.temporary()), "soft", "small"));
            VBox says = new VBox(first, loose);
            says.setMinWidth(0);
            HBox.setHgrow(says, Priority.ALWAYS);
            HBox row = new HBox(14, who, where, says);
            // where one has a picture all keep its place, so that their columns stand under each other
            if (list.getItems().stream().anyMatch(x -> x.picture().isPresent()))
                row.getChildren().add(0, session.photos().framed(s.picture(), PICTURE, CELL - 16));
            row.setPadding(new Insets(8, 14, 6, 10));
            return row;
        }
    }
}

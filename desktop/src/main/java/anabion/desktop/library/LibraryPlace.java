package anabion.desktop.library;

import anabion.core.chassis.Chassis;
import anabion.core.command.LibraryRequest;
import anabion.core.command.TypeLine;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.error.InputException;
import anabion.core.reading.Condition;
import anabion.core.signal.PlateCircuit;
import anabion.core.simulation.setting.Setting;
import anabion.desktop.control.RowList;
import anabion.desktop.control.Texts;
import anabion.desktop.session.ComputeScheduler;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** The library: types narrowed by what is typed, and the lit one at the right. */
public final class LibraryPlace extends BorderPane {
    private static final double NARROW = 1160;

    private final Session session;
    private final ListView<DeviceType> list = new RowList<>(31);
    private final Label count = Texts.label("", "soft");
    private final TypeCard card;
    private Map<String, String> users = Map.of();
    private String filter = "";
    private String lit = "";
    private boolean inSight;
    /** While the list is filled anew its selection says nothing about what was wanted. */
    private boolean rebuilding;

    public LibraryPlace(Session session) {
        this.session = session;
        card = new TypeCard(session);
        list.setId("library-list");
        list.setAccessibleText(session.say("library.title"));
        list.setCellFactory(v -> new TypeCell());
        list.getSelectionModel().selectedItemProperty().addListener((o, a, b) -> {
            if (b != null) light(b);
        });
        HBox top = new HBox(12, Texts.label(session.say("library.title"), "title"), count);
        top.setAlignment(Pos.BASELINE_LEFT);
        top.setPadding(new Insets(12, 14, 8, 14));
        BorderPane sheet = new BorderPane(list);
        sheet.setTop(top);
        sheet.getStyleClass().add("sheet");
        sheet.setPrefWidth(470);
        widthProperty().addListener((o, a, b) -> sheet.setPrefWidth(b.doubleValue() < NARROW ? 380 : 470));
        BorderPane.setMargin(sheet, new Insets(0, 10, 0, 0));
        setLeft(sheet);
        setCenter(card);
        session.types().library().addListener((o, a, b) -> changed());
        session.set().addListener((o, a, b) -> {
            if (!a.map(SetRecord::id).equals(b.map(SetRecord::id))) lit = "";
            changed();
        });
        session.condition().addListener((o, a, b) -> changed());
        session.words().addListener((o, a, b) -> changed());
    }

    /** Only while it is in sight does it follow what changes elsewhere. */
    public void inSight(boolean seen) {
        inSight = seen;
        changed();
    }

    private void changed() {
        if (inSight) rebuild();
    }

    /** Narrows the list by one typed word; a line of several words is meant for the lit type and leaves it alone. */
    public void filter(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        filter = text.strip().contains(" ") ? "" : word;
        rebuild();
    }

    private void rebuild() {
        users = users();
        List<DeviceType> shown = session.types().library().get().all().stream()
                .filter(this::matches)
                .sorted(Comparator.comparing((DeviceType t) -> !inSet(t))
                        .thenComparing(t -> t.semiconductor().isPresent())
                        .thenComparing(DeviceType::name))
                .toList();
        rebuilding = true;
        list.getItems().setAll(shown);
        count.setText(session.say(shown.size() == 1 ? "library.count-one" : "library.count", shown.size()));
        list.setPlaceholder(Texts.wrapped(session.say("library.no-match"), "soft"));
        int at = 0;
        for (int i = 0; i < shown.size(); i++) if (shown.get(i).name().equals(lit)) at = i;
        if (!shown.isEmpty()) {
            list.getSelectionModel().select(at);
            list.scrollTo(Math.max(0, at - 4));
        }
        rebuilding = false;
        if (lit.isEmpty()) lit = chosen().map(DeviceType::name).orElse("");
    }

    private boolean matches(DeviceType t) {
        String all = t.name() + " " + String.join(" ", t.also()) + " " + t.description() + " "
                + session.say("base." + t.base().code());
        return all.toLowerCase(Locale.ROOT).contains(filter);
    }

    private boolean inSet(DeviceType t) {
        return users.containsKey(t.name());
    }

    /** References of the devices of each type in the set on the bench, by the type's name. */
    private Map<String, String> users() {
        Map<String, String> found = new HashMap<>();
        session.set().get().ifPresent(s -> s.chassis().parts().forEach(p -> p.device()
                .flatMap(d -> session.types().library().get().find(d.type()))
                .ifPresent(t -> found.merge(t.name(), p.reference(), (a, b) -> a + " " + b))));
        return found;
    }

    public Optional<DeviceType> chosen() {
        return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
    }

    private boolean own(DeviceType t) {
        return session.types().library().get().own(t.name()).isPresent();
    }

    private void light(DeviceType type) {
        if (filter.isEmpty() && !rebuilding) lit = type.name();
        card.show(type, own(type), List.of());
        if (!inSet(type)) return;
        working(type.name(), w -> {
            if (chosen().filter(type::equals).isPresent()) card.show(type, own(type), w);
        });
    }

    public void moved(KeyCode key) {
        int at = list.getSelectionModel().getSelectedIndex() + (key == KeyCode.DOWN ? 1 : -1);
        if (at < 0 || at >= list.getItems().size()) return;
        list.getSelectionModel().select(at);
        list.scrollTo(Math.max(0, at - 4));
    }

    public void view(int number) {
        card.view(number);
    }

    public void flip() {
        card.flip();
    }

    /** Carries out a typed line: a word alone keeps the type that it found, more words change the lit one or add another. */
    public CompletableFuture<?> entered(String text) {
        LibraryRequest command = LibraryRequest.parse(text);
        DeviceLibrary library = session.types().library().get();
        if (command instanceof LibraryRequest.Keep) {
            lit = chosen().map(DeviceType::name).orElse(lit);
            filter("");
            return CompletableFuture.completedFuture(null);
        }
        filter = "";
        String wanted = lit;
        if (command instanceof LibraryRequest.Add a) {
            lit = a.name();
            return changed(session.say("library.added", a.name()), own -> added(a.name(), a.pattern(), own));
        }
        if (command instanceof LibraryRequest.Edit e)
            return changed(session.say("library.change", wanted), own -> TypeLine.edit(find(own, wanted), e.line()));
        return reverted(find(library, wanted));
    }

    private DeviceType find(DeviceLibrary library, String name) {
        return library.find(name).orElseThrow(() -> InputException.at(name)
                .because(session.say("library.none"))
                .so(session.say("library.none.remedy")));
    }

    private DeviceType added(String name, String pattern, DeviceLibrary library) {
        if (library.find(name).filter(t -> t.name().equalsIgnoreCase(name)).isPresent())
            throw InputException.at(name).because(session.say("library.known")).so(session.say("library.known.remedy"));
        DeviceType like = library.find(pattern).orElseThrow(() -> InputException.at(pattern)
                .because(session.say("library.unknown"))
                .so(session.say("library.unknown.remedy")));
        return TypeLine.like(name, like);
    }

    /** Changes one type as the library then is: lines typed faster than they are stored all count. */
    private CompletableFuture<?> changed(String label, Function<DeviceLibrary, DeviceType> change) {
        return session.types().change(own -> {
            DeviceType type = change.apply(own.library());
            List<DeviceType> rows = new ArrayList<>(own.own());
            rows.removeIf(t -> t.name().equals(type.name()));
            rows.add(type);
            return own.put(label, rows);
        });
    }

    private CompletableFuture<?> reverted(DeviceType type) {
        if (!own(type))
            throw InputException.at(type.name())
                    .because(session.say("library.shipped"))
                    .so(session.say("library.shipped.remedy"));
        return session.types()
                .change(own -> own.put(
                        session.say("library.reverted", type.name()),
                        own.own().stream()
                                .filter(t -> !t.name().equals(type.name()))
                                .toList()));
    }

    /** One type. */
    private final class TypeCell extends ListCell<DeviceType> {
        TypeCell() {
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(DeviceType t, boolean empty) {
            super.updateItem(t, empty);
            setText(null);
            setGraphic(empty || t == null ? null : draw(t));
            setAccessibleText(empty || t == null ? "" : t.name() + ", " + t.description());
        }

        private HBox draw(DeviceType t) {
            Label what = Texts.label(t.description(), "soft");
            what.setMinWidth(0);
            HBox.setHgrow(what, Priority.ALWAYS);
            what.setMaxWidth(Double.MAX_VALUE);
            HBox row = new HBox(12, Texts.column(t.name(), 76, false, "medium"), what);
            if (own(t)) row.getChildren().add(fixed(session.say("library.own"), "petrol"));
            if (!t.flag().isEmpty()) row.getChildren().add(fixed(session.say("library.flagged"), "brick"));
            if (inSet(t)) row.getChildren().add(fixed(users.get(t.name()), "medium"));
            row.setAlignment(Pos.CENTER_LEFT);
            row.setPadding(new Insets(4, 14, 0, 10));
            return row;
        }

        private Label fixed(String text, String style) {
            Label label = Texts.label(text, style, "small");
            label.setMinWidth(Label.USE_PREF_SIZE);
            return label;
        }
    }

    /** How the devices of a type work in the set on the bench; none without a set. */
    private void working(String type, Consumer<List<PlateCircuit>> answer) {
        if (session.set().get().isEmpty()) return;
        Chassis chassis = session.need().chassis();
        Condition now = session.condition().get().orElseThrow();
        session.compute()
                .ask(
                        ComputeScheduler.Job.CURVES,
                        () -> PlateCircuit.all(chassis, Setting.of(now.line()).withBand(now.band()), type),
                        answer);
    }
}

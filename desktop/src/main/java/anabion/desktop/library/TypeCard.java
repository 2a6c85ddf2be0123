package anabion.desktop.library;

import anabion.core.chassis.PinNames;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.model.Curves;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.signal.PlateCircuit;
import anabion.desktop.control.CurveView;
import anabion.desktop.control.SocketView;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** All that is known of one type. */
final class TypeCard extends VBox {
    private final Session session;
    private final CurveView curves = new CurveView();
    private final HBox views = new HBox(14);
    private final FlowPane legend = new FlowPane(16, 2);
    private final VBox facts = new VBox(1);
    private final SocketView socket = new SocketView();
    private List<View> all = List.of();
    private int now;
    private boolean below = true;
    private Optional<DeviceType> shown = Optional.empty();

    /** One drawing: of a system by its data, or of a device in the set. */
    private record View(String name, Curves curves, Optional<PlateCircuit> working) {}

    TypeCard(Session session) {
        super(8);
        this.session = session;
        getStyleClass().add("sheet");
        setPadding(new Insets(12, 16, 12, 16));
        VBox.setVgrow(curves, Priority.ALWAYS);
        views.setAlignment(Pos.CENTER_LEFT);
        legend.setMinHeight(22);
    }

    /** @param working how its devices work in the set on the bench */
    void show(DeviceType type, boolean own, List<PlateCircuit> working) {
        if (shown.filter(s -> s.name().equals(type.name())).isEmpty()) now = 0;
        shown = Optional.of(type);
        all = views(type, working);
        now = Math.min(now, Math.max(0, all.size() - 1));
        HBox title = new HBox(12, Texts.label(type.name(), "title"));
        title.setAlignment(Pos.BASELINE_LEFT);
        if (!type.also().isEmpty()) title.getChildren().add(Texts.label(String.join(", ", type.also()), "soft"));
        title.getChildren().add(Texts.label(type.description(), "medium"));
        if (own) title.getChildren().add(Texts.label(session.say("library.own"), "petrol", "medium"));
        HBox low = new HBox(18, socket, facts);
        low.setAlignment(Pos.TOP_LEFT);
        HBox.setHgrow(facts, Priority.ALWAYS);
        getChildren().setAll(title, views, curves, legend, low);
        facts(type);
        draw(type);
    }

    private List<View> views(DeviceType type, List<PlateCircuit> working) {
        List<View> found = new ArrayList<>();
        for (PlateCircuit w : working)
            found.add(new View(
                    w.section().isEmpty() ? w.part() : w.part() + " " + w.section(), w.curves(), Optional.of(w)));
        if (!found.isEmpty()) return found;
        for (Section s : type.sections())
            found.add(new View(s.name(), Curves.of(s, s.points().get(0).screen(), 0), Optional.empty()));
        type.semiconductor().ifPresent(s -> found.add(new View("", Curves.of(s), Optional.empty())));
        return found;
    }

    /** Shows another of its systems or devices, by number from 1. */
    void view(int number) {
        if (number < 1 || number > all.size()) return;
        now = number - 1;
        shown.ifPresent(this::draw);
    }

    void flip() {
        below = !below;
        shown.ifPresent(this::draw);
    }

    private void draw(DeviceType type) {
        views.getChildren().clear();
        for (int n = 0; all.size() > 1 && n < all.size(); n++) {
            int number = n + 1;
            Button tab = new Button(all.get(n).name());
            tab.getStyleClass().setAll("tab");
            if (n == now) tab.getStyleClass().add("here");
            tab.setOnAction(e -> view(number));
            views.getChildren().addAll(tab, Texts.label("Alt " + number, "key"));
        }
        views.setManaged(all.size() > 1);
        socket.setVisible(type.functions().keySet().stream().allMatch(p -> p.matches("\\d+|cap")));
        socket.setManaged(socket.isVisible());
        socket.show(type.base(), type.functions(), 0, below);
        if (all.isEmpty()) return;
        View v = all.get(now);
        double watts = type.semiconductor().isPresent()
                ? type.limits().getOrDefault("milliwatts", 0.0) / 1000
                : type.limits().getOrDefault("plateWatts", 0.0);
        curves.show(v.curves(), watts, v.working());
        curves.setAccessibleText(session.say("library.curves", type.name()));
        legend(v, watts);
    }

    private void legend(View v, double watts) {
        legend.getChildren().clear();
        if (v.curves().stepped() != Curves.Stepped.NOTHING)
            key(
                    "curve",
                    session.say("library.stepped." + v.curves().stepped().name().toLowerCase(java.util.Locale.ROOT)));
        if (watts > 0 && v.curves().stepped() != Curves.Stepped.NOTHING)
            key("curve-limit", session.say("library.watts", Figures.si(new Quantity(watts, Unit.WATT))));
        v.working().ifPresent(w -> {
            key(
                    "curve-point",
                    session.say(
                            "library.point",
                            w.part(),
                            Figures.volts(w.volts()),
                            Figures.si(new Quantity(w.amperes(), Unit.AMPERE)),
                            w.curves().stepped() == Curves.Stepped.BASE_AMPERES
                                    ? Figures.si(new Quantity(w.parameter(), Unit.AMPERE))
                                    : Figures.volts(w.parameter()) + " V"));
            if (w.ohms() > 0)
                key("curve-load", session.say("library.load", Figures.si(new Quantity(w.ohms(), Unit.OHM))));
            w.sound()
                    .ifPresent(ohms ->
                            key("curve-sound", session.say("library.sound", Figures.si(new Quantity(ohms, Unit.OHM)))));
        });
        if (v.working().isEmpty())
            legend.getChildren().add(Texts.label(session.say("library.not-in-set"), "soft", "small"));
    }

    private void key(String style, String words) {
        HBox entry = new HBox(6, CurveView.sample(style), Texts.label(words, "small"));
        entry.setAlignment(Pos.CENTER_LEFT);
        legend.getChildren().add(entry);
    }

    private void facts(DeviceType type) {
        facts.getChildren().clear();
        StringBuilder pins = new StringBuilder();
        for (Map.Entry<String, String> f : type.functions().entrySet())
            if (!PinNames.isUnused(f.getValue()))
                pins.append(pins.length() == 0 ? "" : "   ")
                        .append(f.getKey())
                        .append(' ')
                        .append(words(type, f.getValue()))
                        .append(type.labels().containsKey(f.getKey()) ? " (" + type.label(f.getKey()) + ")" : "");
        facts.getChildren()
                .add(Texts.wrapped(
                        session.say("base." + type.base().code())
                                + (socket.isVisible()
                                        ? ", " + session.say(below ? "ui.socket.below" : "ui.socket.above")
                                        : "")
                                + ":   " + pins,
                        "small"));
        if (type.heaterVolts() > 0)
            facts.getChildren()
                    .add(Texts.wrapped(
                            session.say(
                                    type.directlyHeated() ? "library.filament" : "library.heater",
                                    TypeWords.plain(type.heaterVolts()),
                                    TypeWords.plain(1000 * type.heaterAmperes())),
                            "small"));
        type.semiconductor().ifPresent(s -> facts.getChildren().add(Texts.wrapped(TypeWords.of(s), "small")));
        for (Section s : type.sections())
            for (int n = 0; n < s.points().size(); n++)
                facts.getChildren()
                        .add(Texts.wrapped(
                                (s.name().isEmpty() ? "" : s.name() + " ")
                                        + session.say(n == 0 ? "library.fitted" : "library.held", n + 1) + "  "
                                        + TypeWords.of(s, s.points().get(n)),
                                "small"));
        if (!type.limits().isEmpty())
            facts.getChildren().add(Texts.wrapped(session.say("library.limits", TypeWords.limits(type)), "small"));
        if (!type.flag().isEmpty())
            facts.getChildren().add(Texts.wrapped(session.say("library.flag", type.flag()), "brick", "small"));
        facts.getChildren().add(Texts.wrapped(session.say("library.source", type.source()), "soft", "small"));
    }

    private String words(DeviceType type, String function) {
        List<String> words = new ArrayList<>();
        for (String f : PinNames.plain(function)) words.add(session.say(PinNames.key(Optional.of(type), f)));
        String section = PinNames.section(function);
        return String.join("+", words.stream().distinct().toList()) + (section.isEmpty() ? "" : " " + section);
    }
}

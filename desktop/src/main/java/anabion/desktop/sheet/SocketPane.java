package anabion.desktop.sheet;

import anabion.core.chassis.Component.Device;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.Point;
import anabion.core.device.Base;
import anabion.desktop.control.SocketView;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The socket of the lit row with the names of its pins. */
final class SocketPane extends HBox {
    private final Session session;
    private final SocketView socket = new SocketView();
    private final Label named = Texts.label("", "strong");
    private final FlowPane rest = new FlowPane(14, 1);
    private final Label side = Texts.label("", "soft");
    private final VBox pins = new VBox(1, named, rest, side);
    private Optional<Point> lit = Optional.empty();
    private boolean fromBelow = true;
    private List<Object> shown = List.of();

    SocketPane(Session session) {
        super(24);
        this.session = session;
        getChildren().addAll(socket, pins);
        HBox.setHgrow(pins, Priority.ALWAYS);
        setPadding(new Insets(8, 14, 8, 30));
        setAlignment(Pos.CENTER_LEFT);
        sceneProperty().addListener((o, a, b) -> ask());
    }

    /** Lights the pin of a point; hides when it has none. */
    void show(Optional<Point> point) {
        lit = point;
        Optional<Device> device = point.flatMap(Point::device).flatMap(Part::device);
        Optional<Base> base = device.flatMap(d -> Base.named(d.base()));
        boolean known = base.isPresent() && point.get().pin().matches("\\d+");
        setVisible(known);
        setManaged(known);
        if (!known) return;
        Part part = point.get().device().orElseThrow();
        int pin = Integer.parseInt(point.get().pin());
        List<Object> now = List.of(part, pin, fromBelow, session.words().get());
        if (!now.equals(shown)) {
            shown = now;
            socket.show(base.get(), device.get().functions(), pin, fromBelow);
            name(part, pin, Map.of());
        }
        ask();
    }

    /** Asks what the pins should read, while the pane is in the window: one out of sight would take the turn of the one in sight. */
    private void ask() {
        Optional<Point> asked = lit.filter(p -> getScene() != null && isVisible());
        if (asked.isEmpty()) return;
        Part part = asked.get().device().orElseThrow();
        boolean here = session.set()
                .get()
                .filter(s -> s.chassis().parts().contains(part))
                .isPresent();
        if (!here) return;
        int pin = Integer.parseInt(asked.get().pin());
        session.shouldRead(part, volts -> {
            if (lit.equals(asked)) name(part, pin, volts);
        });
    }

    /** What data sheets call a pin whose electrode works as another: the fourth grid of a pentagrid. */
    private static String label(Part part, String pin) {
        return part.device()
                .flatMap(Device::known)
                .filter(t -> t.labels().containsKey(pin))
                .map(t -> " (" + t.label(pin) + ")")
                .orElse("");
    }

    /**
     * Says what each pin is. Labels that are there are used again: to make and style new ones takes longer than all else that a reading changes.
     *
     * @param volts pin to what the meter should show there, as far as it is known
     */
    private void name(Part part, int wanted, Map<String, String> volts) {
        Map<String, String> functions = part.device().orElseThrow().functions();
        String own = String.valueOf(wanted);
        List<String> others = new ArrayList<>();
        functions.forEach((p, f) -> {
            if (!p.equals(own) && !f.equals("nc"))
                others.add(p + " " + pinWords(part, f) + label(part, p) + volt(volts, p));
        });
        while (rest.getChildren().size() < others.size()) rest.getChildren().add(Texts.label("", "soft"));
        while (rest.getChildren().size() > others.size())
            rest.getChildren().remove(rest.getChildren().size() - 1);
        for (int n = 0; n < others.size(); n++)
            if (rest.getChildren().get(n) instanceof Label l) l.setText(others.get(n));
        named.setText(
                session.say("ui.socket.pin", wanted, pinWords(part, functions.getOrDefault(own, "")) + label(part, own))
                        + volt(volts, own));
        side.setText(session.say(fromBelow ? "ui.socket.below" : "ui.socket.above"));
        socket.setAccessibleText((named.getText() + " " + side.getText() + " " + String.join(" ", others)).strip());
    }

    private String volt(Map<String, String> volts, String pin) {
        return volts.containsKey(pin) ? session.say("ui.socket.volts", volts.get(pin)) : "";
    }

    private String pinWords(Part part, String function) {
        List<String> words = new ArrayList<>();
        String section = PinNames.section(function);
        for (String f : PinNames.plain(function)) words.add(session.say(PinNames.key(part, f)));
        return String.join(" and ", words.stream().distinct().toList()) + (section.isEmpty() ? "" : " " + section);
    }

    /** Shows the socket from the other side. */
    void flip() {
        fromBelow = !fromBelow;
        show(lit);
    }
}

package anabion.desktop.sheet;

import anabion.core.chassis.Component.Device;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.device.Base;
import anabion.core.reading.Row;
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
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The socket of the lit row with the names of its pins. */
final class SocketPane extends HBox {
    private final Session session;
    private final SocketView socket = new SocketView();
    private final VBox pins = new VBox(1);
    private Optional<Row> lit = Optional.empty();
    private boolean fromBelow = true;

    SocketPane(Session session) {
        super(24);
        this.session = session;
        getChildren().addAll(socket, pins);
        setPadding(new Insets(8, 14, 8, 30));
        setAlignment(Pos.CENTER_LEFT);
    }

    /** Lights the pin of a row; hides when it has none. */
    void show(Optional<Row> row) {
        lit = row;
        Optional<Device> device = row.flatMap(r -> r.point().device()).flatMap(Part::device);
        Optional<Base> base = device.flatMap(d -> Base.named(d.base()));
        boolean known = base.isPresent();
        setVisible(known);
        setManaged(known);
        if (!known) return;
        Map<String, String> functions = device.get().functions();
        int pin = Integer.parseInt(row.get().point().pin());
        socket.show(base.get(), functions, pin, fromBelow);
        pins.getChildren()
                .setAll(Texts.label(
                        session.say("ui.socket.pin", pin, pinWords(functions.getOrDefault(String.valueOf(pin), ""))),
                        "strong"));
        List<String> others = new ArrayList<>();
        functions.forEach((p, f) -> {
            if (!p.equals(String.valueOf(pin)) && !f.equals("nc")) others.add(p + " " + pinWords(f));
        });
        for (int i = 0; i < others.size(); i += 3)
            pins.getChildren()
                    .add(Texts.label(String.join("   ", others.subList(i, Math.min(i + 3, others.size()))), "soft"));
        pins.getChildren().add(Texts.label(session.say(fromBelow ? "ui.socket.below" : "ui.socket.above"), "soft"));
        socket.setAccessibleText(
                pins.getChildren().stream().map(n -> ((Label) n).getText()).reduce("", (a, b) -> a + " " + b));
    }

    private String pinWords(String function) {
        List<String> words = new ArrayList<>();
        String section = PinNames.section(function);
        for (String f : PinNames.plain(function)) words.add(session.say(PinNames.key(f)));
        return String.join(" and ", words.stream().distinct().toList()) + (section.isEmpty() ? "" : " " + section);
    }

    /** Shows the socket from the other side. */
    void flip() {
        fromBelow = !fromBelow;
        show(lit);
    }
}

package anabion.core.format;

import anabion.core.chassis.Component;
import anabion.core.chassis.Contact;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Winding;
import anabion.core.device.TypeCodec;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import java.util.List;
import java.util.Map;

/** The electrical part of a part's JSON: {@code kind} and what goes with it. */
final class ComponentCodec {
    private ComponentCodec() {}

    static Component read(Fields f) {
        String kind = f.text("kind");
        return switch (kind) {
            case "resistor" -> new Component.Resistor(f.size("ohms", 0), f.size("tolerance", 0.2), f.size("watts", 0));
            case "potentiometer" -> new Component.Potentiometer(f.size("ohms", 0), f.text("taper", ""));
            case "capacitor" ->
                new Component.Capacitor(
                        f.sizes("farads"),
                        f.volts("volts"),
                        f.knownCode("dielectric", Dielectric.values()),
                        f.has("ratings") ? f.sizes("ratings") : List.of());
            case "winding" -> new Component.Windings(f.list("windings", ComponentCodec::winding));
            case "tube", "transistor", "diode" -> device(f, kind);
            case "lamp" -> new Component.Lamp(f.volts("volts"), f.size("amperes", 0));
            case "switch" -> new Component.Switch(f.strings("positions"), f.list("contacts", ComponentCodec::contact));
            case "fuse" -> new Component.Fuse(f.size("amperes", 0));
            case "speaker" -> new Component.Speaker(f.size("ohms", 0));
            case "battery" -> new Component.Battery(f.volts("volts"), f.size("ohms", 0));
            case "other" -> new Component.Other(f.text("what", ""));
            default ->
                throw f.trouble(
                        "kind",
                        "\"" + kind + "\" is no kind of part",
                        "use resistor, potentiometer, capacitor, winding, tube, transistor, diode, lamp, switch, fuse, speaker, battery or other");
        };
    }

    private static Component device(Fields f, String kind) {
        DeviceKind deviceKind =
                kind.equals("tube") ? DeviceKind.TUBE : kind.equals("diode") ? DeviceKind.DIODE : DeviceKind.TRANSISTOR;
        return new Component.Device(
                deviceKind,
                f.text("type", ""),
                f.text("base", ""),
                f.texts("functions"),
                f.maybeObject("own").map(TypeCodec::read));
    }

    private static Winding winding(Fields f) {
        return new Winding(
                f.id(),
                f.text("name", ""),
                f.text("from"),
                f.text("to"),
                f.size("ohms", 0),
                f.size("henries", 0),
                f.volts("volts"),
                f.flag("slug", false),
                f.extra());
    }

    static void write(Component c, Writing w) {
        w.put("kind", c.kind());
        if (c instanceof Component.Resistor r) {
            w.put("ohms", r.ohms()).put("tolerance", r.tolerance()).unless("watts", r.watts(), 0.0);
        } else if (c instanceof Component.Potentiometer p) {
            w.put("ohms", p.ohms()).text("taper", p.taper());
        } else if (c instanceof Component.Capacitor k) {
            w.put("farads", k.farads())
                    .unless("volts", k.volts(), 0.0)
                    .text("dielectric", k.dielectric().map(Dielectric::code).orElse(""));
            if (!k.ratings().isEmpty()) w.put("ratings", k.ratings());
        } else if (c instanceof Component.Windings t) {
            w.put("windings", t.windings().stream().map(ComponentCodec::winding).toList());
        } else if (c instanceof Component.Device d) {
            w.text("type", d.type()).text("base", d.base()).map("functions", d.functions());
            d.own().ifPresent(t -> w.put("own", TypeCodec.write(t)));
        } else if (c instanceof Component.Lamp l) {
            w.put("volts", l.volts()).unless("amperes", l.amperes(), 0.0);
        } else if (c instanceof Component.Switch s) {
            w.list("positions", s.positions())
                    .list(
                            "contacts",
                            s.contacts().stream().map(ComponentCodec::contact).toList());
        } else if (c instanceof Component.Fuse x) {
            w.put("amperes", x.amperes());
        } else if (c instanceof Component.Speaker s) {
            w.put("ohms", s.ohms());
        } else if (c instanceof Component.Battery b) {
            w.put("volts", b.volts()).unless("ohms", b.ohms(), 0.0);
        } else if (c instanceof Component.Other o) {
            w.text("what", o.what());
        }
    }

    private static Contact contact(Fields f) {
        return new Contact(f.text("from"), f.text("to"), f.strings("at"), f.extra());
    }

    private static Map<String, Object> contact(Contact c) {
        return new Writing()
                .put("from", c.from())
                .put("to", c.to())
                .put("at", c.at())
                .with(c.extra());
    }

    private static Map<String, Object> winding(Winding t) {
        return new Writing()
                .put("id", t.id())
                .text("name", t.name())
                .put("from", t.from())
                .put("to", t.to())
                .unless("ohms", t.ohms(), 0.0)
                .unless("henries", t.henries(), 0.0)
                .unless("volts", t.volts(), 0.0)
                .unless("slug", t.slug(), false)
                .with(t.extra());
    }
}

package anabion.core.chassis;

import anabion.core.error.InputException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The laws of a chassis, checked: unique references, stages and bands that exist, nets and chart points that can be found. */
public final class ChassisCheck {
    private final Chassis chassis;
    private final Points points;
    private final List<InputException> flaws = new ArrayList<>();

    private ChassisCheck(Chassis chassis) {
        this.chassis = chassis;
        this.points = Points.of(chassis);
    }

    /** All breaches of the laws, in the order of the file; empty for a sound chassis. */
    public static List<InputException> flaws(Chassis chassis) {
        ChassisCheck check = new ChassisCheck(chassis);
        check.references();
        check.nets();
        check.stages();
        check.chart();
        return List.copyOf(check.flaws);
    }

    /**
     * The chassis itself, if it is sound.
     *
     * @throws InputException the first breach
     */
    public static Chassis sound(Chassis chassis) {
        List<InputException> flaws = flaws(chassis);
        if (!flaws.isEmpty()) throw flaws.get(0);
        return chassis;
    }

    private void flaw(String where, String what, String remedy) {
        flaws.add(InputException.at(where).because(what).so(remedy));
    }

    private void references() {
        Map<String, Integer> first = new HashMap<>();
        for (int i = 0; i < chassis.parts().size(); i++) {
            String reference = chassis.parts().get(i).reference();
            if (reference.indexOf('.') >= 0 || reference.indexOf(':') >= 0)
                flaw(
                        "field parts[" + i + "].reference",
                        "the reference " + reference + " would be read as a pin or a fault of another part",
                        "write it without point and colon, like "
                                + reference.replace('.', '-').replace(':', '-'));
            Integer before = first.putIfAbsent(reference, i);
            if (before != null) {
                flaw(
                        "field parts[" + i + "].reference",
                        "the reference " + reference + " stands twice, first in parts[" + before + "]",
                        "give one of them its own reference");
            }
        }
    }

    private void nets() {
        for (int i = 0; i < chassis.parts().size(); i++) {
            Part part = chassis.parts().get(i);
            for (Map.Entry<String, String> e : part.nets().entrySet()) {
                if (!known(e.getValue())) {
                    flaw(
                            "field parts[" + i + "].nets." + e.getKey() + " (" + part.reference() + ")",
                            "the net " + e.getValue() + " is unknown: " + unknown(e.getValue()),
                            "correct the net or add the device");
                }
            }
        }
    }

    /** A net named like a pin must be the net of that pin; any other name is free. */
    private boolean known(String net) {
        int dot = net.indexOf('.');
        return dot <= 0 || points.find(net).filter(p -> p.net().equals(net)).isPresent();
    }

    private String unknown(String net) {
        String device = net.substring(0, net.indexOf('.'));
        return chassis.part(device).isPresent()
                ? device + " has no such pin, or the pin is on another net"
                : "there is no " + device;
    }

    private void stages() {
        Set<String> names = new HashSet<>();
        for (int i = 0; i < chassis.stages().size(); i++) {
            Stage stage = chassis.stages().get(i);
            if (!names.add(stage.name()))
                flaw("field stages[" + i + "].name", "the stage " + stage.name() + " stands twice", "rename one");
            for (String part : stage.parts()) {
                if (chassis.part(part).isEmpty()) {
                    flaw(
                            "field stages[" + i + "].parts",
                            "the stage " + stage.name() + " owns " + part + ", which is not among the parts",
                            "add the part or take it out of the stage");
                }
            }
        }
        for (int i = 0; i < chassis.bands().size(); i++) {
            for (String stage : chassis.bands().get(i).stages()) {
                if (!names.contains(stage))
                    flaw(
                            "field bands[" + i + "].stages",
                            "there is no stage " + stage,
                            "name one of " + String.join(", ", names));
            }
        }
    }

    private void chart() {
        if (chassis.chart().isEmpty()) return;
        Chart chart = chassis.chart().get();
        meter(chart.conditions().meter());
        for (int i = 0; i < chart.rows().size(); i++) {
            ChartRow row = chart.rows().get(i);
            if (points.find(row.point()).isEmpty()) {
                flaw(
                        "field chart.rows[" + i + "].point",
                        "the net " + row.point() + " is unknown",
                        "name a pin such as V4.6 or a net of this chassis");
            }
            if (!row.band().isEmpty() && chassis.band(row.band()).isEmpty()) {
                flaw(
                        "field chart.rows[" + i + "].band",
                        "there is no band " + row.band(),
                        "leave it out, or add the band");
            }
        }
    }

    private void meter(String text) {
        try {
            MeterSpec.parse(text);
        } catch (InputException e) {
            flaws.add(e.inside("field chart.conditions.meter"));
        }
    }
}

package anabion.core.reading.pattern;

import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Point;
import anabion.core.quantity.Figures;
import anabion.core.reading.Board;
import anabion.core.reading.Finding;
import anabion.core.reading.Finding.Suspect;
import anabion.core.reading.ReadingRow;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Transistors, signed net to net, whatever the earth: base to emitter beyond a junction drop is an open junction; a collector at
 * its rail (over a resistive load) is off; a collector at the emitter is saturated. Junction drops: germanium 0.15 to 0.3 V,
 * silicon 0.55 to 0.7 V (physics of the junction).
 */
final class TransistorVolts implements Pattern {
    private static final double OPEN_JUNCTION = 1.0;
    private static final double SATURATED = 0.3;
    /** A running oscillator rectifies its own signal: its base moves at least this much. */
    private static final double SHIFT = 0.06;

    @Override
    public List<Finding> look(Board board) {
        List<Finding> found = new ArrayList<>();
        for (Part part : board.chassis().parts()) {
            if (part.device()
                            .filter(d -> d.deviceKind() == DeviceKind.TRANSISTOR)
                            .isEmpty()
                    || !board.works(part)) continue;
            judge(board, part).ifPresent(found::add);
        }
        return found;
    }

    private static Optional<Finding> judge(Board board, Part q) {
        OptionalDouble base = volts(board, q, "b");
        OptionalDouble emitter = volts(board, q, "e");
        OptionalDouble collector = volts(board, q, "c");
        if (base.isPresent()
                && emitter.isPresent()
                && Math.abs(base.getAsDouble() - emitter.getAsDouble()) > OPEN_JUNCTION) {
            return Optional.of(finding(
                    board,
                    q,
                    "b",
                    "junction",
                    List.of(Suspect.of(Fault.of(q.reference(), FaultMode.OPEN))),
                    base.getAsDouble() - emitter.getAsDouble()));
        }
        if (stopped(board, q, base, emitter)) {
            return Optional.of(finding(
                    board,
                    q,
                    "b",
                    "stopped",
                    List.of(Suspect.of(Fault.of(q.reference(), FaultMode.WEAK))),
                    base.getAsDouble() - emitter.getAsDouble()));
        }
        if (collector.isEmpty()) return Optional.empty();
        if (emitter.isPresent() && Math.abs(collector.getAsDouble() - emitter.getAsDouble()) < SATURATED) {
            return Optional.of(finding(
                    board,
                    q,
                    "c",
                    "saturated",
                    List.of(
                            Suspect.of(Fault.of(q.reference(), FaultMode.SHORT)),
                            Suspect.of(Fault.of(q.reference(), FaultMode.LEAKY))),
                    collector.getAsDouble() - emitter.getAsDouble()));
        }
        return off(board, q, collector.getAsDouble());
    }

    /** An oscillator by its role whose base to emitter voltage lacks the shift that the chart shows while it runs. */
    private static boolean stopped(Board board, Part q, OptionalDouble base, OptionalDouble emitter) {
        OptionalDouble runningBase = expected(board, q, "b");
        OptionalDouble runningEmitter = expected(board, q, "e");
        if (!q.is(PartRole.OSCILLATOR)
                || base.isEmpty()
                || emitter.isEmpty()
                || runningBase.isEmpty()
                || runningEmitter.isEmpty()) return false;
        double running = Math.abs(runningBase.getAsDouble() - runningEmitter.getAsDouble());
        return Math.abs(base.getAsDouble() - emitter.getAsDouble()) > running + SHIFT;
    }

    private static OptionalDouble expected(Board board, Part q, String function) {
        return board.points()
                .find(q.reference() + "." + function)
                .map(p -> board.expected(p.net()))
                .orElse(OptionalDouble.empty());
    }

    /** Only over a resistor: the far end's voltage is the rail, and nothing drops. */
    private static Optional<Finding> off(Board board, Part q, double collector) {
        Optional<Point> pin = board.points().find(q.reference() + ".c");
        if (pin.isEmpty()) return Optional.empty();
        for (Part load : board.resistorsAt(pin.get().net())) {
            OptionalDouble rail = board.volts(board.across(load, pin.get().net()));
            OptionalDouble expected = board.expected(pin.get().net());
            if (rail.isEmpty() || expected.isEmpty()) continue;
            double drop = Math.abs(rail.getAsDouble() - expected.getAsDouble());
            if (drop > 0.5 && Math.abs(rail.getAsDouble() - collector) < 0.1 * drop) {
                return Optional.of(finding(
                        board,
                        q,
                        "c",
                        "off",
                        List.of(Suspect.of(Fault.of(q.reference(), FaultMode.OPEN))),
                        rail.getAsDouble() - collector));
            }
        }
        return Optional.empty();
    }

    private static OptionalDouble volts(Board board, Part q, String function) {
        return board.points()
                .find(q.reference() + "." + function)
                .map(p -> board.volts(p.net()))
                .orElse(OptionalDouble.empty());
    }

    private static Finding finding(Board board, Part q, String pin, String what, List<Suspect> suspects, double volts) {
        String label =
                board.points().find(q.reference() + "." + pin).map(Point::label).orElse(q.reference());
        Optional<ReadingRow> row = board.points().find(label).flatMap(p -> board.row(p.net()));
        return new Finding(
                "transistor-" + what,
                label,
                2,
                Phrase.of("transistor.headline-" + what, q.reference()),
                List.of(Phrase.of("transistor." + what, q.reference(), Figures.volts(volts))),
                suspects,
                List.of(Phrase.of("test.transistor-" + what, q.reference())),
                row.map(ReadingRow::verdict).orElse(Phrase.of("verdict.uncharted")));
    }
}

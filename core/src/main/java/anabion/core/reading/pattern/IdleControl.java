package anabion.core.reading.pattern;

import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.PinNames;
import anabion.core.quantity.Figures;
import anabion.core.reading.Board;
import anabion.core.reading.Finding;
import anabion.core.reading.Finding.Suspect;
import anabion.core.reading.ReadingRow;
import anabion.core.reading.SignalLevel;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;

/**
 * Automatic volume control: idle it shows contact potential and delay bias, not zero; with a strong signal it must grow
 * (negative for tubes; a PNP base goes positive). If it does not, its filter leaks or its detector gives nothing.
 */
final class IdleControl implements Pattern {
    private static final double GROWN = -2.0;
    private static final double MOVED = 0.05;

    @Override
    public List<Finding> look(Board board) {
        List<Finding> found = new ArrayList<>();
        for (ReadingRow row : board.read()) {
            boolean strong = row.reading()
                    .filter(r -> r.condition()
                            .level()
                            .filter(l -> l == SignalLevel.STRONG)
                            .isPresent())
                    .isPresent();
            if (!strong || !onControlLine(board, row) || !flat(row)) continue;
            List<Suspect> suspects = new ArrayList<>();
            for (Part p : board.chassis().parts()) {
                if (!p.is(PartRole.AVC_FILTER)) continue;
                if (p.component() instanceof Component.Capacitor)
                    suspects.add(Suspect.of(Fault.of(p.reference(), FaultMode.LEAKY)));
                if (p.component() instanceof Component.Resistor)
                    suspects.add(Suspect.of(Fault.of(p.reference(), FaultMode.OPEN)));
            }
            found.add(new Finding(
                    "avc",
                    row.point().label(),
                    2,
                    Phrase.of("avc.headline"),
                    List.of(Phrase.of(
                            "avc.flat",
                            row.point().label(),
                            Figures.volts(row.volts().getAsDouble()))),
                    suspects,
                    List.of(Phrase.of("test.avc", row.point().label())),
                    Phrase.of("verdict.avc-flat")));
        }
        return found;
    }

    /** Not grown: a tube's grid is less than two volts negative; a transistor's base has not moved from its idle value. */
    private static boolean flat(ReadingRow row) {
        double volts = row.volts().getAsDouble();
        boolean transistor = PinNames.is(row.point().function(), "b");
        if (!transistor) return volts >= GROWN && volts <= 0.3;
        return row.expectation().isPresent()
                && Math.abs(volts - row.expectation().get().value()) < MOVED;
    }

    /** A grid whose return goes to the control line, or that line itself. */
    private static boolean onControlLine(Board board, ReadingRow row) {
        boolean grid = PinNames.is(row.point().function(), "g1")
                || PinNames.is(row.point().function(), "g3")
                || PinNames.is(row.point().function(), "b");
        String net = row.point().net();
        return board.chassis().controlLines().stream()
                .anyMatch(line -> net.equals(line)
                        || (grid && board.chassis().parts().stream().anyMatch(p -> p.joins(net, line))));
    }
}

package anabion.core.reading.pattern;

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
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The oscillator grid biases itself negative while it runs; near nought it does not oscillate. On a band that does not use
 * the oscillator it is off by design, and this pattern is silent. The grid is known by the role of its grid leak.
 */
final class Oscillator implements Pattern {
    private static final double RUNNING = -1.0;

    @Override
    public List<Finding> look(Board board) {
        List<Finding> found = new ArrayList<>();
        for (ReadingRow row : board.read()) {
            if (row.point().device().isEmpty()
                    || PinNames.is(row.point().function(), "k")
                    || !board.works(row.point().device().get())) continue;
            Optional<Part> leak = board.resistorsAt(row.point().net()).stream()
                    .filter(r -> r.is(PartRole.OSCILLATOR_GRID_LEAK))
                    .findFirst();
            if (leak.isPresent() && row.volts().getAsDouble() > RUNNING) found.add(stopped(board, row, leak.get()));
        }
        return found;
    }

    private static Finding stopped(Board board, ReadingRow row, Part leak) {
        String device = row.point().device().map(Part::reference).orElse("");
        List<Suspect> suspects = new ArrayList<>();
        suspects.add(Suspect.of(Fault.of(device, FaultMode.WEAK)));
        board.capacitorsAt(row.point().net())
                .forEach(c -> suspects.add(Suspect.of(Fault.of(c.reference(), FaultMode.OPEN))));
        board.chassis().parts().stream()
                .filter(p -> p.is(PartRole.OSCILLATOR_COIL) || p.is(PartRole.FM_OSCILLATOR_COIL))
                .forEach(p -> suspects.add(Suspect.of(Fault.of(p.reference(), FaultMode.OPEN))));
        suspects.add(Suspect.of(Fault.of(leak.reference(), FaultMode.OPEN)));
        return new Finding(
                "oscillator",
                row.point().label(),
                3,
                Phrase.of("oscillator.headline", device),
                List.of(Phrase.of(
                        "oscillator.stopped",
                        row.point().label(),
                        Figures.volts(row.volts().getAsDouble()))),
                suspects,
                List.of(Phrase.of("test.oscillator", row.point().label())),
                Phrase.of("verdict.not-oscillating"));
    }
}

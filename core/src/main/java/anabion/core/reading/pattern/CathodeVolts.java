package anabion.core.reading.pattern;

import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.Point;
import anabion.core.quantity.Figures;
import anabion.core.reading.Board;
import anabion.core.reading.Finding;
import anabion.core.reading.Finding.Suspect;
import anabion.core.reading.ReadingRow;
import anabion.core.reading.Standing;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A cathode near nought carries no current, or its bypass is shorted; a high one has an open resistor, or the tube is driven
 * too hard. Where the grid is known to be positive, that explains a high cathode and this pattern is silent.
 */
final class CathodeVolts implements Pattern {
    private static final double NEAR_ZERO = 0.1;
    private static final double FAR_TOO_HIGH = 2.5;

    @Override
    public List<Finding> look(Board board) {
        List<Finding> found = new ArrayList<>();
        for (ReadingRow row : board.read()) {
            boolean cathode = PinNames.is(row.point().function(), "k");
            double expected = row.expectation().map(e -> e.value()).orElse(0.0);
            if (!cathode || expected < 0.5 || row.standing() == Standing.WITHIN || expected > 60) continue;
            double read = row.volts().getAsDouble();
            if (read < NEAR_ZERO * expected) found.add(gone(board, row));
            else if (read > expected && !gridPositive(board, row))
                found.add(high(board, row, read > FAR_TOO_HIGH * expected));
        }
        return found;
    }

    private static boolean gridPositive(Board board, ReadingRow row) {
        Optional<Point> grid = board.sibling(row, "g1");
        return grid.isPresent() && board.volts(grid.get().net()).orElse(0) > 0.3;
    }

    private static Optional<Part> resistor(Board board, ReadingRow row) {
        return board.resistorsAt(row.point().net()).stream()
                .filter(r -> r.touches(board.chassis().reference()))
                .findFirst()
                .or(() -> board.resistorsAt(row.point().net()).stream().findFirst());
    }

    private static Finding gone(Board board, ReadingRow row) {
        String device = row.point().device().map(Part::reference).orElse("");
        List<Suspect> suspects = new ArrayList<>();
        suspects.add(Suspect.of(Fault.of(device, FaultMode.DEAD)));
        board.sibling(row, "g2")
                .flatMap(p -> board.feed(p.net()))
                .ifPresent(r -> suspects.add(Suspect.of(Fault.of(r.reference(), FaultMode.OPEN))));
        List<Part> bypasses = board.bypassesAt(row.point().net());
        bypasses.forEach(c -> suspects.add(Suspect.of(Fault.of(c.reference(), FaultMode.SHORT))));
        String bypass = bypasses.stream()
                .map(Part::reference)
                .findFirst()
                .orElse(row.point().label());
        return new Finding(
                "cathode-gone",
                row.point().label(),
                2,
                Phrase.of("cathode.headline-gone", device),
                List.of(Phrase.of(
                        "cathode.gone",
                        row.point().label(),
                        Figures.volts(row.volts().getAsDouble()),
                        bypass)),
                suspects,
                List.of(Phrase.of("test.cathode-ohms", row.point().label(), bypass, device)),
                Phrase.of("verdict.no-current"));
    }

    private static Finding high(Board board, ReadingRow row, boolean open) {
        String device = row.point().device().map(Part::reference).orElse("");
        Optional<Part> resistor = resistor(board, row);
        List<Suspect> suspects = new ArrayList<>();
        resistor.ifPresent(
                r -> suspects.add(Suspect.of(Fault.of(r.reference(), open ? FaultMode.OPEN : FaultMode.DRIFTED))));
        List<Phrase> tests = new ArrayList<>();
        resistor.ifPresent(r -> tests.add(Phrase.of(
                "test.resistor",
                r.reference(),
                anabion.core.quantity.Figures.si(anabion.core.quantity.Quantity.ohms(Board.ohms(r))))));
        Optional<Point> grid = board.sibling(row, "g1");
        if (grid.isPresent()) {
            board.capacitorsAt(grid.get().net()).stream()
                    .filter(c -> board.readOrExpected(board.across(c, grid.get().net()))
                                    .orElse(0)
                            > 20)
                    .findFirst()
                    .ifPresent(c -> suspects.add(Suspect.of(Fault.of(c.reference(), FaultMode.LEAKY))));
            tests.add(Phrase.of("test.read-grid", grid.get().label()));
        }
        return new Finding(
                "cathode-high",
                row.point().label(),
                2,
                Phrase.of(
                        open ? "cathode.headline-open" : "cathode.headline-high",
                        device,
                        resistor.map(Part::reference).orElse(row.point().label())),
                List.of(Phrase.of(
                        "cathode.high",
                        row.point().label(),
                        Figures.volts(row.volts().getAsDouble()),
                        Figures.volts(row.expectation().orElseThrow().value()))),
                suspects,
                tests,
                row.verdict());
    }
}

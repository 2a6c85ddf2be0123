package anabion.core.reading.pattern;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.Place;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Board;
import anabion.core.reading.Finding;
import anabion.core.reading.Finding.Suspect;
import anabion.core.reading.ReadingRow;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * A control grid that stands positive: its coupling capacitor leaks, or the tube is gassy.
 *
 * <p>The leak follows from the divider of the leak and the grid resistor with the meter across it:
 * R = (V_plate of the previous stage − V_grid)·(R_g ∥ R_meter)/(V_grid − V_return). It holds while no grid current flows, so
 * for grids not above their cathode; beyond, it gives an upper bound.
 */
final class PositiveGrid implements Pattern {
    /** A grid this far above its return is positive, not contact potential or meter zero. */
    private static final double POSITIVE = 0.3;

    @Override
    public List<Finding> look(Board board) {
        List<Finding> found = new ArrayList<>();
        for (ReadingRow row : board.read()) {
            if (PinNames.is(row.point().function(), "g1")
                    && row.volts().getAsDouble() > returnVolts(board, row) + POSITIVE) {
                found.add(finding(board, row));
            }
        }
        return found;
    }

    private static Optional<Part> leakResistor(Board board, ReadingRow row) {
        return board.resistorsAt(row.point().net()).stream().findFirst();
    }

    private static double returnVolts(Board board, ReadingRow row) {
        return leakResistor(board, row)
                .map(r ->
                        board.readOrExpected(board.across(r, row.point().net())).orElse(0))
                .orElse(0.0);
    }

    private Finding finding(Board board, ReadingRow row) {
        double grid = row.volts().getAsDouble();
        String device = row.point().device().map(Part::reference).orElse("");
        List<Phrase> because = new ArrayList<>();
        List<Suspect> suspects = new ArrayList<>();
        List<Phrase> tests = new ArrayList<>();
        because.add(Phrase.of("grid.stands", device, Figures.volts(grid)));
        hotCathode(board, row).ifPresent(because::add);
        Optional<Part> coupling = coupling(board, row);
        coupling.ifPresent(c -> leaky(board, row, c, because, suspects, tests));
        if (isBare(board, row)) place(row, suspects, tests);
        suspects.add(Suspect.of(Fault.of(device, FaultMode.GASSY)));
        leakResistor(board, row).ifPresent(r -> suspects.add(Suspect.of(Fault.of(r.reference(), FaultMode.OPEN))));
        tests.add(Phrase.of(series(board) ? "test.no-pulling" : "test.swap-tube", device));
        Phrase headline = coupling.isPresent()
                ? Phrase.of("grid.headline", coupling.get().reference(), Phrase.of("grid.of", device))
                : Phrase.of("grid.headline-gas", device);
        return new Finding(
                "grid", row.point().label(), 3, headline, because, suspects, tests, Phrase.of("verdict.positive"));
    }

    /** Whether nobody has entered yet what hangs on the tube. */
    private static boolean isBare(Board board, ReadingRow row) {
        Set<String> nets =
                new HashSet<>(row.point().device().map(d -> d.nets().values()).orElse(List.of()));
        nets.remove(board.chassis().reference());
        return board.chassis().parts().stream()
                .filter(p -> p.device().isEmpty())
                .noneMatch(p -> nets.stream().anyMatch(p::touches));
    }

    /** What leads to the grid, by its place. */
    private static void place(ReadingRow row, List<Suspect> suspects, List<Phrase> tests) {
        Place place = new Place(
                Place.Kind.COUPLING,
                row.point().device().map(Part::reference).orElse(""),
                row.point().pin());
        Phrase words = Phrase.of("place.before-grid", place.device(), place.pin());
        suspects.add(new Suspect(Fault.of(place.reference(), FaultMode.LEAKY), Phrase.of("fault.leaky", words)));
        tests.add(Phrase.of("test.lift-coupling", words, row.point().label(), place.device()));
    }

    private static Optional<Phrase> hotCathode(Board board, ReadingRow row) {
        return board.sibling(row, "k").flatMap(k -> {
            OptionalDouble read = board.volts(k.net());
            OptionalDouble expected = board.expected(k.net());
            if (read.isEmpty() || expected.isEmpty() || read.getAsDouble() <= expected.getAsDouble() * 1.1)
                return Optional.empty();
            return Optional.of(
                    Phrase.of("grid.cathode-high", Figures.volts(read.getAsDouble() - expected.getAsDouble())));
        });
    }

    /** The capacitor from the grid to the most positive net: that is the plate before it. */
    private static Optional<Part> coupling(Board board, ReadingRow row) {
        Part best = null;
        double highest = row.volts().getAsDouble();
        for (Part c : board.capacitorsAt(row.point().net())) {
            double far =
                    board.readOrExpected(board.across(c, row.point().net())).orElse(0);
            if (far > highest) {
                best = c;
                highest = far;
            }
        }
        return Optional.ofNullable(best);
    }

    private static void leaky(
            Board board,
            ReadingRow row,
            Part capacitor,
            List<Phrase> because,
            List<Suspect> suspects,
            List<Phrase> tests) {
        String net = row.point().net();
        double plate = board.readOrExpected(board.across(capacitor, net)).orElse(0);
        double back = returnVolts(board, row);
        Optional<Part> leak = leakResistor(board, row);
        if (leak.isPresent()) {
            double meter = row.reading()
                    .orElseThrow()
                    .condition()
                    .meter()
                    .ohmsAt(row.volts().getAsDouble());
            double grid = Board.ohms(leak.get()) * meter / (Board.ohms(leak.get()) + meter);
            double current = (row.volts().getAsDouble() - back) / grid;
            double ohms = (plate - row.volts().getAsDouble()) / current;
            because.add(Phrase.of(
                    board.volts(board.across(capacitor, net)).isPresent() ? "grid.leak" : "grid.leak-expected",
                    capacitor.reference(),
                    Figures.si(Quantity.amperes(current)),
                    Figures.volts(plate),
                    Figures.si(Quantity.ohms(ohms)),
                    leak.get().reference()));
            suspects.add(Suspect.of(Fault.of(capacitor.reference(), FaultMode.LEAKY, ohms)));
        } else {
            suspects.add(Suspect.of(Fault.of(capacitor.reference(), FaultMode.LEAKY)));
        }
        tests.add(Phrase.of(
                "test.lift-coupling",
                capacitor.reference(),
                row.point().label(),
                row.point().device().map(Part::reference).orElse("")));
    }

    /** Pulling a tube darkens a series string and overvolts the others of a series filament chain. */
    private static boolean series(Board board) {
        Arrangement a = board.chassis().supply().arrangement();
        return a != Arrangement.TRANSFORMER && a != Arrangement.VIBRATOR;
    }
}

package anabion.core.reading.pattern;

import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Board;
import anabion.core.reading.Finding;
import anabion.core.reading.Finding.Suspect;
import anabion.core.reading.ReadingRow;
import anabion.core.reading.Standing;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A screen without volts has an open feed resistor or a shorted bypass; a low one a feed resistor that drifted up, or a leaky
 * bypass. The drift is estimated with the screen taking current in proportion to its volts:
 * R' = R·(E − V)/(E − V₀)·(V₀/V), with E the rail, V₀ the expectation, V the reading (Ohm's law; the estimate is rough, since
 * screen current also depends on the grid).
 */
final class ScreenVolts implements Pattern {
    private static final double NEAR_ZERO = 0.1;

    @Override
    public List<Finding> look(Board board) {
        List<Finding> found = new ArrayList<>();
        for (ReadingRow row : board.read()) {
            if (!PinNames.is(row.point().function(), "g2") || row.expectation().isEmpty()) continue;
            Optional<Part> feed = board.feed(row.point().net());
            double expected = row.expectation().get().value();
            double read = row.volts().getAsDouble();
            if (feed.isEmpty() || read >= expected || row.standing() == Standing.WITHIN) continue;
            found.add(read < NEAR_ZERO * expected ? gone(board, row, feed.get()) : low(board, row, feed.get()));
        }
        return found;
    }

    private static Finding gone(Board board, ReadingRow row, Part feed) {
        List<Suspect> suspects = new ArrayList<>();
        suspects.add(Suspect.of(Fault.of(feed.reference(), FaultMode.OPEN)));
        List<Part> bypasses = board.bypassesAt(row.point().net());
        bypasses.forEach(c -> suspects.add(Suspect.of(Fault.of(c.reference(), FaultMode.SHORT))));
        suspects.add(Suspect.of(Fault.of(row.point().label(), FaultMode.JOINT)));
        String bypass = bypasses.stream()
                .map(Part::reference)
                .findFirst()
                .orElse(row.point().label());
        return new Finding(
                "screen-gone",
                row.point().label(),
                3,
                Phrase.of("screen.headline-gone", name(row), feed.reference()),
                List.of(Phrase.of(
                        "screen.gone",
                        row.point().label(),
                        Figures.volts(row.volts().getAsDouble()),
                        feed.reference(),
                        bypass)),
                suspects,
                List.of(Phrase.of(
                        "test.cold-ohms",
                        row.point().label(),
                        bypass,
                        Figures.si(Quantity.ohms(Board.ohms(feed))),
                        feed.reference())),
                Phrase.of("verdict.gone"));
    }

    private static Finding low(Board board, ReadingRow row, Part feed) {
        double read = row.volts().getAsDouble();
        double expected = row.expectation().orElseThrow().value();
        OptionalDouble rail =
                board.readOrExpected(board.across(feed, row.point().net()));
        List<Phrase> because = new ArrayList<>();
        List<Suspect> suspects = new ArrayList<>();
        because.add(Phrase.of("screen.low", row.point().label(), Figures.volts(read), Figures.volts(expected)));
        if (rail.isPresent() && rail.getAsDouble() > expected) {
            double drifted =
                    Board.ohms(feed) * (rail.getAsDouble() - read) / (rail.getAsDouble() - expected) * expected / read;
            because.add(Phrase.of(
                    "screen.drift",
                    feed.reference(),
                    Figures.si(Quantity.ohms(Board.ohms(feed))),
                    Figures.si(Quantity.ohms(drifted)),
                    Figures.volts(rail.getAsDouble())));
            suspects.add(Suspect.of(Fault.of(feed.reference(), FaultMode.DRIFTED, drifted)));
        } else {
            suspects.add(Suspect.of(Fault.of(feed.reference(), FaultMode.DRIFTED)));
        }
        board.bypassesAt(row.point().net())
                .forEach(c -> suspects.add(Suspect.of(Fault.of(c.reference(), FaultMode.LEAKY))));
        return new Finding(
                "screen-low",
                row.point().label(),
                2,
                Phrase.of("screen.headline-low", feed.reference(), name(row)),
                because,
                suspects,
                List.of(Phrase.of("test.resistor", feed.reference(), Figures.si(Quantity.ohms(Board.ohms(feed))))),
                row.verdict());
    }

    private static String name(ReadingRow row) {
        return row.point().device().map(Part::reference).orElse(row.point().label());
    }
}

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

/**
 * A plate at its rail's voltage draws no current, where the load is a resistor that should drop something worth reading; over
 * an IF or output winding the same reading means nothing. A plate that is low points at a load that drifted up, or at a
 * winding that is open when nothing is left.
 */
final class PlateVolts implements Pattern {
    private static final double WORTH_READING = 0.1;

    @Override
    public List<Finding> look(Board board) {
        List<Finding> found = new ArrayList<>();
        for (ReadingRow row : board.read()) {
            if (!PinNames.isPlate(row.point().function())
                    || row.expectation().isEmpty()
                    || row.standing() == Standing.WITHIN) continue;
            double expected = row.expectation().get().value();
            double read = row.volts().getAsDouble();
            Optional<Part> load = board.feed(row.point().net());
            if (load.isPresent())
                atResistor(board, row, load.get(), read, expected).ifPresent(found::add);
            else if (read < WORTH_READING * expected) found.add(openWinding(board, row));
        }
        return found;
    }

    private static Optional<Finding> atResistor(Board board, ReadingRow row, Part load, double read, double expected) {
        double rail =
                board.readOrExpected(board.across(load, row.point().net())).orElse(0);
        double drop = rail - expected;
        String device = row.point().device().map(Part::reference).orElse("");
        if (drop < WORTH_READING * rail) return Optional.empty();
        if (rail - read < WORTH_READING * drop) {
            List<Suspect> suspects = new ArrayList<>();
            suspects.add(Suspect.of(Fault.of(device, FaultMode.DEAD)));
            board.sibling(row, "k")
                    .flatMap(k -> board.resistorsAt(k.net()).stream().findFirst())
                    .ifPresent(r -> suspects.add(Suspect.of(Fault.of(r.reference(), FaultMode.OPEN))));
            suspects.add(Suspect.of(Fault.of(row.point().label(), FaultMode.JOINT)));
            return Optional.of(new Finding(
                    "plate-rail",
                    row.point().label(),
                    2,
                    Phrase.of("plate.headline-rail", device),
                    List.of(Phrase.of(
                            "plate.rail",
                            row.point().label(),
                            Figures.volts(read),
                            Figures.volts(rail),
                            load.reference(),
                            Figures.volts(drop))),
                    suspects,
                    List.of(Phrase.of("test.swap-tube", device)),
                    Phrase.of("verdict.at-rail")));
        }
        if (read >= expected) return Optional.empty();
        double drifted = Board.ohms(load) * (rail - read) / drop;
        List<Suspect> suspects = new ArrayList<>();
        suspects.add(
                read < WORTH_READING * expected
                        ? Suspect.of(Fault.of(load.reference(), FaultMode.OPEN))
                        : Suspect.of(Fault.of(load.reference(), FaultMode.DRIFTED, drifted)));
        board.bypassesAt(row.point().net())
                .forEach(c -> suspects.add(Suspect.of(Fault.of(c.reference(), FaultMode.LEAKY))));
        return Optional.of(new Finding(
                "plate-low",
                row.point().label(),
                2,
                Phrase.of("plate.headline-low", load.reference(), device),
                List.of(Phrase.of(
                        "plate.low",
                        row.point().label(),
                        Figures.volts(read),
                        Figures.volts(expected),
                        load.reference(),
                        Figures.si(Quantity.ohms(drifted)))),
                suspects,
                List.of(Phrase.of("test.resistor", load.reference(), Figures.si(Quantity.ohms(Board.ohms(load))))),
                row.verdict()));
    }

    private static Finding openWinding(Board board, ReadingRow row) {
        String device = row.point().device().map(Part::reference).orElse("");
        List<Suspect> suspects = new ArrayList<>();
        board.chassis().parts().stream()
                .filter(p -> p.component() instanceof anabion.core.chassis.Component.Windings
                        && p.touches(row.point().net()))
                .findFirst()
                .ifPresent(w -> suspects.add(Suspect.of(Fault.of(w.reference(), FaultMode.OPEN))));
        suspects.add(Suspect.of(Fault.of(row.point().label(), FaultMode.JOINT)));
        return new Finding(
                "plate-gone",
                row.point().label(),
                3,
                Phrase.of("plate.headline-gone", device),
                List.of(Phrase.of(
                        board.sibling(row, "g2").isPresent() ? "plate.gone" : "plate.gone-triode",
                        row.point().label(),
                        Figures.volts(row.volts().getAsDouble()))),
                suspects,
                List.of(Phrase.of("test.winding", row.point().label())),
                Phrase.of("verdict.gone"));
    }
}

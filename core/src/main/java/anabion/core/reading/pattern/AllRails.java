package anabion.core.reading.pattern;

import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Measure;
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
 * When every high rail is off by the same measure, no single stage is to blame: all low points at rectifier, reservoir or load;
 * all high at line, tap, or tubes that do not draw. Needs three readings of 20 V and more that agree.
 */
final class AllRails implements Pattern {
    private static final int LEAST_RAILS = 3;
    private static final double OFF = 0.12;

    @Override
    public List<Finding> look(Board board) {
        List<Double> ratios = new ArrayList<>();
        Optional<ReadingRow> first = Optional.empty();
        for (ReadingRow row : board.read()) {
            double expected = row.expectation().map(e -> e.value()).orElse(0.0);
            boolean rail = PinNames.isPlate(row.point().function())
                    || PinNames.is(row.point().function(), "g2")
                    || row.point().device().isEmpty()
                    || rectifierOutput(row);
            if (row.measure() != Measure.DC_VOLTS || expected < 20 || !rail) continue;
            ratios.add(row.volts().getAsDouble() / expected);
            if (first.isEmpty() || rectifierOutput(row)) first = Optional.of(row);
        }
        if (ratios.size() < LEAST_RAILS) return List.of();
        boolean low = ratios.stream().allMatch(r -> r < 1 - OFF);
        boolean high = ratios.stream().allMatch(r -> r > 1 + OFF);
        if (!low && !high) return List.of();
        double mean = ratios.stream().mapToDouble(r -> r).average().orElse(1);
        return List.of(low ? low(board, first.orElseThrow(), mean) : high(first.orElseThrow(), mean));
    }

    private static boolean rectifierOutput(ReadingRow row) {
        return PinNames.is(row.point().function(), "k")
                && row.expectation().map(e -> e.value() > 60).orElse(false);
    }

    private static Finding low(Board board, ReadingRow row, double mean) {
        List<Suspect> suspects = new ArrayList<>();
        row.point().device().ifPresent(p -> suspects.add(Suspect.of(Fault.of(p.reference(), FaultMode.WEAK))));
        board.capacitorsAt(row.point().net()).stream().findFirst().ifPresent(p -> {
            suspects.add(Suspect.of(Fault.of(p.reference(), FaultMode.DRIED)));
            suspects.add(Suspect.of(Fault.of(p.reference(), FaultMode.LEAKY)));
        });
        return new Finding(
                "rails-low",
                row.point().label(),
                4,
                Phrase.of("rails.headline-low"),
                List.of(Phrase.of("rails.low", Figures.percent(1 - mean))),
                suspects,
                List.of(Phrase.of("test.rails-low")),
                row.verdict());
    }

    private static Finding high(ReadingRow row, double mean) {
        return new Finding(
                "rails-high",
                row.point().label(),
                4,
                Phrase.of("rails.headline-high"),
                List.of(Phrase.of("rails.high", Figures.percent(mean - 1))),
                List.of(),
                List.of(Phrase.of("test.rails-high")),
                row.verdict());
    }
}

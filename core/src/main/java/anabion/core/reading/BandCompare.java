package anabion.core.reading;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Measure;
import anabion.core.job.Alteration;
import anabion.core.quantity.Figures;
import anabion.core.reading.Finding.Suspect;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * One pin on every band: a pin that keeps its volts on one band and loses them on another, both of which use its stage,
 * has an open coil or switch contact on the band where they are gone.
 */
public final class BandCompare {
    private static final double LOST = 0.2;

    private BandCompare() {}

    /** Findings from how the bands differ; empty for a set with one band. */
    public static List<Finding> look(
            Chassis chassis,
            List<Reading> readings,
            List<Alteration> alterations,
            Condition now,
            Tolerances policy,
            Predictor predictor) {
        List<Finding> found = new ArrayList<>();
        if (chassis.bands().size() < 2 || chassis.band(now.band()).isEmpty()) return found;
        List<ReadingRow> here = new ReadingTable(chassis, readings, alterations, now, policy, predictor).rows();
        for (Band other : chassis.bands()) {
            if (other.name().equals(now.band())) continue;
            List<ReadingRow> there = new ReadingTable(
                            chassis, readings, alterations, now.withBand(other.name()), policy, predictor)
                    .rows();
            for (ReadingRow row : here)
                lost(chassis, row, there, now.band(), other.name()).ifPresent(found::add);
        }
        return found;
    }

    private static Optional<Finding> lost(
            Chassis chassis, ReadingRow row, List<ReadingRow> there, String band, String otherBand) {
        boolean usable = row.measure() == Measure.DC_VOLTS
                && row.volts().isPresent()
                && row.standing() != Standing.OFF_BY_DESIGN
                && onBand(row, band);
        if (!usable) return Optional.empty();
        Optional<ReadingRow> same = there.stream()
                .filter(r -> r.point().label().equals(row.point().label())
                        && r.volts().isPresent()
                        && r.standing() != Standing.OFF_BY_DESIGN
                        && onBand(r, otherBand))
                .findFirst();
        double kept = same.map(r -> r.volts().getAsDouble()).orElse(0.0);
        if (Math.abs(kept) < 5 || Math.abs(row.volts().getAsDouble()) > LOST * Math.abs(kept)) return Optional.empty();
        List<Suspect> suspects = new ArrayList<>();
        chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Switch || p.component() instanceof Component.Windings)
                .filter(p -> p.touches(row.point().net()))
                .forEach(p -> suspects.add(Suspect.of(Fault.of(p.reference(), FaultMode.OPEN))));
        return Optional.of(new Finding(
                "band-lost",
                row.point().label(),
                3,
                Phrase.of("band.headline", row.point().label(), band),
                List.of(Phrase.of(
                        "band.lost",
                        row.point().label(),
                        Figures.volts(row.volts().getAsDouble()),
                        band,
                        Figures.volts(kept),
                        otherBand)),
                suspects,
                List.of(Phrase.of("test.band", row.point().label(), band)),
                Phrase.of("verdict.gone")));
    }

    private static boolean onBand(ReadingRow row, String band) {
        return row.reading().filter(r -> r.condition().band().equals(band)).isPresent();
    }
}

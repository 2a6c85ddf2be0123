package anabion.core.diagnosis.evidence;

import anabion.core.align.Image;
import anabion.core.align.TrackingAdvice.Point;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.job.AlignmentEntry;
import anabion.core.signal.Frequencies;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;

/** Stations that were found on a dial: each says where the oscillator ran there. */
final class StationEvidence {
    private StationEvidence() {}

    /**
     * Of each band those since an adjuster of its oscillator was turned; an image says nothing of the dial.
     *
     * @param outdated whether something was exchanged since a fitted state
     */
    static List<Observation> of(Chassis chassis, List<AlignmentEntry> alignment, Predicate<UUID> outdated) {
        List<Observation> all = new ArrayList<>();
        for (Band band : chassis.bands()) {
            Optional<Double> between = Frequencies.intermediate(chassis, Optional.of(band));
            if (between.isEmpty()) continue;
            List<AlignmentEntry> own =
                    alignment.stream().filter(e -> e.band().equals(band.name())).toList();
            AlignmentEntry.stations(own).stream()
                    .filter(e -> !outdated.test(e.state()))
                    .filter(e -> Image.of(new Point(e.before(), e.after()), between.get(), band.oscillator())
                            .isEmpty())
                    .map(e -> new Observation.Measured(
                            new Frequency(band.name(), e.before()),
                            band.oscillator().oscillator(e.after(), between.get())))
                    .forEach(all::add);
        }
        return all;
    }
}

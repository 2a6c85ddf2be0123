package anabion.core.diagnosis.evidence;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentPurpose;
import anabion.core.signal.Frequencies;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;

/** Stations that were found on a dial: each says where the oscillator ran there. */
final class StationEvidence {
    /** Share of twice the intermediate frequency by which an image may lie off. */
    private static final double IMAGE = 0.1;

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
            int turned = -1;
            for (int n = 0; n < own.size(); n++)
                if (own.get(n).purpose().filter(AlignmentPurpose::ofOscillator).isPresent()) turned = n;
            own.subList(turned + 1, own.size()).stream()
                    .filter(e -> e.kind() == AlignmentEntry.Kind.STATION && !outdated.test(e.state()))
                    .filter(e -> !image(e, 2 * between.get()))
                    .map(e -> new Observation.Measured(
                            new Frequency(band.name(), e.before()),
                            band.oscillator().oscillator(e.after(), between.get())))
                    .forEach(all::add);
        }
        return all;
    }

    private static boolean image(AlignmentEntry e, double apart) {
        return Math.abs(Math.abs(e.after() - e.before()) - apart) < IMAGE * apart;
    }
}

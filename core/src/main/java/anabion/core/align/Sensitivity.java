package anabion.core.align;

import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentPurpose;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a generator must give for the standard output, before an alignment and after it, by what was read on an output meter.
 *
 * <p>Method: the output is proportional to the signal while the AVC rests, so that a reading at a known level gives the level for any other output.
 *
 * @param purpose of the line nearest the aerial of which levels were said
 * @param before effective volts of the generator; {@code after} likewise
 */
public record Sensitivity(AlignmentPurpose purpose, double before, double after) {
    private record Level(AlignmentPurpose purpose, double volts) {}

    /**
     * Of one band's entries.
     *
     * @param entries in the order in which they were made
     * @param standard volts at the speaker for the standard output
     * @return empty where no level was said, or where an indicator was read that lives on the AVC
     */
    public static Optional<Sensitivity> of(List<AlignmentEntry> entries, double standard) {
        List<Level> levels = new ArrayList<>();
        boolean proportional = true;
        for (AlignmentEntry e : entries) {
            if (e.kind() == AlignmentEntry.Kind.WATCH)
                proportional = Indicator.OUTPUT_METER.code().equals(e.text());
            if (!proportional
                    || !e.kind().reads()
                    || e.given().volts() <= 0
                    || e.purpose().isEmpty()) continue;
            if (e.before() > 0)
                levels.add(new Level(e.purpose().get(), e.given().volts() * standard / e.before()));
            if (e.after() > 0) levels.add(new Level(e.purpose().get(), e.given().volts() * standard / e.after()));
        }
        return levels.stream()
                .map(Level::purpose)
                .filter(p -> p != AlignmentPurpose.TRAP && p != AlignmentPurpose.BALANCE)
                .max(Enum::compareTo)
                .map(p -> levels.stream().filter(l -> l.purpose() == p).toList())
                .map(own -> new Sensitivity(
                        own.get(0).purpose(),
                        own.get(0).volts(),
                        own.get(own.size() - 1).volts()));
    }
}

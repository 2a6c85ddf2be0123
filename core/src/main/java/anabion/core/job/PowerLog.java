package anabion.core.job;

import anabion.core.job.PowerEntry.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * All power-ups of a set, and what was seen to before them.
 *
 * @param entries in the order in which they were made
 */
public record PowerLog(List<PowerEntry> entries) {
    public static final PowerLog NONE = new PowerLog(List.of());

    public PowerLog {
        entries = List.copyOf(entries);
    }

    /** With one more. */
    public PowerLog with(PowerEntry entry) {
        List<PowerEntry> more = new ArrayList<>(entries);
        more.add(entry);
        return new PowerLog(more);
    }

    /** The power-ups, the first first: what was written before the first of them belongs to none. */
    public List<List<PowerEntry>> runs() {
        List<List<PowerEntry>> runs = new ArrayList<>();
        for (PowerEntry e : entries) {
            if (e.kind() == Kind.BEGAN) runs.add(new ArrayList<>());
            if (!runs.isEmpty()) runs.get(runs.size() - 1).add(e);
        }
        return runs.stream().map(List::copyOf).toList();
    }

    /** The power-ups of the whole set. */
    public List<List<PowerEntry>> whole() {
        return runs().stream()
                .filter(run -> PowerStage.begun(run.get(0)) == PowerStage.WHOLE_SET)
                .toList();
    }

    /** The last power-up; empty before the first. */
    public List<PowerEntry> latest() {
        List<List<PowerEntry>> runs = runs();
        return runs.isEmpty() ? List.of() : runs.get(runs.size() - 1);
    }

    /** Whether the set is on, by the last that was written. */
    public boolean on() {
        List<PowerEntry> run = latest();
        return !run.isEmpty() && run.stream().noneMatch(e -> e.kind() == Kind.OFF);
    }

    /** The last line of a kind about something, made in the state that the set is in. */
    public Optional<PowerEntry> last(Kind kind, String what, UUID state) {
        return entries.stream()
                .filter(e ->
                        e.kind() == kind && e.what().equals(what) && e.state().equals(state))
                .reduce((a, b) -> b);
    }

    /**
     * Volts at the set while something was read.
     *
     * @param run to which the line belongs
     * @return 0 where they were not measured
     */
    public static double atSet(List<PowerEntry> run, PowerEntry line) {
        if (line.atSet() > 0) return line.atSet();
        return run.stream()
                .filter(x -> x.kind() == Kind.AT_SET && x.dial() == line.dial())
                .reduce((a, b) -> b)
                .map(PowerEntry::value)
                .orElse(0.0);
    }

    /** The words of the lamp that was in the line when something was read; empty where none was, or none is on record. */
    public Optional<String> lampBefore(PowerEntry line) {
        return entries.subList(0, Math.max(0, entries.indexOf(line))).stream()
                .filter(e -> e.kind() == Kind.LAMP)
                .reduce((a, b) -> b)
                .map(PowerEntry::what)
                .filter(w -> !w.isEmpty());
    }

    /** After a part got another reference: nets may be named after its pins, and it may be a cause. */
    PowerLog renamed(String from, String to) {
        return new PowerLog(entries.stream().map(e -> e.renamed(from, to)).toList());
    }
}

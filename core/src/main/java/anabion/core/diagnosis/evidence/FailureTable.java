package anabion.core.diagnosis.evidence;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartClass;
import anabion.core.job.Job;
import anabion.core.job.RecapLog;
import anabion.core.json.Coded;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Which parts failed when they were tested, counted by what they are, what they do, who made them, and how old their set is. */
public final class FailureTable {
    private static final int DECADE = 10;

    private final Map<Group, int[]> counts = new LinkedHashMap<>();

    /** What is counted by. */
    public enum By implements Coded {
        KIND,
        ROLE,
        MAKE,
        AGE;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private record Group(By by, String name) {}

    /**
     * One line.
     *
     * @param name the code of a kind or role; a make, a decade as text
     */
    public record Row(By by, String name, int tested, int bad) {
        /** Share of bad ones. */
        public double share() {
            return (double) bad / tested;
        }
    }

    /** With the tests of one set. */
    public FailureTable with(Chassis chassis, Job job) {
        for (RecapLog.Tested t : job.recap().tests()) {
            Optional<Part> part = chassis.part(t.test().key().replaceFirst("\\..*", ""));
            if (part.isEmpty()) continue;
            Evidence.fails(chassis, part.get(), t.test()).ifPresent(bad -> {
                Part p = part.get();
                count(By.KIND, PartClass.of(p.component()).code(), bad);
                p.role().ifPresent(r -> count(By.ROLE, r.code(), bad));
                if (!p.make().isBlank()) count(By.MAKE, p.make().strip().toUpperCase(Locale.ROOT), bad);
                chassis.identity().year().ifPresent(y -> count(By.AGE, String.valueOf(y / DECADE * DECADE), bad));
            });
        }
        return this;
    }

    private void count(By by, String name, boolean bad) {
        int[] both = counts.computeIfAbsent(new Group(by, name), g -> new int[2]);
        both[0]++;
        if (bad) both[1]++;
    }

    /** By kind, role, make and age, of each those first that failed most often. */
    public List<Row> rows() {
        List<Row> all = new ArrayList<>();
        counts.forEach((g, n) -> all.add(new Row(g.by(), g.name(), n[0], n[1])));
        all.sort(Comparator.comparing(Row::by).thenComparing(r -> -r.share()).thenComparing(r -> -r.tested()));
        return all;
    }
}

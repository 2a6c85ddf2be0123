package anabion.core.drive;

import anabion.core.job.CaseEntry;
import anabion.core.json.Coded;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** What keeps hands from a chassis that may be at the mains: each is looked at before the set is handed back. */
public enum Barrier implements Coded {
    KNOBS,
    GRUB_SCREWS,
    CHASSIS_BOLTS,
    BACK,
    SOCKETS;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Those of which no entry says that they are in order. */
    public static List<Barrier> missing(List<CaseEntry> entries) {
        return Arrays.stream(values())
                .filter(b -> entries.stream()
                        .noneMatch(e -> e.kind() == CaseEntry.Kind.BARRIER
                                && e.what().equals(b.code())
                                && e.result().isPresent()))
                .toList();
    }
}

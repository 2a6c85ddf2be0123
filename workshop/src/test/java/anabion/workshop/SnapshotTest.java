package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.reading.Reading;
import anabion.core.testing.Deep;
import anabion.workshop.storage.PhotoFiles;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What follows from a change in memory is what stands on disk, in the same order. */
class SnapshotTest {
    @TempDir
    Path folder;

    /** Changes, undos and redos, with readings of the same moment and of earlier ones among them. */
    @Test
    void whatAChangeLeavesIsWhatIsReadAgain() {
        Random random = new Random(11);
        try (Workshop w = Temp.open(folder)) {
            SetRecord set = Temp.halcyon();
            w.sets().add(set);
            for (int n = 0; n < Deep.times("changes, undos and redos of a set", 50, 400); n++) {
                SetRecord now = w.sets().get(set.id());
                SetRecord after = random.nextInt(5) > 0
                        ? w.sets().change(set.id(), "change " + n, ops(now, random))
                        : (random.nextBoolean()
                                        ? w.sets().undo(set.id())
                                        : w.sets().redo(set.id()))
                                .orElse(now);
                w.sets().forget();
                assertThat(w.sets().get(set.id())).as("after " + n).isEqualTo(after);
            }
        }
    }

    private static List<Op> ops(SetRecord set, Random random) {
        List<Op> ops = new ArrayList<>();
        for (int n = random.nextInt(3); n >= 0; n--) ops.add(op(set.with(ops), random));
        return ops;
    }

    private static Op op(SetRecord set, Random random) {
        List<Reading> readings = set.readings();
        Reading any = readings.isEmpty() ? null : readings.get(random.nextInt(readings.size()));
        return switch (random.nextInt(8)) {
            case 0 -> any == null ? reading(set, random) : new Op.DropReading(any.id());
            case 1 -> any == null ? reading(set, random) : new Op.PutReading(any.withValue(random.nextInt(300)));
            case 2 ->
                new Op.PutJob(set.job().withStep(Step.SOAK, random.nextBoolean() ? StepState.DONE : StepState.OPEN));
            case 3 ->
                new Op.PutChassis(
                        set.chassis().withIdentity(set.chassis().identity().withModel("M" + random.nextInt(9))));
            case 4 ->
                new Op.PutPhoto(new Photo(
                        new UUID(2, random.nextLong()),
                        new PhotoFiles.Stored(String.format("%064x", random.nextInt(1 << 30)), "png"),
                        "",
                        moment(random)));
            case 5 ->
                set.photos().isEmpty()
                        ? reading(set, random)
                        : new Op.DropPhoto(set.photos()
                                .get(random.nextInt(set.photos().size()))
                                .id());
            default -> reading(set, random);
        };
    }

    private static Op reading(SetRecord set, Random random) {
        Reading r = Temp.reading(set, "V3.7", random.nextInt(300));
        return new Op.PutReading(new Reading(
                new UUID(1, random.nextLong()),
                r.point(),
                r.reference(),
                r.measure(),
                r.value(),
                false,
                r.condition(),
                r.state(),
                moment(random),
                r.extra()));
    }

    /** A few moments only, so that many rows share one, and one with a fraction of a second. */
    private static Instant moment(Random random) {
        return Instant.parse("2026-05-04T09:30:0" + random.nextInt(4) + (random.nextBoolean() ? "Z" : ".250Z"));
    }
}

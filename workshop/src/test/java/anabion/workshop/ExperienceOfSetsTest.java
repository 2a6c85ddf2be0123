package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.FaultMode;
import anabion.core.chassis.PartClass;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.job.Job;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.json.Extra;
import anabion.workshop.demo.DemoWorkshop;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** One set's tests of parts and the next set's odds. */
class ExperienceOfSetsTest {
    @TempDir
    Path folder;

    /** What was tested on the other sets teaches; the set's own tests are evidence, and the trash teaches nothing. */
    @Test
    void testsOfOtherSetsTeach() {
        SetRecord halcyon = Temp.halcyon();
        Priors.Key weak = new Priors.Key(PartClass.TUBE, "", FaultMode.EMISSION);
        UUID brae = DemoWorkshop.chassis("brae").id();
        try (Workshop w = Temp.open(folder)) {
            w.sets()
                    .add(new SetRecord(
                            halcyon.chassis(),
                            weakTubes(halcyon.job()),
                            halcyon.readings(),
                            halcyon.photos(),
                            halcyon.place()));
            w.sets().add(DemoWorkshop.set("brae"));
            assertThat(w.sets().tested().experience(brae)).containsKey(weak);
            assertThat(w.sets().tested().experience(brae).get(weak)).isGreaterThan(0.9);
            assertThat(w.sets().tested().experience(halcyon.id())).isEmpty();
            w.sets().change(halcyon.id(), "trash", List.of(new Op.PutPlace(Op.Place.TRASH)));
            assertThat(w.sets().tested().experience(brae)).isEmpty();
        }
    }

    private static Job weakTubes(Job job) {
        return job.withRecap(job.recap()
                .tested(new RecapLog.Tested(
                        UUID.randomUUID(),
                        Instant.EPOCH,
                        new PartTest("V4", PartTest.What.EMISSION, 20, 50, 0),
                        Extra.NONE)));
    }
}

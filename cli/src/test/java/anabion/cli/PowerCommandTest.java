package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.format.ChassisCodec;
import anabion.core.json.Fields;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The first power-up planned without a window. */
class PowerCommandTest extends Headless {
    @TempDir
    Path folder;

    private Path set(String name) throws IOException {
        return Files.writeString(folder.resolve(name + ".json"), ChassisCodec.text(DemoWorkshop.chassis(name)));
    }

    @Test
    void aPlanIsOneObjectWithItsConditionsStepsAndStops() throws IOException {
        assertThat(run("power", set("brae"), "--json"))
                .as("conditions are missing")
                .isEqualTo(Main.FINDING);
        Fields plan = json(out);
        assertThat(plan.text("plan")).isEqualTo("hot-mains");
        assertThat(plan.text("lamp")).isEqualTo("100W");
        assertThat(plan.number("fuse")).isEqualTo(0.4);
        List<Fields> gate = plan.objects("gate");
        assertThat(gate).extracting(g -> g.text("what")).contains("cold-checks", "isolation", "output-coupling");
        assertThat(gate).anySatisfy(g -> {
            assertThat(g.text("what")).isEqualTo("open-ends");
            assertThat(g.flag("met", false)).isTrue();
        });
        List<Fields> steps = plan.objects("steps");
        Fields last = steps.get(steps.size() - 1);
        assertThat(last.number("line")).isEqualTo(230);
        assertThat(last.number("atSet")).as("without its lamp").isEqualTo(230);
        Fields lamped = steps.get(steps.size() - 2);
        assertThat(lamped.number("atSet")).isBetween(170.0, 210.0);
        assertThat(lamped.text("glow")).isEqualTo("dim");
        assertThat(last.object("rails").number("B1")).isCloseTo(203, within(10.0));
        assertThat(plan.strings("stops")).anyMatch(s -> s.contains("B1"));
        assertThat(plan.objects("stages")).as("its heaters are one chain").allSatisfy(s -> assertThat(s.text("skipped"))
                .isNotBlank());
    }

    @Test
    void theStagesBeforeTheWholeSetHaveTheirTables() throws IOException {
        run("power", set("halcyon"), "--load", "10k", "--json");
        List<Fields> stages = json(out).objects("stages");
        assertThat(stages).extracting(s -> s.text("stage")).containsExactly("transformer", "rectifier");
        assertThat(stages.get(0).objects("rows").get(0).text("what")).isEqualTo("alternating-volts");
        assertThat(stages.get(1).number("load")).isEqualTo(10_000);
        assertThat(run("power", set("halcyon"), "--load", "9 V")).isEqualTo(Main.BAD_INPUT);
    }

    @ParameterizedTest
    @CsvSource({"lark, battery", "trunk-road, car"})
    void setsOnBatteriesHaveTheirKindOfPlan(String name, String kind) throws IOException {
        run("power", set(name), "--json");
        assertThat(json(out).text("plan")).isEqualTo(kind);
    }

    @Test
    void theLampInHandMovesTheVoltsAtTheSet() throws IOException {
        run("power", set("brae"), "--lamp", "40", "--json");
        assertThat(json(out).objects("steps").get(7).number("atSet"))
                .as("less than behind 100 W")
                .isLessThan(165);
        assertThat(run("power", set("brae"), "--lamp", "10W LED")).isEqualTo(Main.BAD_INPUT);
        assertThat(err).contains("no filament");
        assertThat(run("power", set("lark"), "--lamp", "40")).isEqualTo(Main.BAD_INPUT);
        assertThat(err).contains("batteries");
        assertThat(run("power", set("moor"))).isEqualTo(Main.BAD_INPUT);
    }

    @Test
    void thePlanReadsAsText() throws IOException {
        run("power", set("lark"));
        assertThat(out)
                .contains("On a supply with a current limit", "dial", "BATT", "stop: ")
                .doesNotContain("power.");
    }
}

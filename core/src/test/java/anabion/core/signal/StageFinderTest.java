package anabion.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.ChassisCheck;
import anabion.core.chassis.Stage;
import anabion.core.chassis.StripRow;
import anabion.core.error.InputException;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Stages found from the nets against those that a restorer named. */
class StageFinderTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "halcyon;Aerial,Mixer,IF,Detector,Audio,Output,Speaker",
                "brae;Aerial,Mixer,IF,Detector,Audio,Output,Speaker",
                "rover;Aerial,Mixer,IF,Detector,Audio,Output,Speaker",
                "trunk-road;Aerial,Mixer,IF,Detector,Audio,Driver,Output,Speaker",
                "lark;Aerial,Mixer,IF 1,IF 2,Detector,Audio,Driver,Output,Speaker"
            })
    void namesAndPartsAreNearlyThoseOfTheRestorer(String name, String expected) {
        Chassis set = SharedSets.named(name);
        Chassis bare = set.withStages(List.of(), set.bands());
        Chassis found = StageFinder.named(bare);
        assertThat(found.stages().stream()
                        .filter(s -> s.line() == StripRow.SIGNAL)
                        .map(Stage::name))
                .containsExactly(expected.split(","));
        assertThat(ChassisCheck.flaws(found)).isEmpty();
        int same = 0;
        int all = 0;
        for (Stage s : set.stages()) {
            if (s.line() != StripRow.SIGNAL || found.stage(s.name()).isEmpty()) continue;
            all += s.parts().size();
            same += (int) s.parts().stream()
                    .filter(found.stage(s.name()).orElseThrow().parts()::contains)
                    .count();
        }
        assertThat(same).as("parts placed alike, of " + all).isGreaterThan(all * 3 / 4);
        Setting loud = Setting.of(set.supply().volts()).withControls(Controls.volume(set, 1));
        assertThat(Gains.of(new Simulator(), found, loud, found.bands().get(0))
                        .orElseThrow()
                        .levels())
                .isNotEmpty();
    }

    @Test
    void ofASetWithoutASpeakerNothingIsNamed() {
        Chassis set = SharedSets.named("halcyon");
        Chassis dumb = set.withParts(
                set.parts().stream().filter(p -> !p.reference().equals("LS1")).toList());
        assertThatThrownBy(() -> StageFinder.named(dumb.withStages(List.of(), List.of())))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("speaker");
    }
}

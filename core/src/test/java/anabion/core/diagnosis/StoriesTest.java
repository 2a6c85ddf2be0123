package anabion.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.engine.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Classic faults, each in a scattered specimen, found by the tests that the diagnosis itself asks for. */
@Tag("slow")
class StoriesTest {
    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "leaky coupling capacitor, halcyon, C14:leaky:2M, C14:leaky",
        "open screen feed, halcyon, R7:open, R7:open",
        "drifted plate load, halcyon, R13:drifted:680k, R13:drifted",
        "weak selenium rectifier, rover, D1:weak, D1:weak",
        "shorted decoupler that mutes two bands, brae, C12:short, C12:short",
        "shorted decoupler that leaves FM and pick-up, concerto, C24:short, C24:short",
        "open coil on one band, brae, L5:open, L5:open",
        "dead oscillator, halcyon, C3:open, C3:open",
        "heater-cathode short, brae, V4:heater-cathode, V4:heater-cathode",
        "broken loop lead, lark, L1.coupling:open, L1.coupling:open",
        "dried emitter bypass, lark, C14:open, C14",
        "smoother that has dried, halcyon, C18:dried, C18:dried",
        "open bypass, brae, C23:open, C23:open",
        "gassy tube, halcyon, V4:gassy:4e-6, V4:gassy"
    })
    void isFound(String story, String name, String fault, String cause) {
        Chassis set = SharedSets.named(name);
        Workbench.Played played = new Workbench(set, 7, fault).play(SharedForecasts.named(name), 12);
        List<Diagnosis.Suspect> suspects = played.diagnosis().suspects();
        assertThat(suspects).as("%s", played).isNotEmpty();
        assertThat(suspects.get(0).causes()).as("%s%n%s", story, played).anyMatch(h -> h.cause()
                .startsWith(cause));
        assertThat(suspects.get(0).odds()).as("%s", played).isGreaterThan(0.25);
    }
}

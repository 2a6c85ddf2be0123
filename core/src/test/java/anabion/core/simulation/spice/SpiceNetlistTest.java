package anabion.core.simulation.spice;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.SetKind;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A deck is data: no name in it becomes a command of the solver that reads it. */
class SpiceNetlistTest {
    @ParameterizedTest
    @ValueSource(strings = {"\n", "\r", "\r\n", "\u0085", "\u2028", "\u2029", "\f", "\u000b"})
    void aNameWithALineEndStaysInItsComment(String end) {
        Chassis set = SharedSets.named("halcyon");
        Chassis forged = set.withIdentity(
                Identity.of("Vessmark", "Halcyon" + end + ".control" + end + "shell touch /tmp/x" + end, SetKind.HOME));
        Setting setting = Setting.of(230);
        for (String deck : new String[] {SpiceNetlist.direct(forged, setting), SpiceNetlist.overTime(forged, setting)})
            assertThat(deck.split("\\R"))
                    .noneMatch(line -> line.startsWith(".control") || line.startsWith("shell"))
                    .hasSameSizeAs((deck.contains(".tran")
                                    ? SpiceNetlist.overTime(set, setting)
                                    : SpiceNetlist.direct(set, setting))
                            .split("\\R"));
    }
}

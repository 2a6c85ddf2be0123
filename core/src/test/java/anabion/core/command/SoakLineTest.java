package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.command.SoakLine.Happened;
import anabion.core.command.SoakLine.Read;
import anabion.core.error.InputException;
import anabion.core.job.SoakEntry.Event;
import anabion.core.job.SoakEntry.Value;
import anabion.core.soak.Insulation;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is typed in a soak. */
class SoakLineTest {
    @Test
    void numbersStandInOrderOrHaveTheirUnitOrTheirName() {
        assertThat(SoakLine.parse("231 248 58W -3.1 T1 62C ambient 22"))
                .isEqualTo(new Read(
                        Map.of(
                                Value.LINE, 231.0,
                                Value.RAIL, 248.0,
                                Value.WATTS, 58.0,
                                Value.AVC, -3.1,
                                Value.HOTTEST, 62.0,
                                Value.AMBIENT, 22.0),
                        "T1"));
        assertThat(SoakLine.parse("248")).isEqualTo(new Read(Map.of(Value.RAIL, 248.0), ""));
        assertThat(SoakLine.parse("t1 62 room 22"))
                .isEqualTo(new Read(Map.of(Value.HOTTEST, 62.0, Value.AMBIENT, 22.0), "T1"));
        assertThat(SoakLine.parse("avc −3,2")).isEqualTo(new Read(Map.of(Value.AVC, -3.2), ""));
    }

    @Test
    void eventsHaveALetter() {
        assertThat(SoakLine.parse("c")).isEqualTo(new Happened(Event.CRACKLE, ""));
        assertThat(SoakLine.parse("Howl in the cabinet")).isEqualTo(new Happened(Event.HOWL, "in the cabinet"));
        assertThat(SoakLine.parse("hours 8 it came after two")).isEqualTo(new SoakLine.Hours(8, "it came after two"));
        assertThat(SoakLine.parse("class b")).isEqualTo(new SoakLine.OfClass(Insulation.B));
        assertThat(SoakLine.parse("off")).isEqualTo(new SoakLine.Off());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"hours 0", "hours 90", "hours", "class X", "bang", "ambient", "ambient T1", "231 248 rail 250"})
    void whatSaysNothingIsRefused(String line) {
        assertThatThrownBy(() -> SoakLine.parse(line))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("ype");
    }
}

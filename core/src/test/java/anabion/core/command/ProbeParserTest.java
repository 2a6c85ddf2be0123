package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.MeterSpec;
import anabion.core.error.InputException;
import anabion.core.job.AlterationKind;
import anabion.core.job.Outcome;
import anabion.core.job.Trial;
import java.time.Duration;
import java.time.Period;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ProbeParserTest {
    @Test
    void alternatingVoltsHaveNoSign() {
        assertThatThrownBy(() -> ProbeParser.parse("V5.1 -285~", true))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("no sign");
    }

    /** A part that is tapped changes something or does not: it is no good one. */
    @Test
    void whatATapDoesIsSaidInItsOwnWords() {
        assertThat(ProbeParser.parse("tapped v4 changes", true))
                .isEqualTo(new Entry.Tried(Trial.How.TAPPED, "V4", true));
        assertThatThrownBy(() -> ProbeParser.parse("tapped V4 better", true)).hasMessageContaining("tapped C7 changes");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "182 | | 182 | false | false", "V3.7 182 | V3.7 | 182 | false | false", "-0.8 | | -0.8 | false | false",
                        "−0,8 | | -0.8 | false | false",
                "240~ | | 240 | true | false", "3.1? | | 3.1 | false | true",
                        "V4.g1 3.1V? | V4.g1 | 3.1 | false | true", ".7 | | 0.7 | false | false",
                "B- -9 | B- | -9 | false | false", "1.2kV | | 1200 | false | false"
            })
    void readingsAreShort(String text, String point, double value, boolean ac, boolean doubtful) {
        assertThat(ProbeParser.parse(text, true))
                .isEqualTo(new Entry.Volts(Optional.ofNullable(point), value, ac, doubtful, OptionalDouble.empty()));
    }

    @ParameterizedTest
    @CsvSource({"182e, 250", "7.5c, 10", "182 @500, 500", "40@50, 50"})
    void aTrailingLetterOrAtMarksTheRange(String text, double range) {
        assertThat(ProbeParser.parse(text, true)).isInstanceOfSatisfying(Entry.Volts.class, v -> assertThat(v.range())
                .hasValue(range));
    }

    @Test
    void conditionsAndDeedsAreWords() {
        assertThat(ProbeParser.parse("line 231", true)).isEqualTo(new Entry.Line(231));
        assertThat(ProbeParser.parse("meter 20k/V", false)).isEqualTo(new Entry.Meter(MeterSpec.parse("20k/V")));
        assertThat(ProbeParser.parse("band Pick-up", true)).isEqualTo(new Entry.BandChoice("Pick-up"));
        assertThat(ProbeParser.parse("signal strong", true)).isEqualTo(new Entry.Signal("strong"));
        assertThat(ProbeParser.parse("Lift r14 broken leg", true))
                .isEqualTo(new Entry.Alter(AlterationKind.LIFTED, "R14", "broken leg"));
        assertThat(ProbeParser.parse("standin C3 .1/400", true))
                .isEqualTo(new Entry.Alter(AlterationKind.STAND_IN, "C3", ".1/400"));
        assertThat(ProbeParser.parse("timer 90min glue", true))
                .isEqualTo(new Entry.StartTimer(Duration.ofMinutes(90), "glue"));
        assertThat(ProbeParser.parse("timer 4 months", true))
                .isEqualTo(new Entry.StartTimer(Period.ofMonths(4), "timer"));
        assertThat(ProbeParser.parse("timer 2h", true)).isEqualTo(new Entry.StartTimer(Duration.ofHours(2), "timer"));
        assertThat(ProbeParser.parse("waits a knob", true)).isEqualTo(new Entry.WaitsFor("a knob"));
        assertThat(ProbeParser.parse("connect 192.0.2.7:5025", true))
                .isEqualTo(new Entry.Connect(Optional.of("meter"), "192.0.2.7:5025"));
        assertThat(ProbeParser.parse("V4.1", true)).isEqualTo(new Entry.GoTo("V4.1"));
    }

    @Test
    void elsewhereALineIsForTheSheet() {
        assertThat(ProbeParser.parse("R12 220k V3.7 B2", false)).isEqualTo(new Entry.ForSheet("R12 220k V3.7 B2"));
        assertThat(ProbeParser.parse("V4.6 222", false)).isEqualTo(new Entry.ForSheet("V4.6 222"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "V4.1 lots",
                "V4.1 1,000",
                "line",
                "line -5",
                "line 9000",
                "lift",
                "timer soon",
                "timer 99999999999999999999h",
                "timer 4 moons",
                "V4.1 3@1.2.3",
                "meter good",
                "12 volts or so"
            })
    void whatMeansNothingSaysWhatWould(String text) {
        assertThatThrownBy(() -> ProbeParser.parse(text, true))
                .isInstanceOfSatisfying(
                        InputException.class, e -> assertThat(e.remedy()).isNotBlank());
    }

    @Test
    void shouldAsksForAPointWithSettings() {
        assertThat(ProbeParser.parse("should V3.7", true)).isEqualTo(new Entry.Should("V3.7", java.util.List.of()));
        assertThat(ProbeParser.parse("should B2 AM RV1=0.3 C14:leaky:1M", false))
                .isEqualTo(new Entry.Should("B2", java.util.List.of("AM", "RV1=0.3", "C14:leaky:1M")));
        assertThatThrownBy(() -> ProbeParser.parse("should", true)).hasMessageContaining("pin or net");
    }

    @Test
    void aControlTurnedSaysWhatIsHeardThen() {
        assertThat(ProbeParser.parse("turned rv1 down hum", true))
                .isEqualTo(new Entry.Turned("RV1", false, Outcome.HUM));
        assertThat(ProbeParser.parse("turned RV2 up n", true))
                .isEqualTo(new Entry.Turned("RV2", true, Outcome.NOTHING));
        for (String wrong : List.of("turned", "turned RV1 hum", "turned RV1 left hum", "turned RV1 down bad"))
            assertThatThrownBy(() -> ProbeParser.parse(wrong, true))
                    .as(wrong)
                    .hasMessageContaining("turned RV1 down hum");
    }
}

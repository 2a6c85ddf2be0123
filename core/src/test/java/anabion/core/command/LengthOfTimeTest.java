package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import java.time.Duration;
import java.time.Period;
import java.time.temporal.TemporalAmount;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LengthOfTimeTest {
    private static TemporalAmount length(String text) {
        return LengthOfTime.parse(text, "timer 2h soak").amount();
    }

    @Test
    void unitsAreReadAsPeopleWriteThem() {
        assertThat(length("90 min")).isEqualTo(Duration.ofMinutes(90));
        assertThat(length("4m")).isEqualTo(Duration.ofMinutes(4));
        assertThat(length("2h soak")).isEqualTo(Duration.ofHours(2));
        assertThat(length("3 Days")).isEqualTo(Period.ofDays(3));
        assertThat(length("2w")).isEqualTo(Period.ofWeeks(2));
        assertThat(length("4 months")).isEqualTo(Period.ofMonths(4));
        assertThat(length("1 year follow-up")).isEqualTo(Period.ofYears(1));
        assertThat(LengthOfTime.parse("2h soak with the lamp", "").rest()).isEqualTo("soak with the lamp");
    }

    @Test
    void whatIsTooLongIsSaidToBe() {
        for (String text : new String[] {"99999999999999999999h", "11 years", "5256001 min", "0 h"})
            assertThatThrownBy(() -> length(text)).hasMessageContaining("a minute to 10 years");
        assertThat(length("5256000 min")).isEqualTo(Duration.ofDays(3650));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "soak", "99999999999999999999h", "4 moons", "0 min", "11 years", "2", "-3h", "99999 weeks"})
    void whatIsNoneIsRefused(String text) {
        assertThatThrownBy(() -> length(text))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("timer 2h soak");
    }
}

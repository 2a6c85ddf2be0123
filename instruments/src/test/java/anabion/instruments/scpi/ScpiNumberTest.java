package anabion.instruments.scpi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.quantity.Unit;
import anabion.instruments.InstrumentException;
import java.util.Locale;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ScpiNumberTest {
    @ParameterizedTest
    @CsvSource({
        "+1.5E+00VDC, VOLT, 1.5",
        "-3 mV, VOLT, -0.003",
        "2.5kV, VOLT, 2500",
        "4.7KOHM, OHM, 4700",
        "4.7 MOHM, OHM, 4.7e6",
        "47 MAOHM, OHM, 47e6",
        "12.5 MA, AMPERE, 0.0125",
        "3uA, AMPERE, 3e-6",
        "38.5W, WATT, 38.5",
        "OL, OHM, Infinity",
        "+OVLD, VOLT, Infinity",
        "9.9E37, OHM, Infinity",
        "-9.90000000E+37, VOLT, -Infinity"
    })
    void unitsAndOverloadAreUnderstood(String answer, Unit unit, double value) {
        double read = ScpiNumber.of(answer, unit, "meter");
        if (Double.isInfinite(value)) assertThat(read).isEqualTo(value);
        else assertThat(read).isCloseTo(value, within(1e-9 * Math.abs(value)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"1.5 OHM", "1.5A", "1.5 HZ", "20 C", "1.5 VV"})
    void anotherUnitIsNoReading(String answer) {
        assertThatThrownBy(() -> ScpiNumber.of(answer, Unit.VOLT, "meter"))
                .isInstanceOf(InstrumentException.class)
                .hasMessageContaining("not in V");
    }

    /** What is printed as an instrument prints it is read as it was, in whichever of the three forms. */
    @Property
    void whatIsSentIsRead(@ForAll @DoubleRange(min = -1e6, max = 1e6) double value) {
        assertThat(ScpiNumber.of(String.format(Locale.ROOT, "%+.8E", value), Unit.VOLT, "meter"))
                .isCloseTo(value, within(1e-7 * Math.abs(value) + 1e-12));
        assertThat(ScpiNumber.of(String.format(Locale.ROOT, "%.3f", value), Unit.VOLT, "meter"))
                .isCloseTo(value, within(5.1e-4));
    }
}

package anabion.core.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.PinNames;
import org.junit.jupiter.api.Test;

class DeviceLibraryTest {
    private final DeviceLibrary library = DeviceLibrary.standard();

    @Test
    void everyTypeKeepsTheLaws() {
        assertThat(library.all()).hasSizeGreaterThan(10).allSatisfy(t -> {
            assertThat(t.functions().keySet())
                    .allMatch(pin -> pin >= 1 && pin <= t.base().pins());
            assertThat(t.functions())
                    .as("every pin of the base is spoken for")
                    .hasSize(t.base().pins());
            assertThat(t.source()).isNotBlank();
            assertThat(t.heaterVolts()).isPositive();
            assertThat(t.heaterAmperes()).isPositive();
            assertThat(t.functions().values().stream()
                            .filter(PinNames::isHeater)
                            .count())
                    .as(t.name())
                    .isGreaterThanOrEqualTo(2);
        });
    }

    @Test
    void typesAreFoundInEitherCase() {
        assertThat(library.find("6aq5")).isPresent();
        assertThat(library.find("6AQ5").orElseThrow().pinOf("g2")).contains(6);
        assertThat(library.find("6AQ5").orElseThrow().pinOf("g3")).contains(2);
        assertThat(library.find("nonsense")).isEmpty();
    }

    @Test
    void pinsRunClockwiseFromTheGapSeenFromBelow() {
        assertThat(Base.MINIATURE_7.degrees(1)).isCloseTo(45, within(1e-9));
        assertThat(Base.MINIATURE_7.degrees(4)).isCloseTo(180, within(1e-9));
        assertThat(Base.MINIATURE_7.degrees(7)).isCloseTo(315, within(1e-9));
        assertThat(Base.OCTAL.degrees(1)).isCloseTo(22.5, within(1e-9));
        assertThat(Base.NOVAL.degrees(9)).isCloseTo(324, within(1e-9));
        for (Base b : Base.values()) {
            for (int pin = 2; pin <= b.pins(); pin++)
                assertThat(b.degrees(pin)).isGreaterThan(b.degrees(pin - 1)).isLessThan(360);
            assertThat(Base.named(b.code())).contains(b);
        }
        assertThatThrownBy(() -> Base.NOVAL.degrees(10)).isInstanceOf(IllegalArgumentException.class);
    }
}

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
        assertThat(library.all()).allSatisfy(t -> {
            assertThat(t.functions().keySet())
                    .as(t.name())
                    .allMatch(pin -> pin.equals("cap")
                            || (pin.matches("\\d+")
                                    && Integer.parseInt(pin) <= t.base().pins())
                            || t.flag().contains("by name"));
            assertThat(t.source()).isNotBlank();
            assertThat(t.sections().isEmpty() != t.semiconductor().isEmpty())
                    .as(t.name())
                    .isTrue();
        });
    }

    @Test
    void thereAreEnoughTypesForAWorkshop() {
        assertThat(library.all().stream().filter(t -> t.semiconductor().isEmpty()))
                .hasSizeGreaterThanOrEqualTo(180);
        assertThat(library.all().stream().filter(t -> t.semiconductor().isPresent()))
                .hasSizeGreaterThanOrEqualTo(80);
    }

    /** A glow needs no heater, and some gas rectifiers need none. */
    private static boolean heated(DeviceType t) {
        return t.semiconductor().isEmpty()
                && t.sections().stream()
                        .noneMatch(s -> s.kind() == Section.Kind.GAS_REGULATOR
                                || (s.kind() == Section.Kind.GAS_RECTIFIER && !t.directlyHeated()));
    }

    @Test
    void everyTubeHasAHeaterAndItsElectrodes() {
        assertThat(library.all().stream().filter(DeviceLibraryTest::heated)).allSatisfy(t -> {
            assertThat(t.heaterVolts()).as(t.name()).isPositive();
            assertThat(t.heaterAmperes()).as(t.name()).isPositive();
            assertThat(t.functions().values().stream()
                            .filter(PinNames::isHeater)
                            .count())
                    .as(t.name())
                    .isGreaterThanOrEqualTo(2);
            assertThat(t.functions().values().stream().anyMatch(PinNames::isPlate)
                            || t.sections().stream()
                                    .allMatch(
                                            s -> s.kind() == Section.Kind.DIODE || s.kind() == Section.Kind.BARRETTER))
                    .as(t.name())
                    .isTrue();
        });
    }

    /** Types of a series family are known by their heater current: U 100 mA, P 300 mA, H 150 mA. */
    @Test
    void seriesFamiliesShareTheirCurrent() {
        assertThat(library.all().stream().filter(t -> t.name().matches("U[A-Z]{1,3}\\d+")))
                .isNotEmpty()
                .allSatisfy(t -> assertThat(t.heaterAmperes()).as(t.name()).isEqualTo(0.1));
        assertThat(library.all().stream()
                        .filter(t -> t.name().matches("(12|35|50)[A-Z]+\\d")
                                && !t.name().equals("12X4")))
                .isNotEmpty()
                .allSatisfy(t -> assertThat(t.heaterAmperes()).as(t.name()).isEqualTo(0.15));
    }

    @Test
    void limitsStandAboveThePublishedOperatingPoint() {
        for (DeviceType t : library.all())
            for (Section s : t.sections()) {
                if (s.kind() != Section.Kind.PENTODE && s.kind() != Section.Kind.TRIODE) continue;
                double watts = t.limits().getOrDefault("plateWatts", Double.MAX_VALUE);
                double volts = t.limits().getOrDefault("plateVolts", Double.MAX_VALUE);
                for (Section.Point p : s.points()) {
                    assertThat(p.plate()).as(t.name()).isLessThanOrEqualTo(volts);
                    assertThat(p.plate() * p.plateMilliamps() / 1e3)
                            .as(t.name())
                            .isLessThanOrEqualTo(1.05 * watts);
                }
            }
    }

    /** What is not certain says so, and is never drawn as a socket with numbers. */
    @Test
    void uncertainTypesAreFlagged() {
        assertThat(library.all()).allSatisfy(t -> {
            boolean numbered = t.functions().keySet().stream().allMatch(p -> p.matches("\\d+|cap"));
            assertThat(numbered || t.flag().contains("pins not checked"))
                    .as(t.name())
                    .isTrue();
        });
        assertThat(library.find("AF7").orElseThrow().flag()).contains("pins");
        assertThat(library.find("6AQ5").orElseThrow().flag()).isEmpty();
    }

    /** Octal, loctal, miniature, noval, rimlock, side contact, four to seven pins. */
    @Test
    void everyBaseOfTheTimeIsThere() {
        assertThat(library.all().stream().map(DeviceType::base).distinct()).contains(Base.values());
    }

    @Test
    void typesAreFoundInEitherCase() {
        assertThat(library.find("6aq5")).isPresent();
        assertThat(library.find("6AQ5").orElseThrow().pinOf("g2")).contains("6");
        assertThat(library.find("6AQ5").orElseThrow().pinOf("g3")).contains("2");
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

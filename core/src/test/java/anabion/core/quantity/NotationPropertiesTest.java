package anabion.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.error.InputException;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.DoubleRange;

/** Laws of the one parser and the one writer. */
class NotationPropertiesTest {
    @Provide
    Arbitrary<Double> ohms() {
        return Arbitraries.integers()
                .between(-1, 6)
                .flatMap(p -> Arbitraries.integers().between(10, 99).map(m -> m * Math.pow(10, p - 1)));
    }

    @Provide
    Arbitrary<Double> farads() {
        return Arbitraries.integers()
                .between(-11, -5)
                .flatMap(p -> Arbitraries.integers().between(10, 99).map(m -> m * Math.pow(10, p - 1)));
    }

    @Property(seed = "1", tries = 400)
    void theCodeOfAResistorReadsBackAsItself(@ForAll("ohms") double value) {
        assertThat(Notation.decode(Figures.rkm(Quantity.ohms(value)), Unit.OHM).value())
                .isCloseTo(value, within(value * 1e-9));
    }

    @Property(seed = "2", tries = 400)
    void aPrintedCapacitorReadsBackAsItself(@ForAll("farads") double value) {
        assertThat(Notation.decode(Figures.si(Quantity.farads(value))).value()).isCloseTo(value, within(value * 1e-9));
        assertThat(Notation.decode(Figures.old(Quantity.farads(value))).value()).isCloseTo(value, within(value * 2e-3));
    }

    @Property(seed = "3", tries = 400)
    void pointAndCommaMeanTheSame(@ForAll @DoubleRange(min = 0.01, max = 99) double value) {
        String point = Figures.fixed(value, 2);
        assertThat(Notation.decode(point.replace('.', ',') + "k").value())
                .isEqualTo(Notation.decode(point + "k").value());
    }

    @Property(seed = "4", tries = 2000)
    void anyTextEitherReadsOrSaysWhereItFails(@ForAll("lines") String text) {
        try {
            Decoded d = Notation.decode(text);
            assertThat(d.sections())
                    .isNotEmpty()
                    .allSatisfy(v -> assertThat(v).isNotNaN().isGreaterThanOrEqualTo(0));
        } catch (InputException e) {
            assertThat(e.where()).isNotBlank();
            assertThat(e.what()).isNotBlank();
        }
    }

    @Provide
    Arbitrary<String> lines() {
        return Arbitraries.strings()
                .withChars("0123456789kKmMuµnpRΩFfdVvW.,/@+x% ")
                .ofMaxLength(9);
    }

    @Property(seed = "5", tries = 500)
    void theNearestPreferredValueIsNeverFurtherThanItsNeighbours(
            @ForAll @DoubleRange(min = 0.01, max = 1e7) double value) {
        for (Series s : new Series[] {Series.E3, Series.E6, Series.E12, Series.E24, Series.E96}) {
            double nearest = s.nearest(value);
            assertThat(s.contains(nearest)).isTrue();
            assertThat(s.atOrBelow(value)).isLessThanOrEqualTo(value * (1 + 1e-9));
            assertThat(s.atOrAbove(value)).isGreaterThanOrEqualTo(value * (1 - 1e-9));
            double off = Math.abs(Math.log(nearest / value));
            assertThat(off).isLessThanOrEqualTo(Math.abs(Math.log(s.atOrBelow(value) / value)) + 1e-9);
            assertThat(off).isLessThanOrEqualTo(Math.abs(Math.log(s.atOrAbove(value) / value)) + 1e-9);
        }
    }
}

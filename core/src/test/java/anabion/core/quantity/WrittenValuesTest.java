package anabion.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Two hundred ways in which people write and mark values: kind, text, value (by the sections of a can), rating, tolerance. */
class WrittenValuesTest {
    private static final Map<String, Unit> KINDS =
            Map.of("C", Unit.FARAD, "R", Unit.OHM, "F", Unit.AMPERE, "L", Unit.HENRY, "V", Unit.VOLT);

    static Stream<Arguments> markings() throws IOException {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(
                WrittenValuesTest.class.getResourceAsStream("/anabion/quantity/markings.txt"),
                StandardCharsets.UTF_8))) {
            List<String> lines = in.lines().filter(l -> !l.startsWith("#")).toList();
            assertThat(lines).hasSizeGreaterThanOrEqualTo(200);
            return lines.stream().map(l -> Arguments.of((Object[]) Arrays.copyOf(l.split("\\|", -1), 5)));
        }
    }

    @ParameterizedTest(name = "{0} {1}")
    @MethodSource("markings")
    void isRead(String kind, String text, String values, String rating, String tolerance) {
        Decoded d = kind.equals("M") ? Markings.decode(text) : Notation.decode(text, KINDS.get(kind));
        double[] wanted = numbers(values);
        assertThat(d.sections()).hasSize(wanted.length);
        for (int n = 0; n < wanted.length; n++)
            assertThat(d.sections().get(n)).isCloseTo(wanted[n], within(1e-3 * wanted[n]));
        if (rating != null && !rating.isEmpty()) {
            double[] volts = numbers(rating);
            assertThat(d.rating().orElseThrow().value())
                    .isEqualTo(Arrays.stream(volts).max().getAsDouble());
            if (volts.length > 1)
                assertThat(d.ratings())
                        .containsExactly(Arrays.stream(volts).boxed().toArray(Double[]::new));
        }
        if (tolerance != null && !tolerance.isEmpty())
            assertThat(d.tolerance().orElseThrow()).isEqualTo(Double.parseDouble(tolerance));
    }

    /** Nobody says on what kind of part it stands: it is the first reading, or one of the others. A number without a letter can be anything. */
    @ParameterizedTest(name = "{0} {1}")
    @MethodSource("markings")
    void isReadWithoutItsKind(String kind, String text, String values) {
        if (text.chars().noneMatch(Character::isLetter) && !text.matches(".*[-+].*")) return;
        Decoded d = Markings.decode(text);
        double wanted = numbers(values)[0];
        Unit unit = kind.equals("M") ? d.unit() : KINDS.get(kind);
        List<Quantity> all = new ArrayList<>(List.of(d.quantity()));
        d.alternatives().forEach(a -> all.add(a.quantity()));
        assertThat(all).as("%s", all).anyMatch(q -> q.unit() == unit && Math.abs(q.value() - wanted) < 1e-3 * wanted);
        if (numbers(values).length > 1) assertThat(d.sections()).hasSize(numbers(values).length);
    }

    @ParameterizedTest
    @CsvSource({
        "103M, capacitor",
        "472K, capacitor",
        "470K, resistor",
        "500M, resistor",
        "2A104J, capacitor",
        "40-20/150, capacitor",
        "47E, resistor",
        "S9+20, voltage",
        ".05-400, capacitor",
        "½W 220k, resistor"
    })
    void whatIsLikelierComesFirst(String text, String kind) {
        assertThat(Markings.decode(text).unit().kind()).isEqualTo(kind);
    }

    /** Written here by hand, so that no reader of ours is asked. */
    private static double[] numbers(String text) {
        return Arrays.stream(text.split(","))
                .mapToDouble(t -> {
                    int last = "pnumkM".indexOf(t.charAt(t.length() - 1));
                    double[] factors = {1e-12, 1e-9, 1e-6, 1e-3, 1e3, 1e6};
                    return last < 0
                            ? Double.parseDouble(t)
                            : Double.parseDouble(t.substring(0, t.length() - 1)) * factors[last];
                })
                .toArray();
    }

    @ParameterizedTest
    @CsvSource({"250,C,250 µF", "104,C,104 pF", "8,C,8 pF", "250/500,C,250 µF", "10M ohms,R,10 kΩ", "S9,V,5 µV"})
    void theOtherReadingIsOffered(String text, String kind, String other) {
        assertThat(Notation.decode(text, KINDS.get(kind)).alternatives())
                .extracting(a -> Figures.si(a.quantity()))
                .contains(other);
    }

    @Test
    void aLargeElectrolyticIsShownInMicrofarads() {
        assertThat(Figures.si(Quantity.farads(2200e-6))).isEqualTo("2200 µF");
    }
}

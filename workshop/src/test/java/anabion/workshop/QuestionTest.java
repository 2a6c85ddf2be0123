package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.reading.Condition;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.workshop.demo.DemoWorkshop;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class QuestionTest {
    private final Predictors predictors = new Predictors();
    private final Chassis set = DemoWorkshop.chassis("halcyon");
    private final Condition now = DemoWorkshop.set("halcyon").usual();

    private CircuitPredictor.Answer ask(String point, String... words) {
        return Question.of(set, point, List.of(words), now)
                .answer(predictors.of(set))
                .orElseThrow();
    }

    @Test
    void anyPinFunctionOrNetMayBeAskedFor() {
        double byPin = ask("V4.2").direct();
        assertThat(ask("V4.k").direct()).isCloseTo(byPin, within(1e-3));
        assertThat(byPin).isBetween(8.0, 12.0);
        assertThat(ask("B2").direct()).isBetween(190.0, 240.0);
        assertThat(ask("H").alternating()).isBetween(5.5, 6.6);
        assertThat(ask("CHASSIS").direct()).isZero();
    }

    @Test
    void faultsBandsAndControlsCount() {
        assertThat(ask("V4.1", "C14:leaky:1M").direct())
                .isGreaterThan(ask("V4.1", "C14:leaky:10M").direct() + 2);
        assertThat(ask("VT", "pick-up").direct()).isCloseTo(0, within(0.05));
        assertThat(ask("VT", "AM").direct()).isBetween(-1.0, -0.2);
        assertThat(ask("B1", "S1=off").direct()).isCloseTo(0, within(0.5));
        assertThat(ask("VOL", "RV1=1").direct())
                .isLessThan(ask("VOL", "RV1=0,1").direct() - 0.1);
    }

    /** A near station lets the AVC take hold; of a signal in other words nobody knows how strong it is. */
    @Test
    void aStrongSignalMovesTheControlLine() {
        double idle = ask("AVC").direct();
        double cathode = ask("V2.7").direct();
        assertThat(ask(now.withSignal("strong"), "AVC").direct()).isLessThan(idle - 2);
        assertThat(ask(now.withSignal("strong"), "V2.7").direct()).isLessThan(0.85 * cathode);
        assertThat(ask(now.withSignal("faint"), "AVC").direct()).isCloseTo(idle, within(1e-6));
    }

    private CircuitPredictor.Answer ask(Condition then, String point) {
        return Question.of(set, point, List.of(), then)
                .answer(predictors.of(set))
                .orElseThrow();
    }

    @Test
    void aRowsExpectationIsTheSameAnswer() {
        SetRecord demo = DemoWorkshop.set("halcyon");
        double row = demo.judged(now, predictors).rows().stream()
                .filter(r -> r.point().label().equals("V3.7"))
                .findFirst()
                .orElseThrow()
                .expectation()
                .orElseThrow()
                .value();
        assertThat(ask("V3.7").direct()).isCloseTo(row, within(1.0));
    }

    @ParameterizedTest
    @CsvSource({
        "V9.1,,V9.1",
        "V4.1,RV1=7,between 0 and 1",
        "V4.1,R7=0.5,no control",
        "V4.1,C14:ill,no fault",
        "V4.1,C99:open,C99"
    })
    void whatCannotBeAskedIsSaid(String point, String word, String said) {
        List<String> words = word == null ? List.of() : List.of(word);
        assertThatThrownBy(() -> Question.of(set, point, words, now).answer(predictors.of(set)))
                .isInstanceOf(InputException.class)
                .hasMessageContaining(said);
    }

    @Test
    void aSetWithoutACircuitHasNoAnswer() {
        Chassis moor = DemoWorkshop.chassis("moor");
        assertThat(predictors.of(moor)).isNotInstanceOf(CircuitPredictor.class);
        assertThat(predictors.of(set)).isSameAs(predictors.of(DemoWorkshop.chassis("halcyon")));
    }
}

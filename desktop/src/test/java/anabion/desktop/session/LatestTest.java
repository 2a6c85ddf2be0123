package anabion.desktop.session;

import static org.assertj.core.api.Assertions.assertThatCode;

import org.junit.jupiter.api.Test;

/** The compute worker at its end. */
class LatestTest {
    /** What was stored last may be judged when the window is closed already. */
    @Test
    void whatIsAskedAfterTheEndBothersNobody() {
        Latest worker = new Latest();
        worker.close();
        assertThatCode(() -> worker.ask(() -> 1, x -> {}, e -> {})).doesNotThrowAnyException();
        assertThatCode(() -> worker.run(() -> 1)).doesNotThrowAnyException();
    }
}

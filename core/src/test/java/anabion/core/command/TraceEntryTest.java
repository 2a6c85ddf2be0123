package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.job.DisplayOutcome;
import anabion.core.job.Heard;
import anabion.core.job.Outcome;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is typed of a point, as people type it. */
class TraceEntryTest {
    @ParameterizedTest
    @CsvSource({
        "12mV, '', 0.012",
        "12 mV, '', 0.012",
        "V3.3 12m, V3.3, 0.012",
        "V3.3 12 mV, V3.3, 0.012",
        "if V1.7 300u, if V1.7, 300e-6",
        "if V1.7 300 µV, if V1.7, 300e-6",
        "put V4.1 1.5V, V4.1, 1.5",
        "VOL 0.2V, VOL, 0.2"
    })
    void aLevelStandsAfterItsPoint(String line, String place, double volts) {
        TraceEntry e = TraceEntry.of(line, false);
        assertThat(e.place()).isEqualTo(place);
        assertThat(e.volts()).isCloseTo(volts, within(1e-9));
        assertThat(e.outcome()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "n, '', NOTHING",
        "Weak, '', WEAK",
        "V3.1 l, V3.1, LOUD",
        "tap if V2.5 hum, if V2.5, HUM",
        "touch V4.1 h, V4.1, HUM"
    })
    void anOutcomeIsSaidByItsFirstLetterOrWord(String line, String place, Outcome outcome) {
        TraceEntry e = TraceEntry.of(line, false);
        assertThat(e.place()).isEqualTo(place);
        assertThat(e.outcome()).contains(outcome);
        assertThat(e.volts()).isZero();
    }

    /** A display is lit or dark: loud means nothing there, and D is dark. */
    @ParameterizedTest
    @CsvSource({
        "lit, '', LIT",
        "Driver a dark, Driver a, DARK",
        "Driver a d, Driver a, DARK",
        "always, '', ALWAYS",
        "Segments g, Segments, GHOST"
    })
    void ofADisplayWhatIsSeenIsSaid(String line, String place, DisplayOutcome seen) {
        TraceEntry e = TraceEntry.of(line, true);
        assertThat(e.place()).isEqualTo(place);
        assertThat(e.outcome()).contains(seen.outcome());
        assertThat(DisplayOutcome.of(seen.outcome())).contains(seen);
        assertThat(TraceEntry.of("Driver a hum", true).outcome()).isEmpty();
        assertThat(TraceEntry.of("lit", false).outcome()).isEmpty();
    }

    @Test
    void whatIsNotUnderstoodSaysNothing() {
        assertThat(TraceEntry.of("V3.3", false).outcome()).isEmpty();
        assertThat(TraceEntry.of("V3.3", false).volts()).isZero();
        assertThat(TraceEntry.of("V3.3 12", false).outcome()).isEmpty();
        assertThat(TraceEntry.of("V3.3 12", false).volts()).isZero();
        assertThat(TraceEntry.of("tap V3.1 purple", false).outcome()).isEmpty();
        assertThat(TraceEntry.of("tap V3.1 purple", false).how()).isEqualTo(Optional.of(Heard.How.TAP));
    }
}

package anabion.desktop.probe;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.command.Entry;
import anabion.core.command.ProbeParser;
import anabion.core.error.InputException;
import anabion.core.job.LooseKind;
import anabion.core.job.Trial;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What must not be forgotten can be typed on any sheet. */
class LooseEntriesTest {
    @Test
    void debtsWishesAndAccidentsAreWords() {
        assertThat(ProbeParser.parse("borrowed V4 from the Moor", true))
                .isEqualTo(new Entry.Loose(LooseKind.BORROWED, "V4", "from the Moor"));
        assertThat(ProbeParser.parse("wanted EM81", false)).isEqualTo(new Entry.Loose(LooseKind.WANTED, "EM81", ""));
        assertThat(ProbeParser.parse("accident C9 iron against it", true))
                .isEqualTo(new Entry.Loose(LooseKind.ACCIDENT, "C9", "iron against it"));
        assertThat(ProbeParser.parse("settled V4", true)).isEqualTo(new Entry.Settle("V4"));
        assertThat(ProbeParser.parse("swapped v4 same", true))
                .isEqualTo(new Entry.Tried(Trial.How.SWAPPED, "V4", false));
        assertThat(ProbeParser.parse("across C7 Better", false))
                .isEqualTo(new Entry.Tried(Trial.How.ACROSS, "C7", true));
    }

    @Test
    void aReferenceReceiverIsComparedInDecibelsOrSteps() {
        assertThat(ProbeParser.parse("reference MW -18dB", true)).isEqualTo(new Entry.Against("MW", -18));
        assertThat(ProbeParser.parse("reference Short wave 4,5 dB", true))
                .isEqualTo(new Entry.Against("Short wave", 4.5));
        assertThat(ProbeParser.parse("reference MW S4 S7", false)).isEqualTo(new Entry.Against("MW", -18));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "borrowed",
                "wanted",
                "accident",
                "settled",
                "swapped",
                "across",
                "reference",
                "reference MW",
                "reference MW S4",
                "reference -18dB",
                "across C7",
                "swapped V4 perhaps"
            })
    void aWordAloneSaysWhatIsMissing(String line) {
        assertThatThrownBy(() -> ProbeParser.parse(line, true))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("belongs here");
    }
}

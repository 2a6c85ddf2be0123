package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.Renames;
import anabion.core.error.InputException;
import anabion.core.format.ListCodec;
import anabion.core.testing.SharedSets;
import java.io.IOException;
import java.io.StringReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MakeLineTest {
    private static final Chassis SET = SharedSets.named("halcyon");

    private static String make(Chassis chassis, String reference) {
        return chassis.part(reference).orElseThrow().make();
    }

    @Test
    void aMarkIsPutOnPartsAndTakenBack() {
        Chassis marked = MakeLine.parse("make red dot: c14, C17", SET);
        assertThat(make(marked, "C14")).isEqualTo("red dot");
        assertThat(make(marked, "C17")).isEqualTo("red dot");
        assertThat(make(marked, "C24")).isEmpty();
        assertThat(make(MakeLine.parse("make : C14", marked), "C14")).isEmpty();
    }

    /** It goes with the part: typed anew, renamed, and over a list on paper. */
    @Test
    void aMarkStaysWithItsPart() throws IOException {
        Chassis marked = MakeLine.parse("make KT: C14", SET);
        Part typed = WiringLine.parse("C14 .02/400", marked);
        assertThat(typed.make()).isEqualTo("KT");
        assertThat(make(Renames.part(marked, "C14", "C99"), "C99")).isEqualTo("KT");
        StringBuilder csv = new StringBuilder();
        ListCodec.parts(marked, csv);
        assertThat(make(ListCodec.parts(new StringReader(csv.toString()), SET), "C14"))
                .isEqualTo("KT");
    }

    @ParameterizedTest
    @ValueSource(strings = {"make", "make KT", "make KT:", "make KT: C14 C999"})
    void whatIsNoMarkIsRefused(String line) {
        assertThat(MakeLine.looksLike(line)).isTrue();
        assertThatThrownBy(() -> MakeLine.parse(line, SET)).isInstanceOf(InputException.class);
    }
}

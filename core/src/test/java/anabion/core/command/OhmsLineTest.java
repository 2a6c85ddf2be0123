package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import anabion.core.quantity.Notation;
import java.util.List;
import org.junit.jupiter.api.Test;

class OhmsLineTest {
    @Test
    void ohmsStandAloneOrBehindOneNetOrTwo() {
        assertThat(OhmsLine.parse(" 33k ")).isEqualTo(new OhmsLine(List.of(), 33e3, false));
        assertThat(OhmsLine.parse("B1 4.7")).isEqualTo(new OhmsLine(List.of("B1"), 4.7, false));
        assertThat(OhmsLine.parse("V4.1 CHASSIS 470k?"))
                .isEqualTo(new OhmsLine(List.of("V4.1", "CHASSIS"), 470e3, true));
        assertThat(OhmsLine.parse("open").ohms()).isEqualTo(Notation.OPEN);
    }

    @Test
    void moreWordsOrNoResistanceAreRefused() {
        for (String line : List.of("a b c 33k", "B1 much", "?", "V4.1 CHASSIS"))
            assertThatThrownBy(() -> OhmsLine.parse(line)).as(line).isInstanceOf(InputException.class);
    }
}

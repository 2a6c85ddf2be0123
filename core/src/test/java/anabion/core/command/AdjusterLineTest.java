package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.TestSets;
import anabion.core.error.InputException;
import org.junit.jupiter.api.Test;

class AdjusterLineTest {
    private final Chassis set = TestSets.audioEnd();
    private final String part = set.parts().get(0).reference();

    @Test
    void aLineIsReadAndWrittenBackTheSame() {
        String line = "A1 " + part + " top secondary core @ second IF can";
        Adjuster a = AdjusterLine.put(line, set).adjusters().get(0);
        assertThat(a.side()).isEqualTo("top");
        assertThat(a.what()).isEqualTo("secondary core");
        assertThat(a.place()).isEqualTo("second IF can");
        assertThat(AdjusterLine.text(a)).isEqualTo(line);
    }

    @Test
    void theSameLetterChangesTheAdjusterAndKeepsItsId() {
        Chassis once = AdjusterLine.put("T1 " + part + " oscillator trimmer", set);
        Chassis twice = AdjusterLine.put("t1 " + part + " side oscillator trimmer", once);
        assertThat(twice.adjusters()).singleElement().satisfies(a -> {
            assertThat(a.id()).isEqualTo(once.adjusters().get(0).id());
            assertThat(a.side()).isEqualTo("side");
        });
    }

    @Test
    void itGoesByItsLetterOrWithItsPart() {
        Chassis with = AdjusterLine.put("A1 " + part + " core", set);
        assertThat(StudyLine.drop("A1", with).adjusters()).isEmpty();
        assertThat(StudyLine.drop("A1", with).parts()).hasSameSizeAs(set.parts());
        String loose = set.parts().stream()
                .filter(p -> p.device().isEmpty())
                .map(Part::reference)
                .findFirst()
                .orElseThrow();
        assertThat(StudyLine.drop(loose, AdjusterLine.put("A2 " + loose, set)).adjusters())
                .isEmpty();
    }

    @Test
    void anUnknownPartAndALoneLetterAreRefused() {
        assertThatThrownBy(() -> AdjusterLine.put("A1 L99 top core", set))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("L99");
        assertThatThrownBy(() -> AdjusterLine.put("A1", set))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("letter and a part");
    }
}

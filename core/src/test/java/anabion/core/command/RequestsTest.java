package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import anabion.core.tracing.School;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A line means one thing on each sheet, however it is spaced and in which case its first word is typed. */
class RequestsTest {
    @ParameterizedTest
    @CsvSource({
        "drop  V4.6 ~,Drop[name=V4.6 ~]",
        "DROP C14,Drop[name=C14]",
        "drop,'Row[name=drop, line=drop]'",
        "stages,NameStages[]",
        "make KT: C14,Make[line=make KT: C14]",
        "role: C14,Role[line=role: C14]",
        "rename c14 c15,'Rename[from=C14, to=C15]'",
        "R12 220k V3.7 B2,'Row[name=R12, line=R12 220k V3.7 B2]'"
    })
    void study(String line, String meant) {
        assertThat(StudyRequest.parse(line)).hasToString(meant);
    }

    @ParameterizedTest
    @CsvSource({
        "c14,GoTo[key=c14]",
        "burst r20,Burst[reference=R20]",
        "Shop-School tested restuff,ShopSchool[words=tested restuff]",
        "form c18.1,Form[key=C18.1]",
        "school,Log[line=school]",
        "fitted C14,Log[line=fitted C14]"
    })
    void recap(String line, String meant) {
        assertThat(RecapRequest.parse(line)).hasToString(meant);
    }

    @ParameterizedTest
    @CsvSource({"ecc,Keep[]", "Revert,Revert[]", "X9 like ECC83,'Add[name=X9, pattern=ECC83]'", "mu 90,Edit[line=mu 90]"
    })
    void library(String line, String meant) {
        assertThat(LibraryRequest.parse(line)).hasToString(meant);
    }

    @Test
    void cold() {
        assertThat(ColdRequest.parse("B2", n -> n.equals("B2"))).isEqualTo(new ColdRequest.GoTo("B2"));
        assertThat(ColdRequest.parse("33k", n -> n.equals("B2"))).isInstanceOf(ColdRequest.Read.class);
        assertThat(((ColdRequest.Read) ColdRequest.parse("B2 33k", n -> false)).name())
                .contains("B2");
        assertThat(ColdRequest.parse("V4.1 B- 470k", n -> true)).isInstanceOf(ColdRequest.Pair.class);
        assertThat(((ColdRequest.Pair) ColdRequest.parse("V4.1 - 470k", n -> false))
                        .ohms()
                        .nets())
                .as("a net may be called so")
                .containsExactly("V4.1", "-");
        for (String line : List.of("HG – CHASSIS 5", "HG - CHASSIS 5", "HG-CHASSIS 5", "HG–CHASSIS 5"))
            assertThat(((ColdRequest.Read) ColdRequest.parse(line, n -> false)).name())
                    .as(line)
                    .hasValueSatisfying(n ->
                            assertThat(ColdRequest.isHeading("HG – CHASSIS", n)).isTrue());
        assertThat(ColdRequest.parse("HG – CHASSIS", n -> ColdRequest.isHeading("HG – CHASSIS", n)))
                .isInstanceOf(ColdRequest.GoTo.class);
        assertThat(ColdRequest.parse("XX – CHASSIS", n -> false))
                .as("a heading that no row has")
                .isEqualTo(new ColdRequest.GoTo("XX-CHASSIS"));
        assertThatThrownBy(() -> ColdRequest.parse("B3", n -> false)).isInstanceOf(InputException.class);
    }

    @Test
    void trace() {
        assertThat(TraceRequest.parse("School forward", false)).isEqualTo(new TraceRequest.Choose(School.FORWARD));
        assertThat(TraceRequest.parse("V3.3 12mV", false)).isInstanceOf(TraceRequest.Take.class);
        assertThatThrownBy(() -> TraceRequest.parse("school sideways", false)).hasMessageContaining("forward");
    }
}

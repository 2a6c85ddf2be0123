package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.command.StripDownLine.Item;
import anabion.core.command.StripDownLine.Put;
import anabion.core.command.StripDownLine.Taken;
import anabion.core.error.InputException;
import anabion.core.job.StripDownEntry;
import anabion.core.job.StripDownEntry.Kind;
import anabion.core.job.StripDownEntry.Lead;
import anabion.core.job.StripDownEntry.State;
import anabion.core.json.Extra;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What came off, in a line. */
class StripDownLineTest {
    private static Item one(String line) {
        return ((Taken) StripDownLine.parse(line)).taken().get(0);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "6 screws M3x8 back, bag A|FASTENER|6|screws M3x8 back|bag A",
                "washer under the gang|FASTENER|1|washer under the gang|''",
                "2 Knobs volume and tuning, pull off|KNOB|2|Knobs volume and tuning|pull off",
                "board IF, 4 leads|BOARD|1|board IF|4 leads",
                "item glass of the dial, box 2|ITEM|1|glass of the dial|box 2",
                "back|COVER|1|back|''"
            })
    void thingsHaveACountAndAPlace(String line, Kind kind, int count, String what, String place) {
        assertThat(one(line)).isEqualTo(new Item(kind, count, what, place, Optional.empty(), State.OFF));
    }

    @ParameterizedTest
    @ValueSource(strings = {"lead red rod 3 -> hole 14", "lead red rod 3 → hole 14", "wire red rod 3 to hole 14"})
    void aLeadHasAColourAndTwoEnds(String line) {
        assertThat(one(line).lead()).contains(new Lead("red", "rod 3", "hole 14"));
    }

    @Test
    void anEndThatNobodyKnowsIsNone() {
        assertThat(one("lead red/white ? -> V3.5").lead()).contains(new Lead("red/white", "", "V3.5"));
    }

    @Test
    void aMapHasAPinForEachLead() {
        Taken map = (Taken) StripDownLine.parse("map V5 base 1 red, 2 black, 8 yellow -> T1.4");
        assertThat(map.taken()).extracting(Item::place).containsExactly("1", "2", "8");
        assertThat(map.taken()).allMatch(i -> i.kind() == Kind.PIN && i.what().equals("V5 base"));
        assertThat(map.taken().get(2).lead()).contains(new Lead("yellow", "", "T1.4"));
        assertThat(map.taken()).as("to note where a lead is takes none off").allMatch(i -> i.state() == State.ON);
    }

    @Test
    void rowsAreMeantByNumberOrAsLit() {
        assertThat(StripDownLine.parse("on")).isEqualTo(new Put(State.ON, OptionalInt.empty()));
        assertThat(StripDownLine.parse("broke 12")).isEqualTo(new Put(State.BROKEN, OptionalInt.of(12)));
        assertThat(one("left over 2 washers, tin").state()).isEqualTo(State.LEFT_OVER);
        assertThat(one("left over something odd").kind()).isEqualTo(Kind.ITEM);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"V3.7 182", "lead red", "lead red rod 3", "map plug", "on the shelf", "left", "screwdriver"})
    void whatSaysNothingIsRefusedWithARemedy(String line) {
        assertThatThrownBy(() -> StripDownLine.parse(line))
                .isInstanceOf(InputException.class)
                .hasMessageMatching("(?is).*(type|begin).*");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "6 screws M3x8 back, bag A",
                "lead red rod 3 -> hole 14",
                "lead blue ? -> hole 9",
                "map plug 1 red",
                "item glass, box 2",
                "left over 2 washers"
            })
    void whatIsCopiedOutReadsBackTheSame(String line) {
        Item i = one(line);
        StripDownEntry e = new StripDownEntry(
                new UUID(0, 1),
                Instant.EPOCH,
                i.kind(),
                i.count(),
                i.what(),
                i.place(),
                i.lead(),
                i.state(),
                Extra.NONE);
        assertThat(one(StripDownLine.text(e))).isEqualTo(i);
    }
}

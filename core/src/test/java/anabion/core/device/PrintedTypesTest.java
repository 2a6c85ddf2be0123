package anabion.core.device;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Points;
import anabion.core.chassis.TestSets;
import anabion.core.command.WiringLine;
import anabion.core.format.ListCodec;
import anabion.core.signal.CircuitCheck;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Types as they are printed, and what is done with one that nobody knows. */
class PrintedTypesTest {
    @ParameterizedTest
    @CsvSource({
        "6V6GT,6V6", "6SK7-GT,6SK7", "5Y3GT,5Y3", "5Y3 GT,5Y3", "12AX7A,ECC83", "6AU6A,6AU6", "EL3N,EL3", "5U4GB,5U4",
        "6SQ7GT/G,6SQ7", "25L6GT,25L6", "6L6GC,6L6", "35Z5-GT,35Z5", "ECC83S,ECC83", "6BQ5,EL84", "12AX7,ECC83",
                "EK90,6BE6",
        "bc547b,BC547", "2N2222A,2N2222", "24A,24A", "6k7g,6K7"
    })
    void isFound(String printed, String type) {
        assertThat(DeviceLibrary.standard().find(printed).orElseThrow().name()).isEqualTo(type);
    }

    @ParameterizedTest
    @ValueSource(strings = {"6ZZ9", "V4", "6", "GT", "12", "XY"})
    void isNotGuessed(String printed) {
        assertThat(DeviceLibrary.standard().find(printed)).isEmpty();
    }

    private static Chassis set(String... lines) {
        return TestSets.wired(Arrangement.TRANSFORMER, lines);
    }

    @Test
    void anUnknownTypeIsALoudFinding() {
        Chassis set = set("V1 6ZZ9 1=A", "R1 1k A B", "R2 1k A B");
        assertThat(CircuitCheck.of(set))
                .anySatisfy(r -> assertThat(r.words().key()).isEqualTo("check.unknown-type"));
    }

    /** From a 6AQ5 to a 6V6: grid, screen, plate and cathode stay where they were, on other pins. */
    @Test
    void anotherTypeKeepsItsNetsByElectrode() {
        Chassis set = set("V4 6AQ5 1=GRID 2=CATH 3=H1 4=H2 5=PLATE 6=SCREEN 7=GRID");
        Chassis changed = ListCodec.withPart(set, WiringLine.parse("V4 6V6", set));
        assertThat(changed.part("V4").orElseThrow().nets())
                .containsEntry("5", "GRID")
                .containsEntry("8", "CATH")
                .containsEntry("3", "PLATE")
                .containsEntry("4", "SCREEN")
                .containsEntry("2", "H1")
                .containsEntry("7", "H2");
    }

    /** The grids of a pentagrid by the names of data sheets. */
    @ParameterizedTest
    @CsvSource({
        "6A8,g4,V1.cap",
        "6A8,g2,V1.6",
        "6A8,g3,V1.4",
        "12A8,g5,V1.4",
        "6A7,g2,V1.4",
        "2A7,g4,V1.cap",
        "DK96,g2,V1.3",
        "DK96,g4,V1.5"
    })
    void gridsHaveTheirNumbers(String type, String grid, String pin) {
        Chassis set = set("V1 " + type);
        assertThat(Points.of(set).need("V1." + grid).label()).isEqualTo(pin);
    }

    /** An electrode named on the line is put on the pin that carries it. */
    @Test
    void electrodesNamedOnTheLineFindTheirPins() {
        assertThat(set("Q1 BC547 e=EM b=BASE c=COLL").part("Q1").orElseThrow().nets())
                .containsEntry("1", "COLL")
                .containsEntry("2", "BASE")
                .containsEntry("3", "EM")
                .hasSize(3);
    }
}

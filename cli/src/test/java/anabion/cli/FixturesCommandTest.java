package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.format.ChassisCodec;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.Deep;
import anabion.core.typical.TypicalCircuit;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every circuit that is no demo set, by the commands that a person would give; the plain run takes some of them. */
class FixturesCommandTest extends Headless {
    @TempDir
    Path folder;

    static Stream<String> circuits() {
        List<String> all = new ArrayList<>(CircuitFixtures.NAMES);
        for (TypicalCircuit t : TypicalCircuit.values()) all.add(t.code());
        return Deep.some("circuits that are validated, fed and planned by command", 6, all).stream();
    }

    @ParameterizedTest
    @MethodSource("circuits")
    void isValidFedAndPlanned(String name) throws IOException {
        Chassis set =
                TypicalCircuit.named(name).map(CircuitFixtures::typical).orElseGet(() -> CircuitFixtures.named(name));
        Path file = Files.writeString(folder.resolve(name + ".json"), ChassisCodec.text(set));
        assertThat(run("validate", file)).as(err).isEqualTo(Main.FINE);
        if (set.supply().arrangement().usesMains()) {
            assertThat(run("supply", file, "--steps", "1")).as(err).isEqualTo(Main.FINE);
            assertThat(run("supply", file, "--steps", "1", "--json")).isEqualTo(Main.FINE);
            boolean rail = set.supply().arrangement().isDirect() || json(out).number("mean") > 50;
            assertThat(rail).as(out).isTrue();
        }
        assertThat(run("recap", file, "--json")).as(err).isIn(Main.FINE, Main.FINDING);
        assertThat(json(out).objects("items")).isNotEmpty().allSatisfy(i -> assertThat(i.text("role"))
                .isNotEqualTo("unknown"));
    }
}

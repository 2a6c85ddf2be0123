package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.format.ChassisCodec;
import anabion.core.json.Fields;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The recap without a window. */
class RecapCommandTest extends Headless {
    @TempDir
    Path folder;

    private Path set(String name) throws IOException {
        return Files.writeString(folder.resolve(name + ".json"), ChassisCodec.text(DemoWorkshop.chassis(name)));
    }

    private Map<String, Fields> items() throws IOException {
        return json(out).objects("items").stream().collect(Collectors.toMap(f -> f.text("part"), Function.identity()));
    }

    @Test
    void aPlanIsOneObjectWithEveryCapacitorAndItsReasons() throws IOException {
        assertThat(run("recap", set("halcyon"), "--json")).isEqualTo(Main.FINDING);
        Map<String, Fields> items = items();
        assertThat(items).containsKeys("C14", "C18.1", "C18.2", "C1.1");
        Fields coupling = items.get("C14");
        assertThat(coupling.text("role")).isEqualTo("coupling");
        assertThat(coupling.text("action")).isEqualTo("renew");
        assertThat(coupling.number("value")).isEqualTo(10e-9, org.assertj.core.api.Assertions.within(1e-13));
        assertThat(coupling.number("rating"))
                .isGreaterThan(coupling.object("volts").number("worst"));
        assertThat(items.get("C20").object("safety").text("class")).isEqualTo("Y2");
        assertThat(items.get("C20").object("safety").number("touchAmperes")).isLessThan(0.5e-3);
        assertThat(items.get("C18.1").number("rippleAmperes")).isPositive();
        assertThat(json(out).objects("batches")).hasSizeGreaterThan(3);
        assertThat(json(out).strings("warnings")).anyMatch(w -> w.contains("6X4"));
    }

    @Test
    void theSameInPrintNamesBatchesTestsAndWarnings() throws IOException {
        run("recap", set("halcyon"));
        assertThat(out)
                .contains(
                        "1. At the mains", "2. Power section", "3. Output stage", "C14", "10 nF 630 V", "stay: ", "! ");
        run("recap", set("rover"));
        assertThat(out).contains("silicon diode", "in series", "the rail reaches");
    }

    @Test
    void aPolicyAndADrawerChangeIt() throws IOException {
        Path stock = Files.writeString(folder.resolve("stock.csv"), "kind,value,count,class\nfilm,10n/630,8,\n");
        run("recap", set("halcyon"), "--policy", "tested,nearest", "--stock", stock, "--json");
        assertThat(json(out).text("policy")).startsWith("tested");
        assertThat(items().get("C14").text("action")).isEqualTo("test");
        assertThat(items().get("C19").text("action")).isEqualTo("renew");
        Optional<Fields> own = items().get("C14").objects("neighbours").stream()
                .filter(n -> n.integer("stock", 0) == 8)
                .findFirst();
        assertThat(own).isPresent();
    }

    @ParameterizedTest
    @ValueSource(strings = {"brae", "lark", "trunk-road", "concerto"})
    void everyDemoSetHasAPlanThatReadsToItsEnd(String name) throws IOException {
        run("recap", set(name));
        assertThat(err).isEmpty();
        assertThat(out.lines().filter(l -> l.startsWith("   > "))).hasSizeGreaterThan(3);
        assertThat(out).doesNotContain("recap.").doesNotContain("{0}").doesNotContain("NaN");
    }

    @ParameterizedTest
    @CsvSource({"--policy guess, no school", "--stock nowhere.csv, no such file"})
    void whatCannotBeReadIsSaid(String option, String said) throws IOException {
        String[] words = option.split(" ");
        assertThat(run("recap", set("halcyon"), words[0], words[1])).isEqualTo(Main.BAD_INPUT);
        assertThat(err).contains(said);
    }

    @Test
    void aSetWithoutACircuitIsRefused() throws IOException {
        assertThat(run("recap", set("moor"), "--json")).isEqualTo(Main.BAD_INPUT);
        assertThat(err).contains("\"error\"");
    }

    @Test
    void oldMarkingsAreDecoded() throws IOException {
        assertThat(run("decode", "body", "green", "end", "brown", "dot", "yellow", "--json"))
                .isEqualTo(Main.FINE);
        assertThat(json(out).number("value")).isEqualTo(510e3);
        assertThat(run("decode", "mica", "white", "red", "green", "brown", "silver", "red"))
                .isEqualTo(Main.FINE);
        assertThat(out).startsWith("capacitor 250 pF");
        assertThat(run("decode", "mica", "white")).isEqualTo(Main.BAD_INPUT);
    }
}

package anabion.core.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.StripRow;
import anabion.core.device.DeviceLibrary;
import anabion.core.job.AlterationKind;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.job.SymptomKind;
import anabion.core.job.VisitorEvidence;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Standing;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class WordsTest {
    private final Words words = new Words(Vocabulary.STANDARD);

    @Test
    void inAConverterTheThirdGridTakesTheSignal() {
        var halcyon = anabion.core.testing.SharedSets.named("halcyon");
        var mixer = halcyon.part("V1").orElseThrow();
        var output = halcyon.part("V4").orElseThrow();
        assertThat(words.say(anabion.core.chassis.PinNames.key(mixer, "g3"))).isEqualTo("signal grid");
        assertThat(words.say(anabion.core.chassis.PinNames.key(mixer, "g1"))).isEqualTo("oscillator grid");
        assertThat(words.say(anabion.core.chassis.PinNames.key(output, "g1"))).isEqualTo("grid");
    }

    @Test
    void vocabularyChoosesWordsAndUnits() {
        Words valve = new Words(new Vocabulary(true, true));
        assertThat(words.say("part.tube")).isEqualTo("tube");
        assertThat(valve.say("part.tube")).isEqualTo("valve");
        assertThat(words.say("pin.a")).isEqualTo("plate");
        assertThat(valve.say("pin.a")).isEqualTo("anode");
        assertThat(words.quantity(Quantity.farads(50e-9))).isEqualTo("50 nF");
        assertThat(valve.quantity(Quantity.farads(50e-9))).isEqualTo("0.05 mfd");
    }

    @Test
    void phrasesNest() {
        assertThat(words.say(Phrase.of("grid.headline", "C14", Phrase.of("grid.of", "V4"))))
                .isEqualTo("Coupling capacitor C14 leaks into the grid of V4");
        assertThat(words.say(Phrase.of("fault.leaky-amount", "C14", Quantity.ohms(12e6))))
                .isEqualTo("C14 leaky, near 12 MΩ");
    }

    @Test
    void aMissingKeyIsAMistakeInTheProgram() {
        assertThatThrownBy(() -> words.say("no.such.key")).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void everyCodeHasItsWords() {
        List<String> keys = new ArrayList<>();
        for (Step s : Step.values()) keys.add("step." + s.code());
        for (StepState s : StepState.values()) keys.add("state." + s.code());
        for (Arrangement a : Arrangement.values())
            keys.addAll(List.of("supply." + a.code(), "safety." + a.code(), "supply-short." + a.code()));
        for (SetKind k : SetKind.values()) keys.add("kind." + k.code());
        for (SymptomKind s : SymptomKind.values()) keys.add("symptom." + s.code());
        for (VisitorEvidence v : VisitorEvidence.values()) keys.add("visitor." + v.code());
        for (AlterationKind a : AlterationKind.values()) keys.add("alteration." + a.code());
        for (Standing s : Standing.values()) keys.add("strip." + s.code());
        for (StripRow l : StripRow.values()) keys.add("study.row." + l.code());
        DeviceLibrary.standard().all().forEach(t -> t.functions().values().forEach(f -> PinNames.plain(f)
                .forEach(p -> keys.add(PinNames.key(p)))));
        assertThat(keys).allSatisfy(k -> assertThat(words.knows(k)).as(k).isTrue());
    }

    /** Every key that stands in quotes in the program's sources exists: say("…"), Phrase.of("…"). */
    /** A later line of the same key would take the words of another screen away. */
    @Test
    void noKeyStandsTwice() throws IOException {
        try (var in = Words.class.getResourceAsStream("/anabion/words.properties")) {
            List<String> keys = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(l -> !l.isBlank() && !l.startsWith("#") && l.contains("="))
                    .map(l -> l.substring(0, l.indexOf('=')))
                    .toList();
            assertThat(keys).doesNotHaveDuplicates().hasSizeGreaterThan(1000);
        }
    }

    @Test
    void everyKeyNamedInTheSourcesExists() throws IOException {
        Pattern named = Pattern.compile("(?:say|Phrase\\.of)\\(\\s*\"([a-z0-9.-]+[a-z0-9])\"\\s*[,)]");
        List<String> missing = new ArrayList<>();
        int seen = 0;
        for (Path file : sources()) {
            Matcher m = named.matcher(Files.readString(file));
            while (m.find()) {
                seen++;
                if (!words.knows(m.group(1))) missing.add(file.getFileName() + ": " + m.group(1));
            }
        }
        assertThat(seen).isGreaterThan(100);
        assertThat(missing).isEmpty();
    }

    /** Every action that is registered has a name. */
    @Test
    void everyActionHasItsWords() throws IOException {
        Matcher m = Pattern.compile("a\\.add\\(\"([a-z-]*[a-z])\"").matcher("");
        int seen = 0;
        for (Path file : sources()) {
            if (!file.endsWith("ShellActions.java")) continue;
            m.reset(Files.readString(file));
            while (m.find()) {
                seen++;
                assertThat(words.knows("action." + m.group(1))).as(m.group(1)).isTrue();
            }
        }
        assertThat(seen).isGreaterThan(25);
    }

    private static List<Path> sources() throws IOException {
        try (Stream<Path> files = Files.walk(Path.of(System.getProperty("anabion.root", "..")))) {
            return files.filter(
                            f -> f.toString().endsWith(".java") && f.toString().contains("/src/main/"))
                    .toList();
        }
    }
}

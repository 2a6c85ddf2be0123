package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.format.ChassisCodec;
import anabion.core.format.ReadingCodec;
import anabion.core.json.TreeWriter;
import anabion.core.reading.Reading;
import anabion.core.reading.judgement.Judge;
import anabion.core.recap.Planner;
import anabion.core.recap.Policy;
import anabion.core.recap.Stock;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is said of a set does not depend on what its maker called the net that everything is measured against. */
class ReferenceNameTest {
    private static final Words WORDS = new Words(Vocabulary.STANDARD);
    private static final String OTHER = "GROUND";

    private static SetRecord renamed(SetRecord set) {
        List<Reading> readings = new ArrayList<>();
        for (Reading r : set.readings())
            readings.add(ReadingCodec.read(
                    TreeWriter.text(ReadingCodec.tree(r)).replace("\"CHASSIS\"", "\"" + OTHER + "\"")));
        return new SetRecord(
                ChassisCodec.read(ChassisCodec.text(set.chassis()).replace("\"CHASSIS\"", "\"" + OTHER + "\"")),
                set.job(),
                readings,
                set.photos(),
                set.place());
    }

    private static List<String> said(SetRecord set) {
        Judge.Verdict verdict = set.judged(set.usual(), new Predictors());
        List<String> all = new ArrayList<>();
        verdict.findings()
                .forEach(f -> all.add(WORDS.say(f.headline())
                        + f.suspects().stream().map(x -> " " + x.fault().part()).toList()));
        verdict.rows().forEach(r -> all.add(r.point().label() + " " + WORDS.say(r.said())));
        if (!set.chassis().parts().isEmpty())
            Planner.plan(set.chassis(), Policy.USUAL, Stock.NONE)
                    .items()
                    .forEach(i -> all.add(i.key() + " " + i.role() + " "
                            + i.choice().action() + " " + i.choice().safety()));
        return all.stream().map(l -> l.replace(OTHER, "CHASSIS")).toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "rover", "lark", "trunk-road", "concerto"})
    void verdictsAndPlansAreTheSame(String name) {
        SetRecord set = DemoWorkshop.set(name);
        SetRecord other = renamed(set);
        assertThat(other.chassis().reference()).isEqualTo(OTHER);
        assertThat(said(other)).isEqualTo(said(set));
    }

    @Test
    void onlyTheChassisKnowsTheUsualName() throws IOException {
        List<String> knowing = new ArrayList<>();
        for (String module : List.of("core", "workshop", "instruments", "desktop"))
            try (Stream<Path> all = Files.walk(Path.of("..", module, "src", "main", "java"))) {
                for (Path f : all.filter(f -> f.toString().endsWith(".java")).toList())
                    if (Files.readString(f).contains("\"CHASSIS\""))
                        knowing.add(f.getFileName().toString());
            }
        assertThat(knowing).containsExactly("Chassis.java");
    }
}

package anabion.core.reading.judgement;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Stage;
import anabion.core.job.Complaint;
import anabion.core.job.SymptomKind;
import anabion.core.reading.Finding;
import anabion.core.reading.Finding.Suspect;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What the complaints of several bands say together: bands that fail alike fail in what they share; if one fails alone, the
 * fault is in what the good ones do not use. Stages of bands that play well are cleared. Needs two bands that were tried.
 */
final class SharedStages {
    private SharedStages() {}

    static List<Finding> look(Chassis chassis, List<Complaint> complaints) {
        Map<Band, SymptomKind> tried = tried(chassis, complaints);
        List<Band> bad = tried.keySet().stream()
                .filter(b -> tried.get(b) != SymptomKind.FINE)
                .toList();
        List<Band> good = tried.keySet().stream()
                .filter(b -> tried.get(b) == SymptomKind.FINE)
                .toList();
        boolean alike = tried.entrySet().stream()
                        .filter(e -> bad.contains(e.getKey()))
                        .map(Map.Entry::getValue)
                        .distinct()
                        .count()
                == 1;
        if (tried.size() < 2 || bad.isEmpty() || !alike) return List.of();
        List<Stage> left = new ArrayList<>();
        for (Stage stage : chassis.stages()) {
            boolean inAllBad = bad.stream().allMatch(b -> b.stages().contains(stage.name()));
            boolean cleared = good.stream().anyMatch(b -> b.stages().contains(stage.name()));
            if (inAllBad && !cleared) left.add(stage);
        }
        boolean narrows = !left.isEmpty() && left.size() < bad.get(0).stages().size();
        return narrows ? List.of(finding(chassis, bad, good, left, tried.get(bad.get(0)))) : List.of();
    }

    private static Map<Band, SymptomKind> tried(Chassis chassis, List<Complaint> complaints) {
        Map<Band, SymptomKind> tried = new LinkedHashMap<>();
        for (Complaint c : complaints) {
            if (c.symptom() == SymptomKind.UNTRIED) continue;
            chassis.band(c.where()).filter(b -> !b.stages().isEmpty()).ifPresent(b -> tried.put(b, c.symptom()));
        }
        return tried;
    }

    private static Finding finding(
            Chassis chassis, List<Band> bad, List<Band> good, List<Stage> left, SymptomKind symptom) {
        String bands = String.join(", ", bad.stream().map(Band::name).toList());
        String stages = String.join(", ", left.stream().map(Stage::name).toList());
        Phrase because = good.isEmpty()
                ? Phrase.of("bands.alike", bands, Phrase.of("symptom." + symptom.code()), stages)
                : Phrase.of(
                        "bands.alone",
                        bands,
                        String.join(", ", good.stream().map(Band::name).toList()),
                        stages);
        List<Suspect> suspects = new ArrayList<>();
        for (Stage stage : left) {
            stage.parts().stream()
                    .flatMap(r -> chassis.part(r).stream())
                    .filter(p -> p.device().isPresent())
                    .findFirst()
                    .ifPresent(p -> suspects.add(Suspect.of(Fault.of(p.reference(), FaultMode.WEAK))));
        }
        return new Finding(
                "bands",
                "",
                0,
                Phrase.of(good.isEmpty() ? "bands.headline-alike" : "bands.headline-alone", bands, stages),
                List.of(because),
                suspects,
                List.of(Phrase.of("test.bands", left.get(0).name())),
                Phrase.of("verdict.uncharted"));
    }
}

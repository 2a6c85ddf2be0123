package anabion.cli;

import anabion.core.diagnosis.CauseWords;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.inference.Separation;
import anabion.core.diagnosis.nexttest.RatedMeasurement;
import anabion.core.quantity.Figures;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** {@code next SET --evidence E.csv}: what to measure next, and what tells the two likeliest causes apart. */
@Command(
        name = "next",
        mixinStandardHelpOptions = true,
        description = "What to measure next, and what tells the two likeliest causes apart.")
final class NextCommand implements Callable<Integer> {
    private static final Words WORDS = new Words(Vocabulary.STANDARD);

    @Mixin
    private EvidenceOptions evidence;

    @Mixin
    private Output output;

    @Override
    public Integer call() throws Exception {
        EvidenceOptions.Case c = evidence.read();
        Diagnosis d = c.diagnosis(false);
        List<Separation> between = d.suspects().size() < 2 || c.lineUp().isPresent()
                ? List.of()
                : Separation.of(
                        c.predictions(),
                        Diagnosis.allowed(c.predictions(), c.evidence()),
                        d.suspects().get(0).first(),
                        d.suspects().get(1).first());
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("next", tree(d));
        out.put("decided", d.decided());
        out.put("separates", between.stream().map(NextCommand::tree).toList());
        output.say(out, text(d) + apart(d, between));
        return d.sound() > 0.5 ? Main.FINE : Main.FINDING;
    }

    static String text(Diagnosis d) {
        StringBuilder out = new StringBuilder();
        if (d.decided())
            out.append("enough is known: test and repair ")
                    .append(String.join(" or ", d.suspects().get(0).parts()))
                    .append('\n');
        for (RatedMeasurement t : d.next())
            out.append(String.format(
                    "next: %s (%s bits in %s min)%n",
                    t.measurement().text(), Figures.fixed(t.information(), 2), Figures.fixed(t.minutes(), 1)));
        return out.toString();
    }

    private static String apart(Diagnosis d, List<Separation> between) {
        StringBuilder out = new StringBuilder();
        for (Separation s : between)
            out.append(String.format(
                    "tells %s from %s: %s%s%n",
                    d.suspects().get(0).first().cause(),
                    d.suspects().get(1).first().cause(),
                    s.measurement().text(),
                    s.measurement() instanceof Measurement.Metered m
                            ? ", " + shown(m, s.one()) + " against " + shown(m, s.other())
                            : ""));
        return out.toString();
    }

    private static String shown(Measurement.Metered probe, Optional<Double> value) {
        return WORDS.say(CauseWords.foreseen(probe, value.orElse(0.0)));
    }

    static List<Map<String, Object>> tree(Diagnosis d) {
        return d.next().stream()
                .map(t -> Map.<String, Object>of(
                        "test", t.measurement().text(), "minutes", t.minutes(), "information", t.information()))
                .toList();
    }

    private static Map<String, Object> tree(Separation s) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("test", s.measurement().text());
        s.one().ifPresent(v -> m.put("first", v));
        s.other().ifPresent(v -> m.put("second", v));
        m.put("deviations", s.apart());
        return m;
    }
}

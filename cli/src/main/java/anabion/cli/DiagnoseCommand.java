package anabion.cli;

import anabion.core.chassis.Fault;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.quantity.Figures;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** {@code diagnose SET --evidence E.csv}: which fault explains the evidence, and what to do next. */
@Command(
        name = "diagnose",
        mixinStandardHelpOptions = true,
        description = "Which fault explains the evidence, with its odds, and what to do next.")
final class DiagnoseCommand implements Callable<Integer> {
    private static final int MOST = 8;
    /** Odds below this round to nothing in print. */
    private static final double WORTH = 0.005;

    @Mixin
    private EvidenceOptions evidence;

    @Option(names = "--pairs", description = "two faults at once too, where one does not explain everything")
    private boolean pairs;

    @Mixin
    private Output output;

    @Override
    public Integer call() throws Exception {
        EvidenceOptions.Case c = evidence.read();
        Diagnosis d = c.diagnosis(pairs);
        output.say(tree(d), text(d));
        return d.sound() > 0.5 ? Main.FINE : Main.FINDING;
    }

    private static String text(Diagnosis d) {
        StringBuilder out = new StringBuilder();
        d.suspects().stream()
                .filter(s -> s.odds() >= WORTH)
                .limit(MOST)
                .forEach(s -> out.append(String.format("%6s  %s%n", Figures.odds(s.odds()), names(s))));
        out.append(String.format(
                "%6s  something else%n%6s  nothing that shows%n", Figures.odds(d.other()), Figures.odds(d.sound())));
        out.append(NextCommand.text(d));
        if (!d.unsettled().isEmpty())
            out.append("nothing can be said of ")
                    .append(String.join(", ", d.unsettled()))
                    .append('\n');
        return out.toString();
    }

    private static String names(RankedCause s) {
        String first = s.causes().stream().limit(4).map(Hypothesis::toString).collect(Collectors.joining(" or "));
        int more = s.causes().size() - 4;
        return more > 0 ? first + " or " + more + " more that look the same" : first;
    }

    private static Map<String, Object> tree(Diagnosis d) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("suspects", d.suspects().stream().map(DiagnoseCommand::tree).toList());
        out.put("other", d.other());
        out.put("sound", d.sound());
        out.put("quiet", d.quiet().stream().map(Hypothesis::cause).distinct().toList());
        out.put("unsettled", d.unsettled());
        out.put("next", NextCommand.tree(d));
        return out;
    }

    private static Map<String, Object> tree(RankedCause s) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("fault", texts(s.first().from()));
        m.put("worst", texts(s.first().to()));
        m.put("parts", List.copyOf(s.parts()));
        m.put("group", s.causes().stream().map(Hypothesis::cause).toList());
        m.put("odds", s.odds());
        return m;
    }

    private static String texts(List<Fault> faults) {
        return faults.stream().map(Fault::text).collect(Collectors.joining(" + "));
    }
}

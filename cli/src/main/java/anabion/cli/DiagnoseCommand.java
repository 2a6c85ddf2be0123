package anabion.cli;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.Observation;
import anabion.core.engine.Calibrations;
import anabion.core.format.EvidenceCodec;
import anabion.core.quantity.Figures;
import anabion.workshop.archive.SetArchive;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code diagnose CHASSIS --evidence E.csv}: which single fault explains volts and ohms, and what to read next. */
@Command(
        name = "diagnose",
        mixinStandardHelpOptions = true,
        description = "Which single fault explains the readings, with its odds, and what to read next.")
final class DiagnoseCommand implements Callable<Integer> {
    private static final int MOST = 8;
    /** Odds below this round to nothing in print. */
    private static final double WORTH = 0.005;

    @Parameters(paramLabel = "CHASSIS", description = "chassis file or set archive")
    private Path file;

    @Option(
            names = "--evidence",
            required = true,
            paramLabel = "CSV",
            description = "kind,at,value and against,line,band,meter")
    private Path evidence;

    @Mixin
    private Output output;

    @Override
    public Integer call() throws Exception {
        Chassis chassis = SetArchive.open(file).set().chassis();
        SettingOptions.wired(chassis);
        List<Observation> all = Lists.read(evidence, in -> EvidenceCodec.read(in, chassis));
        Diagnosis d = Diagnosis.of(chassis, all, Calibrations.trims(chassis));
        output.say(tree(d), text(d));
        return d.sound() > 0.5 ? Main.FINE : Main.FINDING;
    }

    private static String text(Diagnosis d) {
        StringBuilder out = new StringBuilder();
        for (Diagnosis.Suspect s :
                d.suspects().stream().filter(s -> s.odds() >= WORTH).limit(MOST).toList())
            out.append(String.format(
                    "%5s  %s%n",
                    Figures.percent(s.odds()),
                    s.silent()
                            ? "one of " + s.faults().size() + " faults that direct volts do not show"
                            : s.faults().stream().limit(4).map(Fault::text).collect(Collectors.joining(" or "))));
        out.append(String.format(
                "%5s  something else%n%5s  nothing wrong%n", Figures.percent(d.other()), Figures.percent(d.sound())));
        for (Diagnosis.NextTest t : d.next())
            out.append("next: volts at ")
                    .append(t.net())
                    .append(" (")
                    .append(Figures.fixed(t.information(), 2))
                    .append(" bits)\n");
        if (!d.unsettled().isEmpty())
            out.append("nothing can be said of ")
                    .append(String.join(", ", d.unsettled()))
                    .append('\n');
        return out.toString();
    }

    private static Map<String, Object> tree(Diagnosis d) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("suspects", d.suspects().stream().map(DiagnoseCommand::tree).toList());
        out.put("other", d.other());
        out.put("sound", d.sound());
        out.put("unsettled", d.unsettled());
        out.put(
                "next",
                d.next().stream()
                        .map(t -> Map.of(
                                "test", "volts " + t.net(), "minutes", t.minutes(), "information", t.information()))
                        .toList());
        return out;
    }

    private static Map<String, Object> tree(Diagnosis.Suspect s) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("fault", s.faults().get(0).text());
        m.put("parts", List.copyOf(s.parts()));
        m.put("group", s.faults().stream().map(Fault::text).toList());
        m.put("odds", s.odds());
        m.put("silent", s.silent());
        return m;
    }
}

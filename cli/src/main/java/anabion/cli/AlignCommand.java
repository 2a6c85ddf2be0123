package anabion.cli;

import anabion.core.align.AlignmentLine;
import anabion.core.align.AlignmentProcedure;
import anabion.core.align.Preparation;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.error.InputException;
import anabion.core.format.ServiceTableCodec;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.simulation.Simulator;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** {@code align SET --band B}: the lines of an alignment, made from the circuit. */
@Command(
        name = "align",
        mixinStandardHelpOptions = true,
        description = "List the lines of an alignment: generator, level, dial, adjusters, what to watch.")
final class AlignCommand implements Callable<Integer> {
    @Mixin
    private SettingOptions options;

    @Option(
            names = "--table",
            paramLabel = "FILE",
            description = "The maker's table as a list, instead of lines made from the circuit.")
    private Optional<Path> table = Optional.empty();

    @Mixin
    private Output output;

    @Override
    public Integer call() throws Exception {
        Chassis set = options.chassis();
        Chassis chassis = table.isEmpty()
                ? set
                : set.withServiceTable(
                        Lists.read(table.get(), in -> ServiceTableCodec.lines(in, set, options.band(set))));
        AlignmentProcedure p =
                AlignmentProcedure.of(new Simulator(), chassis, options.loud(chassis), options.band(chassis));
        if (p.lines().isEmpty() && p.untold().isEmpty())
            throw InputException.at(p.band().name())
                    .because("no adjuster of this band is entered")
                    .so("type the adjusters on the Study sheet, like A1 L4 top secondary core");
        output.say(tree(p), plain(p));
        return Main.FINE;
    }

    private static Map<String, Object> tree(AlignmentProcedure p) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put(
                "before",
                Arrays.stream(Preparation.values())
                        .filter(p.preparations()::contains)
                        .map(Preparation::code)
                        .toList());
        all.put("lines", p.lines().stream().map(l -> tree(p, l)).toList());
        all.put("fixed", p.fixed().stream().map(Part::reference).toList());
        all.put("untold", p.untold().stream().map(Adjuster::letter).toList());
        return all;
    }

    private static Map<String, Object> tree(AlignmentProcedure p, AlignmentLine l) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("band", p.band().name());
        one.put("point", l.point());
        one.put("through", l.lead().code());
        one.put("frequency", l.hertz());
        one.put("level", l.level());
        one.put("dial", l.dial());
        one.put("adjusters", l.adjusters().stream().map(Adjuster::letter).toList());
        one.put("aim", l.aim().code());
        one.put("indicator", l.indicator().code());
        one.put("rocked", l.rocked());
        one.put("purpose", l.purpose().code());
        one.put("knee", l.knee());
        l.printed().ifPresent(x -> {
            one.put("printedThrough", x.through());
            one.put("note", x.note());
        });
        return one;
    }

    private static String plain(AlignmentProcedure p) {
        Words words = new Words(Vocabulary.STANDARD);
        StringBuilder text = new StringBuilder();
        for (Preparation x : Preparation.values())
            if (p.preparations().contains(x))
                text.append("- ").append(words.say("align.before." + x.code())).append(System.lineSeparator());
        for (AlignmentLine l : p.lines())
            text.append(String.format(
                    "%-8s %-20s %10s  %-14s %-10s %-5s %-18s %s%n",
                    l.point(),
                    l.printed()
                            .map(AlignmentLine.Printed::through)
                            .filter(t -> !t.isEmpty())
                            .orElse(words.say("align.lead." + l.lead().code())),
                    Figures.si(Quantity.hertz(l.hertz())),
                    l.dial()
                            .map(d -> words.say("align.dial", Figures.si(Quantity.hertz(d))))
                            .orElse(words.say("align.dial.open")),
                    l.adjusters().stream().map(Adjuster::letter).collect(Collectors.joining(" ")),
                    words.say("align.aim." + l.aim().code()),
                    words.say("align.indicator." + l.indicator().code()),
                    l.level().map(v -> Figures.si(Quantity.volts(v))).orElse("")));
        for (Part x : p.fixed())
            text.append(words.say("align.fixed", x.reference())).append(System.lineSeparator());
        if (!p.untold().isEmpty())
            text.append(words.say(
                            "align.untold",
                            p.untold().stream().map(Adjuster::letter).collect(Collectors.joining(", "))))
                    .append(System.lineSeparator());
        return text.toString();
    }
}

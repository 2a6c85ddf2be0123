package anabion.cli;

import anabion.core.json.TreeWriter;
import anabion.core.quantity.Decoded;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Markings;
import anabion.core.quantity.Quantity;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code decode TEXT}: what a written value or a row of colour bands says. */
@Command(
        name = "decode",
        mixinStandardHelpOptions = true,
        description = "Say what a written value or colour bands mean.")
final class DecodeCommand implements Callable<Integer> {
    @Parameters(
            arity = "1..*",
            paramLabel = "TEXT",
            description = "such as 6k8, .05 mfd, 20+20/350, yellow violet orange")
    private List<String> text;

    @Option(names = "--json", description = "one JSON object")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        String joined = String.join(" ", text);
        Decoded d = Markings.decode(joined);
        spec.commandLine().getOut().print(json ? TreeWriter.text(tree(d)) : plain(d));
        spec.commandLine().getOut().flush();
        return Main.FINE;
    }

    static Map<String, Object> tree(Decoded d) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("kind", d.unit().kind());
        all.put("value", d.value());
        all.put("unit", d.unit().code());
        all.put("rating", d.rating().map(Quantity::value));
        all.put("ratingUnit", d.rating().map(r -> r.unit().code()));
        all.put(
                "tolerance",
                d.tolerance().isPresent() ? Optional.of(d.tolerance().getAsDouble()) : Optional.empty());
        all.put("sections", d.sections());
        all.put(
                "alternatives",
                d.alternatives().stream().map(DecodeCommand::alternative).toList());
        return all;
    }

    private static Map<String, Object> alternative(Decoded.Alternative a) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("kind", a.quantity().unit().kind());
        one.put("value", a.quantity().value());
        one.put("unit", a.quantity().unit().code());
        one.put("reason", a.reason());
        return one;
    }

    private static String plain(Decoded d) {
        StringBuilder text = new StringBuilder(d.unit().kind()).append(' ');
        for (int i = 0; i < d.sections().size(); i++)
            text.append(i == 0 ? "" : " + ")
                    .append(Figures.si(new Quantity(d.sections().get(i), d.unit())));
        d.rating().ifPresent(r -> text.append(", ").append(Figures.si(r)));
        if (d.tolerance().isPresent())
            text.append(", ±").append(Figures.percent(d.tolerance().getAsDouble()));
        text.append('\n');
        d.alternatives().forEach(a -> text.append("or ")
                .append(a.quantity().unit().kind())
                .append(' ')
                .append(Figures.si(a.quantity()))
                .append(": ")
                .append(a.reason())
                .append('\n'));
        return text.toString();
    }
}

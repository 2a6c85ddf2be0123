package anabion.cli;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.signal.Gains.Response;
import anabion.core.signal.IfResponse;
import anabion.core.simulation.Simulator;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** {@code response SET --band B --at NET}: the selectivity of the intermediate frequency. */
@Command(
        name = "response",
        mixinStandardHelpOptions = true,
        description = "Compute the selectivity of a band's intermediate frequency, with its centre and width.")
final class ResponseCommand implements Callable<Integer> {
    @Mixin
    private SettingOptions options;

    @Mixin
    private Output output;

    @Option(
            names = "--at",
            paramLabel = "POINT",
            description = "pin or net of the generator; default: the converter's plate")
    private String at = "";

    @Option(names = "--csv", paramLabel = "F", description = "write the points to a new file")
    private Path csv;

    @Override
    public Integer call() throws Exception {
        Chassis chassis = options.chassis();
        Band band = options.band(chassis);
        IfResponse r = IfResponse.of(
                new Simulator(),
                chassis,
                options.loud(chassis),
                band,
                Optional.of(at).filter(s -> !s.isEmpty()).map(s -> SettingOptions.net(chassis, s)));
        if (csv != null) {
            if (Files.exists(csv))
                throw InputException.at(csv.toString())
                        .because("there is a file of that name")
                        .so("choose another place with --csv");
            StringBuilder text = new StringBuilder("hertz,decibels\n");
            for (Response p : r.points())
                text.append(String.format(Locale.ROOT, "%.1f,%.3f%n", p.hertz(), p.decibels()));
            Files.writeString(csv, text, StandardCharsets.UTF_8, StandardOpenOption.CREATE_NEW);
        }
        output.say(tree(r), plain(r));
        return Main.FINE;
    }

    private static Map<String, Object> tree(IfResponse r) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("at", r.from());
        all.put("centre", r.centre());
        all.put("width6", r.width());
        all.put(
                "points",
                r.points().stream().map(p -> List.of(p.hertz(), p.decibels())).toList());
        return all;
    }

    private static String plain(IfResponse r) {
        StringBuilder text = new StringBuilder(String.format(
                Locale.ROOT,
                "from %s: highest at %.2f kHz%s%n",
                r.from(),
                r.centre() / 1e3,
                r.width()
                        .map(w -> String.format(Locale.ROOT, ", %.1f kHz wide at -6 dB", w / 1e3))
                        .orElse("")));
        for (Response p : r.points())
            if (Math.abs(p.decibels()) < 60)
                text.append(String.format(Locale.ROOT, "%9.2f kHz %7.1f dB%n", p.hertz() / 1e3, p.decibels()));
        return text.toString();
    }
}

package anabion.cli;

import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.simulation.cold.ColdOhms;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code ohms SET NET NET}: the cold resistance between two nets. */
@Command(
        name = "ohms",
        mixinStandardHelpOptions = true,
        description = "Compute the resistance between two nets with the power off.")
final class OhmsCommand implements Callable<Integer> {
    @Mixin
    private SettingOptions options;

    @Parameters(index = "1", paramLabel = "NET", description = "net or pin at the positive probe")
    private String from;

    @Parameters(index = "2", paramLabel = "NET", description = "net or pin at the negative probe")
    private String to;

    @Option(
            names = "--meter",
            paramLabel = "1.5V",
            description = "test volts of the ohmmeter with open probes (default: ${DEFAULT-VALUE})")
    private String meter = "1.5V";

    @Mixin
    private Output output;

    @Override
    public Integer call() throws Exception {
        Chassis chassis = options.chassis();
        ColdOhms.Answer a = ColdOhms.between(
                chassis,
                options.setting(chassis),
                SettingOptions.net(chassis, from),
                SettingOptions.net(chassis, to),
                test());
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("ohms", a.ohms());
        all.put("range", List.of(a.low(), a.high()));
        all.put("open", a.ohms() >= ColdOhms.OPEN);
        output.say(all, plain(a));
        return Main.FINE;
    }

    private double test() {
        double volts = Notation.exact(meter, Unit.VOLT);
        if (volts > 0 && volts <= 500) return volts;
        throw InputException.at("--meter " + meter)
                .because("an ohmmeter tests with more than 0 and at most 500 V")
                .so("give its open-circuit volts, such as 1.5V");
    }

    private static String plain(ColdOhms.Answer a) {
        if (a.ohms() >= ColdOhms.OPEN) return "open\n";
        String range = a.high() > 1.02 * a.low() ? " (" + ohms(a.low()) + " to " + ohms(a.high()) + ")" : "";
        return ohms(a.ohms()) + range + "\n";
    }

    private static String ohms(double value) {
        return Figures.si(Quantity.ohms(value));
    }
}

package anabion.cli;

import anabion.core.chassis.Measure;
import anabion.core.error.InputException;
import anabion.core.json.Coded;
import anabion.instruments.Instrument;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Meter;
import anabion.instruments.OutputMeter;
import anabion.instruments.Variac;
import anabion.instruments.Wattmeter;
import anabion.instruments.scpi.ScpiConnector;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code meter ADDRESS read}: one reading of an instrument, for scripts. */
@Command(
        name = "meter",
        mixinStandardHelpOptions = true,
        description = "Take one reading from an instrument on the network or on a serial line.")
final class MeterCommand implements Callable<Integer> {
    @Parameters(
            index = "0",
            paramLabel = "ADDRESS",
            description = "such as 192.0.2.7:5025, 127.0.0.1:40123/wattmeter or /dev/ttyUSB0@9600")
    private String address;

    @Parameters(index = "1", paramLabel = "read", description = "what to do: read")
    private String what;

    @Option(
            names = "--measure",
            paramLabel = "M",
            description = "of a meter: dc-volts, ac-volts or ohms (default: ${DEFAULT-VALUE})")
    private String measure = "dc-volts";

    @Option(
            names = "--role",
            paramLabel = "R",
            description = "meter, wattmeter, variac or output-meter (default: ${DEFAULT-VALUE})")
    private String role = "meter";

    @Mixin
    private Output output;

    @Override
    public Integer call() {
        if (!what.equals("read"))
            throw InputException.at("\"" + what + "\"")
                    .because("a meter can be read, and nothing else")
                    .so("write meter " + address + " read");
        Measure measured = Coded.find(Measure.values(), measure)
                .orElseThrow(() -> InputException.at("--measure " + measure)
                        .because("no meter measures that here")
                        .so("use one of " + Coded.codes(Measure.values())));
        InstrumentRole wanted = Coded.find(InstrumentRole.values(), role)
                .filter(r -> r != InstrumentRole.GENERATOR && r != InstrumentRole.HANDS)
                .orElseThrow(() -> InputException.at("--role " + role)
                        .because("no such instrument gives readings")
                        .so("use meter, wattmeter, variac or output-meter"));
        try (Instrument instrument = new ScpiConnector().connect(wanted, address)) {
            Map<String, Object> all = new LinkedHashMap<>();
            all.put("name", instrument.name());
            Map<String, Double> readings = readings(instrument, measured);
            // beyond its range
            readings.forEach((k, v) -> all.put(k, Optional.of(v).filter(Double::isFinite)));
            output.say(all, plain(instrument.name(), readings));
            return Main.FINE;
        } catch (InstrumentException e) {
            throw InputException.at(address).because(e.what()).so(e.remedy());
        }
    }

    private static Map<String, Double> readings(Instrument instrument, Measure measure) {
        Map<String, Double> all = new LinkedHashMap<>();
        if (instrument instanceof Meter m)
            all.put(measure == Measure.OHMS ? "ohms" : "volts", m.read(measure, OptionalDouble.empty()));
        else if (instrument instanceof OutputMeter m) all.put("volts", m.volts());
        else if (instrument instanceof Variac v) all.put("volts", v.dial());
        else if (instrument instanceof Wattmeter w) {
            Wattmeter.Load load = w.read();
            all.put("volts", load.volts());
            all.put("amperes", load.amperes());
            all.put("watts", load.watts());
        }
        return all;
    }

    private static String plain(String name, Map<String, Double> readings) {
        StringBuilder text = new StringBuilder("name: ").append(name).append('\n');
        readings.forEach((k, v) -> text.append(k)
                .append(": ")
                .append(Double.isInfinite(v) ? "beyond its range" : String.format(Locale.ROOT, "%.6g", v))
                .append('\n'));
        return text.toString();
    }
}

package anabion.instruments.simulated;

import anabion.core.error.InputException;
import anabion.core.json.Coded;
import anabion.core.signal.Domain;
import anabion.instruments.Hands;
import anabion.instruments.InstrumentRole;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What one connection says to a bench: SCPI, one message a line. {@code INST:SEL} chooses which of the instruments is meant from there on. */
final class Commands {
    private static final int ERRORS = 10;
    /** Seconds. */
    private static final double LONGEST_PAUSE = 3600;

    private static final String HEADER = "-113,\"Undefined header\"";
    private static final String PARAMETER = "-220,\"Parameter error\"";
    private static final String QUEUE_OVERFLOW = "-350,\"Queue overflow\"";

    private final Bench bench;
    private final Deque<String> errors = new ArrayDeque<>();
    private InstrumentRole selected = InstrumentRole.METER;

    Commands(Bench bench) {
        this.bench = bench;
    }

    /** @return the answer; empty for a command that has none, or that was not understood */
    Optional<String> carryOut(String line) {
        String[] words = line.strip().split("\\s+", 2);
        String header = words[0].toUpperCase(Locale.ROOT).replaceFirst("^:", "");
        List<String> parameters = words.length > 1 ? parameters(words[1]) : List.of();
        try {
            return common(header, parameters);
        } catch (InputException e) {
            failed("-221,\"" + e.getMessage().replace('"', '\'') + '"');
        } catch (NumberFormatException | IndexOutOfBoundsException e) {
            failed(PARAMETER);
        } catch (ArithmeticException | IllegalStateException | NoSuchElementException e) {
            // a circuit without a solution
            failed("-300,\"Device error: " + e.getMessage() + '"');
        }
        return Optional.empty();
    }

    private void failed(String error) {
        if (errors.size() < ERRORS) errors.add(error);
        else {
            errors.removeLast();
            errors.add(QUEUE_OVERFLOW);
        }
    }

    /** Parts between commas; quotes hold what is between them together. */
    private static List<String> parameters(String text) {
        List<String> all = new ArrayList<>();
        StringBuilder one = new StringBuilder();
        boolean quoted = false;
        for (int n = 0; n < text.length(); n++) {
            char c = text.charAt(n);
            if (c == '"') quoted = !quoted;
            else if (c == ',' && !quoted) {
                all.add(one.toString().strip());
                one.setLength(0);
            } else one.append(c);
        }
        all.add(one.toString().strip());
        return all;
    }

    private Optional<String> common(String header, List<String> p) {
        return switch (header) {
            case "*IDN?" -> Optional.of("Anabion,Simulated " + selected.noun() + ",0,1");
            case "SYST:ERR?", "SYSTEM:ERROR?" -> Optional.of(errors.isEmpty() ? "0,\"No error\"" : errors.remove());
            case "INST:CAT?", "INSTRUMENT:CATALOG?" ->
                Optional.of(Stream.of(InstrumentRole.values())
                        .map(r -> '"' + r.code() + '"')
                        .collect(Collectors.joining(",")));
            case "*RST", "*CLS" -> done(errors::clear);
            case "INST:SEL", "INSTRUMENT:SELECT" -> done(() -> selected = role(p.get(0)));
            default -> toSelected(header, p);
        };
    }

    private static Optional<String> done(Runnable work) {
        work.run();
        return Optional.empty();
    }

    private static InstrumentRole role(String name) {
        return Coded.find(InstrumentRole.values(), name.toLowerCase(Locale.ROOT))
                .orElseThrow(() -> InputException.at(name)
                        .because("there is no such instrument here")
                        .so("ask INST:CAT?"));
    }

    private Optional<String> toSelected(String header, List<String> p) {
        return switch (selected) {
            case METER -> meter(header, p);
            case WATTMETER -> wattmeter(header);
            case VARIAC -> variac(header, p);
            case GENERATOR -> generator(header, p);
            case OUTPUT_METER -> outputMeter(header);
            case HANDS -> hands(header, p);
        };
    }

    private Optional<String> unknown() {
        failed(HEADER);
        return Optional.empty();
    }

    private Optional<String> meter(String header, List<String> p) {
        OptionalDouble expected =
                p.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(Double.parseDouble(p.get(0)));
        return switch (header) {
            case "MEAS:VOLT:DC?", "MEAS:VOLT?" -> Optional.of(bench.directVolts(expected));
            case "MEAS:VOLT:AC?" -> Optional.of(bench.alternatingVolts(expected));
            case "MEAS:RES?" -> Optional.of(bench.ohms());
            default -> unknown();
        };
    }

    private Optional<String> wattmeter(String header) {
        return switch (header) {
            case "MEAS:VOLT:AC?" -> Optional.of(bench.lineVolts());
            case "MEAS:CURR:AC?" -> Optional.of(bench.amperes());
            case "MEAS:POW:AC?" -> Optional.of(bench.watts());
            default -> unknown();
        };
    }

    private Optional<String> variac(String header, List<String> p) {
        return switch (header) {
            case "VOLT" -> done(() -> bench.turn(Double.parseDouble(p.get(0))));
            case "VOLT?" -> Optional.of(String.format(Locale.ROOT, "%.1f", bench.dial()));
            case "OUTP" ->
                done(() -> {
                    if (!on(p)) bench.turn(0);
                });
            default -> unknown();
        };
    }

    private static boolean on(List<String> p) {
        return p.get(0).equalsIgnoreCase("ON") || p.get(0).equals("1");
    }

    private Optional<String> generator(String header, List<String> p) {
        return switch (header) {
            case "FREQ" -> done(() -> bench.frequency(Double.parseDouble(p.get(0))));
            case "VOLT" -> done(() -> bench.level(Double.parseDouble(p.get(0))));
            case "OUTP" -> done(() -> bench.gives(on(p)));
            // a carrier is modulated as the set's own levels are told for
            case "AM:STAT", "AM:DEPT", "AM:INT:FREQ" -> Optional.empty();
            default -> unknown();
        };
    }

    private Optional<String> outputMeter(String header) {
        return header.equals("MEAS:VOLT:AC?") ? Optional.of(bench.outputVolts()) : unknown();
    }

    private Optional<String> hands(String header, List<String> p) {
        return switch (header) {
            case "HAND:PROB" -> done(() -> bench.probe(p.get(0), p.get(1)));
            case "HAND:INJ" -> done(() -> bench.inject(p.get(0), domain(p.get(1))));
            case "HAND:BAND" -> done(() -> bench.band(p.get(0)));
            case "HAND:TUNE" -> done(() -> bench.tune(Double.parseDouble(p.get(0))));
            case "HAND:ADJ" -> done(() -> bench.adjust(p.get(0), Double.parseDouble(p.get(1))));
            case "HAND:LAMP" -> done(() -> bench.lamp(p.get(0)));
            case "HAND:LIFT" ->
                done(() -> bench.lift(Stream.of(p.get(0).split("\\s+"))
                        .filter(w -> !w.isEmpty())
                        .toList()));
            case "HAND:REN" -> done(() -> bench.renew(p.get(0)));
            case "HAND:PAUS" ->
                done(() -> bench.pause(Math.max(0, Math.min(LONGEST_PAUSE, Double.parseDouble(p.get(0))))));
            case "HAND:EAR?" -> Optional.of('"' + bench.listen() + '"');
            case "HAND:LOOK?" ->
                Optional.of('"' + bench.look().stream().map(Hands.Seen::text).collect(Collectors.joining(";")) + '"');
            case "HAND:TEST?" -> Optional.of(bench.test(p.get(0)) ? "\"good\"" : "\"bad\"");
            default -> unknown();
        };
    }

    private static Domain domain(String name) {
        return Coded.find(Domain.values(), name.toLowerCase(Locale.ROOT)).orElseThrow(() -> InputException.at(name)
                .because("this is no kind of signal")
                .so("say " + Coded.codes(Domain.values())));
    }
}

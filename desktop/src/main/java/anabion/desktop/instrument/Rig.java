package anabion.desktop.instrument;

import anabion.core.error.InputException;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.desktop.session.InstrumentStates;
import anabion.desktop.session.InstrumentStatus;
import anabion.desktop.session.Session;
import anabion.instruments.Generator;
import anabion.instruments.Hands;
import anabion.instruments.Instrument;
import anabion.instruments.InstrumentConnector;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Meter;
import anabion.instruments.OutputMeter;
import anabion.instruments.Variac;
import anabion.instruments.Wattmeter;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/** The instruments that are spoken to, one of each role. Asked on one thread, which is not the interface's. */
final class Rig implements AutoCloseable {
    private static final Duration REST = Duration.ofMinutes(1);

    private final InstrumentConnector connector;
    private final Session session;
    private final Map<InstrumentRole, Instrument> connected = new EnumMap<>(InstrumentRole.class);
    /** Until when those that failed are left alone. */
    private final Map<InstrumentRole, Instant> failed = new EnumMap<>(InstrumentRole.class);

    /** Where those are that were connected when the program ran before. */
    private final Map<InstrumentRole, String> remembered = new EnumMap<>(InstrumentRole.class);

    Rig(Session session, InstrumentConnector connector) {
        this.session = session;
        this.connector = connector;
    }

    private InstrumentStates states() {
        return session.instruments();
    }

    void remember(InstrumentRole role, String address) {
        remembered.put(role, address);
        states().put(new InstrumentStatus(role, "", address, "", Optional.empty(), Optional.empty()));
    }

    /** @throws InputException if the address is none, or none is known where none was given */
    Instrument connect(InstrumentRole role, String address) {
        String where = address.isEmpty() ? remembered.getOrDefault(role, "") : address;
        if (where.isEmpty())
            throw InputException.at("connect " + role.code())
                    .because(session.say("instrument.no-address"))
                    .so(session.say("instrument.no-address.remedy", role.code()));
        Instrument found;
        try {
            found = connector.connect(role, where);
        } catch (InstrumentException e) {
            failed(role, e);
            throw e;
        }
        disconnect(role);
        failed.remove(role);
        connected.put(role, found);
        remembered.put(role, where);
        states().put(new InstrumentStatus(role, found.name(), where, "", Optional.empty(), Optional.empty()));
        return found;
    }

    void disconnect(InstrumentRole role) {
        Optional.ofNullable(connected.remove(role)).ifPresent(Instrument::close);
        remembered.remove(role);
        states().remove(role);
    }

    /** One that is connected, or is where it was last. */
    private Optional<Instrument> get(InstrumentRole role) {
        Instrument here = connected.get(role);
        if (here != null) return Optional.of(here);
        return remembered.containsKey(role) ? Optional.of(connect(role, "")) : Optional.empty();
    }

    /** One that a reading can do without: after it failed it is left alone for a while, since to wait for it each time would hold up the others. */
    private Optional<Instrument> beside(InstrumentRole role) {
        Instant again = failed.getOrDefault(role, Instant.MIN);
        if (session.clock().instant().isBefore(again)) return Optional.empty();
        try {
            return get(role);
        } catch (InstrumentException e) {
            return Optional.empty();
        }
    }

    /** The volts at the set, by a wattmeter, else by the dial; empty where neither says them. */
    OptionalDouble line() {
        OptionalDouble set = beside(InstrumentRole.WATTMETER)
                .map(w -> quiet(() -> load((Wattmeter) w).volts()))
                .orElse(OptionalDouble.empty());
        return set.isPresent() ? set : dial();
    }

    /** Volts of the variac's dial; empty where nothing says them. */
    OptionalDouble dial() {
        return beside(InstrumentRole.VARIAC)
                .map(v -> quiet(() -> asked(InstrumentRole.VARIAC, ((Variac) v)::dial, Rig::volts)))
                .orElse(OptionalDouble.empty());
    }

    /** Of a dial: whole volts of the mains, tenths of a battery's. */
    static String volts(double dial) {
        return Figures.fixed(dial, dial < 20 && dial > 0 ? 1 : 0) + " V";
    }

    /** What a wattmeter shows. */
    Wattmeter.Load load(Wattmeter w) {
        return asked(InstrumentRole.WATTMETER, w::read, l -> Figures.si(new Quantity(l.watts(), Unit.WATT), 3));
    }

    /** What eyes and nose find. */
    List<Hands.Seen> looked(Hands h) {
        return asked(InstrumentRole.HANDS, h::look, this::words);
    }

    /** In one line. */
    String words(List<Hands.Seen> seen) {
        return seen.isEmpty()
                ? session.say("instrument.nothing-seen")
                : seen.stream().map(Hands.Seen::text).collect(Collectors.joining(", "));
    }

    private static OptionalDouble quiet(Supplier<Double> question) {
        try {
            return OptionalDouble.of(question.get());
        } catch (InstrumentException e) {
            return OptionalDouble.empty();
        }
    }

    Optional<Meter> meter() {
        return get(InstrumentRole.METER).map(Meter.class::cast);
    }

    Optional<Wattmeter> wattmeter() {
        return get(InstrumentRole.WATTMETER).map(Wattmeter.class::cast);
    }

    Optional<Variac> variac() {
        return get(InstrumentRole.VARIAC).map(Variac.class::cast);
    }

    Optional<Generator> generator() {
        return get(InstrumentRole.GENERATOR).map(Generator.class::cast);
    }

    Optional<OutputMeter> outputMeter() {
        return get(InstrumentRole.OUTPUT_METER).map(OutputMeter.class::cast);
    }

    Optional<Hands> hands() {
        return get(InstrumentRole.HANDS).map(Hands.class::cast);
    }

    /** @throws InputException if it is not there, saying how to connect it */
    <T> T need(Optional<T> instrument, InstrumentRole role) {
        return instrument.orElseThrow(() -> InputException.at("")
                .because(session.say("instrument.none", role.noun()))
                .so(session.say("instrument.none.remedy", role.code())));
    }

    /**
     * Asks one of them, and keeps what it said.
     *
     * @param words of its answer, with the unit
     * @throws InstrumentException if it does not answer
     */
    <T> T asked(InstrumentRole role, Supplier<T> question, Function<T, String> words) {
        try {
            T answer = question.get();
            states().said(role, words.apply(answer), session.clock().instant());
            failed.remove(role);
            return answer;
        } catch (InstrumentException e) {
            failed(role, e);
            throw e;
        }
    }

    private void failed(InstrumentRole role, InstrumentException e) {
        states().failed(role, e.what(), session.clock().instant());
        failed.put(role, session.clock().instant().plus(REST));
    }

    @Override
    public void close() {
        connected.values().forEach(Instrument::close);
        connected.clear();
    }
}

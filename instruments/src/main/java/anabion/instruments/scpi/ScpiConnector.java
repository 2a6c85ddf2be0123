package anabion.instruments.scpi;

import anabion.core.json.Coded;
import anabion.instruments.Address;
import anabion.instruments.Instrument;
import anabion.instruments.InstrumentConnector;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentRole;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** Instruments that speak SCPI, on the network and on serial lines. */
public final class ScpiConnector implements InstrumentConnector {
    private final Links links;

    /** On this machine's network and serial lines. */
    public ScpiConnector() {
        this(Links.system());
    }

    ScpiConnector(Links links) {
        this.links = links;
    }

    @Override
    public Instrument connect(InstrumentRole role, String address) {
        ScpiSession session = new ScpiSession(role, Address.parse(address), links);
        return switch (role) {
            case METER -> new ScpiMeter(session);
            case WATTMETER -> new ScpiWattmeter(session);
            case VARIAC -> new ScpiVariac(session);
            case GENERATOR -> new ScpiGenerator(session);
            case OUTPUT_METER -> new ScpiOutputMeter(session);
            case HANDS -> new ScpiHands(session);
        };
    }

    @Override
    public List<InstrumentRole> roles(String address) {
        try (ScpiSession session = new ScpiSession(InstrumentRole.METER, Address.parse(address), links)) {
            List<InstrumentRole> all = Stream.of(session.ask("INST:CAT?").split(","))
                    .map(w -> w.strip().replace("\"", "").toLowerCase(Locale.ROOT))
                    .flatMap(w -> Coded.find(InstrumentRole.values(), w).stream())
                    .toList();
            if (!all.isEmpty()) return all;
            throw new InstrumentException(
                    InstrumentException.Kind.NONSENSE,
                    "What answers at " + address + " is no bench of several instruments",
                    "Connect it by its role, such as connect wattmeter " + address);
        }
    }
}

package anabion.instruments.scpi;

import anabion.instruments.Address;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentException.Kind;
import anabion.instruments.InstrumentRole;
import java.io.IOException;
import java.net.ProtocolException;
import java.net.SocketTimeoutException;
import java.util.Optional;

/**
 * A conversation with one instrument that outlives its connections.
 *
 * <p>Method: after every answer the instrument is asked for its name. Answers come in order, so what comes before the name belongs to the question, and a
 * second line before it means that the first may have been another question's: then nothing is taken, and the connection is made anew. So it is after an answer
 * that failed or came late; a new connection counts from where the instrument says its name, whatever was still on its way before.
 */
final class ScpiSession implements AutoCloseable {
    private static final String NAME = "*IDN?";
    private static final String ERROR = "SYST:ERR?";
    /** Lines before the name that an old question may still bring over a serial line. */
    private static final int STALE = 8;

    private final InstrumentRole role;
    private final Address address;
    private final Links links;
    private final String name;
    private Optional<ScpiConnection> connection = Optional.empty();

    /** @throws InstrumentException if nobody answers there */
    ScpiSession(InstrumentRole role, Address address, Links links) {
        this.role = role;
        this.address = address;
        this.links = links;
        try {
            ScpiConnection first = opened();
            try {
                name = first.ask(NAME);
            } catch (IOException e) {
                first.close();
                throw e;
            }
            connection = Optional.of(first);
        } catch (IOException e) {
            throw new InstrumentException(
                    Kind.GONE,
                    "No " + role.noun() + " answers at " + address.text(),
                    "Check its address, its cable and that remote control is on",
                    e);
        }
    }

    String name() {
        return name;
    }

    InstrumentRole role() {
        return role;
    }

    /**
     * The answer to a question.
     *
     * @throws InstrumentException if there is none, or none that is certain to be this question's
     */
    synchronized String ask(String question) {
        try {
            ScpiConnection c = ready();
            String answer = c.ask(question);
            String after = c.ask(NAME);
            if (!after.equals(name)) {
                close();
                throw refused(
                        "The " + role.noun() + " answered more than once to " + question, "Take the reading again");
            }
            return answer;
        } catch (IOException e) {
            close();
            throw said(e, question);
        }
    }

    /**
     * Tells the instrument to do something, and asks whether it did.
     *
     * @param orders each by itself
     * @throws InstrumentException if it did not
     */
    synchronized void tell(String... orders) {
        for (String order : orders) {
            String error;
            try {
                ScpiConnection c = ready();
                c.send(order);
                error = c.ask(ERROR);
            } catch (IOException e) {
                close();
                throw said(e, order);
            }
            if (error.startsWith("0,") || error.startsWith("+0,")) continue;
            close();
            throw refused("The " + role.noun() + " refused " + order + ": " + error, "Set it by hand");
        }
    }

    private InstrumentException refused(String what, String remedy) {
        return new InstrumentException(Kind.NONSENSE, what, remedy);
    }

    private InstrumentException said(IOException e, String command) {
        if (e instanceof SocketTimeoutException)
            return new InstrumentException(
                    Kind.LATE, "The " + role.noun() + " did not answer in time", "Try again, or go on by hand", e);
        if (e instanceof ProtocolException)
            return new InstrumentException(
                    Kind.NONSENSE,
                    "The answer of the " + role.noun() + " to " + command + " has no end",
                    "Check that it is one that speaks SCPI",
                    e);
        return new InstrumentException(
                Kind.GONE,
                "The connection to the " + role.noun() + " is lost",
                "Check its cable; the next try connects anew",
                e);
    }

    private ScpiConnection ready() throws IOException {
        if (connection.isPresent() && connection.get().chatters()) close();
        if (connection.isEmpty()) connection = Optional.of(again());
        return connection.get();
    }

    private ScpiConnection opened() throws IOException {
        ScpiConnection c = new ScpiConnection(links.open(address));
        if (address instanceof Address.Network n && n.channel().isPresent())
            c.send("INST:SEL " + n.channel().get());
        return c;
    }

    /** A new connection from where the same instrument says its name. */
    private ScpiConnection again() throws IOException {
        ScpiConnection c = opened();
        try {
            String said = c.ask(NAME);
            for (int n = 0; n < STALE && !said.equals(name); n++) said = c.line();
            if (said.equals(name)) return c;
            throw new IOException("another instrument: " + said);
        } catch (IOException e) {
            c.close();
            throw e;
        }
    }

    @Override
    public synchronized void close() {
        connection.ifPresent(ScpiConnection::close);
        connection = Optional.empty();
    }
}

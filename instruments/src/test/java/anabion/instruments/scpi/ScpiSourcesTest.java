package anabion.instruments.scpi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.instruments.Generator;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Variac;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What is told to a variac and a generator, and what becomes of it where they refuse. */
class ScpiSourcesTest {
    private final List<String> told = new ArrayList<>();
    private final Set<String> refused = new HashSet<>();

    /** An instrument that keeps what it was told, and refuses some of it. */
    private final class Listening implements Link {
        private final Deque<Integer> answers = new ArrayDeque<>();
        private String last = "";

        @Override
        public void send(byte[] bytes) {
            String command = new String(bytes, StandardCharsets.US_ASCII).strip();
            if (command.equals("*IDN?")) answer("Source");
            else if (command.equals("SYST:ERR?"))
                answer(refused.contains(last) ? "-113,\"Undefined\"" : "+0,\"No error\"");
            else if (command.equals("VOLT?")) answer("+1.150E+02");
            else {
                last = command;
                told.add(command);
            }
        }

        private void answer(String text) {
            (text + "\n").chars().forEach(answers::add);
        }

        @Override
        public int receive(int millis) throws SocketTimeoutException {
            if (answers.isEmpty()) throw new SocketTimeoutException("nothing");
            return answers.remove();
        }

        @Override
        public int waiting() {
            return answers.size();
        }

        @Override
        public void close() {
            answers.clear();
        }
    }

    private Variac variac() {
        return (Variac) new ScpiConnector(a -> new Listening()).connect(InstrumentRole.VARIAC, "192.0.2.7");
    }

    @Test
    void aVariacIsTurnedAndSwitched() {
        try (Variac variac = variac()) {
            variac.turn(115);
            assertThat(variac.dial()).isEqualTo(115);
            variac.turn(0);
        }
        assertThat(told).containsExactly("VOLT 115.0", "OUTP ON", "OUTP OFF", "VOLT 0.0");
    }

    /** A motor at a variac has no output to switch, a supply may not go to nothing: either is enough for off. */
    @Test
    void offIsOffByEitherWay() {
        try (Variac variac = variac()) {
            refused.add("OUTP OFF");
            variac.turn(0);
            refused.clear();
            refused.add("VOLT 0.0");
            variac.turn(0);
            refused.add("OUTP OFF");
            assertThatThrownBy(() -> variac.turn(0))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("Pull the plug");
        }
        assertThat(told).hasSize(6);
    }

    @Test
    void whatIsRefusedIsSaidWithTheWordsOfTheInstrument() {
        refused.add("VOLT 400.0");
        try (Variac variac = variac()) {
            assertThatThrownBy(() -> variac.turn(400))
                    .isInstanceOf(InstrumentException.class)
                    .hasMessageContaining("Undefined");
        }
        assertThat(told).as("not switched on").doesNotContain("OUTP ON");
    }

    @Test
    void aGeneratorGivesCarriersAndTones() {
        try (Generator generator =
                (Generator) new ScpiConnector(a -> new Listening()).connect(InstrumentRole.GENERATOR, "192.0.2.7")) {
            generator.give(473e3, 0.0018, 0.3);
            generator.give(400, 0.012, 0);
            generator.rest();
        }
        assertThat(told)
                .containsExactly(
                        "FREQ 473000.00",
                        "VOLT 0.00180000",
                        "AM:INT:FREQ 400.0",
                        "AM:DEPT 30.00",
                        "AM:STAT ON",
                        "OUTP ON",
                        "FREQ 400.00000",
                        "VOLT 0.0120000",
                        "AM:STAT OFF",
                        "OUTP ON",
                        "OUTP OFF");
    }
}

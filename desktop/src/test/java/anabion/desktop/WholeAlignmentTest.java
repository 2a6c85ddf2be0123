package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.align.AlignmentTable;
import anabion.core.align.Travel;
import anabion.core.chassis.Adjuster;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentPurpose;
import anabion.core.job.Step;
import anabion.core.testing.Deep;
import anabion.desktop.shell.Ports;
import anabion.desktop.shell.Shell;
import anabion.instruments.Hands;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Variac;
import anabion.instruments.process.BenchProcess;
import anabion.instruments.scpi.ScpiConnector;
import anabion.workshop.demo.DemoWorkshop;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.function.Predicate;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/**
 * A set of which a visitor has turned every adjuster is aligned by the lines of the sheet, against a simulated bench in another process: what is turned is typed, what comes of it is
 * taken by a key. It takes the time of some turns and readings: with --deep of several hundred.
 */
class WholeAlignmentTest extends WindowCase {
    /** Shares of its travel by which an adjuster is turned first, and where the search ends. */
    private static final double COARSE = 0.1;

    private static final double FINE = 0.02;
    private static final double WORTH = 1.01;
    private static final double VISITOR = 0.15;
    /** Both ends of the dial are set so many times. */
    private static final int TIMES = 4;

    private volatile Optional<BenchProcess> bench = Optional.empty();

    @Override
    Ports ports() {
        return new Ports(files, new ScpiConnector(), (chassis, condition) -> {
            bench = Optional.of(BenchProcess.start(chassis, "sound", 1));
            return bench.get();
        });
    }

    private List<AlignmentEntry> entries() {
        return session.need().job().alignment();
    }

    private AlignmentTable table() {
        return session.alignments().shown().get().orElseThrow().alignment().table();
    }

    /** Output by the generator's own volts, as the last entry has it. */
    private double taken() {
        int before = entries().size();
        key(KeyCode.F6);
        return came("taken", before, e -> e.turns() == 0 && e.after() > 0)
                .map(e -> e.after() / e.given().volts())
                .orElseThrow();
    }

    private void turned(Adjuster a, double turns) {
        int before = entries().size();
        enter(String.format(Locale.ROOT, "%s turned %.4f %s", a.letter(), Math.abs(turns), turns > 0 ? "in" : "out"));
        came("turned", before, e -> e.turns() != 0);
    }

    /** The entry that a key or a line has brought. A display that is slow to let a key go repeats it: a reading more than was asked for does not matter. */
    private Optional<AlignmentEntry> came(String what, int before, Predicate<AlignmentEntry> which) {
        try {
            until(
                    what,
                    () -> entries().stream().skip(before).anyMatch(which) && !shows(session.say("ui.meter.reading")));
        } catch (AssertionError e) {
            throw new AssertionError(
                    what + " after " + before + " entries: "
                            + entries().stream().skip(Math.max(0, before - 2)).toList(),
                    e);
        }
        return entries().stream().skip(before).filter(which).reduce((a, b) -> b);
    }

    /** As hands do it: a little one way, back if it falls, then finer. */
    private void peaked(Adjuster a) {
        Travel travel = Travel.of(session.need().chassis(), a).orElseThrow();
        double most = travel.turns(travel.reach());
        enter(a.letter());
        double top = taken();
        double way = 1;
        for (double share = COARSE; share > FINE; share /= 2) {
            for (int tries = 0; tries < 2; tries++) {
                boolean rose = false;
                for (double now = stepped(a, way * share * most);
                        now > top * WORTH;
                        now = stepped(a, way * share * most)) {
                    top = now;
                    rose = true;
                }
                turned(a, -way * share * most);
                if (rose) break;
                way = -way;
            }
        }
        int before = entries().size();
        enter("peak");
        until("at its peak", () -> entries().size() > before);
    }

    private double stepped(Adjuster a, double turns) {
        turned(a, turns);
        return taken();
    }

    @Test
    void aVisitorsTurnsAreFoundLineByLine() {
        interact(() -> session.open(DemoWorkshop.chassis("brae").id(), () -> {
            session.step().set(Step.ALIGN);
            shell.go(Shell.Where.BENCH);
        }));
        until("its lines", () -> shows("200 pF, 25 Ω"));
        enter("connect bench");
        until("its instruments", () -> session.instruments().all().get().size() == InstrumentRole.values().length);
        switchedOn();
        double before = atTheAerial();
        visited();
        double moved = 20 * Math.log10(atTheAerial() / before);
        assertThat(moved).as("decibels that the visitor cost").isLessThan(-3);
        List<AlignmentTable.Row> lines = lines();
        for (int n = 0; n < lines.size(); n++) {
            boolean both = lines.get(n).line().purpose() == AlignmentPurpose.OSCILLATOR_HIGH && n + 1 < lines.size();
            if (both) inTurn(lines.get(n), lines.get(++n));
            else lines.get(n).line().adjusters().forEach(this::peaked);
        }
        double after = 20 * Math.log10(atTheAerial() / before);
        System.err.printf(
                "aligned by a visitor %.1f dB, by the sheet %.1f dB, %d entries%n",
                moved, after, entries().size());
        assertThat(table().rows().get(0).gained().orElseThrow())
                .as("decibels that the sheet tells")
                .isGreaterThan(3);
        // a part of the lines alone leaves the rest where decades have moved it
        if (lines.size() == table().rows().size())
            assertThat(after)
                    .as("decibels against what it was before the visitor")
                    .isGreaterThan(-1);
    }

    /** Output by volts at the aerial, at the upper end of the dial. */
    private double atTheAerial() {
        AlignmentTable.Row last = table().rows().stream()
                .filter(r -> r.line().purpose() == AlignmentPurpose.SIGNAL_HIGH)
                .findFirst()
                .orElseThrow();
        enter(last.line().letters().split(" ")[0]);
        return taken();
    }

    private void switchedOn() {
        ScpiConnector connector = new ScpiConnector();
        String address = bench.orElseThrow().address();
        try (Variac variac = (Variac) connector.connect(InstrumentRole.VARIAC, address + "/variac");
                Hands hands = (Hands) connector.connect(InstrumentRole.HANDS, address + "/hands")) {
            variac.turn(230);
            hands.pause(60);
        }
    }

    /** Those that the visitor turned: of the plain run the first alone. */
    private List<AlignmentTable.Row> lines() {
        List<AlignmentTable.Row> all = table().rows();
        return all.subList(0, Deep.times("lines that a visitor has turned", 1, all.size()));
    }

    /** Both ends of the dial, as the sheet says. */
    private void inTurn(AlignmentTable.Row high, AlignmentTable.Row low) {
        for (int n = 0; n < TIMES; n++) {
            high.line().adjusters().forEach(this::peaked);
            low.line().adjusters().forEach(this::peaked);
        }
    }

    /** Turns every adjuster a little, as one does who hopes. */
    private void visited() {
        String address = bench.orElseThrow().address();
        ScpiConnector connector = new ScpiConnector();
        try (Hands visitor = (Hands) connector.connect(InstrumentRole.HANDS, address + "/hands")) {
            visitor.band(table().procedure().band().name());
            Random random = new Random(5);
            for (AlignmentTable.Row r : lines())
                for (Adjuster a : r.line().adjusters()) {
                    Travel t = Travel.of(session.need().chassis(), a).orElseThrow();
                    visitor.adjust(a.letter(), (random.nextBoolean() ? VISITOR : -VISITOR) * t.turns(t.reach()));
                }
        }
    }
}

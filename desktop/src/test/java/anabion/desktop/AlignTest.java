package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyDouble;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import anabion.core.chassis.Measure;
import anabion.core.chassis.Spot;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.Step;
import anabion.desktop.shell.Shell;
import anabion.instruments.Generator;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Meter;
import anabion.instruments.OutputMeter;
import anabion.workshop.demo.DemoWorkshop;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.mockito.Mock;

/** A set is aligned by keyboard: lines, stations, advice, what has no peak. */
class AlignTest extends WindowCase {
    private void align(String name, String first) {
        interact(() -> session.open(DemoWorkshop.chassis(name).id(), () -> {
            session.step().set(Step.ALIGN);
            shell.go(Shell.Where.BENCH);
        }));
        until("its lines", () -> shows(first));
    }

    private List<AlignmentEntry> entries() {
        return session.need().job().alignment();
    }

    @Test
    void aPassIsTypedAndTheDialIsMended() {
        align("halcyon", "A1 A2");
        until("how", () -> shows("A1: secondary core, second IF can, from the top."));
        enter("0.4 1.9");
        until("gained, and the next line is lit", () -> shows("+13.5 dB") && shows("A3: secondary core"));
        assertThat(shows("A1 A2 gave 14 dB: somebody had moved it.")).isTrue();
        enter("peak");
        until("the oscillator", () -> shows("A5: oscillator trimmer"));
        enter("600 reads 580");
        enter("1400 reads 1420");
        until("what is off", () -> shows("The oscillator runs 20 kHz high at 580"));
        until("what mends it", () -> shows("A6 C5") && shows("in, ⅜ turn"));
        enter("A6 turned 3/4 in");
        until("the stations are of before", () -> !shows("The oscillator runs"));
        enter("A7 no peak");
        until("a finding", () -> shows("A7 has no peak") && shows("Suspects: C2, L1."));
        assertThat(entries())
                .extracting(e -> e.kind().code())
                .containsExactly("read", "peak", "station", "station", "read", "no-peak");
        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone", () -> entries().size() == 5);
    }

    @Mock
    private Generator generator;

    @Mock
    private OutputMeter output;

    /** F6 sets the generator as the line says and takes what comes, before and after the adjusters are turned. */
    @Test
    void theInstrumentsFillInALine() {
        align("brae", "200 pF, 25 Ω");
        when(instruments.connect(InstrumentRole.GENERATOR, "192.0.2.8")).thenReturn(generator);
        when(instruments.connect(InstrumentRole.OUTPUT_METER, "192.0.2.9")).thenReturn(output);
        when(generator.name()).thenReturn("Bench,Generator");
        when(output.name()).thenReturn("Bench,Output");
        // a set that hums, and passes twice as much from the second time on
        AtomicReference<Double> level = new AtomicReference<>(0.0);
        AtomicInteger given = new AtomicInteger();
        doAnswer(call -> {
                    level.set(call.getArgument(1));
                    return given.incrementAndGet();
                })
                .when(generator)
                .give(anyDouble(), anyDouble(), anyDouble());
        doAnswer(call -> {
                    level.set(0.0);
                    return null;
                })
                .when(generator)
                .rest();
        when(output.volts()).thenAnswer(call -> Math.hypot(0.1, level.get() * 2e4 * given.get()));
        enter("connect generator 192.0.2.8");
        enter("connect output-meter 192.0.2.9");
        until("the key shows", () -> texts().contains("F6"));
        key(KeyCode.F6);
        until("once", () -> entries().size() == 1);
        verify(generator).give(eq(473e3), anyDouble(), eq(0.3));
        until("nothing was turned yet: the line stays lit", () -> shows("1: secondary core"));
        key(KeyCode.F6);
        until("twice", () -> shows("+6.0 dB"));
        until("and on", () -> shows("3: secondary core"));
    }

    @Test
    void whatSaysNothingIsRefusedAndChangesNothing() {
        align("brae", "200 pF, 25 Ω");
        assertThat(shows("Hot chassis")).isTrue();
        enter("bitter");
        until("refused", () -> shows("neither a reading nor how an adjuster went"));
        enter("Z9 peak");
        until("no such line", () -> shows("there is no line for this adjuster"));
        enter("9000 reads 600");
        until("beyond", () -> shows("this lies beyond the dial, 520 to 1620"));
        enter("1 0.4");
        until("two meanings", () -> shows("1 is an adjuster here, and could be volts"));
        enter("overrule");
        until("a reason for that, too", () -> shows("voltages are set aside for a reason"));
        enter("leave");
        until("a reason", () -> shows("left alone for a reason"));
        assertThat(entries()).isEmpty();
        enter("leave as good as the reference set");
        until("left", () -> shows("Left as it is: as good as the reference set"));
        enter("overrule only the dial is to be trued");
        until("set aside", () -> shows("Voltages set aside: only the dial is to be trued"));
    }

    @Test
    void anotherBandHasItsOwnLines() {
        align("concerto", "F1");
        assertThat(shows("detector volts") || shows("zero")).isTrue();
        enter("band MW");
        until("medium waves", () -> shows("A6") && !shows("F1"));
        enter("band LW");
        until("long waves", () -> shows("A8") && !shows("A6"));
    }

    /** The maker's table is pasted, watched by another indicator, and taken out again; all of it can be undone. */
    @Test
    void aMakersTableIsPastedAndAnotherIndicatorWatched() {
        align("halcyon", "A1 A2");
        clipboard(
                "Step\tGenerator to\tDummy\tkc\tDial\tAdjust\tRemarks\n1\tV1.7\t.1 mfd\t465\tgang open\tA1\tshort C4\n2\tloop\t\t1400\t1400\tA7\t\n");
        key(KeyCode.CONTROL, KeyCode.V);
        until(
                "its lines",
                () -> shows("from the maker's table") && shows(".1 mfd") && shows("Table: gang open; short C4."));
        enter("at 2mV");
        until("too much before anything is read", () -> shows("the peak looks flat"));
        enter("watch avc");
        until("watched", () -> shows("volts of the AVC line") && shows("Watch the volts of the AVC line"));
        assertThat(shows("the peak looks flat")).isFalse();
        enter("2.1 3.4");
        until("no decibels behind the AVC", () -> shows("A7: aerial trimmer"));
        assertThat(shows("gained in all")).isFalse();
        enter("forget table");
        until("from the circuit", () -> shows("A3 A4"));
        enter("forget table");
        until("refused", () -> shows("no maker's table is entered"));
        enter("watch birds");
        until("refused", () -> shows("nothing that an alignment watches"));
    }

    @Test
    void whatDoesNotComeRightSaysWhatWouldExplainIt() {
        align("halcyon", "A1 A2");
        enter("A1 peaks 452");
        until(
                "picofarads",
                () -> shows("A1 peaks off its frequency") && shows("too much across it would explain that"));
        enter("A3 turned 2 in end");
        until("at least so much", () -> shows("or more too little across it"));
        enter("A2 howl");
        until("bypasses", () -> shows("the stage feeds back"));
        enter("capacitor A1");
        until("what belongs there", () -> shows("the nearest made") && shows("in tune"));
        enter("capacitor A9");
        until("no such", () -> shows("there is no line for this adjuster"));
        enter("1500 reads 570");
        until("an image", () -> shows("is an image, twice 465 kHz above the dial"));
        assertThat(shows("The oscillator runs")).isFalse();
    }

    @Test
    void curvesThatAreReadAreDrawnOverTheComputedOnes() {
        align("concerto", "F1");
        until("computed", () -> shows("Detector, computed with usual coupling"));
        enter("curve 10.55 -0.9, 10.65 -0.5, 10.72 0, 10.8 0.6, 10.9 0.8");
        until("read", () -> shows("Detector: zero at 10.72 MHz, peaks alike to 89 %"));
        enter("band MW");
        until("another band", () -> shows("A6") && !shows("F1"));
        enter("curve 448 0.1, 456 0.6, 462 1, 468 0.6, 476 0.1");
        until("once", () -> shows("Selectivity as read: 462 kHz, 14 kHz wide"));
        enter("curve 448 0.1, 455 0.7, 460 1.4, 465 0.7, 472 0.1");
        until("twice", () -> shows("As found (dashed), now: 460 kHz"));
        assertThat(entries()).extracting(e -> e.kind().code()).containsOnly("curve");
        enter("curve 448 0.1");
        until("refused", () -> shows("three points or more"));
    }

    /** On the plan the letters stand where somebody has put them; what sits beside the one in hand is warned of. */
    @Test
    void thePlanShowsTheOneInHandAndItsNeighbour() {
        align("halcyon", "A1 A2");
        enter("plan");
        until("the plan", () -> shows("From above, the back at the top"));
        enter("A5");
        until("its neighbour", () -> shows("A7 sits beside it: leave it."));
        enter("place A7 below 90 90");
        until("moved away", () -> !shows("A7 sits beside it"));
        assertThat(spot()).isEqualTo(new Spot(Spot.Face.BELOW, 0.9, 0.9));
        Node mark = lookup((Node n) -> n instanceof Label l
                        && l.getStyleClass().contains("adjuster-mark")
                        && l.getText().equals("A7"))
                .query();
        Node face = lookup(".chassis-face").nth(0).query();
        drag(mark).dropTo(face);
        until("dragged", () -> spot().face() == Spot.Face.ABOVE);
        enter("place Q9 above 1 1");
        until("no such", () -> shows("the set has no such adjuster"));
        enter("place A7 inside 1 1");
        until("no place", () -> shows("this is no place on a chassis"));
        enter("plan");
        until("the curves again", () -> shows("Selectivity, computed"));
    }

    /** Many letters that nobody has placed stay within the plan, in the smallest window too. */
    @Test
    void lettersWithoutAPlaceWaitWithinThePlan() {
        align("concerto", "F1");
        interact(() -> stage.setWidth(1024));
        enter("plan");
        until("the letters", () -> shows("Drag to their places:"));
        interact(() -> shell.layout());
        var plan = lookup("#chassis-plan").query();
        for (Node n : lookup(".adjuster-mark").queryAll())
            assertThat(plan.localToScene(plan.getLayoutBounds()).contains(n.localToScene(n.getLayoutBounds())))
                    .as("%s", n)
                    .isTrue();
    }

    private Spot spot() {
        return session.need().chassis().adjusters().get(6).spot().orElseThrow();
    }

    /** Who has no generator listens to stations, which are the same for every set of the workshop. */
    @Test
    void theWorkshopsOwnStationsStandInForAGenerator() {
        align("halcyon", "A1 A2");
        enter("stations 639 1440 98.5 7.2M");
        enter("watch ear");
        enter("A1 peak");
        enter("A3 peak");
        until("the oscillator", () -> shows("A5 next"));
        until("the nearest", () -> shows("your station nearest to it is 1.44 MHz"));
        enter("A5 peak");
        enter("A6 peak");
        enter("A7 peak");
        until("those of the band", () -> shows("weak ones in the evening: 639 kHz, 1.44 MHz."));
        enter("stations 12");
        until("12 MHz is one", () -> shows("600 reads 580"));
        enter("stations 60k");
        until("refused", () -> shows("no station sends there"));
    }

    @Mock
    private Meter meter;

    /** On FM direct volts are the indicator: the carrier is unmodulated, and the leads go where the line says. */
    @Test
    void directVoltsAreTakenUnderAnUnmodulatedCarrier() {
        align("concerto", "F2");
        until("where the leads go", () -> shows("Leads: RDP against RDN."));
        when(instruments.connect(InstrumentRole.GENERATOR, "192.0.2.8")).thenReturn(generator);
        when(instruments.connect(InstrumentRole.METER, "192.0.2.7")).thenReturn(meter);
        when(generator.name()).thenReturn("Bench,Generator");
        when(meter.name()).thenReturn("Bench,Meter");
        when(meter.read(eq(Measure.DC_VOLTS), any())).thenReturn(-3.2);
        enter("connect generator 192.0.2.8");
        enter("connect 192.0.2.7");
        until("the key shows", () -> texts().contains("F6"));
        key(KeyCode.F6);
        until("taken", () -> entries().size() == 1);
        assertThat(entries().get(0).after()).isEqualTo(3.2);
        assertThat(entries().get(0).given().volts()).isPositive();
        verify(generator).give(eq(10.7e6), anyDouble(), eq(0.0));
    }
}

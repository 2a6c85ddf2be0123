package anabion.desktop.bench;

import anabion.core.align.Alignment;
import anabion.core.align.AlignmentProcedure;
import anabion.core.align.AlignmentTable;
import anabion.core.align.Image;
import anabion.core.align.Indicator;
import anabion.core.align.MeasuredCurve;
import anabion.core.align.Overcoupling;
import anabion.core.align.Preparation;
import anabion.core.align.Shortfall;
import anabion.core.align.TrackingAdvice;
import anabion.core.align.TrackingAdvice.Turn;
import anabion.core.align.WindingTuning;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.TuningRange;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentPurpose;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Series;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Alignments.Shown;
import anabion.desktop.session.Session;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;

/** What an alignment says so far: how the dial is off and what mends it, what is wrong beside it, what to do next. */
final class AlignPane extends VBox {
    /** Hertz of the dial within which nobody turns anything. */
    private static final double NEAR = 2e3;

    /** Hertz that no ear hears and no dial shows. */
    private static final double FINE = 100;

    private static final double NEAR_FM = 50e3;

    private static final List<String> EIGHTHS = List.of("", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞");

    private final Session session;
    private final Chassis chassis;
    private final Alignment alignment;
    private final AlignmentTable table;

    AlignPane(Session session, Shown shown) {
        super(8);
        this.session = session;
        this.chassis = shown.of().chassis();
        this.alignment = shown.alignment();
        this.table = alignment.table();
        getChildren().add(Texts.wrapped(headline(), "headline"));
        boolean unread = session.verdict().get().map(v -> v.read() == 0).orElse(true);
        boolean wrong =
                session.verdict().get().filter(v -> !v.findings().isEmpty()).isPresent();
        if (table.overruled().isPresent() && (unread || wrong))
            getChildren()
                    .add(Texts.wrapped(
                            session.say("align.overruled", table.overruled().get()), "soft"));
        else if (unread || wrong)
            getChildren()
                    .add(Texts.wrapped(session.say(unread ? "align.voltages-first" : "align.voltages-off"), "out"));
        off().ifPresent(this::advice);
        alignment.images().forEach(this::image);
        table.rows().stream().filter(AlignmentTable.Row::finding).forEach(this::finding);
        overcoupled().ifPresent(this::damp);
        found();
        getChildren().addAll(Texts.rule(), Texts.label(session.say("ui.next"), "soft", "small"));
        next();
        if (table.rows().stream().allMatch(r -> r.entries().isEmpty())) before();
    }

    /** What the stations say, where they lie off by more than nobody minds. */
    private Optional<TrackingAdvice> off() {
        return alignment.advice().filter(a -> a.before().stream()
                .anyMatch(e -> Math.abs(e) > (table.procedure().band().kind() == BandKind.FM ? NEAR_FM : NEAR)));
    }

    /** Of the last curve that was read. */
    private Optional<Overcoupling> overcoupled() {
        List<MeasuredCurve> all = table.curves();
        return all.isEmpty() ? Optional.empty() : all.get(all.size() - 1).overcoupling();
    }

    private void damp(Overcoupling o) {
        String apart = Figures.si(Quantity.hertz(o.upper() - o.lower()), 2);
        getChildren().add(Texts.wrapped(session.say("align.overcoupled", apart, Figures.fixed(o.dip(), 1)), "medium"));
        table.procedure().lines().stream()
                .filter(l -> l.purpose() == AlignmentPurpose.INTERMEDIATE)
                .flatMap(l -> l.adjusters().stream().flatMap(a -> WindingTuning.of(chassis, a, l.hertz()).stream()))
                .mapToDouble(w -> o.damping(w.henries()))
                .min()
                .ifPresent(ohms -> getChildren()
                        .add(Texts.wrapped(
                                session.say(
                                        "align.overcoupled.damp",
                                        Figures.si(Quantity.ohms(Series.E12.nearest(ohms)), 2)),
                                "soft")));
    }

    private String headline() {
        if (table.rows().isEmpty()) return session.say("align.nothing");
        Optional<TrackingAdvice> off = off();
        if (off.isPresent()) {
            int worst = off.get().worst();
            double error = off.get().before().get(worst);
            return session.say(
                    error > 0 ? "align.runs-high" : "align.runs-low",
                    Figures.si(Quantity.hertz(Math.abs(error)), 2),
                    Figures.si(Quantity.hertz(off.get().points().get(worst).dial()), 4));
        }
        Optional<AlignmentTable.Row> bad =
                table.rows().stream().filter(AlignmentTable.Row::finding).findFirst();
        if (bad.isPresent())
            return session.say(
                    "align.finding." + bad.get().last().orElseThrow().kind().code(),
                    bad.get().last().orElseThrow().adjusters());
        if (table.leftAlone().isPresent())
            return session.say("align.left-alone", table.leftAlone().get());
        if (table.next().isEmpty()) return session.say(table.again() ? "align.again" : "align.aligned");
        return session.say("align.turn-next", table.next().get().line().letters());
    }

    private void advice(TrackingAdvice a) {
        GridPane grid = new GridPane();
        grid.setHgap(8);
        grid.setVgap(4);
        int row = 0;
        for (Turn t : a.turns()) {
            String name = t.adjuster().map(Adjuster::letter).orElse("") + " "
                    + t.part().reference();
            grid.add(Texts.label(name.strip(), "medium"), 0, row);
            grid.add(
                    Texts.wrapped(session.say(
                            !t.reached()
                                    ? t.adjuster().isPresent() ? "align.turn.beyond" : "align.turn.none"
                                    : "align.turn." + (t.way() == TrackingAdvice.Way.IN ? "in" : "out"),
                            turns(t.turns()))),
                    1,
                    row++);
        }
        getChildren().add(grid);
        double left = a.after().stream().mapToDouble(Math::abs).max().orElse(0);
        getChildren()
                .add(Texts.wrapped(
                        left < FINE
                                ? session.say("align.leaves-none")
                                : session.say("align.leaves", Figures.si(Quantity.hertz(left), 2)),
                        "soft"));
    }

    /** In eighths, as hands turn. */
    private String turns(double turns) {
        long eighths = Math.round(turns * 8);
        if (eighths == 0) return session.say("align.turns.little");
        long whole = eighths / 8;
        String part = EIGHTHS.get((int) (eighths % 8));
        return session.say(eighths > 8 ? "align.turns" : "align.turns.one", (whole > 0 ? whole : "") + part);
    }

    private void image(Image i) {
        getChildren()
                .add(Texts.wrapped(session.say(
                        (i.wrongSide() ? "align.wrong-side-" : "align.image-") + (i.below() ? "below" : "above"),
                        Figures.si(Quantity.hertz(i.point().heard())),
                        Figures.si(Quantity.hertz(i.point().dial())),
                        Figures.si(Quantity.hertz(i.intermediate()), 3))));
    }

    private void finding(AlignmentTable.Row r) {
        AlignmentEntry last = r.last().orElseThrow();
        boolean howl = last.kind() == AlignmentEntry.Kind.HOWL;
        List<Part> accused = howl
                ? Alignment.steadying(chassis, r.line())
                : Alignment.suspects(chassis, table.procedure(), named(r, last));
        String parts = accused.stream().map(Part::reference).distinct().collect(Collectors.joining(", "));
        getChildren()
                .add(Texts.wrapped(session.say(
                        "align.explains." + last.kind().code(), last.adjusters(), parts.isEmpty() ? "–" : parts)));
        List<Adjuster> named = named(r, last);
        if (named.size() == 1)
            WindingTuning.of(chassis, named.get(0), r.line().hertz())
                    .flatMap(w -> w.explained(last))
                    .ifPresent(this::amount);
    }

    /** The adjusters that a finding is about. */
    private static List<Adjuster> named(AlignmentTable.Row r, AlignmentEntry e) {
        List<String> letters = List.of(e.adjusters().split(" "));
        return r.line().adjusters().stream()
                .filter(a -> letters.contains(a.letter()))
                .toList();
    }

    /** The picofarads or microhenries that would explain it. */
    private void amount(WindingTuning.Excess e) {
        getChildren()
                .add(Texts.wrapped(
                        session.say(
                                (e.least() ? "align.amount.end-" : "align.amount.")
                                        + (e.farads() > 0 ? "more" : "less"),
                                Figures.si(Quantity.farads(Math.abs(e.farads())), 2),
                                Figures.si(Quantity.henries(Math.abs(e.henries())), 2)),
                        "soft"));
    }

    private void found() {
        Optional<Double> gained = table.gained();
        List<Shortfall> lacking = Shortfall.of(table);
        if (gained.isEmpty() && lacking.isEmpty()) return;
        getChildren().addAll(Texts.rule(), Texts.label(session.say("align.found"), "soft", "small"));
        gained.ifPresent(g -> getChildren().add(Texts.wrapped(session.say("align.gained-all", Figures.fixed(g, 1)))));
        lacking.forEach(l -> getChildren()
                .add(Texts.wrapped(session.say(
                        "align.lacks." + l.kind().name().toLowerCase(Locale.ROOT),
                        l.point(),
                        Figures.fixed(Math.max(0, l.decibels()), 1)))));
        table.rows().stream().filter(AlignmentTable.Row::moved).forEach(r -> getChildren()
                .add(Texts.wrapped(session.say(
                        "align.moved",
                        r.line().letters(),
                        Figures.fixed(r.gained().orElseThrow(), 0)))));
    }

    private void next() {
        table.next()
                .ifPresentOrElse(
                        r -> getChildren()
                                .add(Texts.wrapped(session.say(
                                        r.line().dial().isPresent() ? "align.do.dial" : "align.do",
                                        Figures.si(Quantity.hertz(r.line().hertz())),
                                        r.line().letters(),
                                        session.say("align.to." + r.line().aim().code())))),
                        () -> {
                            if (!table.rows().isEmpty()) getChildren().add(Texts.wrapped(compare()));
                        });
        table.next().flatMap(this::byEar).ifPresent(w -> getChildren().add(Texts.wrapped(w)));
        AlignmentProcedure p = table.procedure();
        if (!p.untold().isEmpty())
            getChildren()
                    .add(Texts.wrapped(session.say(
                            "align.untold",
                            p.untold().stream().map(Adjuster::letter).collect(Collectors.joining(", ")))));
        if (!p.fixed().isEmpty())
            getChildren()
                    .add(Texts.wrapped(
                            session.say(
                                    "align.fixed-all",
                                    p.fixed().stream().map(Part::reference).collect(Collectors.joining(", "))),
                            "soft"));
    }

    /** Stations of the workshop that this band receives. */
    private List<Double> own() {
        TuningRange range = table.procedure().band().range();
        return session.alignments().ownStations().get().stream()
                .filter(f -> f >= range.low() && f <= range.high())
                .toList();
    }

    private String compare() {
        return own().isEmpty()
                ? session.say("align.do.stations")
                : session.say(
                        "align.do.own-stations",
                        own().stream()
                                .map(f -> Figures.si(Quantity.hertz(f), 4))
                                .collect(Collectors.joining(", ")));
    }

    /** Who listens takes a station for a generator: that which lies nearest to the line. */
    private Optional<String> byEar(AlignmentTable.Row r) {
        if (r.line().indicator() != Indicator.EAR || r.line().dial().isEmpty()) return Optional.empty();
        return own().stream()
                .min(Comparator.comparingDouble(f -> Math.abs(f - r.line().hertz())))
                .map(f -> session.say("align.do.by-ear", Figures.si(Quantity.hertz(f), 4)));
    }

    private void before() {
        getChildren().addAll(Texts.rule(), Texts.label(session.say("align.before"), "soft", "small"));
        for (Preparation x : Preparation.values())
            if (table.procedure().preparations().contains(x))
                getChildren().add(Texts.wrapped(session.say("align.before." + x.code())));
    }
}

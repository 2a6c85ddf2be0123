package anabion.desktop.sheet;

import anabion.core.align.Alignment;
import anabion.core.align.MeasuredCurve;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Spot;
import anabion.core.chassis.TuningRange;
import anabion.core.command.AlignRequest;
import anabion.core.error.InputException;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.signal.FmDetector;
import anabion.desktop.control.AlignmentView;
import anabion.desktop.control.ChassisPlan;
import anabion.desktop.control.Texts;
import anabion.desktop.session.PhotoLoader;
import anabion.desktop.session.Session;
import anabion.workshop.Op;
import anabion.workshop.Photo;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.BiConsumer;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Selectivity, and the error of the dial as its stations tell it or the curve of an FM detector, side by side: computed, as found, and now. */
final class AlignPictures extends VBox {
    private static final double HEIGHT = 180;
    private static final double CAPTION = 24;
    private static final double SHARE = 0.24;

    private final Session session;
    private final HBox both;
    private final ChassisPlan plan;
    private List<Adjuster> adjusters = List.of();
    private List<Adjuster> lit = List.of();
    private final Label selective = Texts.label("", "soft", "small");
    private final Label dial = Texts.label("", "soft", "small");
    private final AlignmentView selectivity = new AlignmentView();
    private final AlignmentView tracking = new AlignmentView();

    /** @param placed told where an adjuster was dragged to on the plan */
    AlignPictures(Session session, BiConsumer<String, Spot> placed) {
        super(4);
        this.session = session;
        VBox left = new VBox(2, selective, selectivity);
        VBox right = new VBox(2, dial, tracking);
        for (VBox half : List.of(left, right)) {
            HBox.setHgrow(half, Priority.ALWAYS);
            half.setMinWidth(0);
            half.setPrefWidth(100);
        }
        selective.setMinWidth(0);
        dial.setMinWidth(0);
        both = new HBox(14, left, right);
        both.setPadding(new Insets(4, 14, 4, 14));
        plan = new ChassisPlan(
                session.say("align.plan.above"),
                session.say("align.plan.below"),
                session.say("align.plan.unplaced"),
                placed);
        VBox.setMargin(plan, new Insets(4, 14, 4, 14));
        plan.setId("chassis-plan");
        getChildren().setAll(Texts.rule(), both, plan);
        planned(false);
        fit(0);
    }

    /** @param sheet height of the sheet at whose foot they stand */
    void fit(double sheet) {
        double height = Math.min(HEIGHT, SHARE * sheet);
        selectivity.setPrefHeight(height);
        tracking.setPrefHeight(height);
        plan.setPrefHeight(height + CAPTION);
    }

    /** A photo behind a side of the plan, or none. */
    CompletableFuture<?> behind(String line, AlignRequest.PlanPhoto request) {
        List<Photo> all = session.need().photos();
        if (request.number().filter(n -> n > all.size()).isPresent())
            throw InputException.at(line).because(session.say("photo.none")).so(session.say("photo.none.remedy"));
        List<Op> ops = new ArrayList<>();
        for (int n = 0; n < all.size(); n++) {
            Photo p = all.get(n);
            int number = n + 1;
            boolean chosen = request.number().filter(x -> x == number).isPresent();
            if (chosen) ops.add(new Op.PutPhoto(p.asPlan(Optional.of(request.face()))));
            else if (p.plan().equals(Optional.of(request.face()))) ops.add(new Op.PutPhoto(p.asPlan(Optional.empty())));
        }
        planned(true);
        return ops.isEmpty()
                ? CompletableFuture.completedFuture(null)
                : session.change(session.say("ui.change.plan"), ops.toArray(Op[]::new));
    }

    private void backdrops() {
        List<Photo> all = session.set().get().map(SetRecord::photos).orElse(List.of());
        for (Spot.Face face : Spot.Face.values())
            all.stream()
                    .filter(p -> p.plan().equals(Optional.of(face)))
                    .findFirst()
                    .ifPresentOrElse(
                            p -> session.photos().load(p.file(), PhotoLoader.LARGE, i -> plan.backdrop(face, i)),
                            () -> plan.backdrop(face, Optional.empty()));
    }

    /** Shows the plan in place of the curves, or the curves again. */
    void turnOver() {
        planned(both.isManaged());
    }

    private void planned(boolean shown) {
        both.setVisible(!shown);
        both.setManaged(!shown);
        plan.setVisible(shown);
        plan.setManaged(shown);
        plan(adjusters, lit);
    }

    /** @param inHand those of the lit line */
    void plan(List<Adjuster> all, List<Adjuster> inHand) {
        adjusters = all;
        lit = inHand;
        plan.show(plan.isManaged() ? all : List.of(), inHand);
        if (plan.isManaged()) backdrops();
    }

    void show(Alignment a) {
        List<MeasuredCurve> flat =
                a.table().curves().stream().filter(c -> !c.crosses()).toList();
        selectivity.selectivity(
                a.response().map(r -> r.points()).orElse(List.of()),
                flat.size() > 1 ? flat.get(0).decibels() : List.of(),
                flat.isEmpty() ? List.of() : flat.get(flat.size() - 1).decibels());
        selective.setText(flat.isEmpty() ? computed(a) : read(flat));
        if (a.detector().isPresent() && a.stations().isEmpty())
            detector(a, a.detector().get());
        else dial(a);
    }

    private String computed(Alignment a) {
        return a.response()
                .map(r -> session.say(
                        r.width().isPresent() ? "align.picture.selectivity" : "align.picture.selectivity-only",
                        r.width().map(w -> Figures.si(Quantity.hertz(w), 2)).orElse("")))
                .orElse(session.say("align.picture.no-selectivity"));
    }

    private String read(List<MeasuredCurve> flat) {
        MeasuredCurve last = flat.get(flat.size() - 1);
        return session.say(
                flat.size() > 1 ? "align.picture.read-twice" : "align.picture.read",
                Figures.si(Quantity.hertz(last.centre()), 4),
                last.width()
                        .map(w -> session.say("align.picture.wide", Figures.si(Quantity.hertz(w), 2)))
                        .orElse(""));
    }

    private void dial(Alignment a) {
        TuningRange range = a.table().procedure().band().range();
        tracking.tracking(range.low(), range.high(), a.curve(), a.stations());
        dial.setText(session.say(
                a.stations().isEmpty()
                        ? "align.picture.no-stations"
                        : a.advice().isPresent() ? "align.picture.tracking" : "align.picture.stations"));
    }

    /** Which of the two peaks points upwards depends on how the diodes are wired: as it was read, else rising. */
    private static List<FmDetector.Place> computed(FmDetector d, List<MeasuredCurve> read) {
        List<FmDetector.Place> all = d.curve(d.hertz(), d.hertz());
        boolean rises = read.isEmpty()
                || read.get(read.size() - 1).highest()
                        > read.get(read.size() - 1).lowest();
        boolean own = all.get(0).share() < all.get(all.size() - 1).share();
        return rises == own
                ? all
                : all.stream()
                        .map(p -> new FmDetector.Place(p.hertz(), -p.share()))
                        .toList();
    }

    /** With both circuits in tune as the model has it, and as it was read. */
    private void detector(Alignment a, FmDetector d) {
        List<MeasuredCurve> through =
                a.table().curves().stream().filter(MeasuredCurve::crosses).toList();
        tracking.detector(
                computed(d, through),
                through.size() > 1 ? through.get(0).shares() : List.of(),
                through.isEmpty() ? List.of() : through.get(through.size() - 1).shares());
        if (through.isEmpty()) {
            dial.setText(session.say("align.picture.detector"));
            return;
        }
        MeasuredCurve last = through.get(through.size() - 1);
        dial.setText(session.say(
                "align.picture.detector-read",
                last.zero().map(z -> Figures.si(Quantity.hertz(z), 5)).orElse("–"),
                Figures.fixed(100 * last.balance(), 0)));
    }
}

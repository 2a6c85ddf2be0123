package anabion.desktop.control;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Spot;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.layout.Background;
import javafx.scene.layout.BackgroundImage;
import javafx.scene.layout.BackgroundPosition;
import javafx.scene.layout.BackgroundRepeat;
import javafx.scene.layout.BackgroundSize;
import javafx.scene.layout.Region;

/** A chassis from above and from below, with its adjusters by letter; the ones in hand are lit, their neighbours marked. Letters are dragged to their places. */
public final class ChassisPlan extends Region {
    private static final double GAP = 16;
    private static final double HEAD = 20;
    private static final double SIZE = 28;
    /** The lane at the foot where letters wait that nobody has placed. */
    private static final double LANE = 36;

    private final List<Region> faces = new ArrayList<>();
    private final List<Label> names = new ArrayList<>();
    private final Label hint;
    private final List<Mark> marks = new ArrayList<>();
    private final Map<Spot.Face, Image> pictures = new EnumMap<>(Spot.Face.class);
    private final BiConsumer<String, Spot> placed;

    private record Mark(Adjuster adjuster, Label label) {}

    /**
     * @param above what stands over the view from above, {@code below} likewise
     * @param unplaced what stands beside letters that have no place yet
     * @param placed told the letter, and where it was dragged to
     */
    public ChassisPlan(String above, String below, String unplaced, BiConsumer<String, Spot> placed) {
        this.placed = placed;
        for (String name : List.of(above, below)) {
            Region face = new Region();
            face.getStyleClass().add("chassis-face");
            faces.add(face);
            names.add(Texts.label(name, "soft", "small"));
        }
        hint = Texts.label(unplaced, "soft", "small");
        setMinSize(0, 0);
    }

    /**
     * @param all of the set
     * @param lit those in hand
     */
    public void show(List<Adjuster> all, List<Adjuster> lit) {
        marks.clear();
        getChildren().setAll(faces);
        getChildren().addAll(names);
        getChildren().add(hint);
        for (Adjuster a : all) {
            Label label = Texts.label(a.letter(), "adjuster-mark");
            label.setAlignment(Pos.CENTER);
            boolean beside = lit.stream().anyMatch(x -> x.neighbours(all).contains(a));
            if (lit.stream().anyMatch(x -> x.letter().equals(a.letter())))
                label.getStyleClass().add("lit");
            else if (beside) label.getStyleClass().add("beside");
            label.setAccessibleText(a.letter() + " " + a.what() + " " + a.place());
            Mark mark = new Mark(a, label);
            marks.add(mark);
            getChildren().add(label);
            label.setOnMouseDragged(e -> {
                var at = sceneToLocal(e.getSceneX(), e.getSceneY());
                label.relocate(at.getX() - label.getWidth() / 2, at.getY() - label.getHeight() / 2);
            });
            label.setOnMouseReleased(e -> {
                if (e.isStillSincePress()) return;
                var at = sceneToLocal(e.getSceneX(), e.getSceneY());
                dropped(a.letter(), at.getX(), at.getY());
            });
        }
        requestLayout();
    }

    /** @param picture behind a side; it then has the picture's shape */
    public void backdrop(Spot.Face face, Optional<Image> picture) {
        pictures.remove(face);
        picture.ifPresent(i -> pictures.put(face, i));
        faces.get(face.ordinal())
                .setBackground(picture.map(i -> new Background(new BackgroundImage(
                                i,
                                BackgroundRepeat.NO_REPEAT,
                                BackgroundRepeat.NO_REPEAT,
                                BackgroundPosition.CENTER,
                                new BackgroundSize(1, 1, true, true, false, false))))
                        .orElse(null));
        requestLayout();
    }

    private void dropped(String letter, double x, double y) {
        for (int n = 0; n < faces.size(); n++) {
            Region face = faces.get(n);
            if (!face.getBoundsInParent().contains(x, y)) continue;
            placed.accept(
                    letter,
                    new Spot(
                            Spot.Face.values()[n],
                            (x - face.getLayoutX()) / face.getWidth(),
                            (y - face.getLayoutY()) / face.getHeight()));
            return;
        }
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double width = (getWidth() - GAP) / 2;
        List<Mark> unplaced =
                marks.stream().filter(m -> m.adjuster().spot().isEmpty()).toList();
        boolean waiting = !unplaced.isEmpty();
        double height = Math.max(40, getHeight() - HEAD - (waiting ? LANE : 4));
        for (int n = 0; n < faces.size(); n++) {
            double x = n * (width + GAP);
            names.get(n).resizeRelocate(x, 0, width, HEAD);
            Image picture = pictures.get(Spot.Face.values()[n]);
            double ratio = picture == null ? width / height : picture.getWidth() / picture.getHeight();
            double wide = Math.min(width, height * ratio);
            double high = Math.min(height, width / ratio);
            faces.get(n).resizeRelocate(x + (width - wide) / 2, HEAD + (height - high) / 2, wide, high);
        }
        hint.setVisible(waiting);
        double lane = hint.prefWidth(-1) + 8;
        hint.resizeRelocate(0, getHeight() - LANE + 4, lane, LANE - 4);
        double widest = unplaced.stream()
                .mapToDouble(m -> Math.max(SIZE, m.label().prefWidth(-1)))
                .max()
                .orElse(SIZE);
        // many letters overlap rather than leave the plan
        double step = Math.min(widest + 6, (getWidth() - lane - widest) / Math.max(1, unplaced.size() - 1));
        for (Mark m : marks) {
            double wide = Math.max(SIZE, m.label().prefWidth(-1));
            m.label().resize(wide, SIZE);
            if (m.adjuster().spot().isPresent()) {
                Spot s = m.adjuster().spot().get();
                Region face = faces.get(s.face().ordinal());
                m.label()
                        .relocate(
                                face.getLayoutX() + s.x() * face.getWidth() - wide / 2,
                                face.getLayoutY() + s.y() * face.getHeight() - SIZE / 2);
            } else {
                m.label().relocate(lane, getHeight() - LANE + 4);
                lane += step;
            }
        }
    }
}

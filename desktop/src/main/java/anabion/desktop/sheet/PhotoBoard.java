package anabion.desktop.sheet;

import anabion.core.command.PhotoLine;
import anabion.core.command.PhotoLine.Place;
import anabion.core.error.InputException;
import anabion.core.job.StripDownEntry.Lead;
import anabion.desktop.control.PhotoView;
import anabion.desktop.control.Texts;
import anabion.desktop.session.PhotoLoader;
import anabion.desktop.session.Session;
import anabion.workshop.Op;
import anabion.workshop.Photo;
import anabion.workshop.PhotoMark;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import javafx.geometry.Insets;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.image.ImageView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** One of the set's photos with what is drawn on it, the others as tiles beside it. */
final class PhotoBoard extends HBox {
    private static final double SIDE = 236;
    private static final double TILE = 66;
    private static final int TILES = 9;

    private final Session session;
    private final PhotoView view = new PhotoView(this::clicked);
    private final VBox marks = new VBox(3);
    private final FlowPane tiles = new FlowPane(6, 6);
    private final Label count = Texts.label("", "soft", "small");
    private final Slider slider = new Slider(0, 1, 0.5);
    private final List<double[]> spots = new ArrayList<>();
    private Optional<UUID> shown = Optional.empty();
    private Optional<UUID> other = Optional.empty();

    PhotoBoard(Session session) {
        super(12);
        this.session = session;
        setPadding(new Insets(0, 14, 8, 14));
        HBox.setHgrow(view, Priority.ALWAYS);
        slider.setAccessibleText(session.say("photo.divide"));
        slider.valueProperty().addListener((o, a, b) -> view.divide(b.doubleValue()));
        VBox side =
                new VBox(6, Texts.label(session.say("photo.on-this"), "soft", "small"), marks, slider, tiles, count);
        side.setMinWidth(SIDE);
        side.setMaxWidth(SIDE);
        getChildren().addAll(view, side);
    }

    private List<Photo> photos() {
        return session.set().get().map(SetRecord::photos).orElse(List.of());
    }

    private Optional<Photo> of(Optional<UUID> id) {
        return photos().stream()
                .filter(p -> id.filter(p.id()::equals).isPresent())
                .findFirst();
    }

    private Optional<Photo> current() {
        List<Photo> all = photos();
        return of(shown).or(() -> all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1)));
    }

    /** Shows what there is; takes no room where there is nothing. */
    void refresh(double height) {
        Optional<Photo> photo = current();
        setVisible(photo.isPresent());
        setManaged(photo.isPresent());
        if (photo.isEmpty()) return;
        setPrefHeight(height);
        setMinHeight(height);
        setMaxHeight(height);
        Photo p = photo.get();
        session.photos().load(p.file(), PhotoLoader.LARGE, image -> {
            if (current().filter(p::equals).isPresent()) view.show(image, p.marks(), spots);
        });
        view.setAccessibleText(p.caption());
        Optional<Photo> over = of(other);
        slider.setVisible(over.isPresent());
        slider.setManaged(over.isPresent());
        over.ifPresentOrElse(
                o -> session.photos().load(o.file(), PhotoLoader.LARGE, view::compare),
                () -> view.compare(Optional.empty()));
        marks.getChildren().clear();
        for (int n = 0; n < p.marks().size(); n++)
            marks.getChildren().add(Texts.label((n + 1) + "  " + said(p.marks().get(n))));
        if (p.marks().isEmpty()) marks.getChildren().add(Texts.wrapped(session.say("photo.none-on"), "soft"));
        tiles(p);
    }

    private String said(PhotoMark m) {
        String what = m.text().isEmpty() ? session.say("photo." + m.kind().code()) : m.text();
        return m.colour().isEmpty() ? what : m.colour() + ": " + what;
    }

    private void tiles(Photo now) {
        List<Photo> all = photos();
        int at = all.indexOf(now);
        int from = Math.max(0, Math.min(at - TILES / 2, all.size() - TILES));
        tiles.getChildren().clear();
        for (int n = from; n < Math.min(all.size(), from + TILES); n++) {
            Photo p = all.get(n);
            StackPane tile = new StackPane();
            tile.setPrefSize(TILE, TILE * 0.72);
            tile.setMinSize(TILE, TILE * 0.72);
            tile.getStyleClass().add("photo-tile");
            if (n == at) tile.getStyleClass().add("here");
            tile.setAccessibleRole(AccessibleRole.BUTTON);
            tile.setAccessibleText((n + 1) + ", " + p.caption());
            tile.setOnMouseClicked(e -> choose(p.id()));
            session.photos()
                    .load(
                            p.file(),
                            PhotoLoader.TILE,
                            image -> image.ifPresent(i -> {
                                ImageView small = new ImageView(i);
                                small.setPreserveRatio(true);
                                small.setFitWidth(TILE - 6);
                                small.setFitHeight(TILE * 0.72 - 6);
                                tile.getChildren().setAll(small);
                            }));
            tiles.getChildren().add(tile);
        }
        count.setText(session.say("photo.of", at + 1, all.size(), now.caption()));
    }

    private void choose(UUID id) {
        shown = Optional.of(id);
        spots.clear();
        refresh(getPrefHeight());
    }

    /** The last two places that were clicked. */
    private void clicked(double x, double y) {
        spots.add(new double[] {x, y});
        if (spots.size() > 2) spots.remove(0);
        refresh(getPrefHeight());
    }

    /** Carries out a line about the photo in hand. */
    CompletableFuture<?> entered(String line, PhotoLine typed) {
        if (typed instanceof PhotoLine.Show s) {
            choose(numbered(line, s.number()).id());
            return CompletableFuture.completedFuture(null);
        }
        if (typed instanceof PhotoLine.Compare c) {
            other = c.number().map(n -> numbered(line, n).id());
            refresh(getPrefHeight());
            return CompletableFuture.completedFuture(null);
        }
        Photo p = current().orElseThrow(() -> none(line));
        if (typed instanceof PhotoLine.Caption c) return put(p.withCaption(c.text()));
        if (typed instanceof PhotoLine.Unmark u) {
            if (u.number() > p.marks().size())
                throw InputException.at(line)
                        .because(session.say("photo.no-mark"))
                        .so(session.say("photo.no-mark.remedy"));
            List<PhotoMark> rest = new ArrayList<>(p.marks());
            rest.remove(u.number() - 1);
            return put(p.withMarks(rest));
        }
        PhotoLine.Draw d = (PhotoLine.Draw) typed;
        List<double[]> places = d.places().isEmpty()
                ? List.copyOf(spots)
                : d.places().stream()
                        .map((Place q) -> new double[] {q.x(), q.y()})
                        .toList();
        int wanted = d.shape() == PhotoLine.Shape.PIN ? 1 : 2;
        if (places.size() < wanted)
            throw InputException.at(line)
                    .because(session.say(wanted == 1 ? "photo.no-spot" : "photo.no-spots"))
                    .so(session.say("photo.no-spot.remedy", line));
        PhotoMark.Kind kind = PhotoMark.Kind.valueOf(d.shape().name());
        return put(marked(p, kind, places.subList(places.size() - wanted, places.size()), d.text(), ""));
    }

    /** What a lead adds to the photo, where two places on it were clicked just before. */
    Optional<Op> wire(Lead lead) {
        Optional<Photo> p = current();
        if (p.isEmpty() || spots.size() < 2) return Optional.empty();
        Photo drawn = marked(p.get(), PhotoMark.Kind.WIRE, spots, lead.from() + " → " + lead.to(), lead.colour());
        spots.clear();
        return Optional.of(new Op.PutPhoto(drawn));
    }

    private static Photo marked(Photo p, PhotoMark.Kind kind, List<double[]> places, String text, String colour) {
        double[] from = places.get(0);
        double[] to = places.get(places.size() - 1);
        List<PhotoMark> all = new ArrayList<>(p.marks());
        all.add(new PhotoMark(UUID.randomUUID(), kind, from[0], from[1], to[0], to[1], text, colour));
        return p.withMarks(all);
    }

    private CompletableFuture<?> put(Photo p) {
        shown = Optional.of(p.id());
        spots.clear();
        return session.change(session.say("ui.change.photo", p.caption()), new Op.PutPhoto(p));
    }

    private Photo numbered(String line, int n) {
        if (n > photos().size()) throw none(line);
        return photos().get(n - 1);
    }

    private InputException none(String line) {
        return InputException.at(line).because(session.say("photo.none")).so(session.say("photo.none.remedy"));
    }
}

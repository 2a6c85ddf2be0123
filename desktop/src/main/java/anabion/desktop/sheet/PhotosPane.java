package anabion.desktop.sheet;

import anabion.desktop.control.Texts;
import anabion.desktop.session.PhotoLoader;
import anabion.desktop.session.Session;
import anabion.workshop.Op;
import anabion.workshop.Photo;
import anabion.workshop.SetRecord;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The photos of the set on the bench, small; each can be taken off. A picture is read once, when it is first looked at. */
final class PhotosPane {
    /** The first; all of them are on Strip-down. */
    private static final int MOST = 24;

    private static final double WIDTH = 150;
    private static final double HEIGHT = 110;

    private final Session session;
    private final VBox box = new VBox(6);
    private final FlowPane flow = new FlowPane(10, 10);
    private final Map<UUID, VBox> tiles = new HashMap<>();
    private Optional<SetRecord> shown = Optional.empty();

    PhotosPane(Session session) {
        this.session = session;
        box.getChildren().addAll(Texts.label(session.say("arrival.photos"), "strong", "petrol"), flow);
        box.sceneProperty().addListener((o, a, b) -> fill());
    }

    /** Shows a set's photos, once somebody looks; those that were read already are not read again. */
    Node show(SetRecord set) {
        if (shown.filter(s -> s.id().equals(set.id())).isEmpty()) tiles.clear();
        shown = Optional.of(set);
        box.setVisible(!set.photos().isEmpty());
        box.setManaged(!set.photos().isEmpty());
        fill();
        return box;
    }

    private void fill() {
        if (box.getScene() == null || shown.isEmpty()) return;
        SetRecord set = shown.get();
        List<Photo> some = set.photos().subList(0, Math.min(MOST, set.photos().size()));
        tiles.keySet().retainAll(some.stream().map(Photo::id).toList());
        flow.getChildren()
                .setAll(some.stream()
                        .map(p -> tiles.computeIfAbsent(p.id(), id -> tile(set.id(), p)))
                        .toList());
        int more = set.photos().size() - some.size();
        if (more > 0) flow.getChildren().add(Texts.label(session.say("arrival.photos.more", more), "soft"));
    }

    private VBox tile(UUID set, Photo photo) {
        Label missing = Texts.wrapped(session.say("arrival.photo.unreadable"), "soft", "small");
        StackPane frame = new StackPane(missing);
        missing.setVisible(false);
        frame.setPrefSize(WIDTH, HEIGHT);
        session.photos().load(photo.file(), PhotoLoader.TILE, image -> {
            missing.setVisible(image.isEmpty());
            image.ifPresent(i -> {
                ImageView view = new ImageView(i);
                view.setPreserveRatio(true);
                view.setFitWidth(WIDTH);
                view.setFitHeight(HEIGHT);
                view.setAccessibleText(photo.caption());
                frame.getChildren().add(view);
            });
        });
        Button remove = new Button(session.say("arrival.photo.remove"));
        remove.getStyleClass().add("small");
        remove.setMinWidth(Region.USE_PREF_SIZE);
        remove.setAccessibleText(session.say("arrival.photo.remove.what", photo.caption()));
        remove.setOnAction(e -> session.change(
                set, session.say("ui.change.photo-removed", photo.caption()), new Op.DropPhoto(photo.id())));
        Label caption = Texts.label(photo.caption(), "soft", "small");
        caption.setMinWidth(0);
        HBox foot = new HBox(6, caption, Texts.gap(), remove);
        foot.setAlignment(Pos.CENTER_LEFT);
        foot.setMaxWidth(WIDTH);
        return new VBox(2, frame, foot);
    }
}

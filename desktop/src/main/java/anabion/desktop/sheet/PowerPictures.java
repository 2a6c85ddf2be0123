package anabion.desktop.sheet;

import anabion.core.error.InputException;
import anabion.core.power.PowerModel;
import anabion.core.power.PowerPicture;
import anabion.core.power.Rail;
import anabion.core.quantity.Figures;
import anabion.desktop.control.PowerCurveView;
import anabion.desktop.control.Texts;
import anabion.desktop.session.PowerUps.PowerUp;
import anabion.desktop.session.Session;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** The pictures of a power-up, of which one is shown. */
final class PowerPictures extends VBox {
    static final double HEIGHT = 190;
    /** Of the sheet, where it is low: the rows want the rest. */
    private static final double SHARE = 0.28;

    private final Session session;
    private final Label caption = Texts.label("", "soft", "small");
    private final PowerCurveView curves = new PowerCurveView();
    private PowerPicture picture = PowerPicture.SUPPLY;

    PowerPictures(Session session) {
        super(4);
        this.session = session;
        caption.setMinWidth(0);
        setPadding(new Insets(4, 14, 8, 14));
        curves.setPrefHeight(HEIGHT);
        getChildren().setAll(Texts.rule(), caption, curves);
    }

    /** @param sheet height of the sheet at whose foot it stands */
    void fit(double sheet) {
        curves.setPrefHeight(Math.min(HEIGHT, SHARE * sheet));
    }

    /** @throws InputException if the set has none of that kind */
    void choose(PowerUp p, PowerPicture which) {
        if (!PowerPicture.of(p.model()).contains(which))
            throw InputException.at("show " + which.code())
                    .because(session.say("power.picture.none"))
                    .so(session.say("power.picture.none.remedy"));
        picture = which;
    }

    /** @param at volts at the set of the step in hand */
    void show(PowerUp p, double at) {
        if (!PowerPicture.of(p.model()).contains(picture)) picture = PowerPicture.SUPPLY;
        caption.setText(caption(p.model()));
        curves.show(
                picture,
                p.model(),
                p.progress(),
                at,
                k -> session.say("power.alike." + k.code()),
                session.say("power.before"));
    }

    /** What is drawn, and by which words the other pictures come. */
    private String caption(PowerModel model) {
        String net = model.rail().map(Rail::net).orElse("");
        String drawn =
                switch (picture) {
                    case SUPPLY ->
                        model.rectified()
                                ? session.say("power.picture.supply", net)
                                : session.say("power.picture.current");
                    case WATTS -> session.say("power.picture.watts");
                    case WARM_UP -> warmUp(model, net);
                };
        String others = PowerPicture.of(model).stream()
                .filter(k -> k != picture)
                .map(k -> "show " + k.code())
                .collect(Collectors.joining(", "));
        return session.say("power.picture.others", drawn, others);
    }

    private String warmUp(PowerModel model, String net) {
        return session.say(
                "power.picture.warm-up",
                net,
                PowerRows.volts(model.warmUp().peak(net)),
                PowerRows.volts(model.warmUp().settled(net)),
                Figures.fixed(model.warmUp().seconds(net), 0));
    }
}

package anabion.desktop.sheet;

import anabion.core.chassis.Dielectric;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.recap.CanFit;
import anabion.core.recap.CapacitorSection;
import anabion.core.recap.Choice;
import anabion.core.recap.Forming;
import anabion.core.recap.Item;
import anabion.core.recap.Labels;
import anabion.core.recap.Plan;
import anabion.core.recap.Stress;
import anabion.core.recap.Tested;
import anabion.core.text.Phrase;
import anabion.desktop.control.CanView;
import anabion.desktop.control.FadingScrollPane;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Below the list: why the lit part is replaced so, what it bears, what else would do; its can, if it is part of one. */
final class RecapDetail extends HBox {
    private static final double HEIGHT = 150;

    private final Session session;
    private final VBox words = new VBox(1);
    private final ScrollPane scroll = new FadingScrollPane(words);
    private final CanView can = new CanView();

    RecapDetail(Session session) {
        super(16);
        this.session = session;
        setAlignment(Pos.TOP_LEFT);
        setPadding(new Insets(8, 14, 10, 14));
        HBox.setHgrow(scroll, Priority.ALWAYS);
        words.setMinWidth(0);
        getChildren().setAll(scroll);
        setMinHeight(HEIGHT);
        setPrefHeight(HEIGHT);
        setMaxHeight(HEIGHT);
        setMinWidth(0);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setMinWidth(0);
        getStyleClass().add("detail");
    }

    void blank(String text) {
        words.getChildren().setAll(Texts.wrapped(text, "soft"));
        getChildren().setAll(scroll);
    }

    void show(Item i, Plan plan, RecapLog log) {
        words.getChildren().clear();
        add(
                i.key() + ": " + session.say("recap.role." + i.role().code()) + ", " + say(i.why()) + ". "
                        + capital(say(i.choice().rule())) + ".",
                "medium");
        add(stress(i.piece(), i.stress()), "small");
        for (Phrase w : i.choice().warnings()) add(say(w) + ".", "brick", "small");
        for (Item.Neighbour n : i.neighbours()) add(neighbour(n), "soft", "small");
        Optional.ofNullable(Tested.deciding(log, session.need().chassis()).get(i.key()))
                .map((PartTest t) -> say(Tested.of(t, i.piece()).words()))
                .ifPresent(t -> add(session.say("recap.tested", t), "small"));
        if (i.choice().action() == Choice.Action.TEST
                && i.piece().dielectric() == Dielectric.ELECTROLYTIC
                && i.piece().rating() > 0) add(forming(Forming.of(i.piece()), session), "small");
        plan.batchOf(i.key()).ifPresent(b -> add(session.say("recap.then", say(b.test())), "soft", "small"));
        if (i.piece().sectioned()) {
            add(
                    session.say(
                                    "recap.can." + plan.policy().cans().code(),
                                    i.piece().part().reference())
                            + fit(i, plan, log),
                    "small");
            can.show(sections(i, plan, log), i.piece().minus());
            getChildren().setAll(scroll, can);
        } else getChildren().setAll(scroll);
    }

    private void add(String text, String... styles) {
        words.getChildren().add(Texts.wrapped(text, styles));
    }

    private String say(Phrase phrase) {
        return session.words().get().say(phrase);
    }

    private static String capital(String text) {
        return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    /** How an old electrolytic is formed again, and when it has passed. */
    static String forming(Forming f, Session session) {
        return session.say(
                "recap.reform",
                f.steps().stream().map(v -> Figures.fixed(v, 0)).collect(Collectors.joining(", ")),
                Figures.si(new Quantity(f.ohms(), Unit.OHM)),
                Figures.si(new Quantity(f.passes(), Unit.AMPERE)));
    }

    /** Whether the new ones go into the can, where its size was given. */
    private String fit(Item i, Plan plan, RecapLog log) {
        String size = log.marks().getOrDefault(i.piece().part().reference(), "");
        if (size.isEmpty()) return "";
        List<Choice> choices = plan.items().stream()
                .filter(x -> x.piece().part().equals(i.piece().part()))
                .map(Item::choice)
                .toList();
        String cases = choices.stream()
                .map(CanFit::usual)
                .map(k -> Figures.fixed(k.diameter(), 0) + "×" + Figures.fixed(k.height(), 0))
                .collect(Collectors.joining(" + "));
        return " " + session.say(CanFit.of(size).takes(choices) ? "recap.fits" : "recap.fits-not", cases, size);
    }

    private String stress(CapacitorSection c, Stress s) {
        String printed = c.rating() > 0 ? Figures.fixed(c.rating(), 0) + " V" : session.say("recap.no-rating");
        String worst = Figures.fixed(s.worst(), 0);
        String said = s.alternates()
                ? session.say("recap.stress-peak", Figures.volts(s.normal()), worst, printed)
                : session.say(
                        "recap.stress",
                        Figures.volts(s.normal()),
                        Figures.volts(s.high()),
                        Figures.volts(s.start()),
                        worst,
                        printed);
        return s.ripple() > 0
                ? said + " " + session.say("recap.ripple", Figures.si(new Quantity(s.ripple(), Unit.AMPERE)))
                : said;
    }

    /** {@code 22 µF (+38 %): ripple 17.9 V, 3 in stock}. */
    private String neighbour(Item.Neighbour n) {
        List<String> said = new ArrayList<>(n.effect().stream().map(this::say).toList());
        if (n.stock() > 0) said.add(session.say("recap.in-stock", n.stock()));
        String off =
                (n.deviation() >= 0 ? "+" : "") + Figures.percent(n.deviation()).replace('-', '−');
        return Labels.farads(n.farads()) + " (" + off + ")" + (said.isEmpty() ? "" : ": " + String.join(", ", said));
    }

    private List<CanView.Section> sections(Item lit, Plan plan, RecapLog log) {
        List<CanView.Section> found = new ArrayList<>();
        for (Item i : plan.items())
            if (i.piece().part().equals(lit.piece().part()))
                found.add(new CanView.Section(
                        i.key(),
                        Labels.farads(i.piece().farads()),
                        i.piece().plus(),
                        log.marks().getOrDefault(i.key(), ""),
                        i.key().equals(lit.key())));
        return found;
    }
}

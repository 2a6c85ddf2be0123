package anabion.desktop.shell;

import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.SearchIndex;
import java.util.List;
import java.util.UUID;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;

/** Words that stand anywhere in the workshop: a set's parts, notes, readings, owner. Choosing one opens its set. */
final class SearchList {
    private final Session session;
    private final Consumer<UUID> open;

    private SearchList(Session session, Consumer<UUID> open) {
        this.session = session;
        this.open = open;
    }

    static void show(Shell shell, Consumer<UUID> open) {
        new SearchList(shell.session(), open).over(shell);
    }

    private void over(Shell shell) {
        // one set at a time: a reading that is typed meanwhile waits for no more
        session.ask(w -> w.search().stale(), this::index);
        new PickList<SearchIndex.Hit>(
                        shell, "search", session.say("search.prompt"), this::find, this::row, h -> open.accept(h.set()))
                .otherwise(Texts.label(session.say("search.none"), "soft"))
                .open(shell, session.say("search.title"));
    }

    private void index(List<UUID> stale) {
        for (UUID id : stale)
            session.ask(
                    w -> {
                        w.search().index(id);
                        return id;
                    },
                    x -> {});
    }

    private void find(String text, Consumer<List<SearchIndex.Hit>> found) {
        if (text.isBlank()) found.accept(List.of());
        else session.ask(w -> w.search().find(text), found);
    }

    private HBox row(SearchIndex.Hit h) {
        Label text = Texts.label(h.text(), "medium");
        text.setMinWidth(0);
        return new HBox(
                10,
                Texts.column(h.name(), 150, false, "petrol"),
                Texts.column(session.say("timeline.kind." + h.kind()), 70, false, "soft", "small"),
                text,
                Texts.gap(),
                Texts.label(h.at().isEmpty() ? "" : h.at().substring(0, 10), "soft", "small"));
    }
}

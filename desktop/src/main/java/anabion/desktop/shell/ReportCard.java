package anabion.desktop.shell;

import anabion.core.json.Coded;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.Photo;
import anabion.workshop.SetRecord;
import anabion.workshop.report.Edition;
import anabion.workshop.report.HandBackReport;
import anabion.workshop.report.Paper;
import anabion.workshop.report.ReportChoice;
import anabion.workshop.report.ReportSection;
import anabion.workshop.report.ShopDetails;
import anabion.workshop.report.Templates;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What a report is to be: for whom, on which paper, with which parts. A choice may be kept under a name. */
final class ReportCard {
    private static final String SHOP = "report.shop";
    private static final String PRESETS = "report.presets";
    private static final double LABELS = 96;
    private static final double TICK = 148;

    private final Shell shell;
    private final Session session;
    private final FileChoice files;
    private final ComboBox<String> edition = new ComboBox<>();
    private final ComboBox<String> paper = new ComboBox<>();
    private final ComboBox<String> format = new ComboBox<>();
    private final ComboBox<String> kept = new ComboBox<>();
    private final Map<ReportSection, CheckBox> ticks = new EnumMap<>(ReportSection.class);
    private final TextField name = new TextField();
    private final TextField currency = new TextField();
    private final TextField taxLine = new TextField();
    private final TextField preset = new TextField();
    private final Map<String, ReportChoice> presets = new LinkedHashMap<>();

    private ReportCard(Shell shell, FileChoice files) {
        this.shell = shell;
        this.session = shell.session();
        this.files = files;
    }

    /** What is kept of it. */
    private record Kept(Optional<String> shop, Optional<String> presets) {}

    static void show(Shell shell, FileChoice files) {
        shell.session().need();
        new ReportCard(shell, files).open();
    }

    private void open() {
        fill(edition, Edition.values(), "report.edition.");
        fill(paper, Paper.values(), "report.paper.");
        format.getItems().setAll("PDF", "HTML");
        format.getSelectionModel().select(0);
        edition.getSelectionModel().selectedIndexProperty().addListener((o, a, b) -> show(choice(b.intValue())));
        kept.getSelectionModel().selectedItemProperty().addListener((o, a, b) -> {
            if (b != null) show(presets.get(b));
        });
        FlowPane parts = new FlowPane(6, 6);
        for (ReportSection s : ReportSection.values()) {
            CheckBox box = new CheckBox(session.say("report.part." + s.code()));
            box.setId("report-" + s.code());
            box.setPrefWidth(TICK);
            ticks.put(s, box);
            parts.getChildren().add(box);
        }
        GridPane grid = new GridPane();
        grid.setHgap(10);
        grid.setVgap(7);
        ColumnConstraints field = new ColumnConstraints();
        field.setHgrow(Priority.ALWAYS);
        grid.getColumnConstraints().addAll(new ColumnConstraints(LABELS), field);
        HBox form = new HBox(10, edition, paper, format);
        HBox.setHgrow(edition, Priority.ALWAYS);
        row(grid, 0, "report.edition", form, edition, "report-edition");
        paper.setAccessibleText(session.say("report.paper"));
        format.setAccessibleText(session.say("report.format"));
        row(grid, 1, "report.parts", parts, parts, "report-parts");
        row(grid, 2, "report.shop", name, name, "report-shop");
        HBox money = new HBox(10, currency, taxLine);
        currency.setPrefColumnCount(5);
        taxLine.setPromptText(session.say("report.tax"));
        taxLine.setAccessibleText(session.say("report.tax"));
        HBox.setHgrow(taxLine, Priority.ALWAYS);
        row(grid, 3, "report.currency", money, currency, "report-currency");
        Button keep = new Button(session.say("report.keep"));
        keep.setOnAction(e -> keep());
        keep.setMinWidth(Button.USE_PREF_SIZE);
        preset.setPromptText(session.say("report.preset"));
        preset.setAccessibleText(session.say("report.preset"));
        preset.setId("report-preset");
        HBox.setHgrow(preset, Priority.ALWAYS);
        HBox keeping = new HBox(10, kept, preset, keep);
        row(grid, 4, "report.kept", keeping, kept, "report-kept");
        Button write = new Button(session.say("report.write"));
        write.setDefaultButton(true);
        write.setId("report-write");
        write.setOnAction(e -> write());
        HBox end = new HBox(write);
        end.setAlignment(Pos.CENTER_RIGHT);
        end.setPadding(new Insets(6, 0, 0, 0));
        show(ReportChoice.of(Edition.OWNER, Paper.A4));
        session.ask(w -> new Kept(w.setting(SHOP), w.setting(PRESETS)), this::recall);
        shell.overlay().open(session.say("report.title"), new VBox(8, grid, end), edition, () -> shell.probe()
                .field()
                .requestFocus());
    }

    private <E extends Enum<E> & Coded> void fill(ComboBox<String> box, E[] all, String stem) {
        for (E e : all) box.getItems().add(session.say(stem + e.code()));
        box.setMaxWidth(Double.MAX_VALUE);
    }

    private void row(GridPane grid, int at, String key, Node row, Node field, String id) {
        Label label = Texts.label(session.say(key), "soft");
        label.setLabelFor(field);
        field.setId(id);
        field.setAccessibleText(label.getText());
        GridPane.setValignment(label, row instanceof FlowPane ? VPos.TOP : VPos.CENTER);
        grid.add(label, 0, at);
        grid.add(row, 1, at);
    }

    private void recall(Kept was) {
        ShopDetails shop = was.shop().map(ShopDetails::read).orElse(ShopDetails.NONE);
        name.setText(shop.name());
        currency.setText(shop.currency());
        taxLine.setText(shop.taxLine());
        for (String line : was.presets().orElse("").split("\n")) {
            String[] both = line.split("\t", 2);
            if (both.length == 2) ReportChoice.read(both[1]).ifPresent(c -> presets.put(both[0], c));
        }
        kept.getItems().setAll(presets.keySet());
        boolean any = !presets.isEmpty();
        kept.setVisible(any);
        kept.setManaged(any);
    }

    /** The usual one of an edition, on the paper in hand. */
    private ReportChoice choice(int edition) {
        return ReportChoice.of(Edition.values()[edition], paper());
    }

    private Paper paper() {
        return Paper.values()[Math.max(0, paper.getSelectionModel().getSelectedIndex())];
    }

    private Edition edition() {
        return Edition.values()[Math.max(0, edition.getSelectionModel().getSelectedIndex())];
    }

    private void show(ReportChoice choice) {
        edition.getSelectionModel().select(choice.edition().ordinal());
        paper.getSelectionModel().select(choice.paper().ordinal());
        ticks.forEach((s, box) -> {
            box.setSelected(choice.sections().contains(s));
            box.setDisable(!choice.edition().choice().contains(s));
        });
    }

    private ReportChoice choice() {
        Set<ReportSection> sections = EnumSet.noneOf(ReportSection.class);
        ticks.forEach((s, box) -> {
            if (box.isSelected()) sections.add(s);
        });
        return new ReportChoice(edition(), paper(), sections);
    }

    private void keep() {
        String called = preset.getText().strip().replaceAll("[\t\n]", " ");
        if (called.isEmpty()) {
            preset.requestFocus();
            return;
        }
        presets.put(called, choice());
        session.remember(
                PRESETS,
                presets.entrySet().stream()
                        .map(e -> e.getKey() + "\t" + e.getValue().text())
                        .collect(Collectors.joining("\n")));
        kept.getItems().setAll(presets.keySet());
        kept.getSelectionModel().select(called);
        kept.setVisible(true);
        kept.setManaged(true);
        preset.clear();
    }

    private void write() {
        ReportChoice choice = choice();
        ShopDetails shop = new ShopDetails(
                name.getText().strip(),
                currency.getText().strip(),
                taxLine.getText().strip());
        session.remember(SHOP, shop.text());
        boolean html = format.getSelectionModel().getSelectedIndex() == 1;
        SetRecord set = session.need();
        String ending = "-"
                + (choice.edition() == Edition.OWNER
                        ? "report"
                        : choice.edition().code()) + (html ? ".html" : ".pdf");
        shell.overlay().close();
        files.toSave(session.say("action.report"), Export.name(set, ending))
                .ifPresent(file -> session.ask(
                        w -> Templates.in(w.folder().resolve(Templates.FOLDER)),
                        templates -> shell.export(
                                Export.report(
                                        set.photos().size(),
                                        file,
                                        photos -> report(set, photos)
                                                .with(templates)
                                                .with(shop),
                                        choice,
                                        isHtml(file, html)),
                                file)));
    }

    private HandBackReport report(SetRecord set, Function<Photo, Path> photos) {
        return new HandBackReport(
                set, session.words().get(), photos, session.limits().get(), session.clock());
    }

    /** The name that was given in the end counts. */
    private static boolean isHtml(Path file, boolean chosen) {
        String last = file.toString().toLowerCase(Locale.ROOT);
        if (last.endsWith(".html") || last.endsWith(".htm")) return true;
        return !last.endsWith(".pdf") && chosen;
    }
}

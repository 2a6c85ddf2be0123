package anabion.desktop.shell;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.Supply;
import anabion.core.command.BandsLine;
import anabion.core.job.Step;
import anabion.core.json.Coded;
import anabion.core.json.Extra;
import anabion.core.typical.TypicalCircuit;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import anabion.workshop.Sets;
import java.util.UUID;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A new set, from nothing but its name and kind, or as a copy of the design on the bench. Defaults follow the kind. */
final class NewSet {
    private final Shell shell;
    private final Session session;
    private final TextField maker = new TextField();
    private final TextField model = new TextField();
    private final TextField bands = new TextField();
    private final ComboBox<String> kind = new ComboBox<>();
    private final ComboBox<String> supply = new ComboBox<>();
    private final ComboBox<String> typical = new ComboBox<>();
    private final CheckBox copy = new CheckBox();
    private final Label said = Texts.wrapped("", "brick");

    private NewSet(Shell shell) {
        this.shell = shell;
        this.session = shell.session();
    }

    static void show(Shell shell) {
        new NewSet(shell).open();
    }

    private void open() {
        fill(kind, SetKind.values(), "kind.");
        fill(supply, Arrangement.values(), "supply.");
        kind.getSelectionModel()
                .selectedIndexProperty()
                .addListener((o, a, b) -> defaults(SetKind.values()[b.intValue()]));
        kind.getSelectionModel().select(0);
        defaults(SetKind.HOME);
        GridPane grid = new GridPane();
        grid.setHgap(12);
        grid.setVgap(8);
        ColumnConstraints wide = new ColumnConstraints();
        wide.setHgrow(Priority.ALWAYS);
        grid.getColumnConstraints().addAll(new ColumnConstraints(110), wide);
        row(grid, 0, "arrival.maker", maker, "new-maker");
        row(grid, 1, "arrival.model", model, "new-model");
        row(grid, 2, "arrival.kind", kind, "new-kind");
        row(grid, 3, "arrival.arrangement", supply, "new-supply");
        row(grid, 4, "arrival.bands", bands, "new-bands");
        typical.getItems().add(session.say("typical.none"));
        for (TypicalCircuit t : TypicalCircuit.values()) typical.getItems().add(session.say("typical." + t.code()));
        typical.setMaxWidth(Double.MAX_VALUE);
        typical.getSelectionModel().select(0);
        typical.getSelectionModel().selectedIndexProperty().addListener((o, a, b) -> {
            if (b.intValue() > 0) suit(TypicalCircuit.values()[b.intValue() - 1]);
        });
        row(grid, 5, "new.typical", typical, "new-typical");
        copy.setText(session.say(
                "new.copy", session.set().get().map(s -> s.chassis().name()).orElse("")));
        copy.setId("new-copy");
        Button make = new Button(session.say("new.make"));
        make.setId("new-make");
        make.setDefaultButton(true);
        make.setOnAction(e -> make());
        said.managedProperty().bind(said.textProperty().isNotEmpty());
        VBox box = new VBox(12, grid);
        if (session.set().get().isPresent()) box.getChildren().add(copy);
        box.getChildren().addAll(said, make);
        shell.overlay().open(session.say("new.title"), box, maker, () -> shell.probe()
                .field()
                .requestFocus());
    }

    private <E extends Enum<E> & Coded> void fill(ComboBox<String> box, E[] all, String stem) {
        for (E e : all) box.getItems().add(session.say(stem + e.code()));
        box.setMaxWidth(Double.MAX_VALUE);
    }

    private void row(GridPane grid, int row, String key, javafx.scene.control.Control field, String id) {
        Label label = Texts.label(session.say(key), "soft");
        label.setLabelFor(field);
        field.setId(id);
        field.setAccessibleText(label.getText());
        grid.addRow(row, label, field);
    }

    private void defaults(SetKind chosen) {
        Arrangement arrangement =
                switch (chosen) {
                    case HOME -> Arrangement.TRANSFORMER;
                    case PORTABLE -> Arrangement.BATTERY;
                    case CAR -> Arrangement.CAR_NEGATIVE;
                };
        supply.getSelectionModel().select(arrangement.ordinal());
        bands.setText(chosen == SetKind.HOME ? "MW, LW, Pick-up" : "MW, LW");
    }

    /** A circuit brings its kind and supply with it. */
    private void suit(TypicalCircuit chosen) {
        kind.getSelectionModel().select(chosen.kind().ordinal());
        supply.getSelectionModel().select(chosen.arrangement().ordinal());
    }

    private static Supply supply(Arrangement a) {
        double volts =
                switch (a) {
                    case BATTERY -> 9;
                    case BATTERY_A_B -> 90;
                    case VIBRATOR, CAR_NEGATIVE, CAR_POSITIVE, ADAPTOR -> 12;
                    case TRANSFORMER,
                            AUTOTRANSFORMER,
                            HEATER_TRANSFORMER,
                            HOT_CHASSIS,
                            FLOATING_NEGATIVE,
                            DC_MAINS,
                            MAINS_BATTERY -> 230;
                };
        return new Supply(a, volts, a.alternates() ? 50 : 0, "", Extra.NONE);
    }

    private void make() {
        if (model.getText().isBlank()) {
            said.setText(session.say("new.no-model"));
            model.requestFocus();
            return;
        }
        Identity identity = Identity.of(
                maker.getText().strip(),
                model.getText().strip(),
                SetKind.values()[kind.getSelectionModel().getSelectedIndex()]);
        Chassis chassis = copy.isSelected() && session.set().get().isPresent()
                ? session.need().chassis().withId(UUID.randomUUID()).withIdentity(identity)
                : BandsLine.parse(
                        Chassis.blank(
                                UUID.randomUUID(),
                                identity,
                                supply(
                                        Arrangement.values()[
                                                supply.getSelectionModel().getSelectedIndex()])),
                        bands.getText());
        int at = typical.getSelectionModel().getSelectedIndex();
        if (at > 0 && !copy.isSelected()) chassis = TypicalCircuit.values()[at - 1].into(chassis);
        SetRecord set = Sets.fresh(chassis);
        shell.overlay().close();
        session.ask(
                w -> {
                    w.sets()
                            .make(
                                    set,
                                    session.say("ui.change.new", set.chassis().name()));
                    return set;
                },
                added -> session.open(added.id(), () -> {
                    session.step().set(Step.ARRIVAL);
                    shell.go(Shell.Where.BENCH);
                    session.refreshShelf();
                }));
    }
}

package anabion.desktop.sheet;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.command.StudyLine;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import anabion.workshop.Specimens;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.control.Label;

/** The service chart and the conditions it was taken under. */
final class ChartTab extends StudyTab {

    ChartTab(Session session) {
        super(session);
    }

    @Override
    String title() {
        return "study.chart";
    }

    @Override
    int count() {
        return hasSet() ? chassis().chart().map(c -> c.rows().size()).orElse(0) : 0;
    }

    @Override
    void rebuild() {
        List<Column<ChartRow>> columns = List.of(
                new Column<>("study.point", 60, false, ChartRow::point),
                new Column<>("study.band", 80, false, ChartRow::band),
                new Column<>(
                        "study.volts",
                        80,
                        true,
                        r -> Figures.volts(r.value()) + (r.measure() == Measure.AC_VOLTS ? " ~" : "")),
                new Column<>(
                        "study.source",
                        130,
                        true,
                        r -> r.sourceOhms().isPresent()
                                ? Figures.si(Quantity.ohms(r.sourceOhms().getAsDouble()))
                                : ""),
                new Column<>(
                        "study.tolerance",
                        90,
                        true,
                        r -> r.tolerance().isPresent()
                                ? "±" + Figures.percent(r.tolerance().getAsDouble())
                                : ""),
                new Column<>("study.follows", 0, false, r -> r.followsLine() ? "" : session.say("study.fixed")));
        Optional<Chart> chart = hasSet() ? chassis().chart() : Optional.empty();
        show(chart.map(Chart::rows).orElse(List.of()), columns, "study.chart.empty");
        var words = Texts.wrapped(chart.map(this::conditions).orElse(""), "soft");
        words.setPadding(new Insets(4, 14, 8, 14));
        pane.getChildren().setAll(words, head(columns), list);
        if (hasSet()) offer(session.need(), words);
    }

    /** What a set of the same model read when it left in order. */
    private void offer(SetRecord set, Label words) {
        session.ask(w -> w.specimens().charts(set.chassis().identity(), set.id()), all -> {
            if (all.isEmpty() || !pane.getChildren().contains(words)) return;
            Specimens.OwnChart last = all.get(all.size() - 1);
            String said = session.say(
                    "study.chart.sister", last.serial(), last.chart().rows().size());
            words.setText((words.getText() + " " + said).strip());
        });
    }

    private String conditions(Chart c) {
        return session.say(
                "study.conditions",
                Figures.fixed(c.conditions().line(), 0),
                MeterWords.of(c.conditions().meter()),
                c.conditions().band(),
                Figures.percent(c.tolerance()),
                c.source().isEmpty() ? session.say("study.no-source") : c.source());
    }

    @Override
    Chassis line(String line, Chassis chassis) {
        return StudyLine.chartLine(line, chassis);
    }

    @Override
    String edit() {
        if (!(list.getSelectionModel().getSelectedItem() instanceof ChartRow r)) return "";
        String source = r.sourceOhms().isPresent()
                ? " " + Figures.rkm(Quantity.ohms(r.sourceOhms().getAsDouble()))
                : "";
        return r.point() + " " + Figures.volts(r.value()) + (r.measure() == Measure.AC_VOLTS ? "~" : "") + source
                + (r.followsLine() ? "" : " fixed");
    }

    @Override
    String copy() {
        StringBuilder text = new StringBuilder("point,value,source\n");
        chassis().chart().ifPresent(c -> c.rows().forEach(r -> text.append(r.point())
                .append(',')
                .append(r.value())
                .append(',')
                .append(r.sourceOhms().isPresent() ? r.sourceOhms().getAsDouble() : "")
                .append('\n')));
        return text.toString();
    }
}

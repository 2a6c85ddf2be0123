package anabion.cli;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.format.ReadingCodec;
import anabion.core.handback.ClosingGate;
import anabion.core.handback.SafetyLimits;
import anabion.core.json.TreeWriter;
import anabion.core.signal.Domain;
import anabion.core.signal.Frequencies;
import anabion.core.signal.SmallSignalNetlist;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.spice.SpiceNetlist;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.Photo;
import anabion.workshop.SetRecord;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.report.CordPrintout;
import anabion.workshop.report.Edition;
import anabion.workshop.report.HandBackReport;
import anabion.workshop.report.Paper;
import anabion.workshop.report.ReportChoice;
import anabion.workshop.report.SetReport;
import anabion.workshop.report.Templates;
import anabion.workshop.storage.ForcedFiles;
import anabion.workshop.timeline.CalendarFile;
import anabion.workshop.timeline.Timeline;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Function;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code export SET --to …}: the record on paper, the readings as CSV, the circuit as a deck. */
@Command(
        name = "export",
        mixinStandardHelpOptions = true,
        description =
                "Write the record of a set as PDF or HTML, its readings as CSV, its dial cord at size, its timeline, what falls due, or its circuit as a deck.")
final class ExportCommand implements Callable<Integer> {
    enum To {
        pdf("pdf"),
        html("html"),
        csv("csv"),
        report("report.pdf"),
        cord("cord.pdf"),
        timeline("timeline.csv"),
        ics("ics"),
        deck("cir"),
        deck_tran("tran.cir"),
        deck_ac("ac.cir");

        private final String ending;

        To(String ending) {
            this.ending = ending;
        }

        @Override
        public String toString() {
            return name().replace('_', '-');
        }
    }

    @Mixin
    private SettingOptions options;

    @Option(names = "--to", required = true, description = "${COMPLETION-CANDIDATES}")
    private To to;

    @Option(names = "--domain", paramLabel = "D", description = "of deck-ac: af (sound) or if")
    private Domain domain = Domain.AF;

    @Option(
            names = "--at",
            paramLabel = "NET",
            description = "where the generator of deck-ac stands; default: where the path begins")
    private String at = "";

    @Option(names = "--out", paramLabel = "FILE", description = "default: beside the chassis, with the new ending")
    private Path out;

    @Option(names = "--edition", paramLabel = "E", description = "of report: ${COMPLETION-CANDIDATES}")
    private Edition edition = Edition.OWNER;

    @Option(names = "--paper", paramLabel = "P", description = "of report: ${COMPLETION-CANDIDATES}")
    private Paper paper = Paper.A4;

    enum Format {
        pdf,
        html
    }

    @Option(names = "--format", paramLabel = "F", description = "of report: ${COMPLETION-CANDIDATES}")
    private Format format = Format.pdf;

    @Option(
            names = "--without",
            paramLabel = "PART",
            split = ",",
            description = "of report: parts to leave out, such as pictures,cost")
    private List<String> without = List.of();

    @Option(
            names = "--templates",
            paramLabel = "FOLDER",
            description = "of report: a folder with templates of your own")
    private Path templates;

    @Option(names = "--valve", description = "say valve and anode for tube and plate")
    private boolean valve;

    @Option(names = "--draft", description = "of report: though the closing gate is open")
    private boolean draft;

    @Option(names = "--force", description = "write over a file that is there")
    private boolean force;

    @Option(names = "--json", description = "say what was written as one JSON object")
    private boolean json;

    private Words words = new Words(Vocabulary.STANDARD);

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        if (valve) words = new Words(new Vocabulary(true, false));
        SetReport report = new SetReport();
        if (to == To.pdf) report.rouse();
        choice(); // what is asked for must be known before anything is read
        SetArchive.Unpacked unpacked = SetArchive.open(options.file());
        Path target = out != null ? out : beside();
        refuse(target);
        if (to == To.report && !draft && edition.vouches()) {
            ClosingGate gate = closing(unpacked, p -> target).gate();
            if (!gate.open().isEmpty()) return barred(gate);
        }
        byte[] bytes = bytes(unpacked, report);
        try {
            ForcedFiles.write(target, o -> o.write(bytes));
        } catch (IOException e) {
            throw InputException.at(target.toString())
                    .because("the file cannot be written (" + e.getClass().getSimpleName() + ")")
                    .so("choose another place with --out");
        }
        Map<String, Object> said = new LinkedHashMap<>();
        said.put("file", target.toString());
        said.put("bytes", bytes.length);
        spec.commandLine().getOut().print(json ? TreeWriter.text(said) : "wrote " + target + "\n");
        spec.commandLine().getOut().flush();
        return Main.FINE;
    }

    private ReportChoice choice() {
        return ReportChoice.of(edition, paper).without(without);
    }

    private HandBackReport closing(SetArchive.Unpacked unpacked, Function<Photo, Path> file) {
        return new HandBackReport(
                unpacked.set(), words, file, SafetyLimits.USUAL, Clock.system(ZoneId.systemDefault()));
    }

    /** A set that is not in order is not handed back: what is lacking is listed. */
    private int barred(ClosingGate gate) {
        var out = spec.commandLine().getOut();
        List<Map<String, Object>> open = new ArrayList<>();
        for (ClosingGate.Row r : gate.open()) {
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("item", r.item().code());
            row.put("says", words.say(r.says()));
            open.add(row);
            if (!json) out.println(words.say("closing.item." + r.item().code()) + ": " + words.say(r.says()));
        }
        if (json) out.print(TreeWriter.text(Map.of("open", open)));
        out.flush();
        return Main.FINDING;
    }

    /** Nothing is written over that was not meant to be. */
    private void refuse(Path target) throws IOException {
        if (!Files.exists(target)) return;
        if (Files.isSameFile(target, options.file()))
            throw InputException.at(target.toString())
                    .because("this is the file that is exported from")
                    .so("choose another place with --out");
        if (!force || !Files.isRegularFile(target))
            throw InputException.at(target.toString())
                    .because("there is something of this name already")
                    .so("choose another place with --out, or write over a file with --force");
    }

    private Path beside() {
        String name = options.file().getFileName().toString().replaceFirst("\\.[^.]+$", "");
        String ending = to != To.report
                ? to.ending
                : edition == Edition.OWNER ? "report." + format : edition.code() + "." + format;
        return options.file().resolveSibling(name + "." + ending);
    }

    private byte[] bytes(SetArchive.Unpacked unpacked, SetReport report) throws IOException {
        if (to == To.deck_ac) return small(unpacked.set().chassis());
        if (to == To.deck || to == To.deck_tran) return deck(unpacked.set().chassis());
        if (to == To.csv) {
            StringBuilder csv = new StringBuilder();
            ReadingCodec.csv(unpacked.set().readings(), csv);
            return csv.toString().getBytes(StandardCharsets.UTF_8);
        }
        if (to == To.timeline)
            return Timeline.of(unpacked.set(), words).csv(words).getBytes(StandardCharsets.UTF_8);
        if (to == To.ics)
            return new CalendarFile(words, Clock.system(ZoneId.systemDefault()))
                    .with(unpacked.set())
                    .text()
                    .getBytes(StandardCharsets.UTF_8);
        if (to == To.cord) {
            ByteArrayOutputStream pdf = new ByteArrayOutputStream();
            SetRecord set = unpacked.set();
            new CordPrintout(set.chassis().name(), set.job().cords(), words).write(pdf);
            return pdf.toByteArray();
        }
        Path pictures = Files.createTempDirectory("anabion");
        try {
            Function<Photo, Path> file = p -> pictures.resolve(p.file().hash());
            for (Photo p : unpacked.set().photos())
                Files.write(file.apply(p), unpacked.pictures().of(p));
            return page(unpacked, report, file);
        } finally {
            try (var files = Files.list(pictures)) {
                for (Path p : files.toList()) Files.delete(p);
            }
            Files.delete(pictures);
        }
    }

    private byte[] deck(Chassis chassis) {
        Setting setting = options.setting(SettingOptions.wired(chassis, spec));
        var arrangement = chassis.supply().arrangement();
        if (to == To.deck_tran && !arrangement.usesMains() && arrangement != Arrangement.VIBRATOR)
            throw InputException.at("--to " + to)
                    .because("nothing alternates in this set's supply")
                    .so("use --to deck");
        String text = to == To.deck ? SpiceNetlist.direct(chassis, setting) : SpiceNetlist.overTime(chassis, setting);
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private byte[] small(Chassis chassis) {
        Setting setting = options.loud(SettingOptions.wired(chassis, spec));
        Band band = options.band(chassis);
        if (domain == Domain.RF)
            throw InputException.at("--domain rf")
                    .because("a deck has one frequency, and a converter has two")
                    .so("use --domain af or if");
        boolean between = domain == Domain.IF;
        if (between && Frequencies.intermediate(chassis, Optional.of(band)).isEmpty())
            throw InputException.at("--domain if")
                    .because("no IF transformer with its frequency is entered")
                    .so("use --domain af");
        String net = at.isEmpty() ? SmallSignalNetlist.usual(chassis, band, domain) : SettingOptions.net(chassis, at);
        String text = SmallSignalNetlist.of(chassis, between ? setting.withCarrier(1) : setting, band, domain, net);
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private Templates ownTemplates() {
        if (!Files.isDirectory(templates))
            throw InputException.at("--templates " + templates)
                    .because("there is no such folder")
                    .so("name the folder that holds owner.html and the others");
        return Templates.in(templates);
    }

    private byte[] page(SetArchive.Unpacked unpacked, SetReport report, Function<Photo, Path> file) throws IOException {
        if (to == To.report) {
            HandBackReport closing = closing(unpacked, file);
            if (templates != null) closing.with(ownTemplates());
            if (format == Format.html) return closing.html(choice()).getBytes(StandardCharsets.UTF_8);
            ByteArrayOutputStream pdf = new ByteArrayOutputStream();
            closing.pdf(choice(), pdf);
            return pdf.toByteArray();
        }
        if (to == To.html) {
            StringWriter text = new StringWriter();
            report.html(unpacked.set(), words, file, text);
            return text.toString().getBytes(StandardCharsets.UTF_8);
        }
        ByteArrayOutputStream pdf = new ByteArrayOutputStream();
        report.pdf(unpacked.set(), words, file, pdf);
        return pdf.toByteArray();
    }
}

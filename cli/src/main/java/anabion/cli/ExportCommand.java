package anabion.cli;

import anabion.core.format.ReadingCodec;
import anabion.core.input.BadInput;
import anabion.core.tree.TreeWriter;
import anabion.core.words.Vocabulary;
import anabion.core.words.Words;
import anabion.workshop.Photo;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.report.SetReport;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.function.Function;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code export CHASSIS --to pdf|html|csv}: the record on paper, or the readings as CSV. */
@Command(
        name = "export",
        mixinStandardHelpOptions = true,
        description = "Write the record of a set as PDF or HTML, or its readings as CSV.")
final class ExportCommand implements Callable<Integer> {
    enum To {
        pdf,
        html,
        csv
    }

    @Parameters(paramLabel = "CHASSIS", description = "chassis file or set archive")
    private Path chassis;

    @Option(names = "--to", required = true, description = "${COMPLETION-CANDIDATES}")
    private To to;

    @Option(names = "--out", paramLabel = "FILE", description = "default: beside the chassis, with the new ending")
    private Path out;

    @Option(names = "--json", description = "say what was written as one JSON object")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        SetArchive.Unpacked unpacked = SetArchive.open(chassis);
        Path target = out != null ? out : beside();
        byte[] bytes = bytes(unpacked);
        try {
            Files.write(target, bytes);
        } catch (IOException e) {
            throw BadInput.at(target.toString())
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

    private Path beside() {
        String name = chassis.getFileName().toString().replaceFirst("\\.[^.]+$", "");
        return chassis.resolveSibling(name + "." + to);
    }

    private byte[] bytes(SetArchive.Unpacked unpacked) throws IOException {
        if (to == To.csv) {
            StringBuilder csv = new StringBuilder();
            ReadingCodec.csv(unpacked.set().readings(), csv);
            return csv.toString().getBytes(StandardCharsets.UTF_8);
        }
        Path pictures = Files.createTempDirectory("anabion");
        try {
            Function<Photo, Path> file = p -> pictures.resolve(p.file().hash());
            for (Photo p : unpacked.set().photos())
                Files.write(
                        file.apply(p),
                        unpacked.pictures()
                                .get("photos/" + p.file().hash() + "."
                                        + p.file().suffix()));
            return page(unpacked, file);
        } finally {
            try (var files = Files.list(pictures)) {
                for (Path p : files.toList()) Files.delete(p);
            }
            Files.delete(pictures);
        }
    }

    private byte[] page(SetArchive.Unpacked unpacked, Function<Photo, Path> file) throws IOException {
        Words words = new Words(Vocabulary.STANDARD);
        if (to == To.html) {
            StringWriter text = new StringWriter();
            new SetReport().html(unpacked.set(), words, file, text);
            return text.toString().getBytes(StandardCharsets.UTF_8);
        }
        ByteArrayOutputStream pdf = new ByteArrayOutputStream();
        new SetReport().pdf(unpacked.set(), words, file, pdf);
        return pdf.toByteArray();
    }
}

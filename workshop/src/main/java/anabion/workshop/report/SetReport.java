package anabion.workshop.report;

import anabion.core.words.Words;
import anabion.workshop.Photo;
import anabion.workshop.SetRecord;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import javax.imageio.ImageIO;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;

/** Writes the record of a set as HTML, or as PDF with its own fonts inside. */
public final class SetReport {
    private static final int PICTURE_WIDTH = 480;
    private final TemplateEngine engine = new TemplateEngine();

    public SetReport() {
        ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver(SetReport.class.getClassLoader());
        resolver.setPrefix("anabion/report/");
        resolver.setSuffix(".html");
        resolver.setTemplateMode(TemplateMode.HTML);
        resolver.setCharacterEncoding(StandardCharsets.UTF_8.name());
        engine.setTemplateResolver(resolver);
    }

    /** A picture inside the page. */
    public record Picture(String caption, String data) {}

    public void html(SetRecord set, Words words, Function<Photo, Path> file, Writer out) throws IOException {
        out.write(page(set, words, file));
        out.flush();
    }

    public void pdf(SetRecord set, Words words, Function<Photo, Path> file, OutputStream out) throws IOException {
        com.openhtmltopdf.util.XRLog.setLoggingEnabled(false);
        PdfRendererBuilder builder = new PdfRendererBuilder();
        font(builder, "Regular", 400);
        font(builder, "SemiBold", 600);
        builder.withHtmlContent(page(set, words, file), null);
        builder.toStream(out);
        builder.run();
    }

    private static void font(PdfRendererBuilder builder, String weight, int value) {
        builder.useFont(
                () -> SetReport.class.getResourceAsStream("/anabion/fonts/IBMPlexSansCondensed-" + weight + ".ttf"),
                "Plex",
                value,
                com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle.NORMAL,
                true);
    }

    private String page(SetRecord set, Words words, Function<Photo, Path> file) throws IOException {
        Context context = new Context(Locale.ROOT);
        context.setVariable("page", new RecordPage(set, words));
        context.setVariable("pictures", pictures(set, file));
        return engine.process("record", context);
    }

    private static List<Picture> pictures(SetRecord set, Function<Photo, Path> file) throws IOException {
        List<Picture> pictures = new ArrayList<>();
        for (Photo photo : set.photos()) {
            BufferedImage image = ImageIO.read(file.apply(photo).toFile());
            if (image != null)
                pictures.add(new Picture(
                        photo.caption(),
                        "data:image/jpeg;base64," + Base64.getEncoder().encodeToString(small(image))));
        }
        return pictures;
    }

    private static byte[] small(BufferedImage image) throws IOException {
        int width = Math.min(PICTURE_WIDTH, image.getWidth());
        int height = Math.max(1, image.getHeight() * width / image.getWidth());
        BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = small.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.drawImage(image, 0, 0, width, height, null);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(small, "jpg", out);
        return out.toByteArray();
    }
}

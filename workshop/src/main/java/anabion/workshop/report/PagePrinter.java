package anabion.workshop.report;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PDFontSupplier;
import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Prints a page of HTML as PDF with its own fonts inside. */
final class PagePrinter {
    private PagePrinter() {}

    static void print(String page, OutputStream out) throws IOException {
        print(page, false, out);
    }

    /** @param archival as PDF/A-1b, which any reader shows alike in decades (ISO 19005-1) */
    static void print(String page, boolean archival, OutputStream out) throws IOException {
        try (PDDocument document = new PDDocument()) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.usePDDocument(document);
            if (archival) {
                builder.usePdfAConformance(PdfRendererBuilder.PdfAConformance.PDFA_1_B);
                builder.useColorProfile(
                        ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData());
            }
            font(builder, document, "Regular", 400);
            font(builder, document, "SemiBold", 600);
            builder.useSVGDrawer(new BatikSVGDrawer());
            builder.withHtmlContent(page, null);
            if (!archival) {
                builder.toStream(out);
                builder.run();
                return;
            }
            try (PdfBoxRenderer renderer = builder.buildPdfRenderer()) {
                renderer.layout();
                renderer.createPDFWithoutClosing();
                // tables of objects that are compressed are younger than the standard
                document.save(out, CompressParameters.NO_COMPRESSION);
            }
        }
    }

    /** Without ligatures: the library looks for them in every word by patterns that it makes anew each time, a fourth of the whole work. */
    private static void font(PdfRendererBuilder builder, PDDocument document, String weight, int value)
            throws IOException {
        String file = "/anabion/fonts/IBMPlexSansCondensed-" + weight + ".ttf";
        try (InputStream in = PagePrinter.class.getResourceAsStream(file)) {
            TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(in));
            font.setEnableGsub(false);
            PDFontSupplier plex = new PDFontSupplier(PDType0Font.load(document, font, true));
            builder.useFont(plex, "Plex", value, FontStyle.NORMAL, true);
        }
    }
}

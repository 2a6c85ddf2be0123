package anabion.workshop.storage;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.util.Iterator;
import java.util.Locale;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** Reads pictures to their last line, whatever their size: of a large one only some of the pixels are kept. */
public final class Pictures {
    /** A larger one is no photo of a chassis, and would take a minute to decode. */
    static final long MOST_PIXELS = 50_000_000L;

    private Pictures() {}

    /**
     * A picture that could be read.
     *
     * @param format by the name of its reader, in lower case
     */
    public record Decoded(BufferedImage image, String format) {}

    /**
     * Reads a picture.
     *
     * @param width in pixels, of which at least as many are kept where there are as many
     * @throws IOException if it is none, too large, damaged or cut short
     */
    public static Decoded decode(InputStream in, int width) throws IOException {
        try (ImageInputStream image = ImageIO.createImageInputStream(in)) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(image);
            if (!readers.hasNext()) throw new IOException("no picture");
            ImageReader reader = readers.next();
            try {
                reader.setInput(image, true, true);
                return new Decoded(pixels(reader, width), reader.getFormatName().toLowerCase(Locale.ROOT));
            } finally {
                reader.dispose();
            }
        } catch (RuntimeException e) { // what readers of damaged files throw
            throw new IOException("a damaged picture", e);
        }
    }

    private static BufferedImage pixels(ImageReader reader, int width) throws IOException {
        long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
        if (pixels <= 0 || pixels > MOST_PIXELS)
            throw new IOException("a picture of " + reader.getWidth(0) + " × " + reader.getHeight(0) + " pixels");
        ImageReadParam every = reader.getDefaultReadParam();
        int step = Math.max(1, reader.getWidth(0) / width);
        every.setSourceSubsampling(step, step, 0, 0);
        return reader.read(0, every);
    }
}

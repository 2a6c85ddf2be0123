package anabion.workshop.storage;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.exif.ExifDirectoryBase;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.ExifSubIFDDirectory;
import java.awt.Graphics2D;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Date;
import java.util.Iterator;
import java.util.Locale;
import java.util.Optional;
import java.util.TimeZone;
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
     * Reads a picture and turns it upright, as the camera was held.
     *
     * @param width in pixels, of which at least as many are kept where there are as many
     * @throws IOException if it is none, too large, damaged or cut short
     */
    public static BufferedImage upright(byte[] bytes, int width) throws IOException {
        BufferedImage image = decode(new ByteArrayInputStream(bytes), width).image();
        return turned(image, orientation(bytes));
    }

    /** When a camera says that it took a picture; empty where none says it. */
    public static Optional<Instant> taken(byte[] bytes, ZoneId zone) {
        return exif(bytes)
                .map(m -> m.getFirstDirectoryOfType(ExifSubIFDDirectory.class))
                .map(d -> d.getDate(ExifDirectoryBase.TAG_DATETIME_ORIGINAL, TimeZone.getTimeZone(zone)))
                .map(Date::toInstant);
    }

    private static int orientation(byte[] bytes) {
        return exif(bytes)
                .map(m -> m.getFirstDirectoryOfType(ExifIFD0Directory.class))
                .map(d -> d.getInteger(ExifDirectoryBase.TAG_ORIENTATION))
                .orElse(1);
    }

    private static Optional<Metadata> exif(byte[] bytes) {
        try {
            return Optional.of(ImageMetadataReader.readMetadata(new ByteArrayInputStream(bytes)));
        } catch (ImageProcessingException | IOException | RuntimeException e) {
            return Optional.empty(); // a picture without such words, or with damaged ones, is a picture
        }
    }

    /** By the numbers of the Exif standard: 1 upright, 3 on its head, 6 and 8 on its sides, the others mirrored. */
    private static BufferedImage turned(BufferedImage image, int orientation) {
        if (orientation <= 1 || orientation > 8) return image;
        boolean aside = orientation >= 5;
        int w = image.getWidth();
        int h = image.getHeight();
        AffineTransform turn =
                switch (orientation) {
                    case 2 -> new AffineTransform(-1, 0, 0, 1, w, 0);
                    case 3 -> new AffineTransform(-1, 0, 0, -1, w, h);
                    case 4 -> new AffineTransform(1, 0, 0, -1, 0, h);
                    case 5 -> new AffineTransform(0, 1, 1, 0, 0, 0);
                    case 6 -> new AffineTransform(0, 1, -1, 0, h, 0);
                    case 7 -> new AffineTransform(0, -1, -1, 0, h, w);
                    default -> new AffineTransform(0, -1, 1, 0, 0, w);
                };
        BufferedImage upright = new BufferedImage(aside ? h : w, aside ? w : h, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = upright.createGraphics();
        g.drawImage(image, turn, null);
        g.dispose();
        return upright;
    }

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

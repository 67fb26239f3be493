package vestcoin.app.picture;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import net.coobird.thumbnailator.util.exif.ExifFilterUtils;
import net.coobird.thumbnailator.util.exif.ExifUtils;
import net.coobird.thumbnailator.util.exif.Orientation;

/**
 * Brings pictures to the size the list of goods shows, as JPEG on white. What a picture is goes by its bytes, never by
 * its name; JPEG, PNG, GIF and WebP can be read.
 */
final class PictureSizing {
    /** The longer side in pixels: the list's square three times over, for screens that draw finely. */
    static final int SIDE = 480;

    static final int MOST_BYTES = 200 * 1024;
    /** Above it looking at every pixel takes longer than somebody waits. */
    static final long MOST_PIXELS = 40_000_000;

    /** So many times the size it will have is read of a large picture, so that it is drawn no coarser. */
    private static final int FINER = 3;

    private static final double[] QUALITIES = {0.85, 0.7, 0.5, 0.3};

    /** No picture that can be read. */
    static final class NoPicture extends Exception {
        private static final long serialVersionUID = 1;
    }

    /** More pixels than are read. */
    static final class TooManyPixels extends Exception {
        private static final long serialVersionUID = 1;
    }

    private PictureSizing() {}

    static byte[] sized(byte[] given) throws NoPicture, TooManyPixels {
        BufferedImage white = onWhite(small(given));
        try {
            byte[] made = new byte[0];
            for (double quality : QUALITIES) {
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                Thumbnails.of(white)
                        .scale(1)
                        .outputFormat("jpg")
                        .outputQuality(quality)
                        .toOutputStream(out);
                made = out.toByteArray();
                if (made.length <= MOST_BYTES) {
                    break;
                }
            }
            return made;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Looks at the size it says it has before anything of it is drawn; then draws no more of it than is needed. */
    private static BufferedImage small(byte[] given) throws NoPicture, TooManyPixels {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(given))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw new NoPicture();
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in);
                if ((long) reader.getWidth(0) * reader.getHeight(0) > MOST_PIXELS) {
                    throw new TooManyPixels();
                }
                return turned(reader, drawn(reader));
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            // Cut off in the middle, or of a kind its reader knows by its beginning only.
            throw new NoPicture();
        }
    }

    /** Of a large picture every so many pixels, so that it takes the memory of a small one. */
    private static BufferedImage drawn(ImageReader reader) throws IOException {
        int step = Math.max(1, Math.max(reader.getWidth(0), reader.getHeight(0)) / (FINER * SIDE));
        ImageReadParam every = reader.getDefaultReadParam();
        every.setSourceSubsampling(step, step, 0, 0);
        BufferedImage read = reader.read(0, every);
        double longer = Math.max(read.getWidth(), read.getHeight());
        return Thumbnails.of(read)
                .scale(Math.min(1, SIDE / longer))
                .imageType(BufferedImage.TYPE_INT_ARGB)
                .asBufferedImage();
    }

    /** As its camera was held, where a JPEG says that in a way that can be read; else as it is. */
    private static BufferedImage turned(ImageReader reader, BufferedImage picture) throws IOException {
        if (!reader.getFormatName().equalsIgnoreCase("jpeg")) {
            return picture;
        }
        try {
            Orientation held = ExifUtils.getExifOrientation(reader, 0);
            return held == null
                    ? picture
                    : ExifFilterUtils.getFilterForOrientation(held).apply(picture);
        } catch (IOException | RuntimeException e) {
            return picture;
        }
    }

    private static BufferedImage onWhite(BufferedImage picture) {
        BufferedImage white = new BufferedImage(picture.getWidth(), picture.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D drawn = white.createGraphics();
        drawn.drawImage(picture, 0, 0, Color.WHITE, null);
        drawn.dispose();
        return white;
    }
}

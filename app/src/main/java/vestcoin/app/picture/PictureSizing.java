package vestcoin.app.picture;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;

/**
 * Brings pictures to the size the list of goods shows, as JPEG on white. What a picture is goes by its bytes, never by
 * its name; JPEG, PNG, GIF and WebP can be read.
 */
final class PictureSizing {
    /** The longer side in pixels: the list's square three times over, for screens that draw finely. */
    static final int SIDE = 480;

    static final int MOST_BYTES = 200 * 1024;
    /** Above it a picture would take more memory than the rest of the application. */
    static final long MOST_PIXELS = 40_000_000;

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

    /** One after the other, so that many at once take no more memory than one. */
    static synchronized byte[] sized(byte[] given) throws NoPicture, TooManyPixels {
        double scale = Math.min(1, (double) SIDE / longerSide(given));
        try {
            // Turned as its camera was held.
            BufferedImage small = Thumbnails.of(new ByteArrayInputStream(given))
                    .scale(scale)
                    .imageType(BufferedImage.TYPE_INT_ARGB)
                    .asBufferedImage();
            BufferedImage white = onWhite(small);
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
        } catch (IOException | RuntimeException e) {
            // Cut off in the middle, or of a kind its reader knows by its beginning only.
            throw new NoPicture();
        }
    }

    /** Looks at the size it says it has before anything of it is drawn. */
    private static int longerSide(byte[] given) throws NoPicture, TooManyPixels {
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
                return Math.max(reader.getWidth(0), reader.getHeight(0));
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            throw new NoPicture();
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

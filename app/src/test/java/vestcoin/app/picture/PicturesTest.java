package vestcoin.app.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.management.ThreadMXBean;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Base64;
import java.util.HexFormat;
import java.util.Map;
import java.util.Random;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;

/** Pictures of goods: known by their bytes, made small, never more than the list can bear. */
@ExtendWith(RunningShop.class)
class PicturesTest {
    private final RunningShop.Running shop;

    PicturesTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static byte[] drawn(String format, int width, int height, boolean noise) throws IOException {
        boolean clear = format.equals("png");
        BufferedImage image =
                new BufferedImage(width, height, clear ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB);
        Graphics2D in = image.createGraphics();
        in.setColor(new Color(180, 60, 20));
        in.fillOval(width / 4, height / 4, width / 2, height / 2);
        in.dispose();
        Random random = new Random(5);
        for (int i = 0; noise && i < width * height; i++) {
            image.setRGB(i % width, i / width, 0xff000000 | random.nextInt(0x1000000));
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertThat(ImageIO.write(image, format, out)).isTrue();
        return out.toByteArray();
    }

    private Caller.Answer send(byte[] picture) {
        return shop.owner()
                .sent(HttpRequest.newBuilder(URI.create(shop.url() + Caller.SHOP + "/pictures"))
                        .header("Content-Type", "application/octet-stream")
                        .POST(HttpRequest.BodyPublishers.ofByteArray(picture))
                        .build());
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpg", "gif"})
    void a_picture_is_made_small_and_is_a_jpeg_on_white(String format) throws Exception {
        BufferedImage small =
                ImageIO.read(new ByteArrayInputStream(PictureSizing.sized(drawn(format, 2000, 1000, false))));
        assertThat(small.getWidth()).isEqualTo(480);
        assertThat(small.getHeight()).isEqualTo(240);
        if (format.equals("png")) {
            assertThat(new Color(small.getRGB(2, 2)).getRed())
                    .as("nothing is white")
                    .isGreaterThan(250);
        }
        assertThat(new Color(small.getRGB(240, 120)).getRed()).isBetween(170, 190);
    }

    /** A WebP of one pixel, lossless. Source: the container and bit layout of RFC 9649; the bytes from memory. */
    @Test
    void webp_is_read_too() throws Exception {
        byte[] webp = Base64.getDecoder().decode("UklGRhoAAABXRUJQVlA4TA0AAAAvAAAAEAcQERGIiP4HAA==");
        assertThat(ImageIO.read(new ByteArrayInputStream(PictureSizing.sized(webp)))
                        .getWidth())
                .isEqualTo(1);
    }

    @Test
    void what_cannot_be_pressed_together_is_still_at_most_200_kb() throws Exception {
        byte[] noise = PictureSizing.sized(drawn("png", 900, 900, true));
        assertThat(noise.length).isLessThanOrEqualTo(200 * 1024);
    }

    @Test
    void a_small_one_is_not_made_large() throws Exception {
        assertThat(ImageIO.read(new ByteArrayInputStream(PictureSizing.sized(drawn("png", 40, 30, false))))
                        .getWidth())
                .isEqualTo(40);
    }

    @Test
    void what_only_says_it_is_a_picture_is_refused() throws Exception {
        byte[] whole = drawn("png", 300, 300, true);
        for (byte[] wrong : new byte[][] {
            {},
            "<svg xmlns='http://www.w3.org/2000/svg'/>".getBytes(),
            "GIF89a".getBytes(),
            Arrays.copyOf(whole, 20),
            Arrays.copyOf(whole, whole.length / 2)
        }) {
            Caller.Answer answer = send(wrong);
            assertThat(answer.status()).as(answer.text()).isEqualTo(422);
            assertThat(answer.sentence()).contains("no picture that can be read");
        }
    }

    /** A camera that was held upright. Source: Exif 2.3, tag 0x0112, value 6; the bytes from memory. */
    @Test
    void a_picture_is_turned_as_its_camera_was_held() throws Exception {
        byte[] plain = drawn("jpg", 60, 30, false);
        byte[] exif = HexFormat.of()
                .parseHex("ffe10022" + "457869660000" + "4d4d002a00000008" + "0001" + "0112000300000001" + "00060000"
                        + "00000000");
        // After the first segment, where cameras write it; before it some programs do, and it is left as it is.
        BufferedImage turned = ImageIO.read(new ByteArrayInputStream(PictureSizing.sized(put(exif, plain, 20))));
        assertThat(turned.getWidth()).isEqualTo(30);
        assertThat(turned.getHeight()).isEqualTo(60);
        assertThat(ImageIO.read(new ByteArrayInputStream(PictureSizing.sized(put(exif, plain, 2))))
                        .getWidth())
                .isEqualTo(60);
    }

    private static byte[] put(byte[] part, byte[] whole, int at) {
        return ByteBuffer.allocate(whole.length + part.length)
                .put(whole, 0, at)
                .put(part)
                .put(whole, at, whole.length - at)
                .array();
    }

    /** As large as is taken, in as much memory as an installation has to spare. */
    @Test
    void the_largest_takes_the_memory_of_a_small_one() throws Exception {
        byte[] large = drawn("jpg", 8000, 5000, false);
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        long before = threads.getCurrentThreadAllocatedBytes();
        byte[] small = PictureSizing.sized(large);
        assertThat(threads.getCurrentThreadAllocatedBytes() - before).isLessThan(60_000_000);
        assertThat(ImageIO.read(new ByteArrayInputStream(small)).getWidth()).isEqualTo(480);
    }

    /** A file of a few bytes that says it has 60,000 × 60,000 pixels: refused before any of them is drawn. */
    @Test
    void a_bomb_of_pixels_is_refused_by_what_it_says_of_itself() {
        ByteBuffer header = ByteBuffer.allocate(17);
        header.put("IHDR".getBytes()).putInt(60_000).putInt(60_000).put(new byte[] {8, 2, 0, 0, 0});
        CRC32 crc = new CRC32();
        crc.update(header.array());
        ByteBuffer png = ByteBuffer.allocate(8 + 4 + 17 + 4);
        png.put(new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'})
                .putInt(13)
                .put(header.array())
                .putInt((int) crc.getValue());
        assertThatThrownBy(() -> PictureSizing.sized(png.array())).isInstanceOf(PictureSizing.TooManyPixels.class);
        Caller.Answer answer = send(png.array());
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.sentence()).contains("40 million pixels");
    }

    @Test
    @Witness(value = "goods.products[].shown.picture", felt = Felt.COUNTER)
    void a_picture_put_in_at_a_product_is_served_at_the_counter() throws Exception {
        String name = send(drawn("png", 600, 600, false)).json().path("name").asString();
        shop.owner().publish(Map.of("goods/products/parafoil/shown", Map.of("picture", name)));
        JsonNode goods = shop.anybody().get(Caller.COUNTER).json().path("goods").path("products");
        assertThat(goods.valueStream()
                        .filter(product -> product.path("id").asString().equals("parafoil"))
                        .map(product -> product.path("picture").asString()))
                .containsExactly(name);
        Caller.Answer served = shop.anybody().get(Caller.COUNTER + "/pictures/" + name);
        assertThat(served.status()).isEqualTo(200);
        assertThat(served.whole().headers().firstValue("Content-Type")).contains("image/jpeg");
        assertThat(served.whole().headers().firstValue("Cache-Control").orElse(""))
                .contains("immutable");
        assertThat(shop.anybody()
                        .get(Caller.COUNTER + "/pictures/" + "0".repeat(64))
                        .status())
                .isEqualTo(404);
        assertThat(shop.owner()
                        .post(
                                Caller.SHOP + "/draft/edits",
                                Map.of(
                                        "edits",
                                        java.util.List.of(Map.of(
                                                "path", "goods/products/box-kite/shown/picture", "now", "kite.png"))))
                        .status())
                .as("a name of a file is no name of a picture")
                .isEqualTo(422);
    }
}

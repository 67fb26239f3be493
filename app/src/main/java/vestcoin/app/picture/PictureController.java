package vestcoin.app.picture;

import java.time.Duration;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.core.message.Message;

/** Pictures of goods: taken in at the desk, served at the counter. */
@RestController
class PictureController {
    /** @param name what a product names it by */
    record Kept(String name) {}

    private final Pictures pictures;

    PictureController(Pictures pictures) {
        this.pictures = pictures;
    }

    /** Takes a picture in, and keeps it in the size the list of goods shows. Its bytes are the body. */
    @PostMapping(path = "/api/shops/{shop}/pictures", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    Kept take(@PathVariable String shop, @RequestBody(required = false) byte[] picture) {
        try {
            return new Kept(pictures.keep(shop, PictureSizing.sized(picture == null ? new byte[0] : picture)));
        } catch (PictureSizing.NoPicture e) {
            throw refused(Message.of("picture.is-none"), Message.of("picture.choose-jpeg-png-gif-or-webp"));
        } catch (PictureSizing.TooManyPixels e) {
            throw refused(
                    Message.of("picture.has-too-many-pixels", "most", PictureSizing.MOST_PIXELS / 1_000_000),
                    Message.of("picture.make-it-smaller"));
        }
    }

    /** A name stands for the same picture for ever. */
    @GetMapping("/api/counter/{shop}/pictures/{name}")
    ResponseEntity<byte[]> picture(@PathVariable String shop, @PathVariable String name) {
        byte[] bytes = pictures.find(shop, name)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "name",
                        Message.of("picture.there-no-such"),
                        Message.of("picture.put-it-in-at-product")));
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable())
                .body(bytes);
    }

    private static ApiProblem refused(Message sentence, Message remedy) {
        return new ApiProblem(HttpStatus.UNPROCESSABLE_CONTENT, "picture", sentence, remedy);
    }
}

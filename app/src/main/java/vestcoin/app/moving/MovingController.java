package vestcoin.app.moving;

import java.security.Principal;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Goods files from elsewhere: looked at first, then taken in. The file's bytes are the body. */
@RestController
class MovingController {
    private final GoodsMoving moving;

    MovingController(GoodsMoving moving) {
        this.moving = moving;
    }

    /** What a file would do; nothing is written. @param means what its columns hold, in their order; guessed without */
    @PostMapping(path = "/api/shops/{shop}/draft/files/moving", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    GoodsMoving.Look look(
            @PathVariable String shop,
            @RequestParam(required = false) List<String> means,
            @RequestBody(required = false) byte[] file) {
        return moving.look(shop, given(file), meanings(means));
    }

    /** Takes what can be taken into the draft, as one change. */
    @PutMapping(path = "/api/shops/{shop}/draft/files/moving", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    GoodsMoving.Look take(
            @PathVariable String shop,
            @RequestParam(required = false) List<String> means,
            @RequestBody(required = false) byte[] file,
            Principal who) {
        return moving.take(shop, given(file), meanings(means), who.getName());
    }

    private static List<Meaning> meanings(List<String> means) {
        return means == null ? List.of() : means.stream().map(Meaning::named).toList();
    }

    private static byte[] given(byte[] file) {
        return file == null ? new byte[0] : file;
    }
}

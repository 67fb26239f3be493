package vestcoin.app.download;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaTypeFactory;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.core.message.Message;

/** The files of a product at the desk: put in as they are, byte by byte, replaced, taken away. */
@RestController
class ProductFileController {
    private static final int LONGEST_NAME = 200;
    private static final int MOST_FILES = 20;
    private static final String UNKNOWN_TYPE = "application/octet-stream";

    /** @param bytes how long it is @param sha256 of it, by which one can tell which it is */
    record FileRow(long id, String name, String type, long bytes, String sha256, Instant at) {
        static FileRow of(ProductFiles.ProductFile file) {
            return new FileRow(file.id(), file.name(), file.type(), file.bytes(), file.sha256(), file.at());
        }
    }

    private final ProductFiles files;

    ProductFileController(ProductFiles files) {
        this.files = files;
    }

    @GetMapping("/api/shops/{shop}/files/{product}")
    List<FileRow> files(@PathVariable String shop, @PathVariable String product) {
        return files.of(shop, product).stream().map(FileRow::of).toList();
    }

    /**
     * Takes a file in. Its bytes are the body. @param name of the file @param replaces id of one whose place it takes
     */
    @PostMapping("/api/shops/{shop}/files/{product}")
    List<FileRow> add(
            @PathVariable String shop,
            @PathVariable String product,
            @RequestParam String name,
            @RequestParam Optional<Long> replaces,
            HttpServletRequest request)
            throws IOException {
        String called = named(name);
        if (product.length() > 60
                || replaces.isEmpty() && files.of(shop, product).size() >= MOST_FILES) {
            throw refused(
                    HttpStatus.CONFLICT,
                    Message.of("download.product-has-as-many-files-as-can-be", "most", MOST_FILES),
                    Message.of("download.replace-one-or-put-several-into-one-archive"));
        }
        long announced = request.getContentLengthLong();
        if (announced > FileStore.LARGEST) {
            throw tooLarge();
        }
        if (announced == 0) {
            throw empty();
        }
        String type = MediaTypeFactory.getMediaType(called).map(String::valueOf).orElse(UNKNOWN_TYPE);
        try {
            if (replaces.isPresent()) {
                ProductFiles.ProductFile file = files.find(shop, replaces.get())
                        .filter(each -> each.product().equals(product))
                        .orElseThrow(() -> refused(
                                HttpStatus.NOT_FOUND,
                                Message.of("download.there-no-such-file"),
                                Message.of("download.load-page-again")));
                files.replace(shop, file, called, type, request.getInputStream(), announced);
            } else {
                files.add(shop, product, called, type, request.getInputStream(), announced);
            }
        } catch (FileStore.TooLarge e) {
            throw tooLarge();
        } catch (FileStore.CutOff e) {
            throw cutOff();
        } catch (org.apache.catalina.connector.ClientAbortException | java.io.EOFException e) {
            throw cutOff();
        }
        return files(shop, product);
    }

    @DeleteMapping("/api/shops/{shop}/files/{product}/{id}")
    List<FileRow> remove(@PathVariable String shop, @PathVariable String product, @PathVariable long id) {
        files.remove(shop, id);
        return files(shop, product);
    }

    /** Without folders and signs that mean something to a disk. */
    private static String named(String name) {
        String last = name.replaceAll("^.*[/\\\\]", "")
                .replaceAll("[\\p{Cntrl}\"<>|:*?]", "")
                .strip();
        if (last.isEmpty() || last.length() > LONGEST_NAME) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "name",
                    Message.of("download.file-needs-name", "most", LONGEST_NAME),
                    Message.of("download.rename-file-and-choose-again"));
        }
        return last;
    }

    private static ApiProblem tooLarge() {
        return refused(
                HttpStatus.CONTENT_TOO_LARGE,
                Message.of("download.file-too-large", "most", FileStore.LARGEST / (1024 * 1024)),
                Message.of("download.make-smaller-or-give-link"));
    }

    private static ApiProblem cutOff() {
        return refused(
                HttpStatus.BAD_REQUEST,
                Message.of("download.file-was-cut-off"),
                Message.of("download.choose-it-again-nothing-of-it-was-kept"));
    }

    private static ApiProblem empty() {
        return refused(
                HttpStatus.UNPROCESSABLE_CONTENT,
                Message.of("download.file-is-empty"),
                Message.of("download.choose-another"));
    }

    private static ApiProblem refused(HttpStatus status, Message sentence, Message remedy) {
        return new ApiProblem(status, "file", sentence, remedy);
    }
}

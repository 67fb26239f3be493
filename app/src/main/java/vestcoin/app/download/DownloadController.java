package vestcoin.app.download;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Answers;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Orders;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Wording;
import vestcoin.core.message.Message;

/**
 * A file handed over, for whoever holds its link. Parts of it are answered too (ranges by RFC 9110, section 14), so
 * that a download that broke off goes on; only the beginning of a file counts as fetching it.
 */
@RestController
class DownloadController {
    private final Downloads book;
    private final ProductFiles files;
    private final DownloadHandover handover;
    private final Orders orders;
    private final Editions editions;
    private final Clock clock;

    DownloadController(
            Downloads book,
            ProductFiles files,
            DownloadHandover handover,
            Orders orders,
            Editions editions,
            Clock clock) {
        this.book = book;
        this.files = files;
        this.handover = handover;
        this.orders = orders;
        this.editions = editions;
        this.clock = clock;
    }

    @GetMapping("/api/counter/downloads/{token}")
    ResponseEntity<Resource> fetch(
            @PathVariable String token, @RequestHeader(name = HttpHeaders.RANGE, required = false) String range) {
        Downloads.Download download = book.byToken(token)
                .orElseThrow(() -> refused(
                        HttpStatus.NOT_FOUND,
                        Message.of("download.there-no-such-file"),
                        Message.of("download.open-link-from-order-page")));
        Orders.Order order = orders.byId(download.orderId());
        Answers.phrase(
                Wording.of(editions.of(order.shop(), order.by()).document().setup(), order.language()));
        open(download, order);
        boolean beginning = range == null || range.replaceAll("\\s", "").startsWith("bytes=0-");
        if (beginning && !book.fetch(download.id())) {
            throw usedUp();
        }
        if (download.fileId() == null) {
            return ResponseEntity.status(HttpStatus.SEE_OTHER)
                    .header(HttpHeaders.LOCATION, download.link())
                    .build();
        }
        ProductFiles.ProductFile file =
                files.find(order.shop(), download.fileId()).orElseThrow();
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(file.type()))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(file.name(), StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .header(HttpHeaders.CACHE_CONTROL, "no-store")
                .header("X-Content-Type-Options", "nosniff")
                .body(files.read(file));
    }

    /** @throws ApiProblem if it is not there yet, its time is over, or the order is no longer paid */
    private void open(Downloads.Download download, Orders.Order order) {
        Instant now = clock.instant();
        if (order.cancelled() || order.standing().equals("refunded") || !handover.paid(order)) {
            throw refused(
                    HttpStatus.GONE,
                    Message.of("download.order-is-not-paid-any-more"),
                    Message.of("download.ask-shop"));
        }
        if (!download.there(now)) {
            throw refused(
                    HttpStatus.FORBIDDEN,
                    Message.of(
                            "download.there-from",
                            "day",
                            download.fromAt()
                                    .atZone(editions.of(order.shop(), order.by())
                                            .document()
                                            .compiled()
                                            .zone())
                                    .toLocalDate()),
                    Message.of("download.come-back-then"));
        }
        if (now.isAfter(download.until())) {
            throw refused(
                    HttpStatus.GONE, Message.of("download.time-is-over"), Message.of("download.ask-shop-to-renew"));
        }
    }

    /** Lets the buyer fetch what an order holds as often and as long again. */
    @PostMapping("/api/shops/{shop}/orders/{number}/downloads")
    void renew(@PathVariable String shop, @PathVariable int number) {
        handover.renew(orders.numbered(shop, number));
    }

    private static ApiProblem usedUp() {
        return refused(
                HttpStatus.GONE, Message.of("download.fetched-often-enough"), Message.of("download.ask-shop-to-renew"));
    }

    private static ApiProblem refused(HttpStatus status, Message sentence, Message remedy) {
        return new ApiProblem(status, "file", sentence, remedy);
    }
}

package vestcoin.app.booking;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.setup.Drafts;
import vestcoin.core.message.Message;
import vestcoin.core.setup.Setup;

/** Who comes when, at the desk and in the seller's calendar. */
@RestController
class BookingController {
    private static final int SHOWN = 50;
    private static final int FED = 1000;
    /** A calendar keeps what is just over. */
    private static final int DAYS_BACK = 30;

    /** @param place as the seller names it @param starts on the shop's clock */
    record Coming(
            String place,
            LocalDateTime starts,
            LocalDateTime ends,
            int number,
            String name,
            String things,
            String standing,
            String sent) {}

    /** @param calendar address of the feed, once there is one */
    record Comings(List<Coming> coming, Optional<String> calendar) {}

    private final Bookings bookings;
    private final Drafts drafts;
    private final Clock clock;
    private final String ownUrl;

    BookingController(Bookings bookings, Drafts drafts, Clock clock, @Value("${vest-coin.own-url}") String ownUrl) {
        this.bookings = bookings;
        this.drafts = drafts;
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    @GetMapping("/api/shops/{shop}/bookings")
    Comings coming(@PathVariable String shop) {
        Setup setup = drafts.of(shop).document().setup();
        List<Coming> coming = bookings.from(shop, now(setup), SHOWN).stream()
                .map(booking -> new Coming(
                        Feed.name(setup, booking),
                        booking.starts(),
                        booking.ends(),
                        booking.number(),
                        booking.name(),
                        Feed.things(setup, booking),
                        booking.standing(),
                        booking.sent()))
                .toList();
        return new Comings(coming, bookings.secret(shop).map(this::address));
    }

    /** Makes the feed's address, or a new one; the old one no longer answers. */
    @PostMapping("/api/shops/{shop}/calendar")
    Comings renew(@PathVariable String shop) {
        bookings.renew(shop);
        return coming(shop);
    }

    /** The feed, for whoever holds its address. */
    @GetMapping(path = "/calendar/{file}", produces = "text/calendar")
    ResponseEntity<byte[]> feed(@PathVariable String file) {
        String shop = bookings.shopOf(file.replaceFirst("\\.ics$", ""))
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "file",
                        Message.of("booking.there-no-such-calendar"),
                        Message.of("booking.copy-address-from-pickup-station-again")));
        Setup setup = drafts.of(shop).document().setup();
        String text = Feed.of(setup, bookings.from(shop, now(setup).minusDays(DAYS_BACK), FED), clock.instant());
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "calendar", StandardCharsets.UTF_8))
                .body(text.getBytes(StandardCharsets.UTF_8));
    }

    private LocalDateTime now(Setup setup) {
        return LocalDateTime.ofInstant(clock.instant(), ZoneId.of(setup.shop().timeZone()));
    }

    private String address(String secret) {
        return ownUrl + "/calendar/" + secret + ".ics";
    }
}

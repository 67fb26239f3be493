package vestcoin.app.buyer;

import jakarta.servlet.http.HttpServletRequest;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.access.Buyers;
import vestcoin.app.access.CounterEntrance;
import vestcoin.app.access.Memberships;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.edge.RateLimits;
import vestcoin.app.format.Json;
import vestcoin.app.message.BuyerLetters;
import vestcoin.app.order.Credits;
import vestcoin.app.order.Orders;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Goods;
import vestcoin.core.message.Message;

/** A buyer's own page. Whether an address has ever ordered is told to nobody but its mailbox. */
@RestController
class BuyerController {
    private static final int MOST_ORDERS = 100;
    private static final int MOST_ADDRESSES = 5;

    record WantsIn(String email, Optional<String> language) {
        WantsIn {
            language = language == null ? Optional.empty() : language.filter(tag -> tag.length() <= 35);
        }
    }

    record MailedKey(String key) {}

    /** @param token of the order's own page */
    record OwnOrder(
            int number,
            String token,
            Instant placedAt,
            BigDecimal total,
            String currency,
            String standing,
            String sent,
            boolean cancelled,
            boolean test) {}

    /** @param name it was sent to */
    record OwnAddress(String name, Orders.Address address) {}

    /** @param orders the latest first */
    record OwnPage(String email, List<OwnOrder> orders, List<OwnAddress> addresses) {}

    private final Buyers buyers;
    private final Orders orders;
    private final Credits credits;
    private final Memberships memberships;
    private final Editions editions;
    private final CounterEntrance entrance;
    private final BuyerLetters letters;
    private final RateLimits pace;
    private final String ownUrl;

    BuyerController(
            Buyers buyers,
            Orders orders,
            Credits credits,
            Memberships memberships,
            Editions editions,
            CounterEntrance entrance,
            BuyerLetters letters,
            RateLimits pace,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.buyers = buyers;
        this.orders = orders;
        this.credits = credits;
        this.memberships = memberships;
        this.editions = editions;
        this.entrance = entrance;
        this.letters = letters;
        this.pace = pace;
        this.ownUrl = ownUrl;
    }

    /**
     * Mails a link to an address that has ordered before, may pay on account, belongs to a group of buyers or could
     * join one, or may not order without it. The answer is the same for every address.
     */
    @PostMapping("/api/counter/{shop}/me/letter")
    ResponseEntity<Void> letter(@PathVariable String shop, @RequestBody WantsIn wants, HttpServletRequest request) {
        Editions.Edition edition = editions.live(shop)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "shop",
                        Message.of("buyer.this-shop-not-open"),
                        Message.of("buyer.come-back-later")));
        if (!MailAddress.isOne(wants.email())) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "email",
                    Message.of("buyer.e-mail-address-cannot-right"),
                    Message.of("buyer.write-name-example-com"));
        }
        // Where a group can be joined, strangers are written to: nobody has letters sent to many of them.
        if (pace.wait(RateLimits.Of.LINKS_BY_CLIENT, request.getRemoteAddr()).isPresent()) {
            throw new ApiProblem(
                    HttpStatus.TOO_MANY_REQUESTS,
                    "email",
                    Message.of("buyer.too-many-links-were-asked-for"),
                    Message.of("buyer.try-again-in-some-minutes"));
        }
        String email = wants.email().strip();
        Document spoken = editions.spoken(edition, wants.language().orElse(""));
        if (spoken.setup().terms().asking().signIn()
                || !orders.ofBuyer(shop, email, 1).isEmpty()
                || credits.of(shop, email, spoken.setup().shop().currency()).isPresent()
                || memberships.of(shop, email).isPresent()
                || spoken.setup().goods().buyerGroups().stream().anyMatch(Goods.BuyerGroup::joinable)) {
            buyers.letter(shop, email)
                    .ifPresent(key ->
                            letters.letIn(shop, spoken.setup(), email, ownUrl + "/counter/" + shop + "/me?key=" + key));
        }
        return ResponseEntity.accepted().build();
    }

    @PostMapping("/api/counter/{shop}/me/session")
    ResponseEntity<Void> enter(@PathVariable String shop, @RequestBody MailedKey mailed) {
        String session = Optional.ofNullable(mailed.key())
                .filter(key -> key.length() <= 100)
                .flatMap(key -> buyers.enter(shop, key))
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.GONE,
                        "key",
                        Message.of("buyer.this-link-was-used-already-or-older"),
                        Message.of("buyer.ask-for-another-below")));
        return ResponseEntity.noContent()
                .header(HttpHeaders.SET_COOKIE, cookie(shop, session, Buyers.SESSION.toSeconds()))
                .build();
    }

    @GetMapping("/api/counter/{shop}/me")
    OwnPage page(@PathVariable String shop, @CookieValue(name = Buyers.COOKIE, required = false) String session) {
        String email = buyers.in(shop, session)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.UNAUTHORIZED,
                        "email",
                        Message.of("buyer.you-not-signed-in"),
                        Message.of("buyer.ask-for-link-below")));
        List<Orders.Order> own = orders.ofBuyer(shop, email, MOST_ORDERS);
        return new OwnPage(
                email,
                own.stream().map(BuyerController::own).toList(),
                own.stream()
                        .map(order -> new OwnAddress(order.name(), Json.read(order.address(), Orders.Address.class)))
                        .distinct()
                        .limit(MOST_ADDRESSES)
                        .toList());
    }

    @DeleteMapping("/api/counter/{shop}/me")
    ResponseEntity<Void> leave(
            @PathVariable String shop, @CookieValue(name = Buyers.COOKIE, required = false) String session) {
        if (session != null) {
            buyers.leave(session);
        }
        return ResponseEntity.noContent()
                .header(HttpHeaders.SET_COOKIE, cookie(shop, "", 0))
                .build();
    }

    private static OwnOrder own(Orders.Order order) {
        return new OwnOrder(
                order.number(),
                order.token(),
                order.placedAt(),
                BigDecimal.valueOf(
                        order.payable(), CurrencyUnit.of(order.currency()).getDecimalPlaces()),
                order.currency(),
                order.standing(),
                order.sent(),
                order.cancelled(),
                order.mode().equals("test"));
    }

    /** Sent to this shop's counter alone, and out of reach of scripts. */
    private static String cookie(String shop, String value, long seconds) {
        return ResponseCookie.from(Buyers.COOKIE, value)
                .httpOnly(true)
                .secure(true)
                .sameSite("Lax")
                .path("/api/counter/" + shop)
                .maxAge(seconds)
                .build()
                .toString();
    }
}

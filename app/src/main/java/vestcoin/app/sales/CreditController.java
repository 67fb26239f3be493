package vestcoin.app.sales;

import java.math.BigDecimal;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.order.Credits;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.core.message.Message;
import vestcoin.core.money.Currencies;
import vestcoin.core.problem.Problems;

/** Whom the shop lets pay on account, though they are no business with a confirmed number. */
@RestController
class CreditController {
    private static final int PAGE = 100;
    private static final BigDecimal MOST = new BigDecimal("1000000000");

    /** @param limit most the buyer may owe, in the shop's currency; what the way to pay says without it */
    record CreditWanted(String email, Optional<BigDecimal> limit) {
        CreditWanted {
            limit = limit == null ? Optional.empty() : limit;
        }
    }

    private final Credits credits;
    private final Editions editions;
    private final Drafts drafts;

    CreditController(Credits credits, Editions editions, Drafts drafts) {
        this.credits = credits;
        this.editions = editions;
        this.drafts = drafts;
    }

    /** @param after the address of the last one on the page before */
    @GetMapping("/api/shops/{shop}/credits")
    List<Credits.MayOwe> credits(@PathVariable String shop, @RequestParam Optional<String> after) {
        return credits.page(shop, after.orElse(""), PAGE);
    }

    /** Lets a buyer pay on account, or changes how much they may owe. */
    @PutMapping("/api/shops/{shop}/credits")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void give(@PathVariable String shop, @RequestBody CreditWanted wanted, Principal who) {
        String currency = editions.live(shop)
                .map(Editions.Edition::document)
                .orElseGet(() -> drafts.of(shop).document())
                .setup()
                .shop()
                .currency();
        int digits = Currencies.of(currency).orElseThrow().getDecimalPlaces();
        Problems problems = new Problems();
        problems.when(
                !MailAddress.isOne(wanted.email()),
                "email",
                Message.of("buyer.e-mail-address-cannot-right"),
                Message.of("buyer.write-name-example-com"));
        wanted.limit()
                .ifPresent(limit -> problems.when(
                        limit.signum() <= 0
                                || limit.compareTo(MOST) >= 0
                                || limit.stripTrailingZeros().scale() > digits,
                        "limit",
                        Message.of("quote.limit-of-credit-is-no-amount"),
                        Message.of("quote.give-limit-above-zero-or-leave-out")));
        problems.refuseIfAny();
        credits.give(shop, wanted.email(), wanted.limit(), currency, who.getName());
    }

    @DeleteMapping("/api/shops/{shop}/credits")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void take(@PathVariable String shop, @RequestParam String email) {
        credits.take(shop, email);
    }
}

package vestcoin.app.setup;

import java.security.Principal;
import java.time.Clock;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.service.ExchangeRates;

/** Another country or another currency, at the Shop station. */
@RestController
class HomeChangeController {
    private final Drafts drafts;
    private final ExchangeRates exchange;
    private final Clock clock;

    HomeChangeController(Drafts drafts, ExchangeRates exchange, Clock clock) {
        this.drafts = drafts;
        this.exchange = exchange;
        this.clock = clock;
    }

    /** What would come of it. Nothing is changed. */
    @PostMapping("/api/shops/{shop}/draft/home/preview")
    HomeChange.Preview preview(@PathVariable String shop, @RequestBody HomeChange change) {
        return change.preview(drafts.of(shop).document().setup(), exchange.latest(), clock.instant());
    }

    /** The change, with all that goes with it, as one that can be undone. */
    @PostMapping("/api/shops/{shop}/draft/home")
    HomeChange.Preview change(@PathVariable String shop, @RequestBody HomeChange change, Principal who) {
        Document before = drafts.of(shop).document();
        HomeChange.Preview preview = change.preview(before.setup(), exchange.latest(), clock.instant());
        drafts.edit(shop, change.edits(before, clock.instant()), who.getName());
        return preview;
    }
}

package vestcoin.app.stock;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.core.message.Message;

/** What is left, at the Goods station. */
@RestController
class StockController {
    private static final BigDecimal MOST = new BigDecimal("999999999");
    private static final int DECIMALS = 3;

    /**
     * @param item product, or product and variation @param seen what the page showed @param remaining what is there;
     *     without it the item is counted no more
     */
    record Count(String item, Optional<BigDecimal> seen, Optional<BigDecimal> remaining) {
        Count {
            seen = seen == null ? Optional.empty() : seen;
            remaining = remaining == null ? Optional.empty() : remaining;
        }
    }

    /** @param left by item */
    record StockLevels(Map<String, BigDecimal> left) {}

    private final StockBook book;

    StockController(StockBook book) {
        this.book = book;
    }

    /** What is left of a product and of its variations. What is not in it is not counted. */
    @GetMapping("/api/shops/{shop}/stock/{product}")
    StockLevels left(@PathVariable String shop, @PathVariable String product) {
        return new StockLevels(book.of(shop, List.of(product)).left());
    }

    @PutMapping("/api/shops/{shop}/stock/{product}")
    StockLevels count(@PathVariable String shop, @PathVariable String product, @RequestBody Count count) {
        if (count.item() == null
                || count.item().length() > 130
                || !count.item().equals(product) && !count.item().startsWith(product + "/")) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "item",
                    Message.of("stock.this-not-item-of-product"),
                    Message.of("stock.load-page-again"));
        }
        count.remaining()
                .filter(left -> left.signum() < 0
                        || left.compareTo(MOST) > 0
                        || left.stripTrailingZeros().scale() > DECIMALS)
                .ifPresent(left -> {
                    throw new ApiProblem(
                            HttpStatus.UNPROCESSABLE_CONTENT,
                            "remaining",
                            Message.of("stock.cannot-what-left", "left", left),
                            Message.of("stock.type-number-from-0-on-with-three"));
                });
        try {
            book.count(shop, count.item(), count.seen(), count.remaining());
        } catch (StockBook.StockChanged e) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "remaining",
                    e.now()
                            .map(now -> now.compareTo(BigDecimal.ONE) == 0
                                    ? Message.of("stock.meanwhile-one-is-left")
                                    : Message.of("stock.meanwhile-left", "count", now))
                            .orElse(Message.of("stock.meanwhile-it-is-not-counted-any-more")),
                    Message.of("stock.count-again-nothing-was-changed"));
        }
        return left(shop, product);
    }
}

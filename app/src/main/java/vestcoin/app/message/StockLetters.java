package vestcoin.app.message;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.setup.Editions;
import vestcoin.app.stock.StockBook;
import vestcoin.core.goods.Product;
import vestcoin.core.setup.Setup;
import vestcoin.core.terms.SellerNotice;

/** Tells the seller once that little is left of something, after the order that made it so; again after a refill. */
@Service
class StockLetters {
    private static final Logger LOG = LoggerFactory.getLogger(StockLetters.class);

    private final LetterBook letters;
    private final SellerLetters sellers;
    private final StockBook stock;
    private final Orders orders;
    private final Editions editions;
    private final TransactionTemplate fresh;
    private final String ownUrl;

    StockLetters(
            LetterBook letters,
            SellerLetters sellers,
            StockBook stock,
            Orders orders,
            Editions editions,
            PlatformTransactionManager transactions,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.letters = letters;
        this.sellers = sellers;
        this.stock = stock;
        this.orders = orders;
        this.editions = editions;
        this.fresh = new TransactionTemplate(transactions);
        this.fresh.setPropagationBehavior(TransactionTemplate.PROPAGATION_REQUIRES_NEW);
        this.ownUrl = ownUrl;
    }

    @TransactionalEventListener(fallbackExecution = true)
    void moved(PaymentBook.PaymentChanged moved) {
        letters.later(
                () -> {
                    try {
                        tell(orders.byId(moved.order()).shop());
                    } catch (RuntimeException e) {
                        LOG.warn("that little is left is told with the next order: {}", e.toString());
                    }
                },
                0);
    }

    private void tell(String shop) {
        Optional<Setup> setup = editions.live(shop).map(live -> live.document().setup());
        Optional<Integer> bound = setup.flatMap(live -> live.goods().lowStock());
        if (bound.isEmpty()) {
            return;
        }
        // Written down with what it was written of, or not at all.
        boolean told = Boolean.TRUE.equals(fresh.execute(status -> {
            Map<String, BigDecimal> left = new TreeMap<>();
            stock.fallen(shop, bound.get()).forEach((item, count) -> left.put(name(setup.get(), item), count));
            if (!left.isEmpty()) {
                sellers.owe(
                        LetterBook.About.shop(shop),
                        setup.get(),
                        SellerNotice.Event.STOCK,
                        "low-stock",
                        "low-stock." + UUID.randomUUID(),
                        new SellerTexts(setup.get()).lowStock(left, ownUrl + "/desk/" + shop + "/goods"));
            }
            return !left.isEmpty();
        }));
        if (told) {
            letters.deliver();
        }
    }

    /** What an item is called: its product, and its variation behind it. */
    private static String name(Setup setup, String item) {
        List<String> parts = List.of(item.split("/", 2));
        return setup.goods().products().stream()
                        .filter(product -> product.id().equals(parts.get(0)))
                        .findFirst()
                        .map(Product::name)
                        .orElse(parts.get(0))
                + (parts.size() > 1 ? " (" + parts.get(1) + ")" : "");
    }
}

package vestcoin.app.buyer;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import vestcoin.app.access.CounterEntrance;
import vestcoin.app.format.FlatBasket;
import vestcoin.app.format.Json;
import vestcoin.app.message.BuyerLetters;
import vestcoin.app.order.OrderPlaced;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.outside.TimePassed;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.basket.Basket;
import vestcoin.core.setup.Setup;

/**
 * Baskets whose buyers asked to be reminded: one letter each, never to somebody who has ordered since or wants none.
 */
@Service
public class Unfinished {
    /** @param name as typed so far */
    public record UnfinishedBasket(String name, Basket basket) {
        public UnfinishedBasket {
            name = name == null ? "" : name;
            basket = basket == null ? Basket.EMPTY : basket;
        }
    }

    private record Row(long id, String shop, String buyer, String token, String basket, String language, Instant at) {}

    private static final Logger LOG = LoggerFactory.getLogger(Unfinished.class);
    private static final int AT_A_TIME = 100;
    /** No second letter within this, and nothing is kept longer. */
    private static final Duration KEPT = Duration.ofDays(30);

    private final JdbcClient sql;
    private final Editions editions;
    private final CounterEntrance entrance;
    private final BuyerLetters letters;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final String ownUrl;

    Unfinished(
            JdbcClient sql,
            Editions editions,
            CounterEntrance entrance,
            BuyerLetters letters,
            PlatformTransactionManager transactions,
            Clock clock,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.sql = sql;
        this.editions = editions;
        this.entrance = entrance;
        this.letters = letters;
        this.transaction = new TransactionTemplate(transactions);
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    /**
     * Keeps a basket for a reminder; what was kept before of the same address is replaced, and its wait begins anew.
     */
    @Transactional
    public void keep(String shop, String email, UnfinishedBasket left, String language) {
        String buyer = MailAddress.normal(email);
        sql.sql("select id from shop where id = :shop for update")
                .param("shop", shop)
                .query(String.class)
                .single();
        if (declined(shop, buyer)) {
            return;
        }
        int changed = sql.sql(
                        "update unfinished set basket = :basket, language = :language, at = :at where shop = :shop "
                                + "and buyer = :buyer and reminded_at is null")
                .param("basket", Json.write(left))
                .param("language", language)
                .param("at", now())
                .param("shop", shop)
                .param("buyer", buyer)
                .update();
        boolean lately = changed == 0
                && sql.sql("select count(*) from unfinished where shop = :shop and buyer = :buyer")
                                .param("shop", shop)
                                .param("buyer", buyer)
                                .query(Long.class)
                                .single()
                        > 0;
        if (changed == 0 && !lately) {
            sql.sql("insert into unfinished(shop, buyer, token, basket, language, at) values (:shop, "
                            + ":buyer, :token, :basket, :language, :at)")
                    .param("shop", shop)
                    .param("buyer", buyer)
                    .param("token", UUID.randomUUID().toString())
                    .param("basket", Json.write(left))
                    .param("language", language)
                    .param("at", now())
                    .update();
        }
    }

    /**
     * Lets a basket go: it was ordered, or its buyer no longer agrees to be reminded. One that was reminded of stays,
     * so that there is no second letter soon.
     */
    public void forget(String shop, String email) {
        sql.sql("delete from unfinished where shop = :shop and buyer = :buyer and reminded_at is null")
                .param("shop", shop)
                .param("buyer", MailAddress.normal(email))
                .update();
    }

    @EventListener
    void ordered(OrderPlaced placed) {
        forget(placed.shop(), placed.email());
    }

    /** What a letter's link brings back. */
    Optional<UnfinishedBasket> of(String shop, String token) {
        return sql.sql("select basket from unfinished where shop = :shop and token = :token")
                .param("shop", shop)
                .param("token", token)
                .query(String.class)
                .optional()
                .map(Unfinished::kept);
    }

    private static UnfinishedBasket kept(String json) {
        return Json.read(FlatBasket.nested(Json.tree(json), "basket"), UnfinishedBasket.class, "basket");
    }

    /** Nobody writes to the address of a letter again for a basket. @return whether there was such a letter */
    @Transactional
    public boolean never(String shop, String token) {
        Optional<String> buyer = sql.sql("select buyer from unfinished where shop = :shop and token = :token")
                .param("shop", shop)
                .param("token", token)
                .query(String.class)
                .optional();
        buyer.filter(address -> !declined(shop, address))
                .ifPresent(address -> sql.sql("insert into not_reminded(shop, buyer, at) values (:shop, :buyer, :at)")
                        .param("shop", shop)
                        .param("buyer", address)
                        .param("at", now())
                        .update());
        return buyer.isPresent();
    }

    private boolean declined(String shop, String buyer) {
        return sql.sql("select count(*) from not_reminded where shop = :shop and buyer = :buyer")
                        .param("shop", shop)
                        .param("buyer", buyer)
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** Writes the letters that are due. */
    @EventListener(TimePassed.class)
    @Scheduled(fixedDelayString = "PT1M", initialDelayString = "PT1M")
    public void remind() {
        sql.sql("delete from unfinished where at < :long")
                .param("long", clock.instant().minus(KEPT).atOffset(ZoneOffset.UTC))
                .update();
        for (Row row : sql.sql(
                        "select id, shop, buyer, token, basket, language, at from unfinished where reminded_at is "
                                + "null order by at limit :most")
                .param("most", AT_A_TIME)
                .query(Row.class)
                .list()) {
            try {
                transaction.executeWithoutResult(status -> remind(row));
            } catch (RuntimeException e) {
                LOG.warn("basket {} waits for its reminder: {}", row.id(), e.toString());
            }
        }
        letters.deliver();
    }

    private void remind(Row row) {
        Optional<Document> document =
                editions.live(row.shop()).map(edition -> editions.spoken(edition, row.language()));
        Optional<Integer> hours =
                document.flatMap(live -> live.setup().terms().asking().remindAfter());
        boolean ordered =
                sql.sql("select count(*) from orders where shop = :shop and buyer = :buyer and placed_at >= :at")
                                .param("shop", row.shop())
                                .param("buyer", row.buyer())
                                .param("at", row.at().atOffset(ZoneOffset.UTC))
                                .query(Long.class)
                                .single()
                        > 0;
        if (hours.isEmpty() || ordered || declined(row.shop(), row.buyer())) {
            sql.sql("delete from unfinished where id = :id")
                    .param("id", row.id())
                    .update();
        } else if (!row.at().plus(Duration.ofHours(hours.get())).isAfter(clock.instant())
                && !entrance.closed(row.shop())
                && sql.sql("update unfinished set reminded_at = :at where id = :id and reminded_at is null")
                                .param("at", now())
                                .param("id", row.id())
                                .update()
                        == 1) {
            Setup setup = document.get().setup();
            UnfinishedBasket left = kept(row.basket());
            List<String> things = left.basket().lines().stream()
                    .map(line -> setup.goods().products().stream()
                            .filter(product -> product.id().equals(line.product()))
                            .findFirst()
                            .map(product ->
                                    line.quantity().stripTrailingZeros().toPlainString() + " " + product.name()))
                    .flatMap(Optional::stream)
                    .toList();
            String counter = ownUrl + "/counter/" + row.shop();
            letters.unfinished(
                    row.shop(),
                    setup,
                    row.buyer(),
                    row.token(),
                    left.name(),
                    things,
                    counter + "?again=" + row.token(),
                    counter + "?never=" + row.token());
        }
    }

    private java.time.OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }
}

package vestcoin.app.buyer;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
import vestcoin.app.message.ReminderOf;
import vestcoin.app.order.BasketOrdered;
import vestcoin.app.order.OrderPlaced;
import vestcoin.app.order.SingleUseCodes;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.outside.TimePassed;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.basket.Basket;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Shelf;

/**
 * Baskets that were left. Of those whose buyers asked to be reminded one letter is written, never to somebody who has
 * ordered since or wants none; of the others it is not kept whose they are.
 */
@Service
public class Unfinished {
    /** @param name as typed so far */
    public record UnfinishedBasket(String name, Basket basket) {
        public UnfinishedBasket {
            name = name == null ? "" : name;
            basket = basket == null ? Basket.EMPTY : basket;
        }

        /** What lies in it with its number and choices, of what is still sold. */
        List<String> things(Shelf shelf) {
            return basket.lines().stream()
                    .flatMap(line -> shelf.find(line.product()).stream().map(product -> thing(line, product)))
                    .toList();
        }

        private static String thing(Line line, Product product) {
            Stream<String> choices = product.options().stream().flatMap(option -> option.choices().stream()
                    .filter(choice -> choice.id().equals(line.options().get(option.id())))
                    .map(Product.Choice::name));
            return line.quantity().stripTrailingZeros().toPlainString() + " "
                    + Stream.concat(Stream.of(product.name()), choices).collect(Collectors.joining(", "));
        }

        UnfinishedBasket ofNobody() {
            return new UnfinishedBasket("", basket);
        }

        /** The same with a code among those typed. @param code null for none */
        UnfinishedBasket with(String code) {
            return code == null
                    ? this
                    : new UnfinishedBasket(
                            name,
                            basket.withCodes(Stream.concat(basket.codes().stream(), Stream.of(code))
                                    .toList()));
        }
    }

    private record Row(long id, String shop, String buyer, String token, String basket, String language, Instant at) {}

    private static final Logger LOG = LoggerFactory.getLogger(Unfinished.class);
    private static final int AT_A_TIME = 100;
    /** No second letter within this, and nothing is kept longer. */
    private static final Duration KEPT = Duration.ofDays(30);

    private static final int MOST_OF_NOBODY = 2_000;

    private final JdbcClient sql;
    private final Editions editions;
    private final CounterEntrance entrance;
    private final BuyerLetters letters;
    private final SingleUseCodes codes;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final String ownUrl;

    Unfinished(
            JdbcClient sql,
            Editions editions,
            CounterEntrance entrance,
            BuyerLetters letters,
            SingleUseCodes codes,
            PlatformTransactionManager transactions,
            Clock clock,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.sql = sql;
        this.editions = editions;
        this.entrance = entrance;
        this.letters = letters;
        this.codes = codes;
        this.transaction = new TransactionTemplate(transactions);
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    /**
     * Keeps a basket: for a reminder where its buyer agreed to one, else without who it is. What was kept before of the
     * same visit, or for a reminder to the same address, is replaced, and its wait begins anew.
     *
     * @param visit names what a browser has put together; a UUID
     * @param email of a buyer who agreed to be reminded
     */
    @Transactional
    public void keep(String shop, String visit, Optional<String> email, UnfinishedBasket left, String language) {
        if (email.isPresent()) {
            // Two letters' worth of one buyer are decided one after the other.
            sql.sql("select id from shop where id = :shop for update")
                    .param("shop", shop)
                    .query(String.class)
                    .single();
        }
        Optional<String> buyer = email.map(MailAddress::normal)
                .filter(address -> !declined(shop, address))
                .filter(address -> !remindedLately(shop, address));
        sql.sql("delete from unfinished where shop = :shop and reminded_at is null and (visit = :visit or "
                        + "buyer = :buyer)")
                .param("shop", shop)
                .param("visit", visit)
                .param("buyer", buyer.orElse(null))
                .update();
        sql.sql("""
                        insert into unfinished(shop, visit, buyer, token, basket, language, at)
                        values (:shop, :visit, :buyer, :token, :basket, :language, :at)""")
                .param("shop", shop)
                .param("visit", visit)
                .param("buyer", buyer.orElse(null))
                .param("token", UUID.randomUUID().toString())
                .param("basket", Json.write(buyer.isPresent() ? left : left.ofNobody()))
                .param("language", language)
                .param("at", now())
                .update();
    }

    private boolean remindedLately(String shop, String buyer) {
        return sql.sql("select count(*) from unfinished where shop = :shop and buyer = :buyer and reminded_at is not "
                                + "null")
                        .param("shop", shop)
                        .param("buyer", buyer)
                        .query(Long.class)
                        .single()
                > 0;
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

    /** Lets the basket of a visit go: there is nothing in it any more, or it was ordered. */
    void forgetVisit(String shop, String visit) {
        sql.sql("delete from unfinished where shop = :shop and visit = :visit and reminded_at is null")
                .param("shop", shop)
                .param("visit", visit)
                .update();
    }

    @EventListener
    void ordered(OrderPlaced placed) {
        forget(placed.shop(), placed.email());
    }

    @EventListener
    void ordered(BasketOrdered ordered) {
        forgetVisit(ordered.shop(), ordered.visit());
    }

    /** One as the seller sees it. @param buyer whom a reminder may be sent to, null for nobody */
    record SeenBasket(long id, String buyer, String basket, Instant at, Instant remindedAt, String code) {
        UnfinishedBasket left() {
            return kept(basket);
        }
    }

    /** The latest first. @param below id after which the page begins */
    List<SeenBasket> page(String shop, Optional<Long> below, int most) {
        return sql.sql("""
                        select id, buyer, basket, at, reminded_at, code from unfinished
                        where shop = :shop and id < :below order by id desc limit :most""")
                .param("shop", shop)
                .param("below", below.orElse(Long.MAX_VALUE))
                .param("most", most)
                .query(SeenBasket.class)
                .list();
    }

    /** Writes the reminder of one basket now. @return whether it was written */
    boolean remindNow(String shop, long id) {
        Optional<Row> row = sql.sql(
                        "select id, shop, buyer, token, basket, language, at from unfinished where shop = :shop and id "
                                + "= :id and buyer is not null and reminded_at is null")
                .param("shop", shop)
                .param("id", id)
                .query(Row.class)
                .optional();
        boolean written =
                row.isPresent() && Boolean.TRUE.equals(transaction.execute(status -> remind(row.get(), true)));
        letters.deliver();
        return written;
    }

    /** What a letter's link brings back. */
    Optional<UnfinishedBasket> of(String shop, String token) {
        return sql.sql("select id, buyer, basket, at, reminded_at, code from unfinished where shop = :shop and token = "
                        + ":token")
                .param("shop", shop)
                .param("token", token)
                .query(SeenBasket.class)
                .optional()
                .map(seen -> seen.left().with(seen.code()));
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
        // Of baskets that are nobody's so many are kept of a shop, the latest.
        String past = """
                delete from unfinished where id in (
                    select id from (
                        select id, row_number() over (partition by shop order by id desc) as place from unfinished
                        where buyer is null)
                    where place > :most)""";
        sql.sql(past).param("most", MOST_OF_NOBODY).update();
        for (Row row : sql.sql(
                        "select id, shop, buyer, token, basket, language, at from unfinished where reminded_at is "
                                + "null and buyer is not null order by at limit :most")
                .param("most", AT_A_TIME)
                .query(Row.class)
                .list()) {
            try {
                transaction.executeWithoutResult(status -> remind(row, false));
            } catch (RuntimeException e) {
                LOG.warn("basket {} waits for its reminder: {}", row.id(), e.toString());
            }
        }
        letters.deliver();
    }

    /** @param now whether the seller wants it now @return whether it was written */
    private boolean remind(Row row, boolean now) {
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
        if (ordered) {
            sql.sql("delete from unfinished where id = :id")
                    .param("id", row.id())
                    .update();
        } else if (hours.isEmpty() || declined(row.shop(), row.buyer())) {
            // Nobody is written to of it any more, so it is nobody's.
            sql.sql("update unfinished set buyer = null, basket = :basket where id = :id")
                    .param("basket", Json.write(kept(row.basket()).ofNobody()))
                    .param("id", row.id())
                    .update();
        } else if ((now || !row.at().plus(Duration.ofHours(hours.get())).isAfter(clock.instant()))
                && !entrance.closed(row.shop())
                && sql.sql("update unfinished set reminded_at = :at where id = :id and reminded_at is null")
                                .param("at", now())
                                .param("id", row.id())
                                .update()
                        == 1) {
            UnfinishedBasket left = kept(row.basket());
            String counter = ownUrl + "/counter/" + row.shop();
            letters.unfinished(
                    row.shop(),
                    document.get().setup(),
                    row.buyer(),
                    row.token(),
                    new ReminderOf(
                            left.name(),
                            left.things(document.get().compiled().shelf()),
                            code(row, document.get()),
                            counter + "?again=" + row.token(),
                            counter + "?never=" + row.token()));
            return true;
        }
        return false;
    }

    /** The code a reminder carries, where the seller wants that: made for it, for one order, until a day. */
    private Optional<ReminderOf.Gift> code(Row row, Document document) {
        return document.setup()
                .terms()
                .asking()
                .remindWith()
                .flatMap(with -> document.setup().discounts().rules().stream()
                        .filter(rule -> rule.id().equals(with.discount()))
                        .findFirst()
                        .map(rule -> {
                            LocalDate until = LocalDate.ofInstant(
                                            clock.instant(), document.compiled().zone())
                                    .plusDays(with.days());
                            String code = codes.make(
                                    row.shop(),
                                    rule.id(),
                                    until.plusDays(1)
                                            .atStartOfDay(document.compiled().zone())
                                            .toInstant());
                            sql.sql("update unfinished set code = :code where id = :id")
                                    .param("code", code)
                                    .param("id", row.id())
                                    .update();
                            return new ReminderOf.Gift(code, rule.name(), until);
                        }));
    }

    private java.time.OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }
}

package vestcoin.app.order;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.payment.GivenVouchers;
import vestcoin.app.payment.Payments;
import vestcoin.app.setup.Editions;
import vestcoin.app.stock.StockBook;
import vestcoin.core.discount.History;
import vestcoin.core.life.HoldPeriod;
import vestcoin.core.message.Message;
import vestcoin.core.pickup.SlotOccupancy;

/** The orders of all shops. An order keeps the edition and the quote it was priced by. */
@Repository
public class Orders {
    /**
     * @param payable all of it, in minor units @param due what is left to pay by the method chosen, beside
     *     vouchers @param sent how much of it has left: no, in part, all, or nothing where nothing has to @param
     *     language the buyer ordered in @param cancelledAt when it was called off, or null @param quiet whether its
     *     letters wait for the money @param lapsed whether it was called off by itself, its money not having
     *     come @param byBuyer whether its buyer called it off @param taxEdition the edition its taxes and ways to pay
     *     come from, where that is another, or null @param subscription it is a charge of, or null @param readyAt when
     *     what is collected was made ready, or null @param lapsesAt until when it waits for its money, or null @param
     *     remindedAt when its buyer was reminded, or null @param takenBy who of the shop took it for its buyer, or
     *     empty
     */
    public record Order(
            long id,
            String shop,
            int number,
            String token,
            int edition,
            String mode,
            String document,
            String quote,
            String currency,
            long payable,
            long due,
            String method,
            String email,
            String name,
            String country,
            String address,
            Instant placedAt,
            String standing,
            String sent,
            String language,
            String agreed,
            Instant cancelledAt,
            String wishes,
            boolean lapsed,
            boolean byBuyer,
            boolean quiet,
            Integer taxEdition,
            Long subscription,
            Instant readyAt,
            Instant lapsesAt,
            Instant remindedAt,
            String takenBy,
            long carried) {
        /** By what it is priced. */
        public Editions.Agreed by() {
            return new Editions.Agreed(edition, Optional.ofNullable(taxEdition));
        }

        /** Whether all of it is still at the shop. */
        public boolean nothingHasLeft() {
            return sent.equals("no") || sent.equals("nothing");
        }

        /** Whether nothing of it is still to leave. */
        public boolean allHasLeft() {
            return sent.equals("all") || sent.equals("nothing");
        }

        public boolean cancelled() {
            return cancelledAt != null;
        }
    }

    /** A date on which a subscription is charged. */
    public record ChargeDate(long subscription, LocalDate dueOn) {}

    /** Where an order goes, as the buyer wrote it. */
    public record Address(List<String> lines, String city, String postcode, Optional<String> region, String country) {}

    /** A voucher that pays a part of an order. @param amount in minor units */
    public record Voucher(String code, long amount) {}

    /** A slot an order takes. @param capacity how many it holds in all; without one any number */
    public record Slot(String place, LocalDateTime starts, LocalDateTime ends, Optional<Integer> capacity) {}

    /** The slot was taken between the quote and the order. */
    public static final class SlotGone extends RuntimeException {
        SlotGone(Slot slot) {
            super(slot.toString());
        }
    }

    /** Fewer are left than were ordered. */
    public static final class SoldOut extends RuntimeException {
        SoldOut(String item) {
            super(item);
        }
    }

    /**
     * A discount an order takes, in the transaction that places it.
     *
     * @param limit in all
     * @param limitPerBuyer for one buyer
     * @param singleUse the code it was given by, if that is good for one order
     */
    public record Use(
            String discount, Optional<Integer> limit, Optional<Integer> limitPerBuyer, Optional<String> singleUse) {}

    /** A discount was used up between the quote and the order. */
    public static final class DiscountExhausted extends RuntimeException {
        DiscountExhausted(String discount) {
            super(discount);
        }
    }

    static final String ORDER = """
            select id, shop, number, token, edition, mode, document, %s, currency, payable, due, method, email,
                name, country, address, placed_at, standing, sent, language, agreed, cancelled_at, wishes, lapsed,
                by_buyer, quiet, tax_edition, subscription, ready_at, lapses_at,
                reminded_at, taken_by, carried from orders
            """.formatted(OrderQuotes.OF_ORDER);

    private final JdbcClient sql;
    private final OrderQuotes quotes;
    private final Payments payments;
    private final StockBook counted;
    private final ReservationBook reservations;
    private final GivenVouchers given;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Orders(
            JdbcClient sql,
            OrderQuotes quotes,
            Payments payments,
            StockBook counted,
            ReservationBook reservations,
            GivenVouchers given,
            ApplicationEventPublisher events,
            Clock clock) {
        this.sql = sql;
        this.quotes = quotes;
        this.payments = payments;
        this.counted = counted;
        this.reservations = reservations;
        this.given = given;
        this.events = events;
        this.clock = clock;
    }

    /** The date of its subscription an order is the charge of, if it is one. */
    public Optional<LocalDate> chargedFor(long id) {
        return sql.sql("select due_on from orders where id = :id and due_on is not null")
                .param("id", id)
                .query(LocalDate.class)
                .optional();
    }

    /**
     * Places an order, or gives the one placed before with the same client key. What it takes, of discounts, vouchers
     * and stock, is taken in the same transaction or not at all.
     *
     * @throws DiscountExhausted, SoldOut SlotGone or Vouchers.Spent if another order was quicker
     */
    @Transactional
    public Order place(NewOrder order) {
        sql.sql("select id from shop where id = :shop for update")
                .param("shop", order.shop())
                .query(String.class)
                .single();
        Optional<Order> before = sql.sql(ORDER + "where shop = :shop and client_key = :key")
                .param("shop", order.shop())
                .param("key", order.clientKey())
                .query(Order.class)
                .optional();
        if (before.isPresent()) {
            return before.get();
        }
        String token = UUID.randomUUID().toString();
        sql.sql("""
                insert into orders(shop, number, token, client_key, edition, mode, document, currency,
                    payable, due, method, email, buyer, name, country, address, placed_at, language, agreed,
                    wishes, lapses_at, remind_at, tax_number, quiet, way, tax_edition, subscription, due_on, sent,
                    taken_by)
                values (:shop, (select coalesce(max(number), 1000) + 1 from orders where shop = :shop), :token,
                    :key, :edition, :mode, :document,
                        :currency, :payable, :due, :method, :email, :buyer, :name, :country, :address, :at,
                            :language, :agreed, :wishes, :lapses, :remind, :taxNumber, :quiet, :way, :taxes,
                            :subscription, :dueOn, :sent, :takenBy)""")
                .param("takenBy", order.customer().takenBy())
                .param("way", order.priced().way())
                .param("sent", order.priced().leaves() ? "no" : "nothing")
                .param("shop", order.shop())
                .param("token", token)
                .param("key", order.clientKey())
                .param("edition", order.edition().number())
                .param("taxes", order.edition().taxes().orElse(null))
                .param(
                        "subscription",
                        order.renewing().map(ChargeDate::subscription).orElse(null))
                .param("dueOn", order.renewing().map(ChargeDate::dueOn).orElse(null))
                .param("mode", order.mode())
                .param("document", order.priced().order())
                .param("currency", order.priced().currency())
                .param("payable", order.payable())
                .param("due", order.priced().due())
                .param("method", order.priced().method())
                .param("email", order.customer().email())
                .param("buyer", MailAddress.normal(order.customer().email()))
                .param("name", order.customer().name())
                .param("country", order.customer().country())
                .param("address", order.customer().address())
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .param("language", order.customer().language())
                .param("agreed", order.customer().agreed())
                .param("wishes", order.customer().wishes())
                .param("lapses", at(order.held().map(HoldPeriod::lapses)))
                .param("remind", at(order.held().flatMap(HoldPeriod::reminder)))
                .param("taxNumber", order.customer().taxNumber())
                .param("quiet", order.quiet())
                .update();
        quotes.keep(
                sql.sql("select id from orders where token = :token")
                        .param("token", token)
                        .query(Long.class)
                        .single(),
                order.priced().quote());
        Order placed = byToken(token).orElseThrow();
        order.reserves().uses().forEach(use -> reservations.take(placed, use, history(order.shop(), placed.email())));
        order.reserves().slot().ifPresent(slot -> reservations.take(placed, slot));
        reservations.take(placed, order.reserves().attending());
        order.reserves().stock().forEach((item, quantity) -> {
            if (!counted.take(order.shop(), item, quantity)) {
                throw new SoldOut(item);
            }
        });
        order.reserves()
                .given()
                .forEach(voucher -> given.take(placed.id(), order.shop(), voucher.code(), voucher.amount()));
        order.reserves()
                .vouchers()
                .forEach(voucher -> payments.payByVoucher(placed.id(), order.shop(), voucher.code(), voucher.amount()));
        if (order.payable() == 0) {
            sql.sql("update orders set standing = 'paid' where id = :id")
                    .param("id", placed.id())
                    .update();
            payments.nothingToPay(placed.id());
        }
        events.publishEvent(
                new OrderPlaced(order.shop(), placed.id(), order.customer().email()));
        return byToken(token).orElseThrow();
    }

    /** The latest orders of a buyer's address. */
    public List<Order> ofBuyer(String shop, String email, int most) {
        return sql.sql(ORDER + "where shop = :shop and buyer = :buyer order by id desc limit :most")
                .param("shop", shop)
                .param("buyer", MailAddress.normal(email))
                .param("most", most)
                .query(Order.class)
                .list();
    }

    /** How many orders have taken which slot, from a time on the shop's clock. */
    public SlotOccupancy taken(String shop, LocalDateTime from) {
        Map<String, Integer> counts = new HashMap<>();
        sql.sql("select place, starts, count(*) as many from slot_taken where shop = :shop and starts >= "
                        + ":from group by place, starts")
                .param("shop", shop)
                .param("from", from)
                .query(Counted.class)
                .list()
                .forEach(each -> counts.put(SlotOccupancy.key(each.place(), each.starts()), each.many()));
        return new SlotOccupancy(counts);
    }

    private record Counted(String place, LocalDateTime starts, int many) {}

    /**
     * Calls an order off: what it took of stock, slots and discounts is there for others again. Done once.
     *
     * @param stock what it took of goods that are counted
     * @return whether it is called off now; not while a provider may still answer to a payment, or when something has
     *     left
     */
    @Transactional
    public boolean cancel(Order order, Map<String, BigDecimal> stock, CalledOffBy who) {
        // The order's row alone, as those do who issue papers: they lock the shop after it.
        boolean before = sql.sql("select cancelled_at is not null from orders where id = :id for update")
                .param("id", order.id())
                .query(Boolean.class)
                .single();
        if (before) {
            return true;
        }
        if (sql.sql("""
                update orders set cancelled_at = :at, lapsed = :lapsed, by_buyer = :buyer where id = :id
                  and sent in ('no', 'nothing')
                  and not exists (select 1 from payment where order_id = orders.id and gateway is not null and
                      state in ('created', 'needs-buyer', 'pending'))""")
                        .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                        .param("lapsed", who == CalledOffBy.TIME)
                        .param("buyer", who == CalledOffBy.BUYER)
                        .param("id", order.id())
                        .update()
                == 0) {
            return false;
        }
        stock.forEach((item, quantity) -> counted.giveBack(order.shop(), item, quantity));
        given.giveBack(order.id());
        reservations.release(order);
        return true;
    }

    /** What it took of vouchers that are no means of payment. */
    public List<GivenVouchers.TakenOff> takenOff(long id) {
        return given.ofOrder(id);
    }

    /** Whether the buyer has withdrawn from an order, or sends something back, and it is not settled. */
    public boolean withdrawn(long id) {
        return sql.sql("select exists (select 1 from withdrawal where waiting = :id)")
                .param("id", id)
                .query(Boolean.class)
                .single();
    }

    /** Another way an order is paid. @param due what is left to pay that way, in minor units */
    public record Way(String method, String document, String quote, long due, Optional<HoldPeriod> held) {}

    /**
     * Changes the way an order is paid. @return whether it could be: not while a payment of it is alive, or after it
     * was called off
     */
    @Transactional
    public boolean payBy(long id, Way way) {
        sql.sql("select id from orders where id = :id for update")
                .param("id", id)
                .query(Long.class)
                .single();
        boolean could = sql.sql("""
                update orders set method = :method, document = :document, payable = payable - due + :due,
                    due = :due, lapses_at = :lapses, remind_at = :remind
                where id = :id and cancelled_at is null and not exists (select 1 from payment p where p.order_id =
                    orders.id and p.part = '' and p.alive is not null)""")
                        .param("method", way.method())
                        .param("document", way.document())
                        .param("due", way.due())
                        .param("lapses", at(way.held().map(HoldPeriod::lapses)))
                        .param("remind", at(way.held().flatMap(HoldPeriod::reminder)))
                        .param("id", id)
                        .update()
                == 1;
        if (could) {
            quotes.keep(id, way.quote());
        }
        return could;
    }

    /** Whether somebody with this address is known: has signed in by a letter to it, or has paid through a provider. */
    public boolean known(String shop, String email) {
        return sql.sql("""
                select exists (select 1 from buyer_key where shop = :shop and buyer = :buyer and kind = 'session')
                    or exists (select 1 from orders o join payment p on p.order_id = o.id where o.shop = :shop and
                        o.buyer = :buyer and p.captured > 0 and p.gateway is not null)""")
                .param("shop", shop)
                .param("buyer", MailAddress.normal(email))
                .query(Boolean.class)
                .single();
    }

    private static OffsetDateTime at(Optional<Instant> time) {
        return time.map(each -> each.atOffset(ZoneOffset.UTC)).orElse(null);
    }

    private record DiscountCount(String discount, int used) {}

    /**
     * How often each discount has been used, in all and by the buyer of an address, and how often that buyer has
     * ordered.
     */
    public History history(String shop, String email, List<String> codes) {
        return history(shop, email).with(reservations.singleUse(shop, codes));
    }

    /** The same without codes. */
    public History history(String shop, String email) {
        String buyer = MailAddress.normal(email);
        Map<String, Integer> uses = new HashMap<>();
        Map<String, Integer> own = new HashMap<>();
        sql.sql("select discount, used from discount_count where shop = :shop")
                .param("shop", shop)
                .query(DiscountCount.class)
                .list()
                .forEach(count -> uses.put(count.discount(), count.used()));
        if (!buyer.isEmpty()) {
            sql.sql("""
                    select discount, count(*) as used from discount_use
                    where shop = :shop and buyer = :buyer group by discount""")
                    .param("shop", shop)
                    .param("buyer", buyer)
                    .query(DiscountCount.class)
                    .list()
                    .forEach(count -> own.put(count.discount(), count.used()));
        }
        int placed = buyer.isEmpty()
                ? 0
                : sql.sql("select count(*) from orders where shop = :shop and buyer = :buyer")
                        .param("shop", shop)
                        .param("buyer", buyer)
                        .query(Integer.class)
                        .single();
        return new History(uses, own, placed);
    }

    public Order byId(long id) {
        return sql.sql(ORDER + "where id = :id")
                .param("id", id)
                .query(Order.class)
                .single();
    }

    /** The same, which nobody else can change until the transaction ends. */
    public Order locked(long id) {
        sql.sql("select id from orders where id = :id for update")
                .param("id", id)
                .query(Long.class)
                .single();
        return byId(id);
    }

    public Optional<Order> byToken(String token) {
        return sql.sql(ORDER + "where token = :token")
                .param("token", token)
                .query(Order.class)
                .optional();
    }

    /** @throws ApiProblem if the shop has no order of this number */
    public Order numbered(String shop, int number) {
        return byNumber(shop, number)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "number",
                        Message.of("order.there-no-order", "number", String.valueOf(number)),
                        Message.of("order.choose-one-from-list")));
    }

    public Optional<Order> byNumber(String shop, int number) {
        return sql.sql(ORDER + "where shop = :shop and number = :number")
                .param("shop", shop)
                .param("number", number)
                .query(Order.class)
                .optional();
    }
}

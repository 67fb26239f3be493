package vestcoin.app.subscription;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What is written of subscriptions. A date of one is charged once: the schema holds it. */
@Repository
public class Subscriptions {
    /** How a subscription stands. */
    public enum State {
        /** Its first charge is not paid yet. */
        WAITING,
        ACTIVE,
        PAUSED,
        /** By the buyer or the seller; no date is charged any more. */
        STOPPED,
        /** No card paid it in its time. */
        LAPSED,
        /** After as many charges as were agreed. */
        ENDED;

        String text() {
            return name().toLowerCase(Locale.ROOT);
        }

        public static State of(String text) {
            return valueOf(text.toUpperCase(Locale.ROOT));
        }

        /** Whether nothing is charged any more, whatever happens. */
        public boolean over() {
            return this == STOPPED || this == LAPSED || this == ENDED;
        }
    }

    /** What happened to one. */
    public enum Kind {
        BEGUN,
        CHARGED,
        DECLINED,
        LAPSED,
        STOPPED,
        PAUSED,
        RESUMED,
        SKIPPED,
        SOLD_OUT,
        HELD,
        CARD,
        ADDRESS,
        ANNOUNCED,
        AGREED,
        REFUSED,
        CHANGED,
        ENDED;

        public String text() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        public static Kind of(String text) {
            return valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_'));
        }
    }

    /**
     * A line of an order that is charged again.
     *
     * @param line of the first order
     * @param edition agreed to
     * @param charges dates that are behind it, the first counted
     * @param dueOn next date, null when there is none
     * @param chargedOn day of the last charge or try that ended, null before any
     * @param card what the processor calls it; empty where there is none
     * @param document order file of the line alone
     * @param announced edition that is to hold from a day, or null
     * @param agreed whether silence is enough for it, or was asked, said yes to or no
     */
    public record Subscription(
            long id,
            String shop,
            long firstOrder,
            int line,
            String token,
            int edition,
            String state,
            LocalDate began,
            int charges,
            LocalDate dueOn,
            LocalDate chargedOn,
            String gateway,
            String card,
            String document,
            String address,
            Integer announced,
            LocalDate announcedFrom,
            String agreed) {
        public State stateNow() {
            return State.of(state);
        }
    }

    /** One of its dates. @param tries declined so far */
    public record Renewal(
            long subscription,
            LocalDate dueOn,
            String state,
            Long orderId,
            int tries,
            LocalDate firstDeclined,
            LocalDate nextTry,
            String reason) {
        public boolean open() {
            return state.equals("open");
        }
    }

    /** Something that happened. @param about a date, an amount or a reason, as its kind has it */
    public record Event(long subscription, int seq, String kind, String about, Instant at) {
        public Kind kindNow() {
            return Kind.of(kind);
        }
    }

    /** Something of a subscription changed; told within the transaction that changes it. */
    public record SubscriptionChanged(long subscription) {}

    private static final int LONGEST = 1000;

    private static final String SUBSCRIPTION = """
            select id, shop, first_order, line, token, edition, state, began, charges, due_on, charged_on, gateway,
                card, document, address, announced, announced_from, agreed from subscription
            """;

    private static final String RENEWAL = """
            select subscription, due_on, state, order_id, tries, first_declined, next_try, reason from renewal
            """;

    private final JdbcClient sql;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Subscriptions(JdbcClient sql, ApplicationEventPublisher events, Clock clock) {
        this.sql = sql;
        this.events = events;
        this.clock = clock;
    }

    /** A subscription that begins with an order, once for each of its lines. */
    void begin(String shop, long order, int line, int edition, LocalDate began, LocalDate dueOn, String document) {
        sql.sql("""
                insert into subscription(shop, first_order, line, token, edition, state, began, due_on, document,
                    address)
                select :shop, :order, :line, :token, :edition, 'waiting', :began, :due, :document, address
                from orders where id = :order""")
                .param("shop", shop)
                .param("order", order)
                .param("line", line)
                .param("token", UUID.randomUUID().toString())
                .param("edition", edition)
                .param("began", began)
                .param("due", dueOn)
                .param("document", document)
                .update();
    }

    public Subscription of(long id) {
        return sql.sql(SUBSCRIPTION + "where id = :id")
                .param("id", id)
                .query(Subscription.class)
                .single();
    }

    /** The same, which nobody else can change until the transaction ends. */
    Subscription locked(long id) {
        return sql.sql(SUBSCRIPTION + "where id = :id for update")
                .param("id", id)
                .query(Subscription.class)
                .single();
    }

    public Optional<Subscription> byToken(String token) {
        return sql.sql(SUBSCRIPTION + "where token = :token")
                .param("token", token)
                .query(Subscription.class)
                .optional();
    }

    public Optional<Subscription> ofShop(String shop, long id) {
        return sql.sql(SUBSCRIPTION + "where shop = :shop and id = :id")
                .param("shop", shop)
                .param("id", id)
                .query(Subscription.class)
                .optional();
    }

    /** What began with an order, or the one an order is a charge of. */
    public List<Subscription> ofOrder(long order) {
        return sql.sql(SUBSCRIPTION
                        + "where first_order = :order or id = (select subscription from orders where id = :order) "
                        + "order by line")
                .param("order", order)
                .query(Subscription.class)
                .list();
    }

    /** Those of a shop, by state where one is named, the latest first. @param before id of the last one read */
    public List<Subscription> list(String shop, Optional<State> state, long before, int most) {
        String which = state.isPresent() ? "and state = :state " : "and state <> 'waiting' ";
        var asked = sql.sql(
                        SUBSCRIPTION + "where shop = :shop " + which + "and id < :before order by id desc limit :most")
                .param("shop", shop)
                .param("before", before)
                .param("most", most);
        state.ifPresent(each -> asked.param("state", each.text()));
        return asked.query(Subscription.class).list();
    }

    /** How many of a shop are in each state. */
    public long count(String shop, State state) {
        return sql.sql("select count(*) from subscription where shop = :shop and state = :state")
                .param("shop", shop)
                .param("state", state.text())
                .query(Long.class)
                .single();
    }

    /** Those of a shop that may be charged again, the first due first. */
    public List<Subscription> running(String shop, int most) {
        return sql.sql(SUBSCRIPTION
                        + "where shop = :shop and state in ('active', 'paused') order by due_on, id limit :most")
                .param("shop", shop)
                .param("most", most)
                .query(Subscription.class)
                .list();
    }

    /** Those whose next date is reached somewhere on earth, the earliest first, after one already looked at. */
    List<Subscription> due(LocalDate latest, long after, int most) {
        return sql.sql(SUBSCRIPTION
                        + "where state = 'active' and due_on <= :latest and id > :after order by id limit :most")
                .param("latest", latest)
                .param("after", after)
                .param("most", most)
                .query(Subscription.class)
                .list();
    }

    /** Those whose first charge is not known to be paid. */
    List<Subscription> waiting(int most) {
        return sql.sql(SUBSCRIPTION + "where state = 'waiting' order by id limit :most")
                .param("most", most)
                .query(Subscription.class)
                .list();
    }

    public List<Renewal> renewals(long subscription) {
        return sql.sql(RENEWAL + "where subscription = :subscription order by due_on desc")
                .param("subscription", subscription)
                .query(Renewal.class)
                .list();
    }

    Optional<Renewal> renewal(long subscription, LocalDate dueOn) {
        return sql.sql(RENEWAL + "where subscription = :subscription and due_on = :due")
                .param("subscription", subscription)
                .param("due", dueOn)
                .query(Renewal.class)
                .optional();
    }

    public List<Event> events(long subscription) {
        return sql.sql("select subscription, seq, kind, about, at from subscription_event where subscription = "
                        + ":subscription order by seq desc limit 100")
                .param("subscription", subscription)
                .query(Event.class)
                .list();
    }

    /** What buyer and seller have not been told of yet, the oldest first. */
    public List<Event> untold(int most) {
        return sql.sql("select subscription, seq, kind, about, at from subscription_event where told = false order by "
                        + "subscription, seq limit :most")
                .param("most", most)
                .query(Event.class)
                .list();
    }

    @Transactional
    public void told(Event event) {
        sql.sql("update subscription_event set told = true where subscription = :subscription and seq = :seq")
                .param("subscription", event.subscription())
                .param("seq", event.seq())
                .update();
    }

    /** Writes down that something happened, in the transaction in which it does. */
    void happened(long subscription, Kind kind, String about) {
        sql.sql("""
                insert into subscription_event(subscription, seq, kind, about, at) values (:subscription,
                    (select coalesce(max(seq), 0) + 1 from subscription_event where subscription = :subscription),
                    :kind, :about, :at)""")
                .param("subscription", subscription)
                .param("kind", kind.text())
                .param("about", about.length() > LONGEST ? about.substring(0, LONGEST) : about)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
        events.publishEvent(new SubscriptionChanged(subscription));
    }

    void state(long id, State state) {
        sql.sql("update subscription set state = :state where id = :id")
                .param("state", state.text())
                .param("id", id)
                .update();
    }

    void card(long id, String gateway, String card) {
        sql.sql("update subscription set gateway = :gateway, card = :card where id = :id")
                .param("gateway", gateway)
                .param("card", card)
                .param("id", id)
                .update();
    }

    void address(long id, String document, String address) {
        sql.sql("update subscription set document = :document, address = :address where id = :id")
                .param("document", document)
                .param("address", address)
                .param("id", id)
                .update();
    }

    /**
     * The next date. @param charges dates behind it @param chargedOn the day the last one ended, null where none did
     */
    void next(long id, int charges, LocalDate dueOn, LocalDate chargedOn) {
        sql.sql("update subscription set charges = :charges, due_on = :due, "
                        + "charged_on = coalesce(:charged, charged_on) "
                        + "where id = :id")
                .param("charges", charges)
                .param("due", dueOn)
                .param("charged", chargedOn)
                .param("id", id)
                .update();
    }

    void announce(long id, Integer edition, LocalDate from, String agreed) {
        sql.sql("update subscription set announced = :edition, announced_from = :from, agreed = :agreed where id = :id")
                .param("edition", edition)
                .param("from", from)
                .param("agreed", agreed)
                .param("id", id)
                .update();
    }

    void agreedTo(long id, int edition) {
        sql.sql("update subscription set edition = :edition, announced = null, announced_from = null, agreed = "
                        + "'silence' where id = :id")
                .param("edition", edition)
                .param("id", id)
                .update();
    }

    /** A date that is to be charged, or was passed over. */
    void date(long subscription, LocalDate dueOn, String state) {
        sql.sql("insert into renewal(subscription, due_on, state) values (:subscription, :due, :state)")
                .param("subscription", subscription)
                .param("due", dueOn)
                .param("state", state)
                .update();
    }

    void write(Renewal renewal) {
        sql.sql("""
                update renewal set state = :state, order_id = :order, tries = :tries, first_declined = :first,
                    next_try = :next, reason = :reason where subscription = :subscription and due_on = :due""")
                .param("state", renewal.state())
                .param("order", renewal.orderId())
                .param("tries", renewal.tries())
                .param("first", renewal.firstDeclined())
                .param("next", renewal.nextTry())
                .param(
                        "reason",
                        renewal.reason().length() > LONGEST ? renewal.reason().substring(0, LONGEST) : renewal.reason())
                .param("subscription", renewal.subscription())
                .param("due", renewal.dueOn())
                .update();
    }
}

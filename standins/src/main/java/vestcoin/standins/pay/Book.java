package vestcoin.standins.pay;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.ToLongBiFunction;
import javax.sql.DataSource;
import org.h2.jdbcx.JdbcConnectionPool;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** The processor's own book, in a database of its own. Amounts are minor units. */
final class Book implements AutoCloseable {
    private final JdbcConnectionPool pool;
    private final JdbcClient sql;

    record Account(
            String id,
            String mode,
            String secretKey,
            String publicKey,
            boolean approved,
            String webhookUrl,
            String webhookSecret) {}

    record Payment(
            String id,
            String account,
            String idempotencyKey,
            String reference,
            String currency,
            long amount,
            String state,
            String reason,
            String card,
            String statement,
            String returnUrl,
            String keptCard,
            long captured,
            long refunded,
            long version,
            Instant answerBy) {}

    /** How long a seller has to answer a dispute. */
    private static final Duration DISPUTED = Duration.ofDays(20);

    /** A card that can be charged again. @param refuses whether its bank has taken it back */
    record KeptCard(String id, String account, String card, boolean refuses) {}

    record Move(String payment, String kind, String idempotencyKey, long amount, String at) {}

    private final TransactionTemplate transaction;

    private final Clock clock;

    private Book(JdbcConnectionPool pool, Clock clock) {
        this.pool = pool;
        this.clock = clock;
        this.transaction = new TransactionTemplate(new DataSourceTransactionManager(pool));
        this.sql = JdbcClient.create((DataSource) pool);
    }

    static Book at(Path file, Clock clock) {
        Book book = new Book(JdbcConnectionPool.create("jdbc:h2:file:" + file.toAbsolutePath(), "sa", ""), clock);
        book.sql.sql("""
                create table if not exists account(
                  id varchar(40) primary key, mode varchar(4) not null check (mode in ('test', 'live')),
                  secret_key varchar(80) not null unique, public_key varchar(80) not null unique,
                  approved boolean not null, webhook_url varchar(400) not null default '', webhook_secret
                      varchar(80) not null);
                create table if not exists token(
                  id varchar(60) primary key, account varchar(40) not null references account(id), card varchar(30)
                      not null, used boolean not null default false);
                create table if not exists payment(
                  id varchar(60) primary key, account varchar(40) not null references account(id), idempotency_key
                      varchar(100) not null,
                  reference varchar(100) not null, currency char(3) not null, amount bigint not null check (amount > 0),
                  state varchar(20) not null, reason varchar(100) not null default '', card varchar(30) not null,
                      return_url varchar(600) not null,
                  captured bigint not null default 0, refunded bigint not null default 0, at timestamp with time
                      zone not null, version bigint not null default 1,
                  unique (account, idempotency_key), check (captured <= amount), check (refunded <= captured));
                create table if not exists move(
                  id bigint generated always as identity primary key, payment varchar(60) not null references
                      payment(id), kind varchar(10) not null,
                  idempotency_key varchar(100) not null, amount bigint not null, at timestamp with time zone not
                      null, unique (payment, idempotency_key));
                alter table payment add column if not exists statement varchar(22) not null default '';
                create table if not exists kept_card(
                  id varchar(60) primary key, account varchar(40) not null references account(id), card varchar(30)
                      not null, refuses boolean not null default false);
                alter table payment add column if not exists kept_card varchar(60) not null default '';
                alter table payment add column if not exists answer_by timestamp with time zone;
                create table if not exists payout(
                  id varchar(80) primary key, account varchar(40) not null references account(id), seq int not null,
                  currency char(3) not null, amount bigint not null, at timestamp with time zone not null,
                  unique (account, seq));
                alter table move add column if not exists payout varchar(80);
                alter table move add column if not exists fee bigint not null default 0;
                """).update();
        return book;
    }

    /** Opens an account if this id has none. */
    void open(Account account) {
        if (account(account.id()).isEmpty()) {
            sql.sql("""
                    insert into account(id, mode, secret_key, public_key, approved, webhook_secret)
                    values (:id, :mode, :secret, :public, :approved, :webhook)""")
                    .param("id", account.id())
                    .param("mode", account.mode())
                    .param("secret", account.secretKey())
                    .param("public", account.publicKey())
                    .param("approved", account.approved())
                    .param("webhook", account.webhookSecret())
                    .update();
        }
    }

    Optional<Account> account(String id) {
        return account("id", id);
    }

    Optional<Account> bySecret(String key) {
        return account("secret_key", key);
    }

    Optional<Account> byPublic(String key) {
        return account("public_key", key);
    }

    private Optional<Account> account(String column, String value) {
        return sql.sql("select id, mode, secret_key, public_key, approved, webhook_url, webhook_secret from "
                        + "account where "
                        + column + " = :value")
                .param("value", value)
                .query(Account.class)
                .optional();
    }

    List<Account> accounts() {
        return sql.sql("select id, mode, secret_key, public_key, approved, webhook_url, webhook_secret from "
                        + "account order by id")
                .query(Account.class)
                .list();
    }

    void approve(String account, boolean approved) {
        sql.sql("update account set approved = :approved where id = :id")
                .param("approved", approved)
                .param("id", account)
                .update();
    }

    void webhook(String account, String url) {
        sql.sql("update account set webhook_url = :url where id = :id")
                .param("url", url)
                .param("id", account)
                .update();
    }

    void token(String id, String account, TestCard card) {
        sql.sql("insert into token(id, account, card) values (:id, :account, :card)")
                .param("id", id)
                .param("account", account)
                .param("card", card.name())
                .update();
    }

    /** The card of a token, once: a token pays one time. */
    Optional<TestCard> use(String token, String account) {
        int taken = sql.sql("update token set used = true where id = :id and account = :account and not used")
                .param("id", token)
                .param("account", account)
                .update();
        return taken == 0
                ? Optional.empty()
                : sql.sql("select card from token where id = :id")
                        .param("id", token)
                        .query(String.class)
                        .optional()
                        .map(TestCard::valueOf);
    }

    /** Keeps a card for charges to come. */
    KeptCard keep(String account, TestCard card) {
        KeptCard kept = new KeptCard("card-" + UUID.randomUUID(), account, card.name(), false);
        sql.sql("insert into kept_card(id, account, card) values (:id, :account, :card)")
                .param("id", kept.id())
                .param("account", account)
                .param("card", card.name())
                .update();
        return kept;
    }

    Optional<KeptCard> kept(String id, String account) {
        return sql.sql("select id, account, card, refuses from kept_card where id = :id and account = :account")
                .param("id", id)
                .param("account", account)
                .query(KeptCard.class)
                .optional();
    }

    List<KeptCard> keptCards() {
        return sql.sql("select id, account, card, refuses from kept_card order by id")
                .query(KeptCard.class)
                .list();
    }

    /** Whether a kept card is taken back by its bank from now on. */
    void refuse(String id, boolean refuses) {
        sql.sql("update kept_card set refuses = :refuses where id = :id")
                .param("refuses", refuses)
                .param("id", id)
                .update();
    }

    /** Writes a payment; the same idempotency key of one account gives the payment written first. */
    Payment begin(Payment payment) {
        try {
            sql.sql("""
                    insert into payment(id, account, idempotency_key, reference, currency, amount, state, reason,
                        card, statement, return_url, kept_card, at)
                    values (:id, :account, :key, :reference, :currency, :amount, :state, :reason, :card,
                        :statement, :returnUrl, :keptCard, :at)""")
                    .param("id", payment.id())
                    .param("account", payment.account())
                    .param("key", payment.idempotencyKey())
                    .param("reference", payment.reference())
                    .param("currency", payment.currency())
                    .param("amount", payment.amount())
                    .param("state", payment.state())
                    .param("reason", payment.reason())
                    .param("card", payment.card())
                    .param("statement", payment.statement())
                    .param("returnUrl", payment.returnUrl())
                    .param("keptCard", payment.keptCard())
                    .param("at", clock.instant().toString())
                    .update();
            return payment;
        } catch (DuplicateKeyException e) {
            return byKey(payment.account(), payment.idempotencyKey()).orElseThrow();
        }
    }

    private static final String PAYMENT = """
            select id, account, idempotency_key, reference, currency, amount, state, reason, card, statement,
                return_url, kept_card, captured, refunded, version, answer_by
            from payment
            """;

    Optional<Payment> byKey(String account, String key) {
        return sql.sql(PAYMENT + "where account = :account and idempotency_key = :key")
                .param("account", account)
                .param("key", key)
                .query(Payment.class)
                .optional();
    }

    Optional<Payment> payment(String id) {
        return sql.sql(PAYMENT + "where id = :id")
                .param("id", id)
                .query(Payment.class)
                .optional();
    }

    List<Payment> latest() {
        return sql.sql(PAYMENT + "order by at desc limit 50")
                .query(Payment.class)
                .list();
    }

    long timesPaid(String reference) {
        return sql.sql("select count(*) from payment where reference = :reference and state in ('authorised', "
                        + "'captured', 'refunded')")
                .param("reference", reference)
                .query(Long.class)
                .single();
    }

    boolean answer(String id, String from, String to, String reason) {
        return sql.sql("update payment set state = :to, reason = :reason, version = version + 1, answer_by = :by "
                                + "where id = :id and state = :from")
                        .param(
                                "by",
                                to.equals("disputed")
                                        ? clock.instant().plus(DISPUTED).atOffset(ZoneOffset.UTC)
                                        : null)
                        .param("to", to)
                        .param("reason", reason)
                        .param("id", id)
                        .param("from", from)
                        .update()
                == 1;
    }

    /**
     * Moves money on a payment once for each idempotency key.
     *
     * @return whether it was allowed, now or when the key was first used
     */
    boolean move(String id, String kind, String key, long amount) {
        return Boolean.TRUE.equals(transaction.execute(status -> moved(id, kind, key, amount)));
    }

    private boolean moved(String id, String kind, String key, long amount) {
        if (sql.sql("select count(*) from move where payment = :id and idempotency_key = :key")
                        .param("id", id)
                        .param("key", key)
                        .query(Long.class)
                        .single()
                > 0) {
            return true;
        }
        String update =
                switch (kind) {
                    case "capture" ->
                        "update payment set captured = captured + :amount, state = 'captured', version = version + "
                                + "1 where id = :id and state in ('authorised', 'captured') and captured + :amount "
                                + "<= amount";
                    case "refund" ->
                        "update payment set refunded = refunded + :amount, state = 'refunded', version = version + "
                                + "1 where id = :id and refunded + :amount <= captured";
                    default ->
                        "update payment set state = 'voided', version = version + 1 where id = :id and state = "
                                + "'authorised' and :amount = 0";
                };
        if (sql.sql(update).param("id", id).param("amount", amount).update() == 0) {
            return false;
        }
        sql.sql("insert into move(payment, kind, idempotency_key, amount, at) values (:id, :kind, :key, :amount, :at)")
                .param("id", id)
                .param("kind", kind)
                .param("key", key)
                .param("amount", amount)
                .param("at", clock.instant().toString())
                .update();
        return true;
    }

    /** What a payment took, or gave back, in a payout. @param amount in minor units @param fee kept of it */
    record PayoutEntry(String payment, String kind, long amount, long fee, Instant at) {}

    /** Money on its way to the shop's bank. @param amount of its entries, what was given back and the fees taken off */
    record Payout(String id, String currency, long amount, Instant at, List<PayoutEntry> entries) {}

    private record PayoutRow(String id, String currency, long amount, Instant at) {}

    private record Unpaid(long id, String payment, String kind, long amount, Instant at, String currency) {}

    private static final int PAYOUTS_AT_ONCE = 50;

    /**
     * The payouts of an account after one of them, the oldest first. What was moved on a day is paid out on the next,
     * by currency.
     */
    List<Payout> payouts(String account, String after, ToLongBiFunction<Payment, Long> fee) {
        transaction.executeWithoutResult(status -> settle(account, fee));
        int from = sql.sql("select seq from payout where id = :id and account = :account")
                .param("id", after)
                .param("account", account)
                .query(Integer.class)
                .optional()
                .orElse(0);
        return sql
                .sql("select id, currency, amount, at from payout where account = :account and seq > :from order by "
                        + "seq limit :most")
                .param("account", account)
                .param("from", from)
                .param("most", PAYOUTS_AT_ONCE)
                .query(PayoutRow.class)
                .list()
                .stream()
                .map(row -> new Payout(
                        row.id(),
                        row.currency(),
                        row.amount(),
                        row.at(),
                        sql.sql("select payment, kind, amount, fee, at from move where payout = :id order by id")
                                .param("id", row.id())
                                .query(PayoutEntry.class)
                                .list()))
                .toList();
    }

    private void settle(String account, ToLongBiFunction<Payment, Long> fee) {
        sql.sql("select id from account where id = :id for update")
                .param("id", account)
                .query(String.class)
                .single();
        Instant today = clock.instant().truncatedTo(ChronoUnit.DAYS);
        Map<String, List<Unpaid>> days = new TreeMap<>();
        sql.sql("""
                select m.id, m.payment, m.kind, m.amount, m.at, p.currency
                from move m join payment p on p.id = m.payment
                where p.account = :account and m.payout is null and m.kind in ('capture', 'refund') and m.at < :today
                order by m.id""")
                .param("account", account)
                .param("today", today.atOffset(ZoneOffset.UTC))
                .query(Unpaid.class)
                .list()
                .forEach(each -> days.computeIfAbsent(
                                each.at().truncatedTo(ChronoUnit.DAYS) + " " + each.currency(),
                                day -> new ArrayList<>())
                        .add(each));
        days.values().forEach(moves -> settle(account, moves, fee));
    }

    private void settle(String account, List<Unpaid> moves, ToLongBiFunction<Payment, Long> fee) {
        String id = "payout-" + UUID.randomUUID();
        long amount = 0;
        for (Unpaid each : moves) {
            boolean taken = each.kind().equals("capture");
            long kept = taken ? fee.applyAsLong(payment(each.payment()).orElseThrow(), each.amount()) : 0;
            amount += (taken ? each.amount() : -each.amount()) - kept;
            sql.sql("update move set payout = :payout, fee = :fee where id = :id")
                    .param("payout", id)
                    .param("fee", kept)
                    .param("id", each.id())
                    .update();
        }
        sql.sql("""
                insert into payout(id, account, seq, currency, amount, at) values (:id, :account,
                    (select coalesce(max(seq), 0) + 1 from payout where account = :account),
                    :currency, :amount, :at)""")
                .param("id", id)
                .param("account", account)
                .param("currency", moves.get(0).currency())
                .param("amount", amount)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
    }

    @Override
    public void close() {
        pool.dispose();
    }
}

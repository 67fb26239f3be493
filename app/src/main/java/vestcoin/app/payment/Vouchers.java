package vestcoin.app.payment;

import java.math.BigDecimal;
import java.security.SecureRandom;
import java.sql.Types;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.edge.ApiProblem;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.quote.PricingContext;

/** Vouchers and their balances. A balance can never go below zero nor above what was issued; the schema holds both. */
@Repository
public class Vouchers {
    /** Letters and digits that are not taken for one another. */
    private static final String ALPHABET = "ACDEFGHJKLMNPQRTUVWXY34679";

    // 18 of 26 signs are 84 random bits.
    private static final int GROUPS = 3;
    private static final int GROUP = 6;
    private static final int LEAST_CODE = 10;
    private static final int PAGE = 200;

    /**
     * Amounts in minor units.
     *
     * @param sold whether somebody has paid for it
     * @param validFrom the first day on which it pays, null for every one
     * @param validUntil the last one, null for ever
     * @param taxedCountry whose tax was due when it was sold, null where it is due when it is used
     * @param taxedRate of that tax, in percent
     */
    public record Voucher(
            String shop,
            String code,
            String currency,
            long issued,
            long balance,
            String mode,
            Instant at,
            boolean sold,
            LocalDate validFrom,
            LocalDate validUntil,
            String taxedCountry,
            BigDecimal taxedRate) {
        Optional<PricingContext.Taxed> taxed() {
            return Optional.ofNullable(taxedCountry)
                    .map(country -> new PricingContext.Taxed(
                            country,
                            new BigDecimal(taxedRate.stripTrailingZeros().toPlainString())));
        }

        /** Whether it pays on a day of the shop. */
        public boolean valid(LocalDate day) {
            return (validFrom == null || !day.isBefore(validFrom)) && (validUntil == null || !day.isAfter(validUntil));
        }
    }

    /** What vouchers that were paid for still hold. @param balance in minor units */
    public record Outstanding(String currency, String mode, long balance, int vouchers) {}

    /** The days a voucher that was paid for is valid, both included. */
    public record Days(LocalDate from, LocalDate until) {}

    /** A voucher holds less than was counted on. */
    public static final class Spent extends RuntimeException {
        Spent(String code) {
            super(code);
        }
    }

    private static final String VOUCHER =
            "select shop, code, currency, issued, balance, mode, at, sold, valid_from, valid_until, taxed_country, "
                    + "taxed_rate from voucher ";

    private final JdbcClient sql;
    private final Gateways gateways;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Vouchers(JdbcClient sql, Gateways gateways, Clock clock) {
        this.sql = sql;
        this.gateways = gateways;
        this.clock = clock;
    }

    public List<Voucher> list(String shop) {
        return sql.sql(VOUCHER + "where shop = :shop order by at desc, code limit :most")
                .param("shop", shop)
                .param("most", PAGE)
                .query(Voucher.class)
                .list();
    }

    public Optional<Voucher> find(String shop, String code) {
        return sql.sql(VOUCHER + "where shop = :shop and code = :code")
                .param("shop", shop)
                .param("code", normal(code))
                .query(Voucher.class)
                .optional();
    }

    /**
     * The vouchers among codes typed that pay something in a currency on a day of the shop, in the order typed, each
     * once. One made for practice pays nothing where money is real.
     */
    public List<PricingContext.Voucher> among(String shop, List<String> codes, String currency, LocalDate day) {
        List<PricingContext.Voucher> found = new ArrayList<>();
        for (String code : codes.stream().map(Vouchers::normal).distinct().toList()) {
            find(shop, code)
                    .filter(voucher -> unusable(voucher, currency, day).isEmpty())
                    .ifPresent(voucher -> found.add(new PricingContext.Voucher(
                            voucher.code(),
                            BigDecimal.valueOf(
                                    voucher.balance(), CurrencyUnit.of(currency).getDecimalPlaces()),
                            !voucher.sold(),
                            voucher.taxed())));
        }
        return found;
    }

    /** Why a voucher typed pays nothing, in a sentence; nothing where it is none. */
    public Optional<Message> unusable(String shop, String code, String currency, LocalDate day) {
        return find(shop, code).flatMap(voucher -> unusable(voucher, currency, day)
                .or(() -> voucher.taxed().map(as -> () -> buysOnly(as)))
                .map(Supplier::get));
    }

    private static Message buysOnly(PricingContext.Taxed as) {
        return Message.of(
                "payment.voucher-buys-only-what-bears", "rate", as.rate(), "country", new Region(as.country()));
    }

    private Optional<Supplier<Message>> unusable(Voucher voucher, String currency, LocalDate day) {
        if (!voucher.currency().equals(currency)) {
            return Optional.of(() -> Message.of("payment.voucher-in-other-currency", "currency", voucher.currency()));
        }
        if (!voucher.valid(day)) {
            return Optional.of(() -> voucher.validFrom() != null && day.isBefore(voucher.validFrom())
                    ? Message.of("payment.voucher-valid-from", "day", voucher.validFrom())
                    : Message.of("payment.voucher-was-valid-until", "day", voucher.validUntil()));
        }
        if (voucher.balance() == 0) {
            return Optional.of(() -> Message.of("payment.voucher-is-used-up"));
        }
        return voucher.mode().equals(gateways.mode(voucher.shop()))
                ? Optional.empty()
                : Optional.of(() -> Message.of("payment.voucher-for-practice-only"));
    }

    /** What vouchers sold still hold on a day, by currency: what the shop owes. */
    public List<Outstanding> outstanding(String shop, LocalDate day) {
        return sql.sql("""
                select currency, mode, sum(balance) as balance, count(*) as vouchers from voucher
                where shop = :shop and sold and balance > 0 and (valid_until is null or valid_until >= :day)
                group by currency, mode order by mode, currency""")
                .param("shop", shop)
                .param("day", day)
                .query(Outstanding.class)
                .list();
    }

    /** Issues a voucher that was paid for, with a code made here. @param amount in minor units */
    @Transactional(propagation = Propagation.MANDATORY)
    public Voucher issueSold(
            String shop, String currency, long amount, String mode, Days days, Optional<PricingContext.Taxed> taxed) {
        Voucher issued = written(shop, fresh(), currency, amount, mode, true, days);
        taxed.ifPresent(as -> sql.sql("update voucher set taxed_country = :country, taxed_rate = :rate where "
                        + "shop = :shop and code = :code")
                .param("country", as.country())
                .param("rate", as.rate())
                .param("shop", shop)
                .param("code", issued.code())
                .update());
        return issued;
    }

    /** Issues a voucher nobody has paid for. @param code empty for one made here @param amount in minor units */
    @Transactional
    public Voucher issue(String shop, String code, String currency, long amount, String mode) {
        String named = code == null || code.isBlank() ? fresh() : normal(code);
        if (!named.matches("[A-Z0-9][A-Z0-9-]{8,58}[A-Z0-9]")
                || named.replace("-", "").length() < LEAST_CODE) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "code",
                    Message.of("payment.cannot-code", "code", code),
                    Message.of("payment.use-to-60-letters-and-digits-with", "leastcode", LEAST_CODE));
        }
        if (find(shop, named).isPresent()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "code",
                    Message.of("payment.there-voucher-already", "named", named),
                    Message.of("payment.choose-another-code"));
        }
        if (amount <= 0) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "amount",
                    Message.of("payment.voucher-needs-amount-above-zero"),
                    Message.of("payment.write-one-25-00"));
        }
        return written(shop, named, currency, amount, mode, false, new Days(null, null));
    }

    private Voucher written(
            String shop, String code, String currency, long amount, String mode, boolean sold, Days days) {
        sql.sql("insert into voucher(shop, code, currency, issued, balance, mode, at, sold, valid_from, valid_until) "
                        + "values (:shop, :code, :currency, :amount, :amount, :mode, :at, :sold, :from, :until)")
                .param("shop", shop)
                .param("code", code)
                .param("currency", currency)
                .param("amount", amount)
                .param("mode", mode)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .param("sold", sold)
                .param("from", days.from())
                .param("until", days.until())
                .update();
        return find(shop, code).orElseThrow();
    }

    /**
     * Takes from a voucher what its buyer was given back, or gives that to it again where nothing was given back after
     * all.
     *
     * @param amount in minor units, below zero to give to it
     * @throws Spent if it holds less
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void takeBack(String shop, String code, long amount) {
        take(shop, code, null, amount);
    }

    /**
     * Takes from a voucher for a payment, in the transaction that writes the payment. @throws Spent if it holds less
     */
    void take(String shop, String code, Long payment, long amount) {
        if (sql.sql("update voucher set balance = balance - :amount where shop = :shop and code = :code "
                                + "and balance >= :amount")
                        .param("amount", amount)
                        .param("shop", shop)
                        .param("code", code)
                        .update()
                == 0) {
            throw new Spent(code);
        }
        write(shop, code, payment, -amount);
    }

    /** Gives back to the voucher. @param payment that was made with it, or null where it was a discount */
    void giveBack(String shop, String code, Long payment, long amount) {
        sql.sql("update voucher set balance = balance + :amount where shop = :shop and code = :code")
                .param("amount", amount)
                .param("shop", shop)
                .param("code", code)
                .update();
        write(shop, code, payment, amount);
    }

    private void write(String shop, String code, Long payment, long amount) {
        sql.sql("insert into voucher_move(shop, code, payment, amount, at) values (:shop, :code, :payment, "
                        + ":amount, :at)")
                .param("shop", shop)
                .param("code", code)
                .param("payment", payment, Types.BIGINT)
                .param("amount", amount)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
    }

    private String fresh() {
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < GROUPS * GROUP; i++) {
            code.append(i > 0 && i % GROUP == 0 ? "-" : "").append(ALPHABET.charAt(random.nextInt(ALPHABET.length())));
        }
        return code.toString();
    }

    private static String normal(String code) {
        return code.strip().toUpperCase(Locale.ROOT);
    }
}

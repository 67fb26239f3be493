package vestcoin.app.payment;

import java.math.BigDecimal;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.edge.ApiProblem;
import vestcoin.core.message.Message;
import vestcoin.core.quote.PricingContext;

/** Vouchers and their balances. A balance can never go below zero nor above what was issued; the schema holds both. */
@Repository
public class Vouchers {
    /** Letters and digits that are not taken for one another. */
    private static final String ALPHABET = "ACDEFGHJKLMNPQRTUVWXY34679";

    private static final int GROUPS = 3;
    private static final int GROUP = 4;
    private static final int LEAST_CODE = 10;
    private static final int PAGE = 200;

    /** Amounts in minor units. */
    public record Voucher(String code, String currency, long issued, long balance, String mode, Instant at) {}

    /** A voucher holds less than was counted on. */
    public static final class Spent extends RuntimeException {
        Spent(String code) {
            super(code);
        }
    }

    private static final String VOUCHER = "select code, currency, issued, balance, mode, at from voucher ";

    private final JdbcClient sql;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Vouchers(JdbcClient sql, Clock clock) {
        this.sql = sql;
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

    /** The vouchers among codes typed that have something left in a currency, in the order typed, each once. */
    public List<PricingContext.Voucher> among(String shop, List<String> codes, String currency) {
        List<PricingContext.Voucher> found = new ArrayList<>();
        for (String code : codes.stream().map(Vouchers::normal).distinct().toList()) {
            find(shop, code)
                    .filter(voucher -> voucher.currency().equals(currency) && voucher.balance() > 0)
                    .ifPresent(voucher -> found.add(new PricingContext.Voucher(
                            voucher.code(),
                            BigDecimal.valueOf(
                                    voucher.balance(), CurrencyUnit.of(currency).getDecimalPlaces()))));
        }
        return found;
    }

    /** Issues a voucher. @param code empty for one made here @param amount in minor units */
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
        sql.sql("insert into voucher(shop, code, currency, issued, balance, mode, at) values (:shop, :code, "
                        + ":currency, :amount, :amount, :mode, :at)")
                .param("shop", shop)
                .param("code", named)
                .param("currency", currency)
                .param("amount", amount)
                .param("mode", mode)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
        return find(shop, named).orElseThrow();
    }

    /**
     * Takes from a voucher for a payment, in the transaction that writes the payment. @throws Spent if it holds less
     */
    void take(String shop, String code, long payment, long amount) {
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

    /** Gives back to the voucher a payment was made with. */
    void giveBack(String shop, String code, long payment, long amount) {
        sql.sql("update voucher set balance = balance + :amount where shop = :shop and code = :code")
                .param("amount", amount)
                .param("shop", shop)
                .param("code", code)
                .update();
        write(shop, code, payment, amount);
    }

    private void write(String shop, String code, long payment, long amount) {
        sql.sql("insert into voucher_move(shop, code, payment, amount, at) values (:shop, :code, :payment, "
                        + ":amount, :at)")
                .param("shop", shop)
                .param("code", code)
                .param("payment", payment)
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

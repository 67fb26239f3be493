package vestcoin.app.payment;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.core.message.Message;
import vestcoin.core.money.Currencies;

/** Vouchers at the Payment station. */
@RestController
class VoucherController {
    private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

    /** @param sold whether it was paid for; those made up here are not */
    record Shown(
            String code,
            String currency,
            BigDecimal issued,
            BigDecimal balance,
            String mode,
            Instant at,
            boolean sold,
            Optional<LocalDate> until) {}

    /** What vouchers sold still hold. @param vouchers how many of them */
    record Owed(String currency, String mode, BigDecimal balance, int vouchers) {}

    /** @param code empty for one made here */
    record Issue(String code, String currency, BigDecimal amount) {}

    private final Vouchers vouchers;
    private final Gateways gateways;
    private final Clock clock;

    VoucherController(Vouchers vouchers, Gateways gateways, Clock clock) {
        this.vouchers = vouchers;
        this.gateways = gateways;
        this.clock = clock;
    }

    @GetMapping("/api/shops/{shop}/vouchers")
    List<Shown> list(@PathVariable String shop) {
        return vouchers.list(shop).stream().map(VoucherController::shown).toList();
    }

    /** What the shop owes to those who hold vouchers that were paid for. */
    @GetMapping("/api/shops/{shop}/vouchers/outstanding")
    List<Owed> outstanding(@PathVariable String shop) {
        return vouchers.outstanding(shop, LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC)).stream()
                .map(each -> new Owed(
                        each.currency(),
                        each.mode(),
                        BigDecimal.valueOf(
                                each.balance(), CurrencyUnit.of(each.currency()).getDecimalPlaces()),
                        each.vouchers()))
                .toList();
    }

    @PostMapping("/api/shops/{shop}/vouchers")
    Shown issue(@PathVariable String shop, @RequestBody Issue issue) {
        String code = issue.currency() == null ? "" : issue.currency().toUpperCase(Locale.ROOT);
        CurrencyUnit currency = Currencies.of(code)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        "currency",
                        Message.of("payment.not-currency", "code", code),
                        Message.of("payment.write-three-letters-by-iso-4217")));
        BigDecimal amount = Optional.ofNullable(issue.amount())
                .filter(given -> given.signum() > 0
                        && given.compareTo(MOST) <= 0
                        && given.stripTrailingZeros().scale() <= currency.getDecimalPlaces())
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        "amount",
                        Message.of("payment.this-no-amount-voucher-can-have"),
                        Message.of("payment.write-one-above-zero-25-00")));
        return shown(vouchers.issue(
                shop,
                issue.code(),
                code,
                amount.setScale(currency.getDecimalPlaces()).unscaledValue().longValueExact(),
                gateways.mode(shop)));
    }

    private static Shown shown(Vouchers.Voucher voucher) {
        int digits = CurrencyUnit.of(voucher.currency()).getDecimalPlaces();
        return new Shown(
                voucher.code(),
                voucher.currency(),
                BigDecimal.valueOf(voucher.issued(), digits),
                BigDecimal.valueOf(voucher.balance(), digits),
                voucher.mode(),
                voucher.at(),
                voucher.sold(),
                Optional.ofNullable(voucher.validUntil()));
    }
}

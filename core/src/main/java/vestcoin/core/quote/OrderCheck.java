package vestcoin.core.quote;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import vestcoin.core.message.Message;
import vestcoin.core.money.AcceptedCurrency;
import vestcoin.core.money.Currencies;
import vestcoin.core.money.Exchange;
import vestcoin.core.payment.Credit;
import vestcoin.core.problem.Problems;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.why.Tracer;
import vestcoin.core.why.Tracer.Conversion;

/** What makes an order impossible to price. What merely keeps it from being placed is said by the quote. */
final class OrderCheck {
    /** Codes one order may carry: more are a mistake or an attempt to guess. */
    private static final int MOST_CODES = 20;

    private static final int MOST_LINES = 1000;
    private static final BigDecimal MOST_RATE = new BigDecimal("1000000000");
    private static final Instant EARLIEST = Instant.parse("1900-01-01T00:00:00Z");
    private static final Instant LATEST = Instant.parse("2200-01-01T00:00:00Z");

    private final CompiledSetup setup;
    private final Order order;
    private final Problems problems = new Problems();

    private OrderCheck(CompiledSetup setup, Order order) {
        this.setup = setup;
        this.order = order;
    }

    /** @throws vestcoin.core.problem.InvalidInput with everything impossible in the order */
    static void check(CompiledSetup setup, Order order) {
        new OrderCheck(setup, order).check();
    }

    private void check() {
        problems.when(
                order.at() == null
                        || order.at().isBefore(EARLIEST)
                        || order.at().isAfter(LATEST),
                "order/at",
                order.at() == null
                        ? Message.of("quote.order-has-no-time")
                        : Message.of("quote.no-shop-takes-orders-at-this-time"),
                Message.of("quote.add-instant-2026-11-25t10-00-00z"));
        problems.when(
                order.lines().isEmpty(),
                "order/lines",
                Message.of("quote.basket-empty"),
                Message.of("quote.put-something-in"));
        problems.when(
                order.lines().size() > MOST_LINES,
                "order/lines",
                Message.of("quote.basket-has-more-than-lines", "mostlines", MOST_LINES),
                Message.of("quote.make-several-orders"));
        boolean rates = exchange();
        CurrencyUnit unit = currency().orElse(setup.currency());
        Tracer tracer = Tracer.plain(unit, setup.setup().shop().rounding());
        Optional<Conversion> conversion = rates ? conversion(setup, order) : Optional.empty();
        setup.shelf()
                .check(
                        order.lines(),
                        unit.getDecimalPlaces(),
                        conversion.map(how -> tracer.in(unit, how)).orElse(tracer)::threshold,
                        problems);
        problems.when(
                order.codes().size() > MOST_CODES,
                "order/codes",
                Message.of("quote.there-more-than-codes", "mostcodes", MOST_CODES),
                Message.of("quote.keep-ones-that-matter"));
        if (!problems.when(
                order.to() == null,
                "order/to",
                Message.of("quote.order-has-no-destination"),
                Message.of("quote.add-at-least-country"))) {
            order.to().check("order/to", problems);
        }
        order.buyer().belongs().ifPresent(place -> place.check("order/buyer/belongs", problems));
        order.point()
                .ifPresent(point -> problems.when(
                        !point.exists(),
                        "order/point",
                        Message.of("quote.there-no-such-point-on-earth"),
                        Message.of("quote.write-degrees-latitude-from-90-to-90")));
        for (PricingContext.Voucher voucher : order.outside().vouchers()) {
            int digits = currency().orElse(setup.currency()).getDecimalPlaces();
            problems.when(
                    voucher.code() == null
                            || voucher.balance() == null
                            || voucher.balance().signum() < 0
                            || voucher.balance().stripTrailingZeros().scale() > digits,
                    "order/outside/vouchers",
                    Message.of("quote.voucher-has-no-code-or-balance-that"),
                    Message.of("quote.give-each-code-and-balance-of-at", "digits", digits));
        }
        problems.when(
                order.outside().owed().signum() < 0,
                "order/outside/owed",
                Message.of("quote.what-owed-cannot-below-zero"),
                Message.of("quote.leave-out-if-nothing"));
        order.outside()
                .credit()
                .flatMap(Credit::limit)
                .ifPresent(limit -> problems.when(
                        limit.signum() <= 0
                                || limit.stripTrailingZeros().scale()
                                        > setup.currency().getDecimalPlaces(),
                        "order/outside/credit/limit",
                        Message.of("quote.limit-of-credit-is-no-amount"),
                        Message.of("quote.give-limit-above-zero-or-leave-out")));
        order.outside()
                .carriers()
                .amounts()
                .forEach((service, amount) -> problems.when(
                        amount == null
                                || amount.signum() < 0
                                || amount.stripTrailingZeros().scale()
                                        > setup.currency().getDecimalPlaces()
                                || amount.compareTo(MOST_RATE) >= 0,
                        "order/outside/carriers/" + service,
                        Message.of(
                                "quote.carriers-answer-no-price-in",
                                "currency",
                                setup.currency().getCode()),
                        Message.of("quote.leave-out-if-carrier-did-not-answer")));
        problems.refuseIfAny();
    }

    private Optional<CurrencyUnit> currency() {
        return order.currency().flatMap(Currencies::of);
    }

    /** Whether amounts can be brought into the order's currency. */
    private boolean exchange() {
        order.outside().exchange().ifPresent(rates -> {
            problems.when(
                    rates.base() == null,
                    "order/outside/exchange/base",
                    Message.of("quote.exchange-rates-have-no-base"),
                    Message.of("quote.name-currency-they-quoted-against"));
            rates.rates()
                    .forEach((code, rate) -> problems.when(
                            rate == null || rate.signum() <= 0 || rate.compareTo(MOST_RATE) > 0,
                            "order/outside/exchange/rates/" + code,
                            Message.of("quote.exchange-rate-has-to-above-zero"),
                            Message.of("quote.write-units-of-for-one-of-base", "code", code)));
        });
        if (order.currency().isEmpty()
                || order.currency().get().equals(setup.currency().getCode())) {
            return true;
        }
        String code = order.currency().get();
        if (problems.when(
                accepted().isEmpty(),
                "order/currency",
                Message.of("quote.shop-does-not-take", "code", code),
                Message.of("quote.choose-one-takes-or-add-at-shops"))) {
            return false;
        }
        Optional<Exchange> rates = order.outside().exchange().filter(given -> given.base() != null);
        return !problems.when(
                rates.flatMap(given -> given.of(code)).isEmpty()
                        || rates.flatMap(given -> given.of(setup.currency().getCode()))
                                .isEmpty(),
                "order/outside/exchange",
                Message.of(
                        "quote.there-no-exchange-rate-from-to",
                        "currency",
                        setup.currency().getCode(),
                        "code",
                        code),
                Message.of("quote.give-days-rates-for-both"));
    }

    private Optional<AcceptedCurrency> accepted() {
        return setup.setup().shop().currencies().stream()
                .filter(each -> each.code().equals(order.currency().orElseThrow()))
                .findFirst();
    }

    /**
     * How typed amounts become amounts of the order's currency, for an order that was found possible; nothing in the
     * shop's own.
     */
    static Optional<Conversion> conversion(CompiledSetup setup, Order order) {
        if (order.currency().isEmpty()
                || order.currency().get().equals(setup.currency().getCode())) {
            return Optional.empty();
        }
        AcceptedCurrency accepted = new OrderCheck(setup, order).accepted().orElseThrow();
        Exchange rates = order.outside().exchange().orElseThrow();
        return Optional.of(new Conversion(
                setup.currency(),
                rates.of(setup.currency().getCode()).orElseThrow(),
                rates.of(accepted.code()).orElseThrow(),
                accepted.percent().orElse(BigDecimal.ZERO),
                accepted.ending()));
    }
}

package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import vestcoin.app.edge.Answers;
import vestcoin.app.format.QuoteView;
import vestcoin.app.setup.Document;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Promise;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxLiability;

/**
 * A quote as the buyer sees it: amounts without their inner workings, only the ways that are open.
 *
 * @param readNet whether its rows are read without the tax that is inside of prices elsewhere
 * @param beforeAddress whether it is of the goods alone, because nobody has said where they go
 */
public record BuyerQuote(
        String currency,
        Tax.Prices prices,
        boolean readNet,
        List<Line> lines,
        BigDecimal goods,
        List<Discount> discounts,
        List<Levied> perUnit,
        List<Option> delivery,
        boolean needsDelivery,
        List<Levy> taxes,
        BigDecimal tax,
        BigDecimal payable,
        List<Voucher> vouchers,
        Optional<BigDecimal> fee,
        Optional<BigDecimal> rounding,
        BigDecimal toPay,
        List<Method> methods,
        List<RefusedCode> refusedCodes,
        List<Message> missing,
        List<Message> notSold,
        List<Message> whose,
        Optional<Message> taxNumber,
        List<SeparateDelivery> apart,
        List<Entry> basket,
        List<RecurringCharge> renewing,
        Optional<AtOnce> atOnce,
        Optional<Message> onAccount,
        boolean beforeAddress) {

    /**
     * One line of the basket, in its order. @param amount of all it stands for @param left how many the shop has, where
     * it counts and they are fewer than asked for
     */
    public record Entry(BigDecimal amount, List<Message> choices, Optional<BigDecimal> left) {}

    /**
     * What is charged again.
     *
     * @param kind under which it is agreed to
     * @param text what a buyer agrees to, in their language
     * @param hash of it
     */
    public record RecurringCharge(String kind, String name, String text, String hash) {
        static RecurringCharge of(QuoteView.Renewal renewal) {
            String text = Answers.phrases().say(renewal.terms());
            return new RecurringCharge("renewal-" + renewal.line(), renewal.name(), text, Document.hash(text));
        }
    }

    /**
     * What a consumer may agree to, so that files are supplied at once.
     *
     * @param text of the box
     * @param hash of it
     * @param otherwise what happens without it
     */
    public record AtOnce(String text, String hash, String otherwise) {
        static Optional<AtOnce> of(QuoteView quote) {
            return quote.supply().map(supply -> {
                String text = Answers.phrases().say(supply.text());
                return new AtOnce(text, Document.hash(text), Answers.phrases().say(supply.otherwise()));
            });
        }
    }

    public record Line(
            String product,
            String name,
            List<Message> choices,
            BigDecimal quantity,
            BigDecimal unit,
            BigDecimal amount) {}

    /** @param amount taken off, not negative */
    public record Discount(Message name, BigDecimal amount) {}

    /** What belongs to units, such as a deposit. @param inside whether it is in their price already */
    public record Levied(String name, boolean inside, BigDecimal amount) {}

    /** @param collected whether the buyer comes for it @param slots open ones, on the shop's clock */
    public record Option(
            String id,
            String name,
            String sentence,
            Optional<Delivery.Days> days,
            Optional<Promise> promise,
            BigDecimal price,
            boolean chosen,
            boolean collected,
            List<QuoteView.Slot> slots) {}

    /** What leaves one place of several, which can have a delivery of its own. @param name of the place */
    public record SeparateDelivery(String dispatch, String name, List<String> things, List<Option> delivery) {}

    public record Levy(String name, BigDecimal percent, BigDecimal tax) {}

    /** A code typed that takes nothing off, and why. */
    public record RefusedCode(String code, Message reason) {}

    /** @param used of its balance */
    public record Voucher(String code, BigDecimal used) {}

    /** @param charge what choosing it adds; below zero it takes off @param toPay what the order comes to that way */
    public record Method(
            String id,
            Payment.Kind kind,
            String title,
            String sentence,
            Optional<BigDecimal> charge,
            BigDecimal toPay) {}

    /**
     * @param unplaced whether nobody has said where it goes
     * @param taxNumber what is wrong with the tax number typed
     */
    static BuyerQuote of(QuoteView priced, boolean unplaced, List<String> codes, Optional<Message> taxNumber) {
        QuoteView quote = priced.asRead();
        return new BuyerQuote(
                quote.currency(),
                quote.prices(),
                quote.withoutTax().isPresent(),
                quote.lines().stream()
                        .map(line -> new Line(
                                line.product(),
                                line.name(),
                                line.choices(),
                                line.quantity(),
                                line.unit().value(),
                                line.amount().value()))
                        .toList(),
                quote.goods().value(),
                discounts(quote),
                quote.levied().stream()
                        .map(each -> new Levied(
                                each.name(), each.inside(), each.amount().value()))
                        .toList(),
                options(quote.delivery(), quote),
                quote.needsDelivery(),
                quote.taxes().stream()
                        .filter(group -> group.percent().isPresent())
                        .map(group -> new Levy(
                                group.name(), group.percent().get(), group.tax().value()))
                        .toList(),
                quote.tax().value(),
                quote.payable().value(),
                quote.vouchers().stream()
                        .filter(used -> used.used().value().signum() > 0)
                        .map(used -> new Voucher(used.code(), used.used().value()))
                        .toList(),
                quote.fee().map(fee -> fee.value()),
                quote.rounding().map(rounding -> rounding.value()).filter(rounding -> rounding.signum() != 0),
                quote.toPay().value(),
                quote.methods().stream()
                        .filter(method -> method.hidden().isEmpty())
                        .map(method -> new Method(
                                method.id(),
                                method.kind(),
                                method.title(),
                                method.sentence(),
                                method.charge().map(charge -> charge.value()),
                                method.toPay()))
                        .toList(),
                refused(quote, codes),
                quote.missing(),
                notSold(quote),
                quote.whose().stream()
                        .filter(whose -> whose.code() != TaxLiability.Code.S)
                        .map(QuoteView.TaxLiabilityView::sentence)
                        .toList(),
                taxNumber,
                apart(quote),
                basket(quote),
                quote.renewing().stream().map(RecurringCharge::of).toList(),
                AtOnce.of(quote),
                onAccount(quote),
                unplaced && options(quote.delivery(), quote).stream().noneMatch(Option::chosen));
    }

    /** What is missing that lies in the goods themselves, and so is said in the basket. */
    private static final Set<String> IN_THE_BASKET = Set.of(
            "quote.not-sold-before", "quote.sold-out", "quote.sold-to-some-buyers-only", "quote.date-chosen-is-past");

    private static List<Message> notSold(QuoteView quote) {
        return quote.missing().stream()
                .filter(missing -> IN_THE_BASKET.contains(missing.code()))
                // Of what is counted its line says how many there are.
                .filter(missing ->
                        !missing.code().equals("quote.sold-out") || quote.left().isEmpty())
                .toList();
    }

    /** Why this buyer is not offered to pay on account, where the shop does that. */
    private static Optional<Message> onAccount(QuoteView quote) {
        return quote.methods().stream()
                .filter(method -> method.kind() == Payment.Kind.ON_ACCOUNT)
                .flatMap(method -> method.hidden().stream())
                .filter(reason -> NOT_ON_ACCOUNT.containsKey(reason.code()))
                .map(reason -> Message.of(NOT_ON_ACCOUNT.get(reason.code())))
                .findFirst();
    }

    /** A reason told to the seller, and what a buyer is told. */
    private static final Map<String, String> NOT_ON_ACCOUNT = Map.of(
            "payment.only-for-confirmed-businesses-and-who-is-let",
            "counter.on-account-for-whom",
            "payment.above-what-this-buyer-may-owe",
            "counter.on-account-no-more",
            "payment.above-what-this-buyer-may-owe-open",
            "counter.on-account-no-more");

    static final Message NO_SUCH_CODE = Message.of("checkout.shop-has-no-such-code");

    /** The same with other reasons at the codes that take nothing off. */
    BuyerQuote with(List<RefusedCode> codes) {
        return new BuyerQuote(
                currency,
                prices,
                readNet,
                lines,
                goods,
                discounts,
                perUnit,
                delivery,
                needsDelivery,
                taxes,
                tax,
                payable,
                vouchers,
                fee,
                rounding,
                toPay,
                methods,
                codes,
                missing,
                notSold,
                whose,
                taxNumber,
                apart,
                basket,
                renewing,
                atOnce,
                onAccount,
                beforeAddress);
    }

    private static List<Option> options(List<QuoteView.Option> delivery, QuoteView quote) {
        return delivery.stream()
                .filter(option -> option.price().isPresent())
                .map(option -> new Option(
                        option.id(),
                        option.name(),
                        option.sentence(),
                        option.days(),
                        option.promise(),
                        option.price().get().value(),
                        option.chosen(),
                        quote.slots().containsKey(option.id()) && !option.id().equals(Pickup.Local.OPTION),
                        quote.slots().getOrDefault(option.id(), List.of())))
                .toList();
    }

    /** Each consignment with its own offers, where there are several and something is offered for each. */
    private static List<SeparateDelivery> apart(QuoteView quote) {
        List<SeparateDelivery> apart = quote.consignments().stream()
                .map(sent -> new SeparateDelivery(
                        sent.dispatch(),
                        sent.name(),
                        sent.lines().stream()
                                .map(line -> quote.lines().get(line).name())
                                .toList(),
                        options(sent.delivery(), quote)))
                .toList();
        return apart.size() < 2
                        || apart.stream().anyMatch(each -> each.delivery().isEmpty())
                ? List.of()
                : apart;
    }

    private static List<Entry> basket(QuoteView quote) {
        Map<String, BigDecimal> asked = new HashMap<>();
        quote.lines()
                .forEach(line -> line.counted().ifPresent(key -> asked.merge(key, line.quantity(), BigDecimal::add)));
        Map<Integer, Entry> entries = new TreeMap<>();
        for (QuoteView.Line line : quote.lines()) {
            Optional<BigDecimal> few = line.counted()
                    .filter(key -> asked.get(key).compareTo(quote.left().get(key)) > 0)
                    .map(quote.left()::get);
            // Of a bundle or box what is in it.
            List<Message> choices = line.bundle().isEmpty()
                    ? line.choices()
                    : Stream.concat(
                                    Stream.of(Message.of(
                                            "goods.part",
                                            "quantity",
                                            line.quantity().stripTrailingZeros().scale() < 0
                                                    ? line.quantity().setScale(0)
                                                    : line.quantity().stripTrailingZeros(),
                                            "name",
                                            line.name())),
                                    line.choices().stream())
                            .toList();
            entries.merge(
                    line.ordered(),
                    new Entry(line.amount().value(), choices, few),
                    (one, other) -> new Entry(
                            one.amount().add(other.amount()),
                            Stream.concat(one.choices().stream(), other.choices().stream())
                                    .toList(),
                            Stream.of(one.left(), other.left())
                                    .flatMap(Optional::stream)
                                    .min(BigDecimal::compareTo)));
        }
        return List.copyOf(entries.values());
    }

    /** What is taken off; a voucher that goes off goods and delivery stands once. */
    private static List<Discount> discounts(QuoteView quote) {
        Map<String, Discount> taken = new LinkedHashMap<>();
        Stream.concat(quote.discounts().stream(), quote.deliveryDiscounts().stream())
                .forEach(discount -> taken.merge(
                        discount.id(),
                        new Discount(
                                discount.ofVoucher()
                                        ? Message.of("counter.voucher", "code", discount.name())
                                        : Message.name(discount.name()),
                                discount.amount().value()),
                        (one, more) -> new Discount(one.name(), one.amount().add(more.amount()))));
        return List.copyOf(taken.values());
    }

    private static List<RefusedCode> refused(QuoteView quote, List<String> codes) {
        List<RefusedCode> refused = new ArrayList<>();
        for (String code : codes) {
            if (quote.vouchers().stream().anyMatch(voucher -> voucher.code().equalsIgnoreCase(code.strip()))) {
                continue;
            }
            boolean used = Stream.concat(quote.discounts().stream(), quote.deliveryDiscounts().stream())
                    .anyMatch(discount -> discount.code()
                            .filter(own -> own.equalsIgnoreCase(code.strip()))
                            .isPresent());
            if (!used) {
                refused.add(new RefusedCode(
                        code,
                        quote.notApplied().stream()
                                .filter(not -> not.code()
                                        .filter(own -> own.equalsIgnoreCase(code.strip()))
                                        .isPresent())
                                .map(QuoteView.UnusedDiscount::reason)
                                .findFirst()
                                .orElse(NO_SUCH_CODE)));
            }
        }
        return refused;
    }
}

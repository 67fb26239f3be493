package vestcoin.app.format;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.app.format.Figures.Amount;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Promise;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Size;
import vestcoin.core.message.Message;
import vestcoin.core.parcel.Parcel;
import vestcoin.core.payment.Payment;
import vestcoin.core.quote.Quote;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxLiability;

/**
 * A quote as a document: what the command line prints, the desk shows and an order keeps. Every amount points to its
 * why.
 *
 * @param format names the document and its version
 * @param needsDelivery whether anything has to be sent or collected
 * @param delivery every option for the whole order, those offered first; the chosen one is marked
 * @param consignments what leaves which place, packed
 * @param deliveryPrice the delivery less what is off it
 * @param distances how far the order is from free delivery
 * @param slots open slots of places to collect at and of local delivery, by option
 * @param notApplied discounts that take nothing off, with the reason
 * @param whose whose tax applies and why, in sentences
 * @param fee what the way of paying adds or takes off
 * @param rounding what cash is rounded by
 * @param toPay payable less vouchers, and rounded where it is cash
 * @param left what is left of what the lines ask for, where it is counted
 * @param agreements kinds of texts the buyer agrees to
 * @param missing why the order cannot be placed as it stands; empty when it can
 * @param withoutTax its rows as a business reads them, where it reads prices without the tax in them
 * @param figures the whys, operands before what is made of them
 * @param hash SHA-256 over the setup and the order it was made from, as hexadecimal; not while a draft is being typed
 */
public record QuoteView(
        String format,
        String currency,
        Tax.Prices prices,
        List<Line> lines,
        Amount goods,
        List<Discount> discounts,
        Optional<Amount> perUnit,
        Amount weight,
        Optional<Zone> zone,
        List<String> undecided,
        boolean needsDelivery,
        List<Option> delivery,
        List<Shipment> consignments,
        Optional<Amount> deliveryPrice,
        List<Discount> deliveryDiscounts,
        List<Further> distances,
        Map<String, List<Slot>> slots,
        List<UnusedDiscount> notApplied,
        List<TaxLiabilityView> whose,
        List<Group> taxes,
        Amount tax,
        Optional<Amount> fee,
        Amount payable,
        List<VoucherUsed> vouchers,
        Optional<Amount> rounding,
        Amount toPay,
        List<Method> methods,
        Optional<Costs> costs,
        List<Renewal> renewing,
        Map<String, BigDecimal> left,
        List<String> agreements,
        Optional<Supply> supply,
        List<Message> missing,
        Optional<NetRows> withoutTax,
        List<Figures.Node> figures,
        Optional<String> hash) {
    public static final String FORMAT = "vest-coin/quote/1";

    /**
     * @param choices names of the choices made, then what was answered @param tax the line's share of the tax @param
     *     bundle name of the bundle it came in @param counted what it is counted as in {@code left} @param ordered
     *     place of the line of the order it comes from; the parts of a bundle share one
     */
    public record Line(
            String product,
            String name,
            List<Message> choices,
            BigDecimal quantity,
            Amount unit,
            Amount amount,
            Amount tax,
            List<PerUnit> perUnit,
            Optional<String> bundle,
            Optional<String> counted,
            int ordered) {}

    /** An amount of each unit. @param inside already in the price and only shown */
    public record PerUnit(String name, boolean inside, Amount amount) {
        /** With more of the same; the why is of the first. */
        private PerUnit and(PerUnit more) {
            return new PerUnit(
                    name, inside, new Amount(amount.value().add(more.amount().value()), amount.why()));
        }
    }

    /** What a discount takes off. @param amount not negative */
    public record Discount(String id, String name, Optional<String> code, Amount amount) {
        /** Whether it is what a voucher that nobody paid for takes off; its name is the voucher's code. */
        public boolean ofVoucher() {
            return id.startsWith(Discounts.VOUCHER);
        }
    }

    /** A discount that does not apply, and why. */
    public record UnusedDiscount(String id, String name, Optional<String> code, Message reason) {}

    public record Zone(String id, String name) {}

    /**
     * @param price there when offered @param reason there when not, with the path of what decided it @param note what
     *     the seller should know of the price
     */
    public record Option(
            String id,
            String name,
            String sentence,
            Optional<Delivery.Days> days,
            Optional<Amount> price,
            Optional<Message> reason,
            Optional<String> rule,
            boolean chosen,
            Optional<Promise> promise,
            Optional<Message> note) {
        /** The same at another price. */
        Option at(Optional<Amount> other) {
            return new Option(id, name, sentence, days, other, reason, rule, chosen, promise, note);
        }
    }

    /**
     * @param way how it was packed @param delivery its own offers, where there are several consignments @param lines
     *     places of lines in it
     */
    public record Shipment(
            String dispatch,
            String name,
            String country,
            LocalDate ready,
            List<PackedParcels> parcels,
            String way,
            Amount weight,
            Optional<Amount> distance,
            List<Option> delivery,
            List<Integer> lines) {
        /** The same with other offers. */
        Shipment offering(List<Option> others) {
            return new Shipment(dispatch, name, country, ready, parcels, way, weight, distance, others, lines);
        }
    }

    /** @param things lines in it, with where they lie in millimetres */
    public record PackedParcels(
            Optional<String> type, Optional<Size> outer, Amount weight, List<Parcel.Placed> things) {}

    /** @param more goods at list */
    public record Further(String option, String name, boolean reduced, Amount more) {}

    public record Slot(LocalDateTime start, LocalDateTime end, Optional<Integer> left) {}

    public record TaxLiabilityView(TaxLiability.Code code, Message sentence, String rule) {}

    /**
     * One levy of a tax group. @param code category of EN 16931 @param rule path of the cell in the tax book @param
     * amount what it is levied on, in shelf-price mode
     */
    public record Group(
            String name,
            String category,
            TaxLiability.Code code,
            String dispatch,
            Optional<String> rule,
            Optional<BigDecimal> percent,
            Amount amount,
            Amount tax) {}

    public record VoucherUsed(String code, Amount used) {}

    /**
     * @param hidden why the buyer does not see it @param charge what it adds @param fee the provider's @param toPay
     *     what is paid by it, its own charge included @param arrives that less the fee @param keep what is left of it
     *     for the seller, tax paid
     */
    public record Method(
            String id,
            Payment.Kind kind,
            String title,
            String sentence,
            Optional<Message> hidden,
            Optional<Amount> charge,
            Optional<Amount> fee,
            BigDecimal toPay,
            BigDecimal arrives,
            BigDecimal keep) {
        /** The same with what it adds said otherwise. */
        Method charging(Optional<Amount> other) {
            return new Method(id, kind, title, sentence, hidden, other, fee, toPay, arrives, keep);
        }
    }

    /**
     * What the order costs the seller besides, no buyer's business.
     *
     * @param vouchers sold in it
     * @param uncounted what is not known of it
     */
    public record Costs(
            Optional<Amount> goods,
            Optional<Amount> packing,
            Optional<Amount> carrier,
            Optional<Amount> vouchers,
            List<Message> uncounted) {}

    /** What a consumer of files may agree to. @param text agreed to @param otherwise what happens without it */
    public record Supply(Message text, Message otherwise) {}

    /**
     * What of it is charged again.
     *
     * @param terms what a buyer agrees to
     * @param charges the next ones
     */
    /** @param line index of the line */
    public record Renewal(int line, String name, Message terms, List<Charge> charges) {}

    public record Charge(Instant at, LocalDate day, BigDecimal payable) {}

    /** What an order keeps of it: of the slots the one that was chosen. */
    public QuoteView kept(Optional<LocalDateTime> slot) {
        Map<String, List<Slot>> chosen = new LinkedHashMap<>();
        delivery.stream()
                .filter(Option::chosen)
                .forEach(option -> chosen.put(
                        option.id(),
                        slots.getOrDefault(option.id(), List.of()).stream()
                                .filter(each ->
                                        slot.filter(each.start()::equals).isPresent())
                                .toList()));
        return new QuoteView(
                format,
                currency,
                prices,
                lines,
                goods,
                discounts,
                perUnit,
                weight,
                zone,
                undecided,
                needsDelivery,
                delivery,
                consignments,
                deliveryPrice,
                deliveryDiscounts,
                distances,
                chosen,
                notApplied,
                whose,
                taxes,
                tax,
                fee,
                payable,
                vouchers,
                rounding,
                toPay,
                methods,
                costs,
                renewing,
                left,
                agreements,
                supply,
                missing,
                withoutTax,
                figures,
                hash);
    }

    /** What belongs to units, such as a deposit: each once, with all it comes to, whatever it belongs to. */
    public List<PerUnit> levied() {
        Map<String, PerUnit> levied = new LinkedHashMap<>();
        lines.stream()
                .flatMap(line -> line.perUnit().stream())
                .forEach(each -> levied.merge(each.name() + each.inside(), each, PerUnit::and));
        return List.copyOf(levied.values());
    }

    /** The same as its buyer reads it: with amounts of its rows without tax, where that is so. */
    public QuoteView asRead() {
        return withoutTax.map(net -> net.of(this)).orElse(this);
    }

    public static QuoteView of(Quote quote) {
        return new QuoteWriting(quote).view(Optional.empty());
    }

    public static QuoteView of(Quote quote, String hash) {
        return new QuoteWriting(quote).view(Optional.of(hash));
    }
}

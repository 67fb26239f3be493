package vestcoin.core.quote;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.joda.money.CurrencyUnit;
import vestcoin.core.discount.Reduction;
import vestcoin.core.money.Sharing;
import vestcoin.core.tax.TaxGroup;

/**
 * The rows of a quote with tax inside, as a business reads them: without the tax, which stands in a row of its own. It
 * is the same quote: goods − discounts + what stands on top of units + delivery − what is off it + fee + tax comes to
 * what is payable, to the minor unit.
 *
 * <p>What is taxed is read without the tax it was given; what a discount took off is brought to without tax in the
 * proportion of what is left, half up. Ways of delivery and of paying that were not chosen are brought there in the
 * proportion of the one that was, or of the goods.
 *
 * @param lines by the quote's lines, before discounts
 * @param goods all of them
 * @param discounts by the quote's discounts, then by those off the delivery
 * @param perUnit what stands on top of units, by the quote's lines
 * @param offered proportion of what delivery options come to, before discounts
 * @param others proportion of the goods, for what is nowhere chosen
 * @param fee what the chosen way of paying adds
 */
public record WithoutTax(
        List<BigDecimal> lines,
        BigDecimal goods,
        List<BigDecimal> discounts,
        List<List<BigDecimal>> perUnit,
        Share offered,
        Share others,
        Optional<BigDecimal> fee) {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /** A proportion of amounts with tax, for what was not chosen. */
    public record Share(BigDecimal net, BigDecimal gross, int digits) {
        /** An amount without tax, half up. */
        public BigDecimal of(BigDecimal amount) {
            return gross.signum() == 0 ? amount : amount.multiply(net).divide(gross, digits, RoundingMode.HALF_UP);
        }
    }

    /** An amount with the tax in it. */
    private record Taxed(BigDecimal gross, BigDecimal net) {
        static final Taxed NOTHING = new Taxed(BigDecimal.ZERO, BigDecimal.ZERO);

        Taxed and(Taxed more) {
            return new Taxed(gross.add(more.gross), net.add(more.net));
        }
    }

    static WithoutTax of(Quote quote) {
        int digits = CurrencyUnit.of(quote.currency()).getDecimalPlaces();
        List<BigDecimal> lines = new ArrayList<>();
        List<List<BigDecimal>> perUnit = new ArrayList<>();
        Taxed left = Taxed.NOTHING;
        BigDecimal off = BigDecimal.ZERO;
        for (int i = 0; i < quote.lines().size(); i++) {
            String key = "lines/" + i;
            Taxed own = sum(quote, key::equals);
            BigDecimal rate = quote.taxes().stream()
                    .filter(group ->
                            group.parts().stream().anyMatch(part -> part.key().equals(key)))
                    .findFirst()
                    .map(TaxGroup::rate)
                    .orElse(BigDecimal.ZERO);
            BigDecimal taken = allowance(
                    quote.lines().get(i).amount().value().subtract(own.gross()), own.gross(), own.net(), rate, digits);
            lines.add(own.net().add(taken));
            off = off.add(taken);
            left = left.and(own);
            perUnit.add(quote.lines().get(i).perUnit().stream()
                    .map(levied -> levied.inside()
                            ? levied.amount().value()
                            : sum(quote, (key + "/perUnit/" + levied.id())::equals)
                                    .net())
                    .toList());
        }
        Share goods = new Share(left.net(), left.gross(), digits);
        Taxed sent = sum(quote, key -> key.startsWith("delivery"));
        BigDecimal offSent = sum(quote.off());
        BigDecimal offSentNet =
                (sent.gross().signum() == 0 ? goods : new Share(sent.net(), sent.gross(), digits)).of(offSent);
        List<BigDecimal> discounts = new ArrayList<>(shared(off, digits, quote.discounts()));
        discounts.addAll(shared(offSentNet, digits, quote.off()));
        Taxed before = sent.and(new Taxed(offSent, offSentNet));
        return new WithoutTax(
                lines,
                lines.stream().reduce(BigDecimal.ZERO, BigDecimal::add),
                discounts,
                perUnit,
                before.gross().signum() == 0 ? goods : new Share(before.net(), before.gross(), digits),
                goods,
                quote.fee().map(fee -> sum(quote, "fee"::equals).net()));
    }

    /**
     * What was taken off an amount, brought to without tax in the proportion of what is left of it, half up; of nothing
     * left by its rate.
     *
     * @param off with tax @param left with tax @param net what is left, without @param rate in percent
     * @param digits decimals of the currency
     */
    public static BigDecimal allowance(BigDecimal off, BigDecimal left, BigDecimal net, BigDecimal rate, int digits) {
        if (off.signum() <= 0) {
            return BigDecimal.ZERO;
        }
        return left.signum() == 0
                ? off.multiply(HUNDRED).divide(HUNDRED.add(rate), digits, RoundingMode.HALF_UP)
                : off.multiply(net).divide(left, digits, RoundingMode.HALF_UP);
    }

    /** What the chosen options come to, which add up to the delivery before what is off it. */
    public List<BigDecimal> delivery(List<BigDecimal> chosen) {
        BigDecimal gross = chosen.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        return chosen.isEmpty() ? List.of() : Sharing.out(offered.of(gross), offered.digits(), chosen);
    }

    private static List<BigDecimal> shared(BigDecimal whole, int digits, List<Reduction> of) {
        return of.isEmpty()
                ? List.of()
                : Sharing.out(
                        whole,
                        digits,
                        of.stream().map(each -> each.amount().value()).toList());
    }

    private static BigDecimal sum(List<Reduction> reductions) {
        return reductions.stream().map(each -> each.amount().value()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static Taxed sum(Quote quote, Predicate<String> which) {
        return quote.taxes().stream()
                .flatMap(group -> group.parts().stream())
                .filter(part -> which.test(part.key()))
                .map(part -> new Taxed(
                        part.amount().value(),
                        part.amount().value().subtract(part.tax().value())))
                .reduce(Taxed.NOTHING, Taxed::and);
    }
}

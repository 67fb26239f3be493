package vestcoin.core.tax;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vestcoin.core.message.Message;
import vestcoin.core.tax.TaxGroup.ComponentTax;
import vestcoin.core.tax.TaxGroup.Part;
import vestcoin.core.tax.Taxes.Group;
import vestcoin.core.tax.Taxes.Taxable;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * Taxes one group. With tax inside: component = amount × its rate ÷ (100 + all rates). Without: component = amount ×
 * rate ÷ 100. Each is rounded once for the group, or once for the sum of components, or for each line, as the place
 * says. The rate of a component that is levied on others is what it comes to in percent of the price without tax.
 */
final class GroupTax {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final boolean inside;
    private final Tracer tracer;

    GroupTax(Tax.Prices prices, Tracer tracer) {
        this.inside = prices == Tax.Prices.WITH_TAX;
        this.tracer = tracer;
    }

    TaxGroup of(Group group) {
        List<Taxable> goods = Taxes.sorted(group.goods);
        List<String> keys = new ArrayList<>();
        List<Figure> amounts = new ArrayList<>();
        for (Taxable taxable : goods) {
            keys.add(taxable.key());
            amounts.add(taxable.amount());
        }
        for (Taxes.Share share : group.carried) {
            keys.add(share.key());
            amounts.add(share.amount());
        }
        Figure amount = amounts.size() == 1
                ? amounts.get(0)
                : tracer.sum(
                        "rule/tax-group",
                        group.carried.isEmpty()
                                ? Message.of("why.goods-of-group")
                                : Message.of("why.goods-and-delivery"),
                        amounts);
        if (group.levy.isEmpty()) {
            Figure none = tracer.zero(group.treatment.rule(), Message.of("why.no-tax"));
            List<Part> parts = new ArrayList<>(keys.size());
            for (int i = 0; i < keys.size(); i++) {
                parts.add(new Part(keys.get(i), amounts.get(i), none));
            }
            return new TaxGroup(
                    group.levy, group.category, group.code, group.dispatch, group.treatment, amount, List.of(), parts);
        }
        return taxed(group, group.levy.get(), goods, keys, amounts, amount);
    }

    private TaxGroup taxed(
            Group group,
            TaxBook.Levy levy,
            List<Taxable> goods,
            List<String> keys,
            List<Figure> amounts,
            Figure amount) {
        List<ComponentTax> components = new ArrayList<>();
        List<List<Figure>> shares = new ArrayList<>();
        Tax.RoundedBy rounded = levy.rounded();
        List<Figure> rates = rates(levy);
        Figure divisor = tracer.number(
                Source.SETUP,
                inside ? HUNDRED.add(levy.rate().total()) : HUNDRED,
                "%",
                inside ? "rule/tax-inside" : "rule/tax-added",
                inside ? Message.of("why.100-and-all-rates") : Message.of("why.per-cent"));
        List<Figure> sums = rounded == Tax.RoundedBy.SUM && rates.size() > 1
                ? sumShared(levy, rates, bases(levy, goods, group, amount), divisor)
                : List.of();
        for (int c = 0; c < rates.size(); c++) {
            String name = levy.rate().components().get(c).name();
            Figure rate = rates.get(c);
            if (rounded == Tax.RoundedBy.LINE) {
                List<Figure> lines = new ArrayList<>();
                for (Figure part : amounts) {
                    lines.add(tracer.ratio(levy.path(), Message.name(name), List.of(part, rate), List.of(divisor)));
                }
                shares.add(lines);
                components.add(new ComponentTax(name, rate, tracer.sum(levy.path(), Message.name(name), lines)));
                continue;
            }
            Figure base = capped(levy.rate().components().get(c), goods, group, amount);
            Figure tax = sums.isEmpty()
                    ? tracer.ratio(levy.path(), Message.name(name), List.of(base, rate), List.of(divisor))
                    : sums.get(c);
            components.add(new ComponentTax(name, rate, tax));
            shares.add(
                    amounts.size() == 1
                            ? List.of(tax)
                            : tracer.shares("rule/tax-shared-out", Message.name(name), tax, amounts));
        }
        List<Part> parts = new ArrayList<>(keys.size());
        for (int i = 0; i < keys.size(); i++) {
            List<Figure> taxes = new ArrayList<>(shares.size());
            for (List<Figure> share : shares) {
                taxes.add(share.get(i));
            }
            parts.add(new Part(
                    keys.get(i),
                    amounts.get(i),
                    taxes.size() == 1 ? taxes.get(0) : tracer.sum("rule/tax-of-part", Message.of("why.tax"), taxes)));
        }
        return new TaxGroup(
                Optional.of(levy),
                group.category,
                group.code,
                group.dispatch,
                group.treatment,
                amount,
                components,
                parts);
    }

    private List<Figure> rates(TaxBook.Levy levy) {
        List<BigDecimal> effective = levy.rate().effective();
        List<Figure> rates = new ArrayList<>(effective.size());
        for (int i = 0; i < effective.size(); i++) {
            rates.add(tracer.number(
                    Source.SETUP,
                    effective.get(i),
                    "%",
                    levy.path(),
                    Message.of(
                            "why.levy-of-place",
                            "levy",
                            levy.rate().components().get(i).name(),
                            "place",
                            levy.row().name())));
        }
        return rates;
    }

    private List<Figure> bases(TaxBook.Levy levy, List<Taxable> goods, Group group, Figure amount) {
        List<Figure> bases = new ArrayList<>();
        levy.rate().components().forEach(component -> bases.add(capped(component, goods, group, amount)));
        return bases;
    }

    /** The tax of all components rounded once, and shared out over them by what each comes to unrounded. */
    private List<Figure> sumShared(TaxBook.Levy levy, List<Figure> rates, List<Figure> bases, Figure divisor) {
        List<Figure> exact = new ArrayList<>();
        for (int i = 0; i < rates.size(); i++) {
            exact.add(tracer.exactProduct(
                    levy.path(),
                    Message.name(levy.rate().components().get(i).name()),
                    List.of(bases.get(i), rates.get(i))));
        }
        Figure sum = tracer.ratio(
                levy.path(),
                Message.of("why.all-components-rounded-once"),
                List.of(tracer.exactSum(levy.path(), Message.of("why.all-components"), exact)),
                List.of(divisor));
        return tracer.shares("rule/tax-shared-out", Message.of("why.share-of-component"), sum, exact);
    }

    /** What a component is levied on: all, or the first so much of each item. */
    private Figure capped(Tax.Component component, List<Taxable> goods, Group group, Figure amount) {
        if (component.firstOnly().isEmpty() || inside) {
            return amount;
        }
        Figure first = tracer.typed(
                "rule/first-only",
                Message.of("why.levied-on-first-so-much-of-item"),
                component.firstOnly().get());
        List<Figure> bases = new ArrayList<>();
        for (Taxable taxable : goods) {
            Figure most = tracer.ratio(
                    "rule/first-only",
                    Message.of("why.for-these-items"),
                    List.of(
                            first,
                            tracer.number(
                                    Source.ORDER, taxable.quantity(), "", taxable.key(), Message.of("why.items"))),
                    List.of());
            bases.add(tracer.smallest("rule/first-only", Message.of("why.levied-on"), List.of(taxable.amount(), most)));
        }
        group.carried.forEach(share -> bases.add(share.amount()));
        return tracer.sum("rule/first-only", Message.of("why.levied-on"), bases);
    }
}

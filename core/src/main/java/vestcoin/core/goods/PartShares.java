package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.message.Message;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * What a bundle or box costs as a whole, shared once over its parts by what each would cost alone; the shares are their
 * amounts in every later rule, tax too. Left-over minor units go to the largest remainders, ties to the part that sorts
 * first. A piece's extra is added to its part after. For a buyer for whom typed amounts do not stand still, shares are
 * made by the shelf-price figures and each is re-rated, rounded once.
 */
final class PartShares {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final Product product;
    private final Line line;
    private final int ordered;
    private final BuyerPricing buying;
    private final Map<String, Goods.BuyerGroup> groups;
    private final Tracer tracer;
    private final String path;

    PartShares(
            Product product,
            Line line,
            int ordered,
            BuyerPricing buying,
            Map<String, Goods.BuyerGroup> groups,
            Tracer tracer) {
        this.product = product;
        this.line = line;
        this.ordered = ordered;
        this.buying = buying;
        this.groups = groups;
        this.tracer = tracer;
        this.path = "goods/products/" + product.id();
    }

    /** Puts the shares in place of what the parts cost one by one. @param priced all lines of the order */
    void share(List<PricedLine> priced) {
        List<PricedLine> parts = priced.stream()
                .filter(part -> part.ordered() == ordered)
                .sorted(Comparator.comparing((PricedLine part) -> part.line().key())
                        .thenComparingInt(PricedLine::index))
                .toList();
        List<Figure> weights = parts.stream().map(PricedLine::shelf).toList();
        List<Figure> shares = tracer.shares(
                "rule/parts", Message.of("why.share-of", "whole", product.name()), whole(weights), weights);
        for (int i = 0; i < parts.size(); i++) {
            PricedLine part = parts.get(i);
            priced.set(part.index(), of(part, shares.get(i)));
        }
    }

    private Figure whole(List<Figure> weights) {
        Together parts = product.parts();
        if (parts.priced() == Together.Priced.OWN) {
            Figure quantity = tracer.number(
                    Source.ORDER,
                    line.quantity(),
                    "",
                    "order/lines/" + ordered + "/quantity",
                    Message.of("why.quantity"));
            Figure unit = UnitPrice.of(
                    product, Optional.empty(), line, "order/lines/" + ordered, buying.atShelf(), groups, tracer);
            return tracer.ratio("rule/line", Message.name(product.name()), List.of(unit, quantity), List.of());
        }
        Figure sum = tracer.sum("rule/parts", Message.of("why.parts-of", "whole", product.name()), weights);
        return parts.percentOff()
                .map(percent -> tracer.rounded(
                        path + "/together/percentOff",
                        Message.name(product.name()),
                        tracer.exactPercent(
                                path + "/together/percentOff",
                                Message.name(product.name()),
                                sum,
                                tracer.number(
                                        Source.SETUP,
                                        HUNDRED.subtract(percent),
                                        "%",
                                        path + "/together/percentOff",
                                        Message.of("why.100-less-percent")))))
                .orElse(sum);
    }

    private PricedLine of(PricedLine part, Figure share) {
        Figure quantity = tracer.number(
                Source.ORDER,
                part.line().quantity(),
                "",
                "order/lines/" + ordered + "/contents",
                Message.of("why.quantity"));
        Figure shelf = withExtra(part, share, quantity);
        Figure amount = buying.rates()
                .of(part.product(), part.product().taxCategory())
                .map(rerate -> rerate.of(shelf, tracer))
                .orElse(shelf);
        return new PricedLine(
                part.selection(),
                tracer.ratio("rule/part-unit", Message.of("why.each-about"), List.of(amount), List.of(quantity)),
                amount,
                shelf,
                part.weight(),
                part.perUnit());
    }

    private Figure withExtra(PricedLine part, Figure share, Figure quantity) {
        Optional<Together.BoxPart> filling =
                product.kind() == Product.Kind.BOX ? product.parts().filling(part.line()) : Optional.empty();
        return filling.flatMap(each -> each.extra().map(extra -> {
                    String at = path + "/together/from/" + each.id() + "/extra";
                    Message label =
                            Message.of("why.extra-of", "part", part.product().name());
                    List<Figure> both = new ArrayList<>(2);
                    both.add(share);
                    both.add(tracer.ratio(at, label, List.of(tracer.typed(at, label, extra), quantity), List.of()));
                    return tracer.sum("rule/part", Message.name(part.product().name()), both);
                }))
                .orElse(share);
    }
}

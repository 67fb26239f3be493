package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/**
 * A thing for sale.
 *
 * @param id       never changes once an order has it
 * @param name     as the buyer reads it
 * @param kind     whether it has to be delivered
 * @param price    the shelf price in the shop's currency, with or without tax as the tax station says
 * @param category id of the tax category
 * @param weight   of one unit; needed where delivery is priced by weight
 * @param options  choices the buyer makes before the basket, each compulsory
 */
public record Product(
        String id, String name, Kind kind, BigDecimal price, String category, Optional<Weight> weight, List<Option> options) {

    public enum Kind { PHYSICAL, DIGITAL, SERVICE }

    /** One question to the buyer, such as the size. */
    public record Option(String id, String name, List<Choice> choices) {
        public Option {
            choices = choices == null ? List.of() : List.copyOf(choices);
        }
    }

    /**
     * One answer to the question.
     *
     * @param extra   added to the base price, may be negative; an amount in the shop's currency
     * @param percent added to the base price, in percent of it
     */
    public record Choice(String id, String name, Optional<BigDecimal> extra, Optional<BigDecimal> percent) {
        public Choice {
            extra = extra == null ? Optional.empty() : extra;
            percent = percent == null ? Optional.empty() : percent;
        }
    }

    public Product {
        options = options == null ? List.of() : List.copyOf(options);
        weight = weight == null ? Optional.empty() : weight;
    }

    public boolean physical() {
        return kind == Kind.PHYSICAL;
    }
}

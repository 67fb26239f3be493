package vestcoin.core.discount;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.core.calendar.Window;
import vestcoin.core.place.Place;

/** The discounts of a setup, automatic ones and codes, in the seller's order. */
public record Discounts(List<Rule> rules) {
    public Discounts {
        rules = rules == null ? List.of() : List.copyOf(rules);
    }

    /** How the ids of what vouchers take off begin; no discount of a setup can be called so. */
    public static final String VOUCHER = "voucher:";

    public enum Off {
        GOODS,
        DELIVERY
    }

    /**
     * One discount.
     *
     * @param name as the buyer reads it
     * @param code typed by the buyer; without one it is automatic
     * @param off what it is taken off
     * @param percent of what it is taken off; used when there is no amount
     * @param amount taken off once, never more than is there; in the shop's currency, as the shelf prices are
     * @param combines whether it goes together with others; one that does not stands alone
     * @param everyCharge whether it also counts for the later charges of a subscription
     */
    public record Rule(
            String id,
            String name,
            Optional<String> code,
            Off off,
            Optional<BigDecimal> percent,
            Optional<BigDecimal> amount,
            boolean combines,
            Conditions conditions,
            boolean everyCharge) {
        public Rule(
                String id,
                String name,
                Optional<String> code,
                Off off,
                Optional<BigDecimal> percent,
                Optional<BigDecimal> amount,
                boolean combines,
                Conditions conditions) {
            this(id, name, code, off, percent, amount, combines, conditions, false);
        }

        /** The same by another code of it. */
        Rule by(String typed) {
            return new Rule(id, name, Optional.of(typed), off, percent, amount, combines, conditions, everyCharge);
        }

        /**
         * What a voucher that nobody paid for takes off, as if it were a discount of an amount.
         *
         * @param balance what it holds, in the order's currency
         */
        static Rule voucher(String code, BigDecimal balance) {
            return new Rule(
                    VOUCHER + code,
                    code,
                    Optional.of(code),
                    Off.GOODS,
                    Optional.empty(),
                    Optional.of(balance),
                    true,
                    Conditions.NONE);
        }

        public Rule {
            code = code == null ? Optional.empty() : code;
            percent = percent == null ? Optional.empty() : percent;
            amount = amount == null ? Optional.empty() : amount;
            conditions = conditions == null ? Conditions.NONE : conditions;
        }
    }

    /**
     * When a discount applies.
     *
     * @param leastValue goods from this figure on, itself included
     * @param leastQuantity things from this number on, itself included
     * @param categories only goods of these tax categories, product groups or handling groups; all when empty
     * @param except not goods of these
     * @param places only orders to these places; all when empty
     * @param firstOrder only a buyer's first order
     * @param window days on which it holds
     * @param uses how often it may be used in all
     * @param usesPerBuyer how often one buyer may use it
     */
    public record Conditions(
            Optional<BigDecimal> leastValue,
            Optional<BigDecimal> leastQuantity,
            List<String> categories,
            List<String> except,
            List<Place> places,
            boolean firstOrder,
            Optional<Window> window,
            Optional<Integer> uses,
            Optional<Integer> usesPerBuyer) {
        static final Conditions NONE = new Conditions(null, null, null, null, null, false, null, null, null);

        public Conditions {
            leastValue = leastValue == null ? Optional.empty() : leastValue;
            leastQuantity = leastQuantity == null ? Optional.empty() : leastQuantity;
            categories = categories == null ? List.of() : List.copyOf(categories);
            except = except == null ? List.of() : List.copyOf(except);
            places = places == null ? List.of() : List.copyOf(places);
            window = window == null ? Optional.empty() : window;
            uses = uses == null ? Optional.empty() : uses;
            usesPerBuyer = usesPerBuyer == null ? Optional.empty() : usesPerBuyer;
        }
    }
}

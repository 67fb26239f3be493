package vestcoin.core.setup;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import vestcoin.core.basket.Basket;
import vestcoin.core.delivery.CarrierAnswers;
import vestcoin.core.money.Exchange;
import vestcoin.core.place.Destination;

/**
 * The Rehearsal station of a setup: orders the seller tries it with, and what was found and is meant so. They decide no
 * price.
 */
public record Rehearsal(List<SampleOrder> baskets, List<MeantFinding> meant, List<Pin> pins) {
    public Rehearsal {
        pins = pins == null ? List.of() : List.copyOf(pins);
        baskets = baskets == null ? List.of() : List.copyOf(baskets);
        meant = meant == null ? List.of() : List.copyOf(meant);
    }

    public Rehearsal(List<SampleOrder> baskets) {
        this(baskets, List.of(), List.of());
    }

    /**
     * A figure of the board that has to stay.
     *
     * @param basket id of the sample order
     * @param to where it goes
     * @param at when it is placed, whatever the sample says
     * @param value what it has to be; nothing for an order that cannot be had there
     * @param reason why it has to stay, in the seller's words; empty where none was given
     * @param outside what came from outside when it was pinned; without it the rates that stand in for carriers hold
     */
    public record Pin(
            String id,
            String basket,
            Destination to,
            Instant at,
            Figure figure,
            Optional<String> value,
            String reason,
            Optional<OutsideAnswers> outside) {
        public static final int LONGEST_REASON = 300;

        /** What is pinned: amounts as plain decimals, the way by its option's id, arrival in days at the latest. */
        public enum Figure {
            TO_PAY,
            DELIVERY,
            TAX,
            WAY,
            ARRIVAL
        }

        public Pin {
            figure = figure == null ? Figure.TO_PAY : figure;
            value = value == null ? Optional.empty() : value;
            reason = reason == null ? "" : reason;
            outside = outside == null ? Optional.empty() : outside;
        }
    }

    /**
     * What others said when something was priced, kept so that it can be priced again as it was.
     *
     * @param exchange rates of the day
     * @param carriers what carriers asked
     */
    public record OutsideAnswers(Optional<Exchange> exchange, CarrierAnswers carriers) {
        public OutsideAnswers {
            exchange = exchange == null ? Optional.empty() : exchange;
            carriers = carriers == null ? CarrierAnswers.NONE : carriers;
        }
    }

    /**
     * Something that was found strange and is meant so.
     *
     * @param finding the kind of finding
     * @param path the field it is about
     * @param reason why it is meant, in the seller's words; empty where none was given
     */
    public record MeantFinding(String id, String finding, String path, String reason) {
        public MeantFinding {
            reason = reason == null ? "" : reason;
        }
    }

    /**
     * Who buys: a business with a number that the register of the place it goes to confirmed, or did not; a person the
     * seller lets pay on account.
     */
    public enum BuyerKind {
        PERSON,
        BUSINESS,
        UNCONFIRMED_BUSINESS,
        EXEMPT,
        LET_PAY_LATER
    }

    /**
     * A named order to try.
     *
     * @param order what is asked for; where it goes unless another place is tried
     * @param buyer who asks
     * @param group id of the buyer group they belong to, if any
     * @param at when it is placed; now without it
     * @param monthly how many such orders there are a month, for weighing one against another; none is counted as one
     */
    public record SampleOrder(
            String id,
            String name,
            Basket order,
            BuyerKind buyer,
            Optional<String> group,
            Optional<Instant> at,
            Optional<Integer> monthly) {
        public SampleOrder {
            order = order == null ? Basket.EMPTY : order;
            buyer = buyer == null ? BuyerKind.PERSON : buyer;
            group = group == null ? Optional.empty() : group;
            at = at == null ? Optional.empty() : at;
            monthly = monthly == null ? Optional.empty() : monthly;
        }

        /** Asked for by a person, now. */
        public static SampleOrder of(String id, String name, Basket order) {
            return new SampleOrder(
                    id, name, order, BuyerKind.PERSON, Optional.empty(), Optional.empty(), Optional.empty());
        }
    }
}

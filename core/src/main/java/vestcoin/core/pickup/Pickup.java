package vestcoin.core.pickup;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.core.calendar.Window;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;

/** The Pickup station of a setup. @param local what the shop brings round itself, if it does */
public record Pickup(List<Spot> places, Optional<Local> local) {
    /** Nothing is collected and nothing is brought round. */
    public static final Pickup NONE = new Pickup(List.of(), Optional.empty());

    public Pickup {
        places = places == null ? List.of() : List.copyOf(places);
        local = local == null ? Optional.empty() : local;
    }

    /**
     * A place where buyers collect.
     *
     * @param lines of the address
     * @param at where it is, for tax
     * @param contact what a buyer can call or write to
     * @param hours in any order
     * @param slotMinutes length of a slot; one slot a span without it
     * @param capacity orders a slot takes; any number without it
     * @param noticeHours elapsed hours between the order and the slot; 2 unless said otherwise
     * @param daysAhead last day a slot is offered on, today being day 0
     * @param closed days without hours
     * @param holidays whether the public holidays of the place are such days
     * @param price a fee, or a reduction below zero
     * @param bring what to bring
     */
    public record Spot(
            String id,
            String name,
            List<String> lines,
            Destination at,
            String contact,
            List<Hours> hours,
            Optional<Integer> slotMinutes,
            Optional<Integer> capacity,
            Optional<Integer> noticeHours,
            int daysAhead,
            List<Window> closed,
            boolean holidays,
            Optional<BigDecimal> price,
            String bring) {
        /** Hours of notice unless the seller says otherwise. Common practice, no source. */
        public static final int USUAL_NOTICE = 2;

        public Spot {
            lines = lines == null ? List.of() : List.copyOf(lines);
            contact = contact == null ? "" : contact;
            hours = hours == null ? List.of() : List.copyOf(hours);
            slotMinutes = slotMinutes == null ? Optional.empty() : slotMinutes;
            capacity = capacity == null ? Optional.empty() : capacity;
            noticeHours = noticeHours == null ? Optional.empty() : noticeHours;
            closed = closed == null ? List.of() : List.copyOf(closed);
            price = price == null ? Optional.empty() : price;
            bring = bring == null ? "" : bring;
        }

        /** The id of the delivery option that stands for collecting here. */
        public String option() {
            return "pickup-" + id;
        }

        public int notice() {
            return noticeHours.orElse(USUAL_NOTICE);
        }
    }

    /**
     * A span of minutes, as it is promised.
     *
     * @param from soonest; as the latest without it
     * @param to latest
     */
    public record Minutes(Optional<Integer> from, int to) {
        public Minutes {
            from = from == null ? Optional.empty() : from;
        }

        public int soonest() {
            return from.orElse(to);
        }
    }

    /**
     * Orders the shop brings round itself.
     *
     * @param from where it sets out; the shop's point without it
     * @param radius farthest, in kilometres or miles
     * @param unit {@code km} or {@code mi}
     * @param price by distance or otherwise, with its free-from
     * @param smallest least value of the goods
     * @param windows when it is brought, each a slot; at any time without them
     * @param capacity orders a window takes
     * @param minutes promised from the order, or from the next opening; then windows are hours in which it is brought
     *     and no slots to choose from
     */
    public record Local(
            String name,
            String sentence,
            Optional<Point> from,
            BigDecimal radius,
            String unit,
            PriceRule price,
            Optional<BigDecimal> smallest,
            List<Hours> windows,
            Optional<Integer> capacity,
            Optional<Minutes> minutes) {
        /** The id of the delivery option that stands for it. */
        public static final String OPTION = "local";

        public Local {
            sentence = sentence == null ? "" : sentence;
            from = from == null ? Optional.empty() : from;
            unit = unit == null ? "km" : unit;
            smallest = smallest == null ? Optional.empty() : smallest;
            windows = windows == null ? List.of() : List.copyOf(windows);
            capacity = capacity == null ? Optional.empty() : capacity;
            minutes = minutes == null ? Optional.empty() : minutes;
        }
    }
}

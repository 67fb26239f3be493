package vestcoin.core.setup;

import java.util.HashMap;
import java.util.Map;
import vestcoin.core.calendar.WorkDays;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.pickup.Slots;
import vestcoin.core.place.Destination;

/** The days that count in a setup, of each of its places found once. */
final class OpenDays {
    private final WorkDays shop;
    private final Map<String, WorkDays> dispatch = new HashMap<>();
    private final Map<String, Slots.Plan> pickup = new HashMap<>();

    private OpenDays(Setup setup) {
        Shop of = setup.shop();
        this.shop =
                WorkDays.of(of.working(), of.address().country(), of.address().region());
        for (Delivery.Dispatch place : setup.delivery().dispatch()) {
            Destination at = place.at();
            dispatch.put(place.id(), WorkDays.of(of.working(), at.country(), at.region()));
        }
        for (Pickup.Spot spot : setup.pickup().places()) {
            pickup.put(spot.id(), Slots.plan(spot));
        }
    }

    static OpenDays of(Setup setup) {
        return new OpenDays(setup);
    }

    /** Those of an earlier setup, if nothing they stand on is another. */
    static OpenDays of(Setup setup, Setup earlier, OpenDays then) {
        boolean same = setup.shop() == earlier.shop()
                && setup.pickup() == earlier.pickup()
                && setup.delivery().dispatch().equals(earlier.delivery().dispatch());
        return same ? then : new OpenDays(setup);
    }

    WorkDays shop() {
        return shop;
    }

    WorkDays at(String dispatch) {
        return this.dispatch.getOrDefault(dispatch, shop);
    }

    Slots.Plan slots(Pickup.Spot spot) {
        return pickup.get(spot.id());
    }
}

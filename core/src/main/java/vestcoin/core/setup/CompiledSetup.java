package vestcoin.core.setup;

import java.time.ZoneId;
import java.util.List;
import org.joda.money.CurrencyUnit;
import vestcoin.core.calendar.WorkDays;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.RateBoard;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Shelf;
import vestcoin.core.money.Currencies;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.pickup.Slots;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.place.PlaceIndex;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxBook;

/** A setup with its indexes built. Pricing reads only this. */
public final class CompiledSetup {
    private final Setup setup;
    private final CurrencyUnit currency;
    private final Shelf shelf;
    private final RateBoard board;
    private final TaxBook book;
    private final PlaceIndex<Boolean> sellsTo;
    private final ZoneId zone;
    private final Destination home;
    private final OpenDays days;

    private CompiledSetup(
            Setup setup,
            CurrencyUnit currency,
            Shelf shelf,
            RateBoard board,
            TaxBook book,
            PlaceIndex<Boolean> sellsTo,
            OpenDays days) {
        this.setup = setup;
        this.currency = currency;
        this.shelf = shelf;
        this.board = board;
        this.book = book;
        this.sellsTo = sellsTo;
        this.zone = ZoneId.of(setup.shop().timeZone());
        this.home = setup.shop().home();
        this.days = days;
    }

    /** @throws InvalidInput with everything impossible in the setup */
    public static CompiledSetup of(Setup setup) {
        SetupCheck.problems(setup).refuseIfAny();
        return new CompiledSetup(
                setup,
                Currencies.of(setup.shop().currency()).orElseThrow(),
                Shelf.of(setup.goods()),
                RateBoard.of(setup.delivery()),
                TaxBook.of(setup.tax()),
                places(setup.shop().sellsTo()),
                OpenDays.of(setup));
    }

    /**
     * The same as {@link #of(Setup)}, keeping the indexes of stations that are the very same objects as in an earlier
     * compiled setup: a keystroke in one station does not rebuild the others.
     *
     * @throws InvalidInput with everything impossible in the setup
     */
    public static CompiledSetup of(Setup setup, CompiledSetup earlier) {
        SetupCheck.problems(setup, earlier.setup).refuseIfAny();
        Goods goods = setup.goods();
        Delivery delivery = setup.delivery();
        Tax tax = setup.tax();
        return new CompiledSetup(
                setup,
                Currencies.of(setup.shop().currency()).orElseThrow(),
                goods == earlier.setup.goods() ? earlier.shelf : Shelf.of(goods),
                delivery == earlier.setup.delivery() ? earlier.board : RateBoard.of(delivery),
                tax == earlier.setup.tax() ? earlier.book : TaxBook.of(tax),
                setup.shop() == earlier.setup.shop()
                        ? earlier.sellsTo
                        : places(setup.shop().sellsTo()),
                OpenDays.of(setup, earlier.setup, earlier.days));
    }

    private static PlaceIndex<Boolean> places(List<Place> places) {
        return PlaceIndex.of(List.of(new PlaceIndex.Entry<>("sells-to", true, places, List.of())));
    }

    public Setup setup() {
        return setup;
    }

    public CurrencyUnit currency() {
        return currency;
    }

    public Shelf shelf() {
        return shelf;
    }

    public RateBoard board() {
        return board;
    }

    public TaxBook book() {
        return book;
    }

    /** Where the shop stands. */
    public Destination home() {
        return home;
    }

    /** The shop's time zone. */
    public ZoneId zone() {
        return zone;
    }

    /** The days the shop works. */
    public WorkDays workDays() {
        return days.shop();
    }

    /** The days the shop works at a place parcels leave from. @param dispatch id of the place */
    public WorkDays workDaysAt(String dispatch) {
        return days.at(dispatch);
    }

    /** What the slots of a pickup place of the setup are cut from. */
    public Slots.Plan slots(Pickup.Spot spot) {
        return days.slots(spot);
    }

    /** Rules about where the shop sells; a destination no rule holds for cannot be ordered to. */
    public PlaceIndex<Boolean> sellsTo() {
        return sellsTo;
    }
}

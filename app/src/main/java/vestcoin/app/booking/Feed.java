package vestcoin.app.booking;

import biweekly.Biweekly;
import biweekly.ICalVersion;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Date;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.Phrases;
import vestcoin.app.order.Attendance;
import vestcoin.app.order.Orders;
import vestcoin.core.goods.Product;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.setup.Setup;

/** Bookings as an iCalendar file. Times are written in UTC, so that no calendar has to know the shop's zone. */
final class Feed {
    private Feed() {}

    static String of(Setup setup, List<Bookings.Booking> bookings, Instant now) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId("-//Vest Coin//bookings//EN");
        calendar.setName(setup.shop().name());
        bookings.forEach(booking -> calendar.addEvent(event(setup, booking, now)));
        return Biweekly.write(calendar).version(ICalVersion.V2_0).go();
    }

    private static VEvent event(Setup setup, Bookings.Booking booking, Instant now) {
        ZoneId zone = ZoneId.of(setup.shop().timeZone());
        VEvent event = new VEvent();
        // The same for the same order for ever, so that a calendar that asks again changes nothing.
        event.setUid(booking.token()
                + (booking.attended() == null ? "" : "." + booking.place() + "." + booking.starts()) + "@vest-coin");
        event.setDateTimeStamp(Date.from(now));
        event.setDateStart(Date.from(
                booking.starts().atZone(zone).withEarlierOffsetAtOverlap().toInstant()));
        event.setDateEnd(Date.from(
                booking.ends().atZone(zone).withEarlierOffsetAtOverlap().toInstant()));
        event.setSummary(booking.number() + ", " + booking.name() + ": " + name(setup, booking));
        event.setLocation(where(setup, booking));
        event.setDescription(things(setup, booking) + "\n" + booking.standing());
        return event;
    }

    /** What the seller calls it. */
    static String name(Setup setup, Bookings.Booking booking) {
        return booking.attended() == null
                ? place(setup, booking.place())
                : service(setup, booking).map(Product::name).orElse(booking.place());
    }

    private static Optional<Product> service(Setup setup, Bookings.Booking booking) {
        return setup.goods().products().stream()
                .filter(product -> product.id().equals(booking.place()))
                .findFirst();
    }

    private static String place(Setup setup, String place) {
        return setup.pickup().places().stream()
                .filter(spot -> spot.id().equals(place))
                .map(Pickup.Spot::name)
                .findFirst()
                .or(() -> setup.pickup()
                        .local()
                        .filter(local -> place.equals(Pickup.Local.OPTION))
                        .map(Pickup.Local::name))
                .orElse(place);
    }

    /** The pickup place's address; of what is brought round, the buyer's; of a service, where it is done. */
    private static String where(Setup setup, Bookings.Booking booking) {
        if (booking.attended() != null) {
            return service(setup, booking)
                    .map(product -> String.join(", ", Attendance.where(setup, product)))
                    .orElse("");
        }
        return setup.pickup().places().stream()
                .filter(spot -> spot.id().equals(booking.place()))
                .findFirst()
                .map(spot -> String.join(", ", spot.lines()))
                .orElseGet(() -> {
                    Orders.Address address = Json.read(booking.address(), Orders.Address.class);
                    return Stream.concat(address.lines().stream(), Stream.of(address.postcode() + " " + address.city()))
                            .collect(Collectors.joining(", "));
                });
    }

    /** What is handed over, or how many come. */
    static String things(Setup setup, Bookings.Booking booking) {
        return booking.attended() == null
                ? things(booking.quote(), Phrases.in(setup.shop().language()))
                : booking.attended().stripTrailingZeros().toPlainString();
    }

    private static String things(String quote, Phrases phrases) {
        return KeptQuotes.read(quote).lines().stream()
                .map(line -> line.quantity().stripTrailingZeros().toPlainString() + " " + line.name()
                        + line.choices().stream()
                                .map(choice -> ", " + phrases.say(choice))
                                .collect(Collectors.joining()))
                .collect(Collectors.joining("; "));
    }
}

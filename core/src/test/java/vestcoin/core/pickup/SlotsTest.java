package vestcoin.core.pickup;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import vestcoin.core.English;
import vestcoin.core.calendar.Window;
import vestcoin.core.delivery.Offer;
import vestcoin.core.delivery.RateText;
import vestcoin.core.goods.Line;
import vestcoin.core.money.Currencies;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;

/** Slots by the clock on the wall, and collecting and local delivery in an order. */
class SlotsTest {
    private static final ZoneId DUBLIN = ZoneId.of("Europe/Dublin");
    private static final ZoneId NEW_YORK = ZoneId.of("America/New_York");

    private static Pickup.Spot spot(
            Integer slot, Integer capacity, Integer notice, int ahead, String price, Hours... hours) {
        return new Pickup.Spot(
                "dock",
                "Dock",
                List.of(),
                Destination.of("IE"),
                "",
                List.of(hours),
                Optional.ofNullable(slot),
                Optional.ofNullable(capacity),
                Optional.ofNullable(notice),
                ahead,
                List.of(new Window(
                        Optional.of(LocalDate.parse("2026-11-27")), Optional.of(LocalDate.parse("2026-11-27")))),
                false,
                Optional.ofNullable(price).map(BigDecimal::new),
                "");
    }

    private static Hours every(String from, String to) {
        return new Hours(
                List.of(),
                LocalTime.parse(from.length() < 5 ? "0" + from : from),
                LocalTime.parse(to.length() < 5 ? "0" + to : to));
    }

    private static List<String> open(Pickup.Spot spot, String at, ZoneId zone, LocalDate ready, SlotOccupancy taken) {
        return Slots.open(Slots.plan(spot), Instant.parse(at), zone, Optional.ofNullable(ready), taken).stream()
                .map(slot -> slot.start().toLocalDateTime().toString())
                .toList();
    }

    @Test
    void a_slot_begins_after_the_notice_and_ends_by_closing() {
        Pickup.Spot spot = spot(45, null, null, 0, null, every("10:00", "13:30"));
        // 10:00, 10:45, 11:30, 12:15 (13:00 would end at 13:45); the usual notice is two hours
        assertThat(open(spot, "2026-11-25T08:45:00Z", DUBLIN, null, SlotOccupancy.NONE))
                .containsExactly("2026-11-25T10:45", "2026-11-25T11:30", "2026-11-25T12:15");
        assertThat(open(spot, "2026-11-25T08:45:01Z", DUBLIN, null, SlotOccupancy.NONE))
                .containsExactly("2026-11-25T11:30", "2026-11-25T12:15");
    }

    @Test
    void closed_days_capacity_and_the_days_ahead_take_slots_away_and_say_so() {
        Pickup.Spot spot = spot(120, 2, 0, 2, null, every("10:00", "14:00"));
        SlotOccupancy taken = new SlotOccupancy(Map.of(
                SlotOccupancy.key("dock", LocalDateTime.parse("2026-11-26T10:00")),
                2,
                SlotOccupancy.key("dock", LocalDateTime.parse("2026-11-26T12:00")),
                1));
        assertThat(open(spot, "2026-11-25T11:00:00Z", DUBLIN, null, taken))
                .containsExactly("2026-11-25T12:00", "2026-11-26T12:00");
        assertThat(Slots.shut(Slots.plan(spot), Instant.parse("2026-11-25T11:00:00Z"), DUBLIN, Optional.empty(), taken))
                .extracting(each -> English.of(each.reason()))
                .containsExactly(
                        "Sooner than the notice of 0 hours.",
                        "Taken: 2 in all.",
                        "Closed on this day.",
                        "Closed on this day.");
        assertThat(open(spot, "2026-11-25T11:00:00Z", DUBLIN, LocalDate.parse("2026-11-26"), SlotOccupancy.NONE))
                .as("not before the goods are ready")
                .containsExactly("2026-11-26T10:00", "2026-11-26T12:00");
    }

    @Test
    void notice_across_a_closed_day_is_counted_in_elapsed_hours() {
        Pickup.Spot spot = spot(60, null, 48, 5, null, every("10:00", "12:00"));
        assertThat(open(spot, "2026-11-26T11:00:00Z", DUBLIN, null, SlotOccupancy.NONE))
                .startsWith("2026-11-28T11:00");
    }

    /**
     * Clocks go forward in Dublin at 01:00 on 29 March 2026 and in New York at 02:00 on 8 March; back on 25 October and
     * 1 November. Source: IANA time zone database.
     */
    @Test
    void a_start_that_does_not_exist_is_dropped_and_one_that_occurs_twice_is_the_first() {
        Pickup.Spot night = spot(30, null, 0, 0, null, every("00:30", "03:00"));
        assertThat(open(night, "2026-03-29T00:00:00Z", DUBLIN, null, SlotOccupancy.NONE))
                .containsExactly("2026-03-29T00:30", "2026-03-29T02:00", "2026-03-29T02:30");
        assertThat(open(night, "2026-03-08T05:00:00Z", NEW_YORK, null, SlotOccupancy.NONE))
                .containsExactly("2026-03-08T00:30", "2026-03-08T01:00", "2026-03-08T01:30");
        List<Slots.Slot> autumn = Slots.open(
                Slots.plan(night), Instant.parse("2026-10-24T23:00:00Z"), DUBLIN, Optional.empty(), SlotOccupancy.NONE);
        assertThat(autumn)
                .extracting(slot -> slot.start().toInstant().toString())
                .containsExactly(
                        "2026-10-24T23:30:00Z",
                        "2026-10-25T00:00:00Z",
                        "2026-10-25T00:30:00Z",
                        "2026-10-25T02:00:00Z",
                        "2026-10-25T02:30:00Z");
        List<Slots.Slot> fall = Slots.open(
                Slots.plan(night),
                Instant.parse("2026-11-01T04:00:00Z"),
                NEW_YORK,
                Optional.empty(),
                SlotOccupancy.NONE);
        assertThat(fall)
                .extracting(slot -> slot.start().toInstant().toString())
                .contains("2026-11-01T05:00:00Z", "2026-11-01T05:30:00Z")
                .doesNotContain("2026-11-01T06:00:00Z");
    }

    @Test
    void a_span_to_midnight_ends_with_the_day() {
        assertThat(open(
                        spot(60, null, 0, 0, null, every("22:00", "00:00")),
                        "2026-11-25T12:00:00Z",
                        DUBLIN,
                        null,
                        SlotOccupancy.NONE))
                .containsExactly("2026-11-25T22:00", "2026-11-25T23:00");
        assertThat(new Hours(List.of(DayOfWeek.MONDAY), LocalTime.of(10, 0), LocalTime.of(10, 0)).forwards())
                .isFalse();
    }

    private static Shops.Maker shop(Pickup.Spot spot, Pickup.Local local) {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .taxes("DE", "s", "19")
                .registered("IE")
                .oneStopShop()
                .sells(Thing.of("kite", "50.00", "s").weighs("2 kg").product())
                .sells(Thing.of("made", "50.00", "s").weighs("2 kg").prepared(3).product())
                .delivers("EU", "post", "6.00")
                .stands(new Point(new BigDecimal("53.2707"), new BigDecimal("-9.0568")))
                .pickup(new Pickup(List.of(spot), Optional.ofNullable(local)));
    }

    @Test
    void what_is_collected_is_taxed_at_the_place_and_may_cost_less() {
        Pickup.Spot spot = spot(60, null, null, 9, "-4.00", every("10:00", "16:00"));
        Order german = Shops.order(Destination.of("DE"), Line.of("kite", 1));
        Quote sent = Pricing.price(shop(spot, null).compiled(), german);
        assertThat(sent.chosen().orElseThrow().option().id())
                .as("collecting is never assumed")
                .isEqualTo("post");
        assertThat(sent.taxes().get(0).components().get(0).rate().value()).isEqualByComparingTo("19");
        Quote collected = Pricing.price(
                shop(spot, null).compiled(),
                german.withDelivery("pickup-dock").withSlot(LocalDateTime.parse("2026-11-25T14:00")));
        assertThat(collected.payable().value()).isEqualByComparingTo("46.00");
        assertThat(collected.taxes().get(0).components().get(0).rate().value()).isEqualByComparingTo("23");
        assertThat(English.of(collected.missing())).isEmpty();
        assertThat(English.of(Pricing.price(
                                shop(spot, null).compiled(),
                                german.withDelivery("pickup-dock").withSlot(LocalDateTime.parse("2026-11-25T13:00")))
                        .missing()))
                .containsExactly("The slot chosen is not open any more.");
        Order made = Shops.order(Destination.of("IE"), Line.of("made", 1)).withDelivery("pickup-dock");
        assertThat(Pricing.price(shop(spot, null).compiled(), made)
                        .sent()
                        .slots()
                        .get("pickup-dock")
                        .get(0)
                        .start()
                        .toLocalDate())
                .as("three working days to prepare")
                .isEqualTo("2026-11-30");
    }

    /** 7 days of 6 hours: far more than a buyer looks at at once. */
    @Test
    void every_slot_within_the_days_ahead_can_be_chosen() {
        Pickup.Spot spot = spot(60, null, null, 9, null, every("10:00", "16:00"));
        Order late = Shops.order(Destination.of("IE"), Line.of("kite", 1))
                .withDelivery("pickup-dock")
                .withSlot(LocalDateTime.parse("2026-12-04T15:00"));
        assertThat(English.of(Pricing.price(shop(spot, null).compiled(), late).missing()))
                .isEmpty();
        Pickup.Local bike = new Pickup.Local(
                "Cargo bike",
                "",
                null,
                new BigDecimal("8"),
                "km",
                RateText.parse("p", "3.00", Currencies.of("EUR").orElseThrow()).orElseThrow(),
                null,
                java.util.stream.IntStream.range(8, 20)
                        .mapToObj(hour -> every(hour + ":00", hour + ":45"))
                        .toList(),
                null,
                null);
        Order brought = Shops.order(Destination.of("IE"), Line.of("kite", 1))
                .at(new Point(new BigDecimal("53.2800"), new BigDecimal("-9.0500")))
                .withDelivery("local")
                .withSlot(LocalDateTime.parse("2026-12-01T19:00"));
        assertThat(English.of(
                        Pricing.price(shop(spot, bike).compiled(), brought).missing()))
                .isEmpty();
    }

    @Test
    void a_reduction_for_collecting_takes_off_no_more_than_the_goods() {
        Pickup.Spot spot = spot(60, null, null, 9, "-80.00", every("10:00", "16:00"));
        assertThat(Pricing.price(
                                shop(spot, null).compiled(),
                                Shops.order(Destination.of("IE"), Line.of("kite", 1))
                                        .withDelivery("pickup-dock"))
                        .payable()
                        .value())
                .isEqualByComparingTo("0.00");
    }

    private static String local(Pickup.Local local, Order order) {
        Offer offer = Pricing.price(
                        shop(spot(60, null, null, 9, null, every("10:00", "16:00")), local)
                                .compiled(),
                        order)
                .offers()
                .stream()
                .filter(each -> each.option().id().equals("local"))
                .findFirst()
                .orElseThrow();
        return offer instanceof Offer.Available offered
                ? offered.price().value().toPlainString()
                : English.of(((Offer.Unavailable) offer).reason());
    }

    @Test
    void local_delivery_reads_the_distance_and_says_what_takes_it_away() {
        Pickup.Local bike = new Pickup.Local(
                "Cargo bike",
                "",
                null,
                new BigDecimal("8"),
                "km",
                RateText.parse(
                                "p",
                                "to 3 km 3.00, to 8 km 5.00, from 90 free",
                                Currencies.of("EUR").orElseThrow())
                        .orElseThrow(),
                Optional.of(new BigDecimal("20.00")),
                List.of(),
                null,
                Optional.of(new Pickup.Minutes(Optional.of(60), 90)));
        Order one = Shops.order(Destination.of("IE"), Line.of("kite", 1));
        Point near = new Point(new BigDecimal("53.2800"), new BigDecimal("-9.0500"));
        assertThat(local(bike, one)).isEqualTo("This place cannot be located.");
        assertThat(local(bike, one.at(near))).isEqualTo("3.00");
        assertThat(local(bike, one.at(new Point(new BigDecimal("53.3100"), new BigDecimal("-9.0500")))))
                .isEqualTo("5.00");
        assertThat(local(bike, one.at(new Point(new BigDecimal("53.4000"), new BigDecimal("-9.0500")))))
                .isEqualTo("Farther than 8 km.");
        assertThat(local(
                        bike,
                        Shops.order(Destination.of("IE"), Line.of("kite", 2)).at(near)))
                .isEqualTo("0.00");
    }
}

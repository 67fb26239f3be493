package vestcoin.core.pickup;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vestcoin.core.calendar.WorkDays;
import vestcoin.core.calendar.WorkSchedule;
import vestcoin.core.message.Message;

/**
 * The slots of a place. They are cut by the clock on the wall: a start that does not exist on the spring change is
 * dropped, one that occurs twice in autumn is the first. A slot begins at or after the instant and its notice in
 * elapsed hours, not before the day the goods are ready, ends by closing, and has room.
 */
public final class Slots {
    /** @param left how many more orders it takes; nothing where it takes any number */
    public record Slot(ZonedDateTime start, ZonedDateTime end, Optional<Integer> left) {}

    /** A slot that is not open, and what takes it away. */
    public record Shut(LocalDateTime start, Message reason) {}

    /**
     * What slots are cut from.
     *
     * @param place id they are counted under
     * @param slotMinutes nothing where each span is one slot
     */
    public record Plan(
            String place,
            List<Hours> hours,
            Optional<Integer> slotMinutes,
            Optional<Integer> capacity,
            int noticeHours,
            int daysAhead,
            WorkDays closed) {}

    private Slots() {}

    /** The plan of a pickup place. */
    public static Plan plan(Pickup.Spot spot) {
        WorkSchedule days = new WorkSchedule(
                List.of(java.time.DayOfWeek.values()), Optional.empty(), spot.closed(), spot.holidays());
        return new Plan(
                spot.id(),
                spot.hours(),
                spot.slotMinutes(),
                spot.capacity(),
                spot.notice(),
                spot.daysAhead(),
                WorkDays.of(days, spot.at().country(), spot.at().region()));
    }

    /**
     * All open slots within the days ahead, in order of time. @param ready first day the goods can be had, if they have
     * to be made ready
     */
    public static List<Slot> open(Plan plan, Instant at, ZoneId zone, Optional<LocalDate> ready, SlotOccupancy taken) {
        Instant soonest = soonest(plan, at);
        return cuts(plan, at, zone)
                .filter(cut ->
                        reason(plan, cut.start(), zone, soonest, ready, taken).isEmpty())
                .map(cut -> slot(plan, cut, zone, taken))
                .toList();
    }

    /** The first of {@link #open}, found without cutting the others. */
    public static Optional<Slot> first(
            Plan plan, Instant at, ZoneId zone, Optional<LocalDate> ready, SlotOccupancy taken) {
        Instant soonest = soonest(plan, at);
        return cuts(plan, at, zone)
                .filter(cut ->
                        reason(plan, cut.start(), zone, soonest, ready, taken).isEmpty())
                .findFirst()
                .map(cut -> slot(plan, cut, zone, taken));
    }

    /** Slots of these days that are not open, and why. */
    public static List<Shut> shut(Plan plan, Instant at, ZoneId zone, Optional<LocalDate> ready, SlotOccupancy taken) {
        Instant soonest = soonest(plan, at);
        return cuts(plan, at, zone)
                .flatMap(
                        cut -> reason(plan, cut.start(), zone, soonest, ready, taken)
                                .map(reason -> new Shut(cut.start(), reason))
                                .stream())
                .toList();
    }

    private static Instant soonest(Plan plan, Instant at) {
        return at.plus(Duration.ofHours(plan.noticeHours()));
    }

    /** What is between two times on the wall, open or not. */
    private record Cut(LocalDateTime start, LocalDateTime end) {}

    /** All slots of the days ahead in order of time, each cut when it is asked for. */
    private static Stream<Cut> cuts(Plan plan, Instant at, ZoneId zone) {
        LocalDate today = LocalDate.ofInstant(at, zone);
        return IntStream.rangeClosed(0, plan.daysAhead())
                .mapToObj(today::plusDays)
                .flatMap(day -> plan.hours().stream()
                        .filter(hours -> hours.on(day))
                        .sorted(Comparator.comparing(Hours::from))
                        .flatMap(span -> cuts(plan, day, span)));
    }

    private static Stream<Cut> cuts(Plan plan, LocalDate day, Hours span) {
        int length = plan.slotMinutes().orElse(span.closes() - span.opens());
        if (length <= 0) {
            return Stream.empty();
        }
        LocalDateTime midnight = day.atStartOfDay();
        return IntStream.iterate(span.opens(), minute -> minute + length <= span.closes(), minute -> minute + length)
                .mapToObj(minute -> new Cut(midnight.plusMinutes(minute), midnight.plusMinutes(minute + length)));
    }

    private static Slot slot(Plan plan, Cut cut, ZoneId zone, SlotOccupancy taken) {
        return new Slot(
                cut.start().atZone(zone).withEarlierOffsetAtOverlap(),
                cut.end().atZone(zone).withEarlierOffsetAtOverlap(),
                plan.capacity().map(all -> all - taken.of(plan.place(), cut.start())));
    }

    private static Optional<Message> reason(
            Plan plan,
            LocalDateTime start,
            ZoneId zone,
            Instant soonest,
            Optional<LocalDate> ready,
            SlotOccupancy taken) {
        List<ZoneOffset> offsets = zone.getRules().getValidOffsets(start);
        if (offsets.isEmpty()) {
            return Optional.of(Message.of("pickup.clocks-go-forward-over"));
        }
        if (!plan.closed().works(start.toLocalDate())) {
            return Optional.of(Message.of("pickup.closed-on-this-day"));
        }
        if (start.toInstant(offsets.get(0)).isBefore(soonest)) {
            return Optional.of(Message.of("pickup.sooner-than-notice-of-hours", "noticeHours", plan.noticeHours()));
        }
        if (ready.filter(first -> start.toLocalDate().isBefore(first)).isPresent()) {
            return Optional.of(Message.of("pickup.before-goods-ready"));
        }
        return plan.capacity()
                .filter(all -> taken.of(plan.place(), start) >= all)
                .map(all -> Message.of("pickup.taken-in-all", "all", all));
    }
}

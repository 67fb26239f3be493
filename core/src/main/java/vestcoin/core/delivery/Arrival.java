package vestcoin.core.delivery;

import java.time.LocalDateTime;

/**
 * When something is brought that is promised to the minute, on the shop's clock.
 *
 * @param atOnce whether it counts from the order; from the next opening otherwise
 * @param fromMinutes after that, soonest
 * @param toMinutes after that, latest
 */
public record Arrival(LocalDateTime from, LocalDateTime to, boolean atOnce, int fromMinutes, int toMinutes) {}

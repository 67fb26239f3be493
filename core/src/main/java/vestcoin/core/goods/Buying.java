package vestcoin.core.goods;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;

/** Who buys and when, as far as unit prices depend on it. @param zone the shop's @param group id of the buyer group */
public record Buying(Instant at, ZoneId zone, Optional<String> group) {}

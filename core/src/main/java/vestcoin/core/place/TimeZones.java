package vestcoin.core.place;

import com.ibm.icu.util.TimeZone;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;

/** The time zone a calendar date is told in at a place. */
public final class TimeZones {
    private static final int LONGEST = 60;

    private TimeZones() {}

    /**
     * The zone of a country whose zones (CLDR's location zones) agree at this instant; of a country where they differ,
     * or that has none, {@code otherwise}.
     */
    public static ZoneId of(String country, Instant at, ZoneId otherwise) {
        List<ZoneId> zones = all(country);
        boolean agree = !zones.isEmpty()
                && zones.stream().allMatch(zone -> zone.getRules()
                        .getOffset(at)
                        .equals(zones.get(0).getRules().getOffset(at)));
        return agree ? zones.get(0) : otherwise;
    }

    /** The country of a zone (CLDR); nothing where it is nobody's, or no zone. */
    public static Optional<String> country(String zone) {
        return Optional.ofNullable(zone)
                .filter(id ->
                        id.length() <= LONGEST && ZoneId.getAvailableZoneIds().contains(id))
                .map(TimeZone::getRegion)
                .filter(Countries::isCountry);
    }

    /** Every zone of a country (CLDR's location zones), by name. */
    public static List<ZoneId> all(String country) {
        return TimeZone.getAvailableIDs(TimeZone.SystemTimeZoneType.CANONICAL_LOCATION, country, null).stream()
                .filter(id -> ZoneId.getAvailableZoneIds().contains(id))
                .sorted()
                .map(ZoneId::of)
                .toList();
    }
}

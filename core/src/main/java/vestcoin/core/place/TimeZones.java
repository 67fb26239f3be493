package vestcoin.core.place;

import com.ibm.icu.util.TimeZone;
import java.time.ZoneId;
import java.util.Set;

/** The time zone a calendar date is told in at a place. */
public final class TimeZones {
    private TimeZones() {}

    /** The zone of a country that has one (CLDR's location zones); of a country that has several, or none, {@code otherwise}. */
    public static ZoneId of(String country, ZoneId otherwise) {
        Set<String> zones = TimeZone.getAvailableIDs(TimeZone.SystemTimeZoneType.CANONICAL_LOCATION, country, null);
        if (zones.size() != 1) {
            return otherwise;
        }
        String id = zones.iterator().next();
        return ZoneId.getAvailableZoneIds().contains(id) ? ZoneId.of(id) : otherwise;
    }
}

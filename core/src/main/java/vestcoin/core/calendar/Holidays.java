package vestcoin.core.calendar;

import de.focus_shift.jollyday.core.Holiday;
import de.focus_shift.jollyday.core.HolidayManager;
import de.focus_shift.jollyday.core.HolidayType;
import de.focus_shift.jollyday.core.ManagerParameters;
import java.time.LocalDate;
import java.time.Year;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;

/**
 * Public holidays by country and region, from Jollyday, put right by {@link HolidayCorrections}; a year is looked up
 * once. A country it does not know has none.
 */
final class Holidays {
    private record Key(String country, String region, int year) {}

    private static final Map<Key, Set<LocalDate>> YEARS = new ConcurrentHashMap<>();
    private static final Set<String> KNOWN = HolidayManager.getSupportedCalendarCodes().stream()
            .map(code -> code.toUpperCase(Locale.ROOT))
            .collect(Collectors.toSet());

    private Holidays() {}

    static Set<LocalDate> of(int year, String country, Optional<String> region) {
        return YEARS.computeIfAbsent(new Key(country, region.orElse(""), year), Holidays::year);
    }

    private static Set<LocalDate> year(Key key) {
        return HolidayCorrections.of(key.country, key.year, KNOWN.contains(key.country) ? found(key) : Set.of());
    }

    private static Set<LocalDate> found(Key key) {
        synchronized (Holidays.class) {
            HolidayManager manager =
                    HolidayManager.getInstance(ManagerParameters.create(key.country.toLowerCase(Locale.ROOT)));
            String[] within = key.region.isEmpty()
                    ? new String[0]
                    : new String[] {
                        key.region.substring(key.region.indexOf('-') + 1).toLowerCase(Locale.ROOT)
                    };
            return manager.getHolidays(Year.of(key.year), HolidayType.PUBLIC_HOLIDAY, within).stream()
                    .map(Holiday::getDate)
                    .collect(Collectors.toSet());
        }
    }
}

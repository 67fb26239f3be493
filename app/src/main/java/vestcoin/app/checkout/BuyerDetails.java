package vestcoin.app.checkout;

import java.util.Optional;
import vestcoin.core.place.TimeZones;

/**
 * What a buyer says of themselves while putting a basket together.
 *
 * @param business whether a business buys
 * @param taxNumber of it, as typed
 * @param language a language tag, of what they read; the shop's own without it
 * @param timeZone of the buyer's browser, a second piece of evidence for where they are
 */
public record BuyerDetails(
        Optional<Boolean> business, Optional<String> taxNumber, Optional<String> language, Optional<String> timeZone) {
    private static final int LONGEST_TAG = 35;

    /** A person who has said nothing. */
    static final BuyerDetails NONE = new BuyerDetails(null, null, null, null);

    public BuyerDetails {
        business = business == null ? Optional.empty() : business;
        taxNumber = taxNumber == null
                ? Optional.empty()
                : taxNumber.map(String::strip).filter(text -> !text.isEmpty());
        language = language == null ? Optional.empty() : language;
        timeZone = timeZone == null ? Optional.empty() : timeZone;
    }

    /** The country of the browser's clock, where it is one country's. */
    Optional<String> country() {
        return timeZone.flatMap(TimeZones::country);
    }

    /** The language the buyer reads in as it was asked for, empty for the shop's own. */
    String spoken() {
        return language(language);
    }

    /** A language tag as it was asked for; one too long to be one counts as none. */
    static String language(Optional<String> asked) {
        return asked.filter(tag -> tag.length() <= LONGEST_TAG).orElse("");
    }
}

package vestcoin.app.checkout;

import java.util.Optional;

/**
 * What a buyer says of themselves while putting a basket together.
 *
 * @param business whether a business buys
 * @param taxNumber of it, as typed
 * @param language a language tag, of what they read; the shop's own without it
 */
public record BuyerDetails(Optional<Boolean> business, Optional<String> taxNumber, Optional<String> language) {
    private static final int LONGEST_TAG = 35;

    /** A person who has said nothing. */
    static final BuyerDetails NONE = new BuyerDetails(null, null, null);

    public BuyerDetails {
        business = business == null ? Optional.empty() : business;
        taxNumber = taxNumber == null
                ? Optional.empty()
                : taxNumber.map(String::strip).filter(text -> !text.isEmpty());
        language = language == null ? Optional.empty() : language;
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

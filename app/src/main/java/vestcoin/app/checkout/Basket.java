package vestcoin.app.checkout;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.goods.Line;
import vestcoin.core.place.Destination;

/**
 * @param business whether a business buys @param taxNumber of it, as typed @param slot start of the slot chosen, on the
 *     shop's clock @param currency the shop's own without it @param deliveries ways chosen apart, by the place
 *     something leaves from
 */
public record Basket(
        List<Line> lines,
        Destination to,
        Optional<String> delivery,
        Optional<String> method,
        List<String> codes,
        Optional<Boolean> business,
        Optional<String> taxNumber,
        Optional<LocalDateTime> slot,
        Optional<String> currency,
        Optional<String> language,
        Map<String, String> deliveries) {
    private static final int LONGEST_TAG = 35;

    public Basket {
        deliveries = deliveries == null ? Map.of() : Map.copyOf(deliveries);
        currency = currency == null ? Optional.empty() : currency;
        language = language == null ? Optional.empty() : language;
        slot = slot == null ? Optional.empty() : slot;
        codes = codes == null ? List.of() : codes;
        business = business == null ? Optional.empty() : business;
        taxNumber = taxNumber == null
                ? Optional.empty()
                : taxNumber.map(String::strip).filter(text -> !text.isEmpty());
        lines = lines == null ? List.of() : lines;
        delivery = delivery == null ? Optional.empty() : delivery;
        method = method == null ? Optional.empty() : method;
    }

    /** The language the buyer reads in as it was asked for, empty for the shop's own. */
    String spoken() {
        return language(language);
    }

    /** A language tag as it was asked for; one too long to be one counts as none. */
    static String language(Optional<String> asked) {
        return asked.filter(tag -> tag.length() <= LONGEST_TAG).orElse("");
    }

    Basket with(List<String> others) {
        return new Basket(
                lines, to, delivery, method, others, business, taxNumber, slot, currency, language, deliveries);
    }
}

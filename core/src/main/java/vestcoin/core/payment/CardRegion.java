package vestcoin.core.payment;

import java.util.Set;
import vestcoin.core.place.Groups;

/** Where a card was issued, as far as providers' fees go by it: common practice, no source. */
public enum CardRegion {
    HOME,
    EEA,
    ELSEWHERE;

    /** Of the European Economic Area besides the Union's members: Agreement on the EEA, from memory. */
    private static final Set<String> EFTA_STATES = Set.of("IS", "LI", "NO");

    /** @param home country of the shop @param issued country of the card, ISO 3166-1; empty while it is not known */
    public static CardRegion of(String home, String issued) {
        if (issued.isEmpty() || issued.equals(home)) {
            return HOME;
        }
        return inArea(home) && inArea(issued) ? EEA : ELSEWHERE;
    }

    private static boolean inArea(String country) {
        return Groups.EU.contains(country) || EFTA_STATES.contains(country);
    }
}

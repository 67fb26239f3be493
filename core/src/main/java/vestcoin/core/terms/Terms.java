package vestcoin.core.terms;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The Terms station of a setup.
 *
 * @param returnDays       days to send goods back; none are said without it
 * @param withdrawalDays   days in which a consumer may withdraw
 * @param onlineWithdrawal whether a buyer can withdraw on the shop's pages
 * @param refundsDelivery  whether standard delivery is refunded on withdrawal
 * @param returnAddress    where goods are sent back to
 * @param texts            what buyers read, by kind and language
 * @param orderButton      text of the button that places an order, by language
 * @param prior            whether the lowest price of the last 30 days stands beside a reduction
 */
public record Terms(Optional<Integer> returnDays, Optional<Integer> withdrawalDays, boolean onlineWithdrawal, boolean refundsDelivery, List<String> returnAddress,
        Map<String, Map<String, String>> texts, Map<String, String> orderButton, boolean prior) {
    public static final String LEGAL_NOTICE = "legal-notice";

    public Terms {
        returnDays = returnDays == null ? Optional.empty() : returnDays;
        withdrawalDays = withdrawalDays == null ? Optional.empty() : withdrawalDays;
        returnAddress = returnAddress == null ? List.of() : List.copyOf(returnAddress);
        texts = texts == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(texts));
        orderButton = orderButton == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(orderButton));
    }

    /** Kinds of texts a buyer agrees to when ordering: all there are but the legal notice, which is only shown. */
    public List<String> agreements() {
        return texts.keySet().stream().filter(kind -> !kind.equals(LEGAL_NOTICE)).toList();
    }

    public static final Terms NONE = new Terms(null, null, false, false, null, null, null, false);
}

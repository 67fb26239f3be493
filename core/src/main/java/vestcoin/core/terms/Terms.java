package vestcoin.core.terms;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * The Terms station of a setup.
 *
 * @param returnDays days to send goods back; none are said without it
 * @param withdrawalDays days in which a consumer may withdraw
 * @param onlineWithdrawal whether a buyer can withdraw on the shop's pages
 * @param refundsDelivery whether standard delivery is refunded on withdrawal
 * @param returnAddress where goods are sent back to
 * @param texts what buyers read, by kind and language
 * @param orderButton text of the button that places an order, by language
 * @param prior whether the lowest price of the last 30 days stands beside a reduction
 * @param letters letters worded by the shop, by occasion and language
 * @param words names and sentences of the other stations in other languages: by language, then by place, dots between
 *     its steps
 * @param returnPayer who pays for sending goods back; nothing is said without it
 * @param exceptions product groups nobody withdraws from, and why
 * @param asking what the counter asks besides name and address
 * @param callOff how long buyers can call an order off themselves; not at all without it
 * @param notices who on the seller's side is written to, and of what
 * @param shortMessages what buyers who gave a telephone number are told by a short message
 */
@RecordBuilder
public record Terms(
        Optional<Integer> returnDays,
        Optional<Integer> withdrawalDays,
        boolean onlineWithdrawal,
        boolean refundsDelivery,
        List<String> returnAddress,
        Map<String, Map<String, String>> texts,
        Map<String, String> orderButton,
        boolean prior,
        Map<String, Map<String, Letter>> letters,
        Map<String, Map<String, String>> words,
        Optional<Payer> returnPayer,
        Map<String, Exclusion> exceptions,
        Asking asking,
        Optional<CallOff> callOff,
        List<SellerNotice> notices,
        List<ShortMessage> shortMessages) {
    public static final String LEGAL_NOTICE = "legal-notice";
    public static final String PRIVACY = "privacy";
    public static final String SHIPPING = "shipping";
    private static final Set<String> ONLY_SHOWN = Set.of(LEGAL_NOTICE, PRIVACY, SHIPPING);

    public Terms {
        returnDays = returnDays == null ? Optional.empty() : returnDays;
        withdrawalDays = withdrawalDays == null ? Optional.empty() : withdrawalDays;
        returnAddress = returnAddress == null ? List.of() : List.copyOf(returnAddress);
        texts = texts == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(texts));
        orderButton = orderButton == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(orderButton));
        letters = letters == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(letters));
        words = words == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(words));
        returnPayer = returnPayer == null ? Optional.empty() : returnPayer;
        exceptions = exceptions == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(exceptions));
        asking = asking == null ? Asking.NOTHING : asking;
        callOff = callOff == null ? Optional.empty() : callOff;
        notices = notices == null ? List.of() : List.copyOf(notices);
        shortMessages = shortMessages == null ? List.of() : List.copyOf(shortMessages);
    }

    public Terms(
            Optional<Integer> returnDays,
            Optional<Integer> withdrawalDays,
            boolean onlineWithdrawal,
            boolean refundsDelivery,
            List<String> returnAddress,
            Map<String, Map<String, String>> texts,
            Map<String, String> orderButton,
            boolean prior) {
        this(
                returnDays,
                withdrawalDays,
                onlineWithdrawal,
                refundsDelivery,
                returnAddress,
                texts,
                orderButton,
                prior,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    /** Where the seller is written to of an event. @param usual where, if nobody is named for it; may be empty */
    public List<String> toSeller(SellerNotice.Event event, String usual) {
        List<String> named = notices.stream()
                .filter(notice -> notice.of(event))
                .map(SellerNotice::email)
                .distinct()
                .toList();
        return named.isEmpty() && !usual.isBlank() ? List.of(usual) : named;
    }

    public enum Payer {
        BUYER,
        SHOP
    }

    /** Why there is no right of withdrawal. Source: Directive 2011/83/EU, Article 16(c) to (e), (i), (l) and (m). */
    public enum Exclusion {
        MADE_TO_MEASURE,
        PERISHABLE,
        SEALED_FOR_HYGIENE,
        UNSEALED_RECORDING,
        ON_A_DATE,
        DOWNLOAD_BEGUN
    }

    /**
     * How a letter begins, with names in braces for what differs: {@code {name}}, {@code {shop}}, {@code {order}},
     * {@code {amount}}, {@code {product}}, {@code {date}}.
     *
     * @param subject never empty
     * @param opening what stands before the rows
     */
    public record Letter(String subject, String opening) {
        /** Occasions a letter is written on. */
        public static final List<String> OCCASIONS = List.of(
                "receipt",
                "copy",
                "sent",
                "refund",
                "cancelled",
                "called-off",
                "reminder",
                "unfinished",
                "sent-part",
                "ready",
                "paid",
                "hold-reminder",
                "lapsed",
                "download",
                "voucher",
                "voucher-gift",
                "renewal",
                "renewal-announced",
                "renewal-asked",
                "renewal-failed",
                "renewal-lapsed",
                "renewal-stopped",
                "renewal-ended",
                "renewal-missed");
        /** What can stand in braces. */
        public static final Set<String> NAMES = Set.of("name", "shop", "order", "amount", "product", "date", "from");

        public static final int LONGEST_SUBJECT = 200;
        public static final int LONGEST_OPENING = 4000;

        public Letter {
            subject = subject == null ? "" : subject;
            opening = opening == null ? "" : opening;
        }
    }

    /**
     * Kinds of texts a buyer agrees to when ordering: all there are but the legal notice and what is said of privacy
     * and shipping, which are only shown.
     */
    public List<String> agreements() {
        return texts.keySet().stream()
                .filter(kind -> !ONLY_SHOWN.contains(kind))
                .toList();
    }

    public static final Terms NONE = TermsBuilder.builder().build();
}

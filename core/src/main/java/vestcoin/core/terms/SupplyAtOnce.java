package vestcoin.core.terms;

import java.time.LocalDate;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Groups;
import vestcoin.core.tax.Buyer;

/**
 * What is supplied as a file to a consumer of the EU, the EEA or the United Kingdom can be withdrawn from until its
 * supply has begun with the consumer's express consent and acknowledgement. Without that it is handed over when the
 * days to withdraw are over. Source: Directive 2011/83/EU, Article 16(m); that the EEA and the United Kingdom have kept
 * it, from memory.
 *
 * @param days to withdraw, after which it is supplied without consent
 */
public record SupplyAtOnce(int days) {
    /** Under which an order keeps that it was agreed to. */
    public static final String KIND = "supply-at-once";

    private static final Set<String> PLACES = Stream.concat(Groups.EU.stream(), Stream.of("IS", "LI", "NO", "GB"))
            .collect(Collectors.toUnmodifiableSet());

    /** What a buyer of files is asked, if they are. */
    public static Optional<SupplyAtOnce> asked(Terms terms, Buyer buyer, Destination to) {
        return terms.withdrawalDays()
                .filter(days ->
                        days > 0 && buyer.kind() == Buyer.Kind.PERSON && to != null && PLACES.contains(to.country()))
                .map(SupplyAtOnce::new);
    }

    /** What is agreed to. */
    public Message text() {
        return Message.of("terms.supply-at-once");
    }

    /** What happens without it. */
    public Message otherwise() {
        return Message.of("terms.supplied-after", "days", days);
    }

    /**
     * The first day a file can be fetched without consent: the one after the days to withdraw, counted from the order.
     */
    public static LocalDate after(Terms terms, LocalDate ordered) {
        return ordered.plusDays(terms.withdrawalDays().orElse(0) + 1L);
    }
}

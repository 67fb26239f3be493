package vestcoin.core.finding;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;
import vestcoin.core.tax.Sales;

/**
 * What a check is given besides the setup.
 *
 * @param at the instant it is for: rates hold by date
 * @param gateways state of each account with a provider
 * @param sales across borders within the Union
 * @param phrases how many there are that buyers meet; 0 if nobody counts them
 * @param untried accounts no payment was tried with since they changed
 * @param samples names of the goods a new shop begins with
 * @param files ids of products that have files to download; nothing where nobody knows
 * @param lettersWait why letters do not leave, as the mail server said; nothing where they do
 * @param texts how short messages leave
 */
public record FindingContext(
        Instant at,
        Map<String, Gateway> gateways,
        Sales sales,
        Set<String> untried,
        int phrases,
        Set<String> samples,
        Optional<Set<String>> files,
        Optional<Message> lettersWait,
        ShortMessageLine texts) {
    /** @param connected whether there is a service for them @param trouble why they do not leave, as it said */
    public record ShortMessageLine(boolean connected, Optional<Message> trouble) {
        /** Where nobody looked. */
        public static final ShortMessageLine UNKNOWN = new ShortMessageLine(true, Optional.empty());
    }

    public FindingContext(Instant at, Map<String, Gateway> gateways, Sales sales, Set<String> untried, int phrases) {
        this(
                at,
                gateways,
                sales,
                untried,
                phrases,
                Set.of(),
                Optional.empty(),
                Optional.empty(),
                ShortMessageLine.UNKNOWN);
    }

    public FindingContext(Instant at, Map<String, Gateway> gateways, Sales sales, Set<String> untried) {
        this(at, gateways, sales, untried, 0);
    }

    public FindingContext(Instant at, Map<String, Gateway> gateways) {
        this(at, gateways, Sales.NONE, Set.of(), 0);
    }

    /** The same where it is known which products have files. */
    public FindingContext having(Set<String> products) {
        return new FindingContext(
                at, gateways, sales, untried, phrases, samples, Optional.of(products), lettersWait, texts);
    }

    /** The same where letters may wait. @param why they do */
    public FindingContext writing(Optional<Message> why) {
        return new FindingContext(at, gateways, sales, untried, phrases, samples, files, why, texts);
    }

    /** The same where it is known how short messages leave. */
    public FindingContext texting(ShortMessageLine line) {
        return new FindingContext(at, gateways, sales, untried, phrases, samples, files, lettersWait, line);
    }
}

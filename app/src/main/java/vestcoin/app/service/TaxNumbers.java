package vestcoin.app.service;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.Expiry;
import java.time.Clock;
import java.time.Duration;
import java.util.Locale;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.core.finding.VatNumber;
import vestcoin.core.message.Message;
import vestcoin.core.tax.Buyer;
import vestcoin.core.tax.BuyerBuilder;

/**
 * Businesses by the tax numbers they type. A confirmation is kept for a day, silence for half a minute; until it is
 * confirmed a buyer is taxed as a person.
 */
@Service
public class TaxNumbers {
    private static final Logger LOG = LoggerFactory.getLogger(TaxNumbers.class);
    private static final Duration KEPT = Duration.ofDays(1);
    private static final Duration SILENT = Duration.ofSeconds(30);
    private static final int MOST_KEPT = 10_000;

    /** @param trouble what the buyer is told when the number does not count */
    public record NumberCheck(Buyer buyer, Optional<Message> trouble) {}

    private final NumberRegister register;
    private final Clock clock;
    private final Cache<String, Optional<Buyer.Confirmed>> kept = Caffeine.newBuilder()
            .maximumSize(MOST_KEPT)
            .expireAfter(Expiry.creating(
                    (String number, Optional<Buyer.Confirmed> answer) -> answer.isPresent() ? KEPT : SILENT))
            .build();

    TaxNumbers(NumberRegister register, Clock clock) {
        this.register = register;
        this.clock = clock;
    }

    /** The business that types a number; one without a number is a business all the same. */
    public NumberCheck business(Optional<String> typed) {
        String number = typed.map(text -> text.toUpperCase(Locale.ROOT).replaceAll("[\\s.-]", ""))
                .orElse("");
        if (number.isEmpty()) {
            return new NumberCheck(
                    BuyerBuilder.builder()
                            .kind(Buyer.Kind.BUSINESS)
                            .number(Optional.empty())
                            .build(),
                    Optional.empty());
        }
        if (!VatNumber.hasForm(number)) {
            return new NumberCheck(
                    BuyerBuilder.builder()
                            .kind(Buyer.Kind.BUSINESS)
                            .number(Optional.empty())
                            .build(),
                    Optional.of(Message.of("service.not-tax-number-begins-with-two-letters", "typed", typed.get())));
        }
        Optional<Buyer.Confirmed> confirmed = kept.get(number, this::asked);
        Buyer buyer = BuyerBuilder.builder()
                .kind(Buyer.Kind.BUSINESS)
                .number(Optional.of(new Buyer.TaxNumber(number.substring(0, 2), number.substring(2), confirmed)))
                .build();
        return new NumberCheck(
                buyer,
                confirmed.isEmpty()
                        ? Optional.of(Message.of("service.register-of-tax-numbers-not-answering-so"))
                        : confirmed.get().valid()
                                ? Optional.empty()
                                : Optional.of(Message.of("service.register-does-not-know-this-tax-number")));
    }

    private Optional<Buyer.Confirmed> asked(String number) {
        try {
            NumberRegister.Answer answer = register.ask(number);
            return Optional.of(new Buyer.Confirmed(answer.valid(), clock.instant(), answer.reference()));
        } catch (ProviderTimeout | ProviderRejection e) {
            LOG.info("tax number register: {}", e.getMessage());
            return Optional.empty();
        }
    }

    void forget() {
        kept.invalidateAll();
    }
}

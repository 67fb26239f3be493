package vestcoin.app.dressrehearsal;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vestcoin.app.checkout.BuyerDetails;
import vestcoin.app.order.InvoiceAddress;
import vestcoin.app.order.Placing;
import vestcoin.app.order.Wishes;
import vestcoin.core.goods.Question;
import vestcoin.core.place.Destination;
import vestcoin.core.place.PhoneNumber;
import vestcoin.core.setup.Rehearsal.SampleOrder;
import vestcoin.core.terms.Asking;

/** A made-up buyer: types whatever the shop asks for and nothing else. */
final class PracticeBuyer {
    private static final String STREET = "1 Rehearsal Street";
    private static final String TOWN = "Rehearsal";
    /** With a last digit that the simulated register of numbers confirms, and with one that it does not. */
    private static final String CONFIRMED = "123456789";

    private static final String UNCONFIRMED = "123456780";

    private final String email;
    private final SampleOrder sample;
    private final Destination to;

    PracticeBuyer(String email, SampleOrder sample, Destination to) {
        this.email = email;
        this.sample = sample;
        this.to = to;
    }

    String email() {
        return email;
    }

    BuyerDetails details() {
        Optional<String> number =
                switch (sample.buyer()) {
                    case BUSINESS -> Optional.of(to.country() + CONFIRMED);
                    case UNCONFIRMED_BUSINESS -> Optional.of(to.country() + UNCONFIRMED);
                    case PERSON, EXEMPT, LET_PAY_LATER -> Optional.empty();
                };
        return new BuyerDetails(number.map(each -> true), number, Optional.empty(), Optional.empty());
    }

    /**
     * @param ways ids of the ways it is delivered by
     * @param parcelShop it goes to, empty without one
     */
    Placing.Contact contact(Asking asking, List<String> ways, String parcelShop, LocalDate today) {
        Asking wanted = asking.by(ways);
        Map<String, String> extras = new TreeMap<>();
        asking.extras().stream()
                .filter(Asking.Extra::compulsory)
                .forEach(extra -> extras.put(extra.id(), answer(extra.question(), today)));
        Wishes wishes = new Wishes(
                null,
                null,
                extras,
                null,
                null,
                parcelShop.isEmpty()
                        ? Optional.empty()
                        : Optional.of(new InvoiceAddress(
                                sample.name(),
                                List.of(STREET),
                                TOWN,
                                to.postcode().orElse(""),
                                to.country())),
                wanted.company() == Asking.Field.COMPULSORY ? sample.name() : "",
                wanted.phone() == Asking.Field.COMPULSORY
                        ? PhoneNumber.example(to.country()).orElse("")
                        : "",
                null,
                parcelShop,
                null);
        return new Placing.Contact(sample.name(), email, List.of(STREET), TOWN, wishes);
    }

    private static String answer(Question question, LocalDate today) {
        return switch (question.kind()) {
            case TEXT -> TOWN;
            case NUMBER -> "1";
            case DAY -> today.plusWeeks(2).toString();
            case ONE_OF -> question.answers().get(0).id();
            case TICK -> Question.YES;
        };
    }
}

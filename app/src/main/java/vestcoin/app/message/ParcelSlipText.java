package vestcoin.app.message;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vestcoin.app.format.Json;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.QuoteView;
import vestcoin.app.message.Letter.Body;
import vestcoin.app.message.Letter.Row;
import vestcoin.app.message.LetterBook.LetterContent;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Wishes;
import vestcoin.app.setup.Wording;
import vestcoin.core.place.Countries;
import vestcoin.core.setup.Setup;

/** What the slip of a parcel says: things and how many, no price. */
final class ParcelSlipText {
    private final Phrases phrases;
    private final LetterSentences sentences;

    private ParcelSlipText(Phrases phrases, LetterSentences sentences) {
        this.phrases = phrases;
        this.sentences = sentences;
    }

    /** @param language of the slip; the shop's own when empty */
    static ParcelSlipText in(Setup setup, String language) {
        return new ParcelSlipText(
                Wording.of(setup, language.isEmpty() ? setup.shop().language() : language),
                LetterSentences.in(setup, language));
    }

    private String say(String code, Object... namesAndValues) {
        return phrases.say("letter." + code, namesAndValues);
    }

    /** @param which places of the lines in it */
    LetterContent of(
            Orders.Order order, Wishes wishes, QuoteView quote, IntPredicate which, Optional<Handover> handover) {
        List<Row> rows = IntStream.range(0, quote.lines().size())
                .filter(which)
                .mapToObj(quote.lines()::get)
                .map(line -> new Row(
                        sentences.named(line),
                        line.quantity().stripTrailingZeros().toPlainString()))
                .toList();
        return new LetterContent(
                say(
                        "slip",
                        "order",
                        String.valueOf(order.number()),
                        "name",
                        wishes.gift().map(Wishes.Gift::name).orElse(order.name())),
                new Body(slipped(order, wishes, handover), rows, -1, "", ""));
    }

    /** Who it is for and where it goes, or when it is collected; and the message of a gift. */
    private List<String> slipped(Orders.Order order, Wishes wishes, Optional<Handover> handover) {
        Orders.Address address = Json.read(order.address(), Orders.Address.class);
        List<String> paragraphs = new ArrayList<>();
        paragraphs.add(
                handover.filter(Handover::collected).map(sentences::sentence).orElseGet(() -> Stream.of(
                                Stream.of(wishes.gift().isPresent() ? "" : wishes.company()),
                                Stream.of(wishes.gift().map(Wishes.Gift::name).orElse(order.name())),
                                address.lines().stream(),
                                Stream.of(
                                        (address.postcode() + " " + address.city()).strip(),
                                        address.region().map(Countries::name).orElse(""),
                                        phrases.region(address.country())),
                                Stream.of(wishes.phone())
                                        .filter(phone -> !phone.isEmpty())
                                        .map(phone -> say("slip-phone", "number", phone)))
                        .flatMap(stream -> stream)
                        .filter(line -> !line.isBlank())
                        .collect(Collectors.joining("\n"))));
        handover.filter(each -> !each.collected()).ifPresent(brought -> paragraphs.add(sentences.sentence(brought)));
        sentences.paysWith(order, wishes).ifPresent(paragraphs::add);
        wishes.gift()
                .map(Wishes.Gift::message)
                .filter(message -> !message.isEmpty())
                .ifPresent(paragraphs::add);
        return paragraphs;
    }
}

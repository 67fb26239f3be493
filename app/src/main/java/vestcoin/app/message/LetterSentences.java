package vestcoin.app.message;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Attendance;
import vestcoin.app.order.Handover;
import vestcoin.app.order.InvoiceAddress;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Wishes;
import vestcoin.app.setup.Wording;
import vestcoin.core.message.Amount;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;
import vestcoin.core.setup.Setup;

/** Sentences that stand in letters about an order, beside its text and its rows. */
final class LetterSentences {
    private final Payment payment;
    private final Phrases phrases;

    private LetterSentences(Payment payment, Phrases phrases) {
        this.payment = payment;
        this.phrases = phrases;
    }

    /** @param language of the letter; the shop's own when empty */
    static LetterSentences in(Setup setup, String language) {
        return new LetterSentences(
                setup.payment(),
                Wording.of(setup, language.isEmpty() ? setup.shop().language() : language));
    }

    private String say(String code, Object... namesAndValues) {
        return phrases.say("letter." + code, namesAndValues);
    }

    /** Where and when it is collected or brought, and what is still open, in sentences. */
    List<String> facts(LetterTexts.Besides besides) {
        List<String> paragraphs = new ArrayList<>();
        besides.handover().ifPresent(handover -> paragraphs.add(sentence(handover)));
        besides.promise()
                .filter(promise -> besides.handover().isEmpty())
                .ifPresent(promise -> paragraphs.add(
                        promise.earliest().equals(promise.latest())
                                ? say("expected-on", "day", phrases.weekday(promise.latest()))
                                : say(
                                        "expected",
                                        "from",
                                        phrases.weekday(promise.earliest()),
                                        "to",
                                        phrases.weekday(promise.latest()))));
        besides.slip()
                .ifPresent(slip -> paragraphs.add(say(
                        "transfer",
                        "amount",
                        new Amount(slip.amount(), slip.currency()),
                        "holder",
                        slip.holder(),
                        "account",
                        phrases.list(slip.account().stream()
                                .map(part -> phrases.say(part.name()) + " " + part.value())
                                .toList()),
                        "iban",
                        slip.account().get(slip.account().size() - 1).value(),
                        "reference",
                        slip.reference())));
        paragraphs.addAll(besides.again());
        return paragraphs;
    }

    /** What takes place, when and where. */
    String attending(Attendance each) {
        return say(
                each.where().isEmpty() ? "takes-place" : "takes-place-at",
                "what",
                each.quantity().stripTrailingZeros().toPlainString() + " " + each.name(),
                "day",
                phrases.weekday(each.starts().toLocalDate()),
                "from",
                each.starts().toLocalTime(),
                "to",
                each.ends().toLocalTime(),
                "where",
                String.join(", ", each.where()));
    }

    /** Where and when, and what to bring. */
    String sentence(Handover handover) {
        String where = Stream.concat(Stream.of(handover.place()), handover.lines().stream())
                .collect(Collectors.joining(", "));
        String way = handover.collected() ? "collect" : "brought";
        String sentence = handover.starts()
                .map(starts -> handover.ends()
                        .map(ends -> say(
                                way + "-at",
                                "where",
                                where,
                                "day",
                                phrases.weekday(starts.toLocalDate()),
                                "from",
                                starts.toLocalTime(),
                                "to",
                                ends.toLocalTime()))
                        .orElseGet(() -> say(
                                way + "-from",
                                "where",
                                where,
                                "day",
                                phrases.weekday(starts.toLocalDate()),
                                "from",
                                starts.toLocalTime())))
                .orElseGet(() -> say(way, "where", where));
        return handover.bring().isBlank() ? sentence : sentence + " " + say("bring", "what", handover.bring());
    }

    /** The buyer's own number of the order. */
    String reference(String number) {
        return say("reference", "number", number);
    }

    /** With what is paid in cash, and what is given out. */
    Optional<String> paysWith(Orders.Order order, Wishes wishes) {
        return wishes.change(
                        payment,
                        order.method(),
                        OwedLetters.amount(order.due(), order.currency()).value())
                .map(cash -> say(
                        "pays-with",
                        "amount",
                        new Amount(cash.with(), order.currency()),
                        "change",
                        new Amount(cash.back(), order.currency())));
    }

    /** That more came than was owed. */
    String tooMuch(Amount amount) {
        return say("too-much", "amount", amount);
    }

    /** That what was given back is on a voucher. */
    String onVoucher(String code) {
        return say("on-voucher", "code", code);
    }

    /** That it is a gift, and for whom. */
    String giftFor(Wishes.Gift gift) {
        return say("gift-for", "name", gift.name());
    }

    /** Where the invoice goes. */
    String invoiceTo(InvoiceAddress to) {
        return say("invoice-to", "address", to.inOneLine(phrases::region));
    }

    /** To whom a voucher goes, and when, once it is paid. */
    String voucherFor(Wishes.VoucherFor to) {
        return to.on()
                .map(day -> say("voucher-for-on", "name", to.name(), "email", to.email(), "day", day))
                .orElseGet(() -> say("voucher-for", "name", to.name(), "email", to.email()));
    }

    /** When files can be fetched first. */
    String filesFrom(LocalDate day) {
        return say("files-later", "day", day);
    }

    /** When a subscription is charged next, and where it can be changed. */
    String next(LocalDate day, String link) {
        return say("next-charge", "date", day) + " " + say("subscription-at", "link", link);
    }

    /** What is charged again of an order, as it was agreed to, and where it can be changed. */
    String again(Message terms, String link) {
        return phrases.say(terms) + " " + say("subscription-at", "link", link);
    }

    /** Things of an order and how many of each. @param which places of its lines */
    String things(QuoteView quote, IntPredicate which) {
        return phrases.list(IntStream.range(0, quote.lines().size())
                .filter(which)
                .mapToObj(quote.lines()::get)
                .map(line -> line.quantity().stripTrailingZeros().toPlainString() + " " + named(line))
                .toList());
    }

    /** A thing with what was chosen. */
    String named(QuoteView.Line line) {
        return Stream.concat(Stream.of(line.name()), line.choices().stream().map(phrases::say))
                .collect(Collectors.joining(", "));
    }
}

package vestcoin.app.message;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import vestcoin.app.format.Phrases;
import vestcoin.app.message.Letter.Body;
import vestcoin.app.message.LetterBook.LetterContent;
import vestcoin.app.order.Orders;
import vestcoin.app.setup.KeptBack;
import vestcoin.app.setup.Wording;
import vestcoin.core.setup.Setup;

/** What letters to the seller, and to who sends in the seller's place, say: in the shop's own language. */
final class SellerTexts {
    private final Phrases phrases;
    private final String shop;

    SellerTexts(Setup setup) {
        this.phrases = Wording.of(setup, setup.shop().language());
        this.shop = setup.shop().name();
    }

    private String say(String code, Object... namesAndValues) {
        return phrases.say("letter." + code, namesAndValues);
    }

    private LetterContent atDesk(String subject, List<String> paragraphs, String link) {
        return new LetterContent(subject, new Body(paragraphs, List.of(), -1, link, say("at-desk")));
    }

    /** Of a subscription, in one line. @param more beside it, or empty */
    LetterContent subscription(String kind, String product, String name, String more, String link) {
        String subject = say("seller-renewal", "product", product, "name", name, "what", say("seller-renewal-" + kind));
        return atDesk(subject, more.isEmpty() ? List.of(subject) : List.of(subject, more), link);
    }

    /** Of an order its buyer has called off. */
    LetterContent calledOff(Orders.Order order, String link) {
        return atDesk(
                say("called-off-copy", "order", String.valueOf(order.number()), "name", order.name()),
                List.of(say("called-off-copy-text")),
                link);
    }

    /** Of a payment that is disputed at the bank. @param until the last day of what the seller has to say */
    LetterContent disputed(Orders.Order order, Optional<LocalDate> until, String link) {
        List<String> paragraphs = new ArrayList<>();
        paragraphs.add(say("disputed-text", "name", order.name()));
        until.ifPresent(day -> paragraphs.add(say("disputed-until", "day", day)));
        paragraphs.add(say("disputed-send"));
        return atDesk(say("disputed", "order", String.valueOf(order.number())), paragraphs, link);
    }

    /** Of what little is left of. @param left by the names of goods */
    LetterContent lowStock(Map<String, BigDecimal> left, String link) {
        return new LetterContent(
                say("low-stock", "things", phrases.list(left.keySet().stream().toList())),
                new Body(
                        List.of(say("low-stock-text", "shop", shop)),
                        left.entrySet().stream()
                                .map(each -> new Letter.Row(
                                        each.getKey(),
                                        phrases.number(each.getValue().stripTrailingZeros())))
                                .toList(),
                        -1,
                        link,
                        say("at-desk")));
    }

    /** Of what was to happen at a time and did not. @param at the time by the shop's clock */
    LetterContent keptBack(KeptBack kept, String at, String link) {
        String what = kept.what().name().toLowerCase(Locale.ROOT);
        List<String> paragraphs = new ArrayList<>();
        paragraphs.add(say("kept-back-text", "what", what, "shop", shop, "at", at));
        kept.problems()
                .forEach(problem ->
                        paragraphs.add(phrases.say(problem.sentence()) + " " + phrases.say(problem.remedy())));
        return atDesk(say("kept-back", "what", what), paragraphs, link);
    }

    /** Who asks to belong to a group of buyers. @param note what they say of themselves, or nothing */
    LetterContent asksForGroup(String group, String email, String note, String link) {
        List<String> paragraphs = new ArrayList<>();
        paragraphs.add(say("asks-for-group-text", "email", email, "group", group, "shop", shop));
        if (!note.isEmpty()) {
            paragraphs.add(note);
        }
        return new LetterContent(
                say("asks-for-group", "group", group), new Body(paragraphs, List.of(), -1, link, say("at-desk")));
    }

    /** What a dispatch place has to send, and where to. @param slip what goes into the parcel, drawn below it too */
    LetterContent toSend(Orders.Order order, String place, String way, LetterContent slip, byte[] pdf) {
        List<String> paragraphs = new ArrayList<>();
        paragraphs.add(
                way.isEmpty()
                        ? say("to-send-text", "place", place, "shop", shop)
                        : say("to-send-by", "place", place, "shop", shop, "way", way));
        paragraphs.addAll(slip.body().paragraphs());
        return new LetterContent(
                say("to-send", "order", String.valueOf(order.number()), "shop", shop),
                new Body(paragraphs, slip.body().rows(), -1, "", ""),
                Optional.of(new Letter.Attachment(order.number() + ".pdf", "application/pdf", pdf)));
    }
}

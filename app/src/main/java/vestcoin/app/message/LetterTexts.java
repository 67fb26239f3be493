package vestcoin.app.message;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vestcoin.app.download.Downloads;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.QuoteView;
import vestcoin.app.message.Letter.Body;
import vestcoin.app.message.Letter.Row;
import vestcoin.app.message.LetterBook.LetterContent;
import vestcoin.app.order.Dispatching;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.order.TransferSlips;
import vestcoin.app.setup.Wording;
import vestcoin.core.delivery.Promise;
import vestcoin.core.life.HoldPeriod;
import vestcoin.core.message.Amount;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.terms.Terms;

/** What letters say, in the words of {@link LetterWording}: their text, their facts and the rows under them. */
final class LetterTexts {
    private final Shop shop;
    private final LetterWording wording;
    private final Phrases phrases;
    private final LetterSentences sentences;
    private final LetterRows rows;

    private LetterTexts(Setup setup, String language) {
        this.shop = setup.shop();
        this.phrases = Wording.of(setup, language);
        this.wording = new LetterWording(setup.terms(), language, phrases);
        this.sentences = LetterSentences.in(setup, language);
        this.rows = new LetterRows(phrases, sentences);
    }

    /** @param language of the letter; the shop's own when empty */
    static LetterTexts in(Setup setup, String language) {
        return new LetterTexts(setup, language.isEmpty() ? setup.shop().language() : language);
    }

    private String say(String code, Object... namesAndValues) {
        return phrases.say("letter." + code, namesAndValues);
    }

    /**
     * What a letter tells besides what was bought.
     *
     * @param named whether the address is known to belong to who is named; else nothing the orderer chose stands in its
     *     greeting
     * @param handover where and when it is collected or brought
     * @param slip what is still to be transferred
     * @param promise when it is expected, of what a carrier brings
     * @param again what is charged again, in sentences
     */
    record Besides(
            boolean named,
            Optional<Handover> handover,
            Optional<TransferSlips.Slip> slip,
            Optional<Promise> promise,
            List<String> again) {
        /** Nothing of where it is and what is open. */
        Besides without() {
            return new Besides(named, Optional.empty(), Optional.empty(), Optional.empty(), List.of());
        }

        /** One sentence and nothing else. */
        Besides only(String sentence) {
            return new Besides(named, Optional.empty(), Optional.empty(), Optional.empty(), List.of(sentence));
        }
    }

    /** A letter to the buyer about the goods and what they cost. @param occasion of {@link Terms.Letter#OCCASIONS} */
    LetterContent told(String occasion, Orders.Order order, QuoteView quote, Besides besides, String link) {
        List<Row> under = rows.of(quote);
        Map<String, String> values = values(order, quote.toPay().value());
        values.put(
                "product",
                phrases.list(quote.lines().stream()
                        .map(QuoteView.Line::name)
                        .distinct()
                        .toList()));
        return said(
                occasion,
                values,
                under,
                rows.total(under),
                besides,
                link,
                occasion.equals("copy") ? say("at-desk") : own());
    }

    /**
     * A letter of one departure: what is in it, how it is followed, what is still to come.
     *
     * @param toCome places of what is still to leave
     */
    LetterContent sent(
            String occasion,
            Orders.Order order,
            QuoteView quote,
            Dispatching.Left left,
            Set<Integer> toCome,
            Besides besides,
            String link) {
        LetterContent said = told(occasion, order, BigDecimal.ZERO, besides, link);
        if (besides.handover().isPresent()) {
            return said;
        }
        List<String> paragraphs = new ArrayList<>(said.body().paragraphs());
        paragraphs.add(say("parcel-things", "things", sentences.things(quote, left.lines()::contains)));
        String number = (left.carrier() + " " + left.tracking()).strip();
        if (!left.link().isEmpty()) {
            paragraphs.add(say("parcel-followed", "number", number, "link", left.link()));
        } else if (!left.tracking().isEmpty()) {
            paragraphs.add(say("parcel-number", "number", number));
        } else if (!number.isEmpty()) {
            paragraphs.add(say("parcel-with", "carrier", number));
        }
        if (!toCome.isEmpty()) {
            paragraphs.add(say("still-to-come", "things", sentences.things(quote, toCome::contains)));
        }
        return new LetterContent(said.subject(), new Body(paragraphs, List.of(), -1, link, own()));
    }

    /** A letter to the buyer with an amount in its text, and nothing under it. */
    LetterContent told(String occasion, Orders.Order order, BigDecimal amount, Besides besides, String link) {
        return said(occasion, values(order, amount), List.of(), -1, besides, link, own());
    }

    /** That the buyer has withdrawn from an order or asked to send something back, with the time it came. */
    LetterContent declared(Orders.Order order, ZonedDateTime at, List<String> things, String link) {
        return new LetterContent(
                say("sending-back", "order", String.valueOf(order.number())),
                new Body(
                        List.of(
                                say(
                                        "declared",
                                        "when",
                                        at.toLocalDateTime(),
                                        "name",
                                        order.name(),
                                        "things",
                                        phrases.list(things)),
                                say("declared-where", "shop", shop.name())),
                        List.of(),
                        -1,
                        link,
                        own()));
    }

    /** That its reader belongs to a group of buyers now. */
    LetterContent inGroup(String group, String link) {
        return new LetterContent(
                say("group.subject", "group", group, "shop", shop.name()),
                new Body(
                        List.of(say("group.text", "group", group, "shop", shop.name())),
                        List.of(),
                        -1,
                        link,
                        say("sign-in.button")));
    }

    /** A letter that lets a buyer in. */
    LetterContent letIn(String link) {
        return new LetterContent(
                say("sign-in.subject", "shop", shop.name()),
                new Body(
                        List.of(say("sign-in.link"), say("sign-in.leave")),
                        List.of(),
                        -1,
                        link,
                        say("sign-in.button")));
    }

    /**
     * A letter about a subscription.
     *
     * @param values what stands in braces
     * @param named whether the address is known to belong to who is named
     */
    LetterContent subscription(String occasion, Map<String, String> values, boolean named, String link) {
        LetterWording.Said said = wording.said(occasion, values, named);
        return new LetterContent(
                said.subject(), new Body(said.paragraphs(), List.of(), -1, link, say("subscription-page")));
    }

    String money(Amount amount) {
        return money(amount.value(), amount.currency());
    }

    String day(LocalDate day) {
        return phrases.time(day);
    }

    /**
     * A letter with the files of an order that can be fetched.
     *
     * @param agreed whether the buyer agreed that they are supplied at once
     * @param named whether the address is known to belong to who is named
     */
    LetterContent files(
            Orders.Order order,
            List<Downloads.Download> there,
            ZoneId zone,
            boolean agreed,
            boolean named,
            String link) {
        Map<String, String> values =
                Map.of("name", order.name(), "shop", shop.name(), "order", String.valueOf(order.number()));
        LetterWording.Said said = wording.said("download", values, named);
        List<String> paragraphs = new ArrayList<>(said.paragraphs());
        there.forEach(each -> paragraphs.add(say(
                "file",
                "name",
                each.name(),
                "times",
                each.most() - each.used(),
                "until",
                LocalDate.ofInstant(each.until(), zone))));
        if (agreed) {
            paragraphs.add(say("supply-agreed"));
        }
        return new LetterContent(said.subject(), new Body(paragraphs, List.of(), -1, link, own()));
    }

    /** A letter to the shop itself, to see whether letters leave. */
    LetterContent trial() {
        return new LetterContent(
                say("trial", "shop", shop.name()), new Body(List.of(say("trial-text")), List.of(), -1, "", ""));
    }

    /** A letter to whoever gets vouchers. @param facts the message that goes with them, codes, how they are used */
    LetterContent voucher(String occasion, Map<String, String> values, List<String> facts, String link) {
        LetterWording.Said said = wording.said(occasion, values, true);
        List<String> paragraphs = new ArrayList<>(said.paragraphs());
        paragraphs.addAll(facts);
        return new LetterContent(said.subject(), new Body(paragraphs, List.of(), -1, link, say("to-the-counter")));
    }

    /** With a mark before its subject where it is practice. */
    LetterContent marked(String mode, LetterContent said) {
        return mode.equals("test")
                ? new LetterContent(say("test", "subject", said.subject()), said.body(), said.attached())
                : said;
    }

    /** The one reminder of a basket that was left. */
    LetterContent unfinished(ReminderOf of) {
        LetterWording.Said said = wording.said("unfinished", Map.of("name", of.name(), "shop", shop.name()), true);
        List<String> paragraphs = new ArrayList<>(said.paragraphs());
        paragraphs.add(String.join("\n", of.things()));
        of.gift()
                .ifPresent(gift -> paragraphs.add(
                        say("unfinished.code", "code", gift.code(), "discount", gift.discount(), "day", gift.until())));
        paragraphs.add(say("unfinished.only", "link", of.never()));
        return new LetterContent(
                said.subject(), new Body(paragraphs, List.of(), -1, of.link(), say("unfinished.button")));
    }

    private String own() {
        return say("own-page");
    }

    private LetterContent said(
            String occasion,
            Map<String, String> values,
            List<Row> rows,
            int total,
            Besides besides,
            String link,
            String linkText) {
        boolean handedOver = occasion.equals("sent") && besides.handover().isPresent() && !wording.isOwn(occasion);
        LetterWording.Said said =
                wording.said(handedOver ? "handed-over" : occasion, values, besides.named() || occasion.equals("copy"));
        List<String> paragraphs = new ArrayList<>(said.paragraphs());
        if (!handedOver) {
            paragraphs.addAll(sentences.facts(besides));
        }
        return new LetterContent(said.subject(), new Body(paragraphs, rows, total, link, linkText));
    }

    /** What is filled into the text of a letter about an order. */
    private Map<String, String> values(Orders.Order order, BigDecimal amount) {
        return new HashMap<>(Map.of(
                "name",
                order.name(),
                "shop",
                shop.name(),
                "order",
                String.valueOf(order.number()),
                "amount",
                money(amount, order.currency()),
                "date",
                keptUntil(order)));
    }

    /** The day an order lapses where its money does not come; empty where it waits for none, or for any time. */
    private String keptUntil(Orders.Order order) {
        return order.lapsesAt() == null
                ? ""
                : phrases.time(HoldPeriod.lastDay(order.lapsesAt(), ZoneId.of(shop.timeZone())));
    }

    private String money(BigDecimal amount, String currency) {
        return phrases.money(amount, currency);
    }
}

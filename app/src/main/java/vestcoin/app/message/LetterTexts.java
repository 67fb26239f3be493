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
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vestcoin.app.download.Downloads;
import vestcoin.app.format.Json;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.QuoteView;
import vestcoin.app.message.Letter.Body;
import vestcoin.app.message.Letter.Row;
import vestcoin.app.message.LetterBook.LetterContent;
import vestcoin.app.order.Attendance;
import vestcoin.app.order.Dispatching;
import vestcoin.app.order.Handover;
import vestcoin.app.order.InvoiceAddress;
import vestcoin.app.order.Orders;
import vestcoin.app.order.TransferSlips;
import vestcoin.app.order.Wishes;
import vestcoin.app.setup.Wording;
import vestcoin.core.delivery.Promise;
import vestcoin.core.life.HoldPeriod;
import vestcoin.core.message.Amount;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Countries;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Terms;

/** What letters say, in the words of {@link LetterWording}: their text, their facts and the rows under them. */
final class LetterTexts {
    private final Shop shop;
    private final Payment payment;
    private final LetterWording wording;
    private final Phrases phrases;

    private LetterTexts(Setup setup, String language) {
        this.shop = setup.shop();
        this.payment = setup.payment();
        this.phrases = Wording.of(setup, language);
        this.wording = new LetterWording(setup.terms(), language, phrases);
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
        List<Row> rows = rows(quote);
        Map<String, String> values = values(order, quote.toPay().value());
        values.put(
                "product",
                phrases.list(quote.lines().stream()
                        .map(QuoteView.Line::name)
                        .distinct()
                        .toList()));
        return said(
                occasion, values, rows, total(rows), besides, link, occasion.equals("copy") ? say("at-desk") : own());
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
        paragraphs.add(say("parcel-things", "things", things(quote, left.lines()::contains)));
        String number = (left.carrier() + " " + left.tracking()).strip();
        if (!left.link().isEmpty()) {
            paragraphs.add(say("parcel-followed", "number", number, "link", left.link()));
        } else if (!left.tracking().isEmpty()) {
            paragraphs.add(say("parcel-number", "number", number));
        } else if (!number.isEmpty()) {
            paragraphs.add(say("parcel-with", "carrier", number));
        }
        if (!toCome.isEmpty()) {
            paragraphs.add(say("still-to-come", "things", things(quote, toCome::contains)));
        }
        return new LetterContent(said.subject(), new Body(paragraphs, List.of(), -1, link, own()));
    }

    private String things(QuoteView quote, IntPredicate which) {
        return phrases.list(IntStream.range(0, quote.lines().size())
                .filter(which)
                .mapToObj(quote.lines()::get)
                .map(line -> line.quantity().stripTrailingZeros().toPlainString() + " " + named(line))
                .toList());
    }

    /** A letter to the buyer with an amount in its text, and nothing under it. */
    LetterContent told(String occasion, Orders.Order order, BigDecimal amount, Besides besides, String link) {
        return said(occasion, values(order, amount), List.of(), -1, besides, link, own());
    }

    /** Where and when it is collected or brought, and what is still open, in sentences. */
    List<String> facts(Besides besides) {
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
    private String sentence(Handover handover) {
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

    /** The slip of a parcel: things and how many, no price. @param which places of the lines in it */
    LetterContent slip(
            Orders.Order order, Wishes wishes, QuoteView quote, IntPredicate which, Optional<Handover> handover) {
        List<Row> rows = IntStream.range(0, quote.lines().size())
                .filter(which)
                .mapToObj(quote.lines()::get)
                .map(line -> new Row(
                        named(line), line.quantity().stripTrailingZeros().toPlainString()))
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
        paragraphs.add(handover.filter(Handover::collected).map(this::sentence).orElseGet(() -> Stream.of(
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
        handover.filter(each -> !each.collected()).ifPresent(brought -> paragraphs.add(sentence(brought)));
        paysWith(order, wishes).ifPresent(paragraphs::add);
        wishes.gift()
                .map(Wishes.Gift::message)
                .filter(message -> !message.isEmpty())
                .ifPresent(paragraphs::add);
        return paragraphs;
    }

    private String named(QuoteView.Line line) {
        return Stream.concat(Stream.of(line.name()), line.choices().stream().map(phrases::say))
                .collect(Collectors.joining(", "));
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

    /** The buyer's own number of the order. */
    String reference(String number) {
        return say("reference", "number", number);
    }

    /** With what is paid in cash, and what is given out. */
    Optional<String> paysWith(Orders.Order order, Wishes wishes) {
        return wishes.change(
                        payment,
                        order.method(),
                        Messages.amount(order.due(), order.currency()).value())
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

    /** With a mark before its subject where it is practice. */
    LetterContent marked(String mode, LetterContent said) {
        return mode.equals("test")
                ? new LetterContent(say("test", "subject", said.subject()), said.body(), said.attached())
                : said;
    }

    /** When a subscription is charged next, and where it can be changed. */
    String next(LocalDate day, String link) {
        return say("next-charge", "date", day) + " " + say("subscription-at", "link", link);
    }

    /** What is charged again of an order, as it was agreed to, and where it can be changed. */
    String again(Message terms, String link) {
        return phrases.say(terms) + " " + say("subscription-at", "link", link);
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
            paragraphs.addAll(facts(besides));
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

    /** The same rows as the receipt on the screen. */
    private List<Row> rows(QuoteView priced) {
        QuoteView quote = priced.asRead();
        List<Row> rows = new ArrayList<>();
        quote.lines()
                .forEach(line -> rows.add(new Row(
                        line.quantity().stripTrailingZeros().toPlainString() + " " + named(line),
                        money(line.amount().value(), quote.currency()))));
        quote.discounts()
                .forEach(discount -> rows.add(new Row(
                        discount.ofVoucher() ? say("voucher", "code", discount.name()) : discount.name(),
                        money(discount.amount().value().negate(), quote.currency()))));
        quote.levied().stream()
                .filter(levied -> !levied.inside())
                .forEach(levied ->
                        rows.add(new Row(levied.name(), money(levied.amount().value(), quote.currency()))));
        quote.deliveryPrice()
                .ifPresent(price -> rows.add(new Row(say("delivery"), money(price.value(), quote.currency()))));
        quote.fee().ifPresent(fee -> rows.add(new Row(say("way-of-paying"), money(fee.value(), quote.currency()))));
        if (quote.prices() == Tax.Prices.WITHOUT_TAX) {
            rows.add(new Row(say("tax"), money(quote.tax().value(), quote.currency())));
        }
        rows.add(new Row(say("total"), money(quote.payable().value(), quote.currency())));
        if (quote.prices() == Tax.Prices.WITH_TAX && quote.tax().value().signum() > 0) {
            rows.add(new Row(say("tax-inside"), money(quote.tax().value(), quote.currency())));
        }
        quote.vouchers().stream()
                .filter(voucher -> voucher.used().value().signum() > 0)
                .forEach(voucher -> rows.add(new Row(
                        say("voucher", "code", voucher.code()),
                        money(voucher.used().value().negate(), quote.currency()))));
        quote.rounding()
                .filter(rounding -> rounding.value().signum() != 0)
                .ifPresent(rounding -> rows.add(new Row(say("rounded"), money(rounding.value(), quote.currency()))));
        if (quote.toPay().value().compareTo(quote.payable().value()) != 0) {
            rows.add(new Row(say("to-pay"), money(quote.toPay().value(), quote.currency())));
        }
        return rows;
    }

    private int total(List<Row> rows) {
        for (int i = 0; i < rows.size(); i++) {
            if (rows.get(i).name().equals(say("total"))) {
                return i;
            }
        }
        return -1;
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

package vestcoin.app.message;

import java.math.BigDecimal;
import java.text.NumberFormat;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vestcoin.app.format.Json;
import vestcoin.app.format.QuoteView;
import vestcoin.app.message.Letter.Body;
import vestcoin.app.message.Letter.Row;
import vestcoin.app.message.Messages.LetterContent;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.order.TransferSlips;
import vestcoin.app.order.Wishes;
import vestcoin.core.place.Countries;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Terms;

/**
 * The texts of letters in English and German, unless the shop has worded its own; other languages read English until
 * there are texts of their own.
 */
final class LetterTexts {
    /** How letters begin, by occasion and language. */
    static final Map<String, Map<String, Terms.Letter>> SHIPPED = shipped();

    private static final Pattern NAMES = Pattern.compile("\\{([a-z]+)}");

    private final Shop shop;
    private final Terms terms;
    private final Locale locale;
    private final boolean german;

    private LetterTexts(Setup setup, String language) {
        this.shop = setup.shop();
        this.terms = setup.terms();
        this.locale = Locale.forLanguageTag(language);
        this.german = locale.getLanguage().equals("de");
    }

    /** @param language of the letter; the shop's own when empty */
    static LetterTexts in(Setup setup, String language) {
        return new LetterTexts(setup, language.isEmpty() ? setup.shop().language() : language);
    }

    private static Map<String, Map<String, Terms.Letter>> shipped() {
        Map<String, Map<String, Terms.Letter>> all = new TreeMap<>();
        both(
                all,
                "receipt",
                "Your order {order} at {shop}",
                "thank you for your order. This is what you bought:",
                "Ihre Bestellung {order} bei {shop}",
                "vielen Dank für Ihre Bestellung. Das haben Sie gekauft:");
        all.put(
                "copy",
                Map.of(
                        "en",
                        new Terms.Letter("New order {order}, {name}", "{name} has ordered:"),
                        "de",
                        new Terms.Letter("Neue Bestellung {order}, {name}", "{name} hat bestellt:")));
        both(
                all,
                "sent",
                "Your order {order} is on its way",
                "everything you ordered at {shop} has left.",
                "Ihre Bestellung {order} ist unterwegs",
                "alles, was Sie bei {shop} bestellt haben, ist verschickt.");
        both(
                all,
                "refund",
                "A refund for order {order}",
                "{shop} has given back, in all: {amount}.",
                "Eine Erstattung zu Bestellung {order}",
                "{shop} hat erstattet, insgesamt: {amount}.");
        both(
                all,
                "cancelled",
                "Your order {order} was called off",
                "{shop} has called your order off. What you have paid is given back the way you paid it.",
                "Ihre Bestellung {order} wurde storniert",
                "{shop} hat Ihre Bestellung storniert. Was Sie bezahlt haben, kommt auf dem Weg zurück, auf dem Sie "
                        + "bezahlt haben.");
        both(
                all,
                "reminder",
                "Order {order} waits for its payment",
                "your order at {shop} is kept for you; {amount} are still to be paid. The order's own page says how.",
                "Bestellung {order} wartet auf die Zahlung",
                "Ihre Bestellung bei {shop} liegt für Sie bereit; {amount} sind noch offen. Wie Sie zahlen, steht "
                        + "auf der Seite Ihrer Bestellung.");
        all.put(
                "unfinished",
                Map.of(
                        "en",
                        new Terms.Letter(
                                "Your basket at {shop} is kept",
                                "You asked to be reminded: this still lies in your basket."),
                        "de",
                        new Terms.Letter(
                                "Ihr Korb bei {shop} liegt bereit",
                                "Sie wollten erinnert werden: Das liegt noch in Ihrem Korb.")));
        return all;
    }

    private static void both(
            Map<String, Map<String, Terms.Letter>> all,
            String occasion,
            String subject,
            String opening,
            String betreff,
            String anfang) {
        all.put(
                occasion,
                Map.of(
                        "en",
                        new Terms.Letter(subject, "Hello {name},\n\n" + opening),
                        "de",
                        new Terms.Letter(betreff, "Guten Tag, {name},\n\n" + anfang)));
    }

    private String say(String english, String deutsch) {
        return german ? deutsch : english;
    }

    /**
     * What a letter tells besides what was bought.
     *
     * @param named whether the address is known to belong to who is named; else nothing the orderer chose stands in its
     *     greeting
     * @param handover where and when it is collected or brought
     * @param slip what is still to be transferred
     */
    record Besides(boolean named, Optional<Handover> handover, Optional<TransferSlips.Slip> slip) {
        /** Nothing of where it is and what is open. */
        Besides without() {
            return new Besides(named, Optional.empty(), Optional.empty());
        }
    }

    /** A letter to the buyer about the goods and what they cost. @param occasion of {@link Terms.Letter#OCCASIONS} */
    LetterContent told(String occasion, Orders.Order order, QuoteView quote, Besides besides, String link) {
        List<Row> rows = rows(quote);
        return said(
                occasion,
                order,
                quote.toPay().value(),
                rows,
                total(rows),
                besides,
                link,
                occasion.equals("copy") ? say("Open it at the desk", "Am Schreibtisch öffnen") : own());
    }

    /** A letter to the buyer with an amount in its text, and nothing under it. */
    LetterContent told(String occasion, Orders.Order order, BigDecimal amount, Besides besides, String link) {
        return said(occasion, order, amount, List.of(), -1, besides, link, own());
    }

    /** That what was collected or brought is in the buyer's hands. */
    private static final Terms.Letter HANDED_OVER = new Terms.Letter(
            "Your order {order} was handed over", "Hello {name},\n\neverything you ordered at {shop} is yours now.");

    private static final Terms.Letter UEBERGEBEN = new Terms.Letter(
            "Ihre Bestellung {order} wurde übergeben",
            "Guten Tag, {name},\n\nalles, was Sie bei {shop} bestellt haben, ist bei Ihnen.");

    /** Where and when it is collected or brought, and what is still open, in sentences. */
    List<String> facts(Besides besides) {
        List<String> paragraphs = new ArrayList<>();
        besides.handover().ifPresent(handover -> paragraphs.add(sentence(handover)));
        besides.slip()
                .ifPresent(slip -> paragraphs.add(say(
                                "It is not paid yet. Transfer ", "Noch nicht bezahlt. Überweisen Sie ")
                        + money(slip.amount(), slip.currency()) + say(" to ", " an ") + slip.holder() + ", IBAN "
                        + slip.iban() + say(", reference ", ", Verwendungszweck ") + slip.reference() + "."));
        return paragraphs;
    }

    /** Where and when, and what to bring. */
    private String sentence(Handover handover) {
        String where = Stream.concat(Stream.of(handover.place()), handover.lines().stream())
                .collect(Collectors.joining(", "));
        String when = handover.starts()
                .map(starts -> say(" on ", " am ")
                        + DateTimeFormatter.ofLocalizedDate(FormatStyle.FULL)
                                .withLocale(locale)
                                .format(starts)
                        + say(", ", ", ")
                        + DateTimeFormatter.ofPattern("HH:mm").format(starts)
                        + handover.ends()
                                .map(ends -> say(" to ", " bis ")
                                        + DateTimeFormatter.ofPattern("HH:mm").format(ends))
                                .orElse(""))
                .orElse("");
        String bring = handover.bring().isBlank() ? "" : say(" To bring: ", " Bitte mitbringen: ") + handover.bring();
        return (handover.collected()
                        ? say("To be collected: ", "Abzuholen: ")
                        : say("Brought round: ", "Wird gebracht: "))
                + where + when + "." + bring;
    }

    /** That the buyer has withdrawn from an order or asked to send something back, with the time it came. */
    LetterContent declared(Orders.Order order, ZonedDateTime at, List<String> things, String link) {
        String when = DateTimeFormatter.ofLocalizedDateTime(FormatStyle.LONG, FormatStyle.SHORT)
                .withLocale(locale)
                .format(at);
        return new LetterContent(
                say("Sending back from order ", "Rückgabe aus Bestellung ") + order.number(),
                new Body(
                        List.of(
                                say("received on ", "eingegangen am ") + when + say(" from ", " von ") + order.name()
                                        + say(": withdrawal from, or return of", ": Widerruf oder Rückgabe von") + " "
                                        + String.join(", ", things) + ".",
                                say(
                                                "Where to send it and what is given back is in the terms of ",
                                                "Wohin es geht und was erstattet wird, steht in den Bedingungen von ")
                                        + shop.name() + "."),
                        List.of(),
                        -1,
                        link,
                        own()));
    }

    /** The slip of a parcel: things and how many, no price. */
    LetterContent slip(Orders.Order order, Wishes wishes, QuoteView quote, Optional<Handover> handover) {
        List<Row> rows = quote.lines().stream()
                .map(line -> new Row(
                        named(line), line.quantity().stripTrailingZeros().toPlainString()))
                .toList();
        return new LetterContent(
                say("Order ", "Bestellung ") + order.number() + ", "
                        + wishes.gift().map(Wishes.Gift::name).orElse(order.name()),
                new Body(slipped(order, wishes, handover), rows, -1, "", ""));
    }

    /** Who it is for and where it goes, or when it is collected; and the message of a gift. */
    private List<String> slipped(Orders.Order order, Wishes wishes, Optional<Handover> handover) {
        Orders.Address address = Json.read(order.address(), Orders.Address.class);
        List<String> paragraphs = new ArrayList<>();
        paragraphs.add(handover.filter(Handover::collected).map(this::sentence).orElseGet(() -> Stream.of(
                        Stream.of(wishes.gift().map(Wishes.Gift::name).orElse(order.name())),
                        address.lines().stream(),
                        Stream.of(
                                (address.postcode() + " " + address.city()).strip(),
                                address.region().map(Countries::name).orElse(""),
                                new Locale.Builder()
                                        .setRegion(address.country())
                                        .build()
                                        .getDisplayCountry(locale)))
                .flatMap(stream -> stream)
                .filter(line -> !line.isBlank())
                .collect(Collectors.joining("\n"))));
        handover.filter(each -> !each.collected()).ifPresent(brought -> paragraphs.add(sentence(brought)));
        wishes.gift()
                .map(Wishes.Gift::message)
                .filter(message -> !message.isEmpty())
                .ifPresent(paragraphs::add);
        return paragraphs;
    }

    private static String named(QuoteView.Line line) {
        return line.name() + (line.choices().isEmpty() ? "" : ", " + String.join(", ", line.choices()));
    }

    /** A letter that lets a buyer in. */
    LetterContent letIn(String link) {
        return new LetterContent(
                say("Your orders at ", "Ihre Bestellungen bei ") + shop.name(),
                new Body(
                        List.of(
                                say(
                                        "this link opens your orders. It works once, for half an hour.",
                                        "dieser Link öffnet Ihre Bestellungen. Er gilt einmal, eine halbe Stunde "
                                                + "lang."),
                                say(
                                        "If you did not ask for it, leave it be: nobody else has it.",
                                        "Haben Sie ihn nicht angefordert, lassen Sie ihn liegen: Niemand sonst hat "
                                                + "ihn.")),
                        List.of(),
                        -1,
                        link,
                        say("Open my orders", "Meine Bestellungen öffnen")));
    }

    /** The one reminder of a basket that was left. */
    LetterContent unfinished(String name, List<String> things, String link, String never) {
        Terms.Letter letter = worded("unfinished");
        Map<String, String> values = Map.of("name", name, "shop", shop.name());
        List<String> paragraphs = new ArrayList<>(paragraphs(filled(letter.opening(), values)));
        paragraphs.add(String.join("\n", things));
        paragraphs.add(say(
                        "This is the only letter about it. Never write to me about a basket again: ",
                        "Dies ist der einzige Brief dazu. Nie wieder wegen eines Korbs schreiben: ")
                + never);
        return new LetterContent(
                filled(letter.subject(), values),
                new Body(paragraphs, List.of(), -1, link, say("Open the basket", "Den Korb öffnen")));
    }

    private String own() {
        return say("Your order's own page", "Die Seite Ihrer Bestellung");
    }

    private LetterContent said(
            String occasion,
            Orders.Order order,
            BigDecimal amount,
            List<Row> rows,
            int total,
            Besides besides,
            String link,
            String linkText) {
        boolean handedOver = occasion.equals("sent")
                && besides.handover().isPresent()
                && terms.letters().getOrDefault("sent", Map.of()).isEmpty();
        Terms.Letter worded = handedOver ? german ? UEBERGEBEN : HANDED_OVER : worded(occasion);
        Terms.Letter letter = besides.named() || occasion.equals("copy")
                ? worded
                : new Terms.Letter(unnamed(worded.subject()), unnamed(worded.opening()));
        Map<String, String> values = Map.of(
                "name",
                order.name(),
                "shop",
                shop.name(),
                "order",
                String.valueOf(order.number()),
                "amount",
                money(amount, order.currency()));
        List<String> paragraphs = new ArrayList<>(paragraphs(filled(letter.opening(), values)));
        if (!handedOver) {
            paragraphs.addAll(facts(besides));
        }
        return new LetterContent(filled(letter.subject(), values), new Body(paragraphs, rows, total, link, linkText));
    }

    private static String unnamed(String text) {
        return text.replaceAll(",?\\s*\\{name}", "");
    }

    private Terms.Letter worded(String occasion) {
        Map<String, Terms.Letter> own = terms.letters().getOrDefault(occasion, Map.of());
        Map<String, Terms.Letter> shipped = SHIPPED.get(occasion);
        return Optional.ofNullable(own.get(locale.toLanguageTag()))
                .or(() -> Optional.ofNullable(own.get(locale.getLanguage())))
                .or(() -> Optional.ofNullable(shipped.get(locale.getLanguage())))
                .orElseGet(() -> shipped.get("en"));
    }

    private static List<String> paragraphs(String text) {
        return Arrays.stream(text.split("\\R\\s*\\R"))
                .map(String::strip)
                .filter(paragraph -> !paragraph.isEmpty())
                .toList();
    }

    private static String filled(String text, Map<String, String> values) {
        return NAMES.matcher(text)
                .replaceAll(found -> Matcher.quoteReplacement(values.getOrDefault(found.group(1), found.group())));
    }

    /** The same rows as the receipt on the screen. */
    private List<Row> rows(QuoteView quote) {
        List<Row> rows = new ArrayList<>();
        quote.lines()
                .forEach(line -> rows.add(new Row(
                        line.quantity().stripTrailingZeros().toPlainString() + " " + named(line),
                        money(line.amount().value(), quote.currency()))));
        quote.discounts()
                .forEach(discount -> rows.add(
                        new Row(discount.name(), money(discount.amount().value().negate(), quote.currency()))));
        quote.deliveryPrice()
                .ifPresent(
                        price -> rows.add(new Row(say("Delivery", "Versand"), money(price.value(), quote.currency()))));
        quote.fee()
                .ifPresent(fee -> rows.add(new Row(
                        say("For the way of paying", "Für die Zahlungsart"), money(fee.value(), quote.currency()))));
        if (quote.prices() == Tax.Prices.WITHOUT_TAX) {
            rows.add(new Row(say("Tax", "Steuer"), money(quote.tax().value(), quote.currency())));
        }
        rows.add(new Row(say("Total", "Summe"), money(quote.payable().value(), quote.currency())));
        if (quote.prices() == Tax.Prices.WITH_TAX && quote.tax().value().signum() > 0) {
            rows.add(
                    new Row(say("Tax inside", "Darin Steuer"), money(quote.tax().value(), quote.currency())));
        }
        quote.vouchers().stream()
                .filter(voucher -> voucher.used().value().signum() > 0)
                .forEach(voucher -> rows.add(new Row(
                        say("Voucher ", "Gutschein ") + voucher.code(),
                        money(voucher.used().value().negate(), quote.currency()))));
        quote.rounding()
                .filter(rounding -> rounding.value().signum() != 0)
                .ifPresent(rounding -> rows.add(new Row(
                        say("Rounded, in cash", "Gerundet, in bar"), money(rounding.value(), quote.currency()))));
        if (quote.toPay().value().compareTo(quote.payable().value()) != 0) {
            rows.add(new Row(say("To pay", "Zu zahlen"), money(quote.toPay().value(), quote.currency())));
        }
        return rows;
    }

    private int total(List<Row> rows) {
        for (int i = 0; i < rows.size(); i++) {
            if (rows.get(i).name().equals(say("Total", "Summe"))) {
                return i;
            }
        }
        return -1;
    }

    private String money(BigDecimal amount, String currency) {
        NumberFormat format = NumberFormat.getCurrencyInstance(locale);
        format.setCurrency(Currency.getInstance(currency));
        format.setMinimumFractionDigits(amount.scale());
        format.setMaximumFractionDigits(amount.scale());
        return format.format(amount);
    }
}

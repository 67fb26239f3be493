package vestcoin.app.message;

import java.math.BigDecimal;
import java.text.NumberFormat;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import vestcoin.app.message.Letter.Body;
import vestcoin.app.message.Letter.Row;
import vestcoin.app.message.Messages.Said;
import vestcoin.app.order.Orders;
import vestcoin.app.quote.QuoteView;
import vestcoin.core.setup.Shop;
import vestcoin.core.tax.Tax;

/** The texts of letters in English and German; other languages read English until there are texts of their own. */
final class Words {
    private final Locale locale;
    private final boolean german;

    private Words(Locale locale) {
        this.locale = locale;
        this.german = locale.getLanguage().equals("de");
    }

    static Words in(String language) {
        return new Words(Locale.forLanguageTag(language));
    }

    private String say(String english, String deutsch) {
        return german ? deutsch : english;
    }

    Said receipt(Orders.Order order, QuoteView quote, Shop shop, String link) {
        List<Row> rows = rows(quote);
        return new Said(say("Your order ", "Ihre Bestellung ") + order.number() + say(" at ", " bei ") + shop.name(), new Body(hello(order),
                List.of(say("thank you for your order. This is what you bought:", "vielen Dank für Ihre Bestellung. Das haben Sie gekauft:")), rows, total(rows), link,
                say("Your order's own page", "Die Seite Ihrer Bestellung")));
    }

    Said copy(Orders.Order order, QuoteView quote, Shop shop, String link) {
        List<Row> rows = rows(quote);
        return new Said(say("New order ", "Neue Bestellung ") + order.number() + ", " + order.name(), new Body(shop.name() + ",",
                List.of(order.name() + say(" has ordered:", " hat bestellt:")), rows, total(rows), link, say("Open it at the desk", "Am Schreibtisch öffnen")));
    }

    Said sent(Orders.Order order, Shop shop, String link) {
        return new Said(say("Your order ", "Ihre Bestellung ") + order.number() + say(" is on its way", " ist unterwegs"), new Body(hello(order),
                List.of(say("everything you ordered at ", "alles, was Sie bei ") + shop.name() + say(" has left.", " bestellt haben, ist verschickt.")), List.of(), -1, link,
                say("Your order's own page", "Die Seite Ihrer Bestellung")));
    }

    Said refund(Orders.Order order, BigDecimal amount, Shop shop, String link) {
        return new Said(say("A refund for order ", "Eine Erstattung zu Bestellung ") + order.number(), new Body(hello(order),
                List.of(shop.name() + say(" has given back, in all: ", " hat erstattet, insgesamt: ") + money(amount, order.currency()) + "."), List.of(), -1, link,
                say("Your order's own page", "Die Seite Ihrer Bestellung")));
    }

    private String hello(Orders.Order order) {
        return say("Hello ", "Guten Tag, ") + order.name() + ",";
    }

    /** The same rows as the receipt on the screen. */
    private List<Row> rows(QuoteView quote) {
        List<Row> rows = new ArrayList<>();
        quote.lines().forEach(line -> rows.add(new Row(line.quantity().stripTrailingZeros().toPlainString() + " " + line.name()
                + (line.choices().isEmpty() ? "" : ", " + String.join(", ", line.choices())), money(line.amount().value(), quote.currency()))));
        quote.discounts().forEach(discount -> rows.add(new Row(discount.name(), money(discount.amount().value().negate(), quote.currency()))));
        quote.deliveryPrice().ifPresent(price -> rows.add(new Row(say("Delivery", "Versand"), money(price.value(), quote.currency()))));
        quote.fee().ifPresent(fee -> rows.add(new Row(say("For the way of paying", "Für die Zahlungsart"), money(fee.value(), quote.currency()))));
        if (quote.prices() == Tax.Prices.WITHOUT_TAX) {
            rows.add(new Row(say("Tax", "Steuer"), money(quote.tax().value(), quote.currency())));
        }
        rows.add(new Row(say("Total", "Summe"), money(quote.payable().value(), quote.currency())));
        if (quote.prices() == Tax.Prices.WITH_TAX && quote.tax().value().signum() > 0) {
            rows.add(new Row(say("Tax inside", "Darin Steuer"), money(quote.tax().value(), quote.currency())));
        }
        quote.vouchers().stream().filter(voucher -> voucher.used().value().signum() > 0)
                .forEach(voucher -> rows.add(new Row(say("Voucher ", "Gutschein ") + voucher.code(), money(voucher.used().value().negate(), quote.currency()))));
        quote.rounding().filter(rounding -> rounding.value().signum() != 0).ifPresent(rounding -> rows.add(new Row(say("Rounded, in cash", "Gerundet, in bar"), money(rounding.value(), quote.currency()))));
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

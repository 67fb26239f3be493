package vestcoin.app.message;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.QuoteView;
import vestcoin.app.message.Letter.Row;
import vestcoin.core.tax.Tax;

/** What stands under a letter: the same rows as the receipt on the screen. */
final class LetterRows {
    private final Phrases phrases;
    private final LetterSentences sentences;

    LetterRows(Phrases phrases, LetterSentences sentences) {
        this.phrases = phrases;
        this.sentences = sentences;
    }

    private String say(String code, Object... namesAndValues) {
        return phrases.say("letter." + code, namesAndValues);
    }

    private String money(BigDecimal amount, String currency) {
        return phrases.money(amount, currency);
    }

    List<Row> of(QuoteView priced) {
        QuoteView quote = priced.asRead();
        List<Row> rows = new ArrayList<>();
        quote.lines()
                .forEach(line -> rows.add(new Row(
                        line.quantity().stripTrailingZeros().toPlainString() + " " + sentences.named(line),
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

    /** Which of them is the total. */
    int total(List<Row> rows) {
        for (int i = 0; i < rows.size(); i++) {
            if (rows.get(i).name().equals(say("total"))) {
                return i;
            }
        }
        return -1;
    }
}

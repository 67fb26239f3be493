package vestcoin.app.embedding;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.text.NumberFormat;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;
import vestcoin.app.outside.Vault;
import vestcoin.app.setup.Document;
import vestcoin.core.basket.Basket;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;

/**
 * Links and HTML for another site: plain elements without style or script, so that the site's own look holds; and, for
 * sites that are listed, the script tag that opens the counter in place.
 */
@Component
public class Snippets {
    /**
     * @param link to send or to put behind anything
     * @param html to paste into a page; it needs no script
     * @param script to paste into a page of a site that is listed: opens the counter in place
     */
    public record Snippet(String link, String html, String script) {}

    /** Begins the names of a form's fields that choose an option. */
    static final String OPTION = "option.";

    private final Vault vault;
    private final Clock clock;
    private final String ownUrl;

    Snippets(Vault vault, Clock clock, @Value("${vest-coin.own-url}") String ownUrl) {
        this.vault = vault;
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    /** The counter as it is. */
    public Snippet counter(String shop, Document document) {
        String name = document.setup().shop().name();
        return new Snippet(
                counter(shop),
                "<a href=\"" + counter(shop) + "\">" + escaped(name) + "</a>",
                script(shop, name, Optional.empty()));
    }

    private String script(String shop, String title, Optional<String> take) {
        return "<script src=\"" + ownUrl + "/place.js\" data-shop=\"" + shop + "\" data-title=\"" + escaped(title)
                + "\"" + take.map(signed -> " data-take=\"" + signed + "\"").orElse("") + " async></script>";
    }

    /** Several things as they are, in one go. */
    public Snippet bundle(String shop, Document document, String name, List<Line> lines, List<String> codes) {
        if (lines.size() > BasketLink.MOST_LINES) {
            throw new InvalidInput(
                    "basket",
                    Message.of("embedding.link-holds-lines-at-most", "mostlines", BasketLink.MOST_LINES),
                    Message.of("embedding.make-two-of"));
        }
        Optional<BigDecimal> price = goods(document, lines, clock.instant());
        String signed = new BasketLink(
                        Basket.of(lines, null).withCodes(codes),
                        List.of(),
                        price,
                        document.setup().shop().currency())
                .signed(shop, vault);
        String link = counter(shop) + "?take=" + signed;
        return new Snippet(
                link,
                "<a href=\"" + link + "\">" + escaped(name)
                        + price.map(amount -> ", " + money(amount, document)).orElse("") + "</a>",
                script(shop, name, Optional.of(signed)));
    }

    /** One product; a form where the buyer still chooses. Without anything to choose it is a link as well. */
    public Snippet form(String shop, Document document, Product product, List<String> codes) {
        List<BasketLink.Open> open = new ArrayList<>(
                List.of(product.kind() == Product.Kind.DONATION ? BasketLink.Open.AMOUNT : BasketLink.Open.QUANTITY));
        if (!product.options().isEmpty()) {
            open.add(BasketLink.Open.OPTIONS);
        }
        BigDecimal least = product.measure().map(measure -> measure.least()).orElse(BigDecimal.ONE);
        String signed = new BasketLink(
                        Basket.of(List.of(new Line(product.id(), least, Map.of())), null)
                                .withCodes(codes),
                        open,
                        Optional.empty(),
                        document.setup().shop().currency())
                .signed(shop, vault);
        StringBuilder html = new StringBuilder("<form action=\"")
                .append(counter(shop))
                .append("\" method=\"get\">\n  <input type=\"hidden\" name=\"take\" value=\"")
                .append(signed)
                .append("\">\n  <p>")
                .append(escaped(product.name()))
                .append("</p>\n");
        product.options().forEach(option -> {
            html.append("  <label>")
                    .append(escaped(option.name()))
                    .append(" <select name=\"")
                    .append(OPTION)
                    .append(option.id())
                    .append("\">\n");
            option.choices().forEach(choice -> html.append("    <option value=\"")
                    .append(choice.id())
                    .append("\">")
                    .append(escaped(choice.name()))
                    .append(price(document, product, option, choice))
                    .append("</option>\n"));
            html.append("  </select></label>\n");
        });
        if (open.contains(BasketLink.Open.AMOUNT)) {
            html.append("  <label>")
                    .append(document.setup().shop().currency())
                    .append(" <input name=\"amount\" inputmode=\"decimal\" size=\"6\" required></label>\n");
        }
        if (open.contains(BasketLink.Open.QUANTITY)) {
            html.append("  <label>")
                    .append(escaped(
                            product.measure().map(measure -> measure.unit()).orElse("Quantity")))
                    .append(" <input name=\"quantity\" inputmode=\"decimal\" size=\"4\" value=\"")
                    .append(least.toPlainString())
                    .append("\"></label>\n");
        }
        html.append("  <button>Order</button>\n</form>");
        return new Snippet(
                counter(shop) + "?take=" + signed, html.toString(), script(shop, product.name(), Optional.of(signed)));
    }

    /** What one costs with a choice, where that is the only one to make; else what the choice adds. */
    private String price(Document document, Product product, Product.Option option, Product.Choice choice) {
        if (product.options().size() == 1 && product.measure().isEmpty()) {
            Line one = new Line(product.id(), BigDecimal.ONE, Map.of(option.id(), choice.id()));
            return goods(document, List.of(one), clock.instant())
                    .map(price -> ", " + money(price, document))
                    .orElse("");
        }
        return choice.extra()
                .filter(adds -> adds.signum() != 0)
                .map(adds -> " (" + (adds.signum() > 0 ? "+" : "") + money(adds, document) + ")")
                .or(() -> choice.percent()
                        .filter(percent -> percent.signum() != 0)
                        .map(percent -> " (" + (percent.signum() > 0 ? "+" : "")
                                + percent.stripTrailingZeros().toPlainString() + " %)"))
                .orElse("");
    }

    /** What goods cost by a setup, in its own currency; nothing where a choice is still to be made. */
    static Optional<BigDecimal> goods(Document document, List<Line> lines, Instant at) {
        try {
            return Optional.of(document.quote(Order.of(
                            at, Basket.of(lines, document.setup().shop().home()), Map.of()))
                    .goods()
                    .value());
        } catch (InvalidInput e) {
            return Optional.empty();
        }
    }

    private String counter(String shop) {
        return ownUrl + "/counter/" + shop;
    }

    private static String money(BigDecimal amount, Document document) {
        NumberFormat format = NumberFormat.getCurrencyInstance(
                Locale.forLanguageTag(document.setup().shop().language()));
        format.setCurrency(Currency.getInstance(document.setup().shop().currency()));
        return escaped(format.format(amount));
    }

    private static String escaped(String text) {
        return HtmlUtils.htmlEscape(text, StandardCharsets.UTF_8.name());
    }
}

package vestcoin.app.setup;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.money.Exchange;
import vestcoin.core.place.TimeZones;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.setup.CurrencyChange;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;

/**
 * A shop that moves to another country or another currency: what would come of it, and the edits that make it so. A
 * seller is asked before, since every figure typed is in the old currency.
 *
 * @param country ISO 3166-1, empty to stay
 * @param currency ISO 4217, empty to stay
 * @param rate units of the new currency for one of the old; empty to keep the numbers
 * @param timeZone whether the time zone follows the country
 */
public record HomeChange(
        Optional<String> country, Optional<String> currency, Optional<BigDecimal> rate, boolean timeZone) {
    private static final MathContext RATE = new MathContext(6, RoundingMode.HALF_UP);
    private static final List<String> PARTS =
            List.of("goods", "discounts", "delivery", "tax", "payment", "rehearsal", "pickup");

    public HomeChange {
        country = named(country).map(typed -> CountryNames.countryOr("shop/address/country", typed));
        currency = named(currency).map(typed -> CountryNames.currencyOr("shop/currency", typed));
        rate = rate == null ? Optional.empty() : rate;
        if (rate.filter(each -> each.signum() <= 0).isPresent()) {
            throw new InvalidInput(
                    "rate",
                    Message.of("setup.rate-is-not-above-zero"),
                    Message.of("setup.write-how-much-of-new-currency"));
        }
    }

    private static Optional<String> named(Optional<String> typed) {
        return typed == null ? Optional.empty() : typed.filter(text -> !text.isBlank());
    }

    /** One price of the shop, as an example. */
    public record Example(String name, BigDecimal was, BigDecimal kept, Optional<BigDecimal> converted) {}

    /**
     * What is to be decided.
     *
     * @param country as understood
     * @param usual the currency usual there, where the country changes
     * @param timeZone of the new country, where it has one and it is another
     * @param rate of the day, where it is known
     * @param figures how many amounts the setup has
     */
    public record Preview(
            Optional<String> country,
            String currency,
            Optional<String> usual,
            Optional<String> timeZone,
            Optional<BigDecimal> rate,
            Optional<LocalDate> day,
            int figures,
            Optional<Example> example) {}

    Preview preview(Setup setup, Optional<Exchange> exchange, Instant at) {
        Shop shop = setup.shop();
        String to = currency.orElse(shop.currency());
        Optional<BigDecimal> known = rate.or(() -> exchange.flatMap(rates -> rate(rates, shop.currency(), to)));
        CurrencyChange.Changed kept = CurrencyChange.of(setup, to, Optional.empty());
        Optional<Setup> converted =
                known.map(of -> CurrencyChange.of(setup, to, Optional.of(of)).setup());
        Optional<Product> first = setup.goods().products().stream()
                .filter(product -> product.price().signum() > 0)
                .findFirst();
        return new Preview(
                country,
                to,
                country.map(FirstAnswers::currencyOf),
                country.flatMap(code -> zone(shop, code, at)),
                known,
                exchange.map(Exchange::day),
                kept.figures(),
                first.map(product -> new Example(
                        product.name(),
                        product.price(),
                        priceOf(kept.setup(), product.id()),
                        converted.map(other -> priceOf(other, product.id())))));
    }

    private static BigDecimal priceOf(Setup setup, String id) {
        return setup.goods().products().stream()
                .filter(product -> product.id().equals(id))
                .findFirst()
                .orElseThrow()
                .price();
    }

    private static Optional<String> zone(Shop shop, String country, Instant at) {
        ZoneId now = ZoneId.of(shop.timeZone());
        return Optional.of(TimeZones.of(country, at, now).getId()).filter(zone -> !zone.equals(shop.timeZone()));
    }

    /** Units of one currency for one of another, six figures, by the rates of a day against their base. */
    static Optional<BigDecimal> rate(Exchange rates, String from, String to) {
        return rates.of(from).flatMap(base -> rates.of(to).map(of -> of.divide(base, RATE)));
    }

    /** The edits that make it so, all one change. */
    List<Edit> edits(Document before, Instant at) {
        Setup setup = before.setup();
        Shop shop = setup.shop();
        Setup changed = currency.filter(to -> !to.equals(shop.currency()))
                .map(to -> CurrencyChange.of(setup, to, rate).setup())
                .orElse(setup);
        Document after = Document.of(changed);
        ObjectNode letterhead =
                (ObjectNode) Edits.at(after.tree(), "shop").orElseThrow().deepCopy();
        country.filter(to -> !to.equals(shop.address().country())).ifPresent(to -> {
            ObjectNode address = (ObjectNode) letterhead.path("address");
            address.put("country", to);
            // Region, postcode and point are of the old country.
            address.remove("region");
            address.put("postcode", "");
            letterhead.remove("point");
            zone(shop, to, at).filter(zone -> timeZone).ifPresent(zone -> letterhead.put("timeZone", zone));
        });
        List<Edit> edits = new ArrayList<>();
        edits.add(new Edit("shop", Edits.at(before.tree(), "shop"), Optional.of(letterhead)));
        PARTS.stream()
                .map(part -> new Edit(part, Edits.at(before.tree(), part), Edits.at(after.tree(), part)))
                .filter(edit -> !edit.changesNothing())
                .forEach(edits::add);
        return edits;
    }
}

package vestcoin.app.checkout;

import jakarta.servlet.http.HttpServletRequest;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.access.Buyers;
import vestcoin.app.access.CounterEntrance;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.message.ShortMessages;
import vestcoin.app.order.Orders;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Policies;
import vestcoin.app.setup.Wording;
import vestcoin.core.basket.Basket;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Product;
import vestcoin.core.money.AcceptedCurrency;
import vestcoin.core.money.Exchange;
import vestcoin.core.place.Countries;
import vestcoin.core.quote.Pricing;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Asking;
import vestcoin.core.terms.ShortMessage;

/** The counter of a shop, and what a basket costs there. Nothing here needs a sign-in. */
@RestController
class CounterController {
    /**
     * @param language of all that is read, one of the languages
     * @param prices of products by id, in the currency asked for: a bundle's the sum of its parts, of an amount the
     *     buyer chooses the least
     * @param reduced of those, what is lower for some days
     * @param left how many there are of what is counted, by product, or product and variation
     * @param regions of countries whose addresses name one, by code and name
     * @param asking what is asked besides name and address
     * @param begun choices whose day has come, each as product/option/choice
     * @param told what is told to the telephone number by a short message
     * @param closed whether only those who run the shop can see this
     * @param ownShop whether who looks runs it
     * @param buyerGroup name of the group of buyers who looks belongs to, whose prices these are
     * @param phrases the shop's own wording of what the counter says, by code
     * @param orderButton what stands on the button that places an order; empty for the page's own words
     */
    record Counter(
            String shop,
            String name,
            String currency,
            String language,
            boolean withTax,
            List<ProductOnCounter> products,
            Set<String> countries,
            String home,
            List<String> languages,
            List<String> currencies,
            Map<String, BigDecimal> prices,
            Map<String, Reductions.Reduction> reduced,
            Map<String, BigDecimal> left,
            List<Policies.PolicyText> texts,
            String orderButton,
            Map<String, Map<String, String>> regions,
            Set<String> everywhere,
            boolean closed,
            boolean ownShop,
            Asking asking,
            List<ShortMessage> told,
            Set<String> begun,
            List<String> toParcelShops,
            Optional<String> buyerGroup,
            Map<String, String> phrases) {}

    /** Countries whose addresses name a region that tax or delivery goes by; common practice, no source. */
    private static final List<String> WITH_REGION = List.of("AU", "CA", "US");

    /** @param forBuyer the e-mail address of whom somebody of the shop orders for */
    record QuoteRequest(Basket basket, BuyerDetails buyer, Optional<String> forBuyer) {
        QuoteRequest {
            forBuyer = forBuyer == null ? Optional.empty() : forBuyer.filter(MailAddress::isOne);
            basket = basket == null ? Basket.EMPTY : basket;
            buyer = buyer == null ? BuyerDetails.NONE : buyer;
        }
    }

    private final CounterEntrance entrance;
    private final Editions editions;
    private final PricingContexts circumstances;
    private final BasketOrders baskets;
    private final PlacedOrders placed;
    private final CodeGuessing guessing;
    private final Reductions reductions;
    private final ShortMessages texts;
    private final Clock clock;

    CounterController(
            CounterEntrance entrance,
            Editions editions,
            PricingContexts circumstances,
            BasketOrders baskets,
            PlacedOrders placed,
            CodeGuessing guessing,
            Reductions reductions,
            ShortMessages texts,
            Clock clock) {
        this.entrance = entrance;
        this.editions = editions;
        this.circumstances = circumstances;
        this.baskets = baskets;
        this.placed = placed;
        this.guessing = guessing;
        this.reductions = reductions;
        this.texts = texts;
        this.clock = clock;
    }

    /**
     * @param language tag of one, or of one near to it
     * @param currency one the shop takes
     * @param forBuyer the e-mail address of whom somebody of the shop orders for
     */
    @GetMapping("/api/counter/{shop}")
    Counter counter(
            @PathVariable String shop,
            @RequestParam Optional<String> language,
            @RequestParam Optional<String> currency,
            @RequestParam Optional<String> forBuyer,
            @CookieValue(name = Buyers.COOKIE, required = false) String session) {
        Editions.Edition edition = entrance.into(shop);
        Optional<String> known = baskets.known(shop, session, forBuyer.filter(MailAddress::isOne));
        return counter(
                edition,
                editions.spoken(edition, BuyerDetails.language(language)),
                currency,
                baskets.group(edition, known));
    }

    /** The counter around an order: by the order's edition and in its language, and while the shop is closed too. */
    @GetMapping("/api/counter/orders/{token}/counter")
    Counter around(@PathVariable String token) {
        Orders.Order order = placed.find(token);
        Editions.Edition edition = editions.of(order.shop(), order.by());
        return counter(
                edition, editions.spoken(edition, order.language()), Optional.of(order.currency()), Optional.empty());
    }

    private Counter counter(
            Editions.Edition edition, Document document, Optional<String> currency, Optional<Goods.BuyerGroup> group) {
        Setup setup = document.setup();
        Set<String> countries = new TreeSet<>();
        for (String country : Countries.all()) {
            if (setup.shop().sellsTo().stream().anyMatch(place -> place.reaches(country))) {
                countries.add(country);
            }
        }
        List<String> currencies = Stream.concat(
                        Stream.of(setup.shop().currency()),
                        setup.shop().currencies().stream().map(AcceptedCurrency::code))
                .toList();
        String wanted =
                currency.filter(currencies::contains).orElse(setup.shop().currency());
        Optional<Exchange> rates = circumstances.rates();
        String taken = wanted.equals(setup.shop().currency()) || rates.isPresent()
                ? wanted
                : setup.shop().currency();
        Optional<String> of = group.map(Goods.BuyerGroup::id);
        Map<String, BigDecimal> prices = Pricing.shelf(document.compiled(), of, taken, rates);
        Map<String, Reductions.Reduction> reduced = reductions.of(edition, document, of, taken, rates);
        // What a group pays anyway is no reduction.
        reduced.entrySet().removeIf(each -> each.getValue().now().compareTo(prices.get(each.getKey())) >= 0);
        return new Counter(
                edition.shop(),
                setup.shop().name(),
                taken,
                setup.shop().language(),
                setup.tax().prices() == Tax.Prices.WITH_TAX,
                setup.goods().products().stream()
                        .filter(product -> product.soldTo(of))
                        .map(ProductOnCounter::of)
                        .toList(),
                countries,
                setup.shop().address().country(),
                Stream.concat(
                                Stream.of(edition.document().setup().shop().language()),
                                setup.shop().languages().stream())
                        .distinct()
                        .toList(),
                currencies,
                prices,
                reduced,
                circumstances.left(edition.shop()),
                Policies.texts(setup),
                Policies.said(setup.terms().orderButton(), setup.shop().language())
                        .orElse(""),
                regions(countries),
                Countries.all(),
                entrance.closed(edition.shop()),
                entrance.whoRuns(edition.shop()).isPresent(),
                setup.terms().asking(),
                texts.told(edition.shop(), setup),
                begun(document),
                setup.delivery().options().stream()
                        .filter(Delivery.Option::parcelShop)
                        .map(Delivery.Option::id)
                        .toList(),
                setup.goods().buyerGroups().stream()
                        .filter(each -> of.filter(each.id()::equals).isPresent())
                        .map(Goods.BuyerGroup::name)
                        .findFirst(),
                phrases(setup));
    }

    private Set<String> begun(Document document) {
        Set<String> begun = new TreeSet<>();
        for (Product product : document.setup().goods().products()) {
            for (Product.Option option : product.options()) {
                option.choices().stream()
                        .filter(choice -> choice.when()
                                .filter(when -> when.begun(
                                        clock.instant(), document.compiled().zone()))
                                .isPresent())
                        .forEach(choice -> begun.add(product.id() + "/" + option.id() + "/" + choice.id()));
            }
        }
        return begun;
    }

    private static Map<String, String> phrases(Setup setup) {
        Map<String, String> own = new TreeMap<>();
        Wording.of(setup, setup.shop().language()).own().forEach((code, text) -> {
            if (code.startsWith("counter.")) {
                own.put(code, text);
            }
        });
        return own;
    }

    private static Map<String, Map<String, String>> regions(Set<String> countries) {
        Map<String, Map<String, String>> regions = new TreeMap<>();
        WITH_REGION.stream()
                .filter(countries::contains)
                .forEach(country -> regions.put(country, Countries.divisions(country)));
        return regions;
    }

    @PostMapping("/api/counter/{shop}/quote")
    BuyerQuote quote(
            @PathVariable String shop,
            @RequestBody QuoteRequest wanted,
            @CookieValue(name = Buyers.COOKIE, required = false) String session,
            HttpServletRequest request) {
        Editions.Edition edition = entrance.into(shop);
        Optional<String> known = baskets.known(shop, session, wanted.forBuyer());
        Document document = Spoken.in(editions.spoken(edition, wanted.buyer().spoken()));
        Basket tried = guessing.without(wanted.basket(), request.getRemoteAddr());
        BuyerQuote quote = BuyerQuote.of(
                document.quote(baskets.order(edition, tried, wanted.buyer(), new BasketOrders.Asker("", known))),
                wanted.basket().codes(),
                baskets.buyer(wanted.buyer()).trouble());
        LocalDate today =
                LocalDate.ofInstant(clock.instant(), document.compiled().zone());
        return guessing.counted(shop, quote, tried, today, request.getRemoteAddr());
    }
}

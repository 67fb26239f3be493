package vestcoin.app.checkout;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Collections;
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
import vestcoin.app.format.OrderFile;
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
import vestcoin.core.goods.Line;
import vestcoin.core.money.AcceptedCurrency;
import vestcoin.core.money.Exchange;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Asking;
import vestcoin.core.terms.AskingBuilder;
import vestcoin.core.terms.ShortMessage;

/** The counter of a shop, and what a basket costs there. Nothing here needs a sign-in. */
@RestController
class CounterController {
    /**
     * @param language of all that is read, one of the languages
     * @param goods the first of them, and those in the basket
     * @param headings what the goods are listed under; empty where they are listed in one
     * @param regions of countries whose addresses name one, by code and name
     * @param asking what is asked besides name and address
     * @param told what is told to the telephone number by a short message
     * @param closed whether only those who run the shop can see this
     * @param ownShop whether who looks runs it
     * @param buyerGroup name of the group of buyers who looks belongs to, whose prices these are
     * @param phrases the shop's own wording of what the counter says, by code
     * @param assumed where baskets go until somebody says where; empty while nothing is assumed
     * @param sites other sites that lead here, and that it leads back to
     * @param orderButton what stands on the button that places an order; empty for the page's own words
     */
    record Counter(
            String shop,
            String name,
            String currency,
            String language,
            boolean withTax,
            GoodsOnCounter.Page goods,
            List<GoodsOnCounter.Heading> headings,
            Set<String> countries,
            String home,
            List<String> languages,
            List<String> currencies,
            List<Policies.PolicyText> texts,
            String orderButton,
            Map<String, Map<String, String>> regions,
            Set<String> everywhere,
            boolean closed,
            boolean ownShop,
            Asking asking,
            List<ShortMessage> told,
            List<String> toParcelShops,
            Optional<String> buyerGroup,
            Map<String, String> phrases,
            Optional<Destination> assumed,
            List<String> sites) {}

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
    private final GoodsOnCounter goods;
    private final ShortMessages texts;
    private final Clock clock;

    CounterController(
            CounterEntrance entrance,
            Editions editions,
            PricingContexts circumstances,
            BasketOrders baskets,
            PlacedOrders placed,
            CodeGuessing guessing,
            GoodsOnCounter goods,
            ShortMessages texts,
            Clock clock) {
        this.entrance = entrance;
        this.editions = editions;
        this.circumstances = circumstances;
        this.baskets = baskets;
        this.placed = placed;
        this.guessing = guessing;
        this.goods = goods;
        this.texts = texts;
        this.clock = clock;
    }

    /**
     * @param language tag of one, or of one near to it
     * @param currency one the shop takes
     * @param forBuyer the e-mail address of whom somebody of the shop orders for
     * @param with ids of goods in the basket
     * @param timeZone of the buyer's browser
     */
    @GetMapping("/api/counter/{shop}")
    Counter counter(
            @PathVariable String shop,
            @RequestParam Optional<String> language,
            @RequestParam Optional<String> currency,
            @RequestParam Optional<String> forBuyer,
            @RequestParam(required = false) List<String> with,
            @RequestParam Optional<String> timeZone,
            @CookieValue(name = Buyers.COOKIE, required = false) String session,
            HttpServletRequest request) {
        Editions.Edition edition = entrance.into(shop);
        return counter(
                edition,
                editions.spoken(edition, BuyerDetails.language(language)),
                currency,
                group(edition, forBuyer, session),
                GoodsOnCounter.ListQuery.of(Optional.empty(), Optional.empty(), Optional.empty(), with),
                AssumedPlace.of(edition.document().compiled(), timeZone, Collections.list(request.getLocales())));
    }

    private Optional<Goods.BuyerGroup> group(Editions.Edition edition, Optional<String> forBuyer, String session) {
        return baskets.group(edition, baskets.known(edition.shop(), session, forBuyer.filter(MailAddress::isOne)));
    }

    /**
     * Goods further down the list, or those that are looked for.
     *
     * @param find words that all have to be in name or sentence
     * @param heading id of a group; {@link GoodsOnCounter#NO_GROUP} for what is in none
     * @param from how many come before
     */
    @GetMapping("/api/counter/{shop}/goods")
    GoodsOnCounter.Page goods(
            @PathVariable String shop,
            @RequestParam Optional<String> find,
            @RequestParam Optional<String> heading,
            @RequestParam Optional<Integer> from,
            @RequestParam Optional<String> language,
            @RequestParam Optional<String> currency,
            @RequestParam Optional<String> forBuyer,
            @CookieValue(name = Buyers.COOKIE, required = false) String session) {
        Editions.Edition edition = entrance.into(shop);
        Document document = editions.spoken(edition, BuyerDetails.language(language));
        return goods.page(
                edition,
                document,
                reader(document.setup(), currency, group(edition, forBuyer, session)),
                GoodsOnCounter.ListQuery.of(find, heading, from, List.of()));
    }

    /** The counter around an order: by the order's edition and in its language, and while the shop is closed too. */
    @GetMapping("/api/counter/orders/{token}/counter")
    Counter around(@PathVariable String token) {
        Orders.Order order = placed.find(token);
        Editions.Edition edition = editions.of(order.shop(), order.by());
        return counter(
                edition,
                editions.spoken(edition, order.language()),
                Optional.of(order.currency()),
                Optional.empty(),
                GoodsOnCounter.ListQuery.of(
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        OrderFile.parse(order.document()).lines().stream()
                                .map(Line::product)
                                .distinct()
                                .toList()),
                Optional.empty());
    }

    private GoodsOnCounter.Reader reader(Setup setup, Optional<String> currency, Optional<Goods.BuyerGroup> group) {
        String own = setup.shop().currency();
        String wanted = currency.filter(currencies(setup)::contains).orElse(own);
        Optional<Exchange> rates = circumstances.rates();
        return new GoodsOnCounter.Reader(
                group.map(Goods.BuyerGroup::id), wanted.equals(own) || rates.isPresent() ? wanted : own, rates);
    }

    private static List<String> currencies(Setup setup) {
        return Stream.concat(
                        Stream.of(setup.shop().currency()),
                        setup.shop().currencies().stream().map(AcceptedCurrency::code))
                .toList();
    }

    private Counter counter(
            Editions.Edition edition,
            Document document,
            Optional<String> currency,
            Optional<Goods.BuyerGroup> group,
            GoodsOnCounter.ListQuery wanted,
            Optional<Destination> assumed) {
        Setup setup = document.setup();
        Set<String> countries = new TreeSet<>();
        for (String country : Countries.all()) {
            if (setup.shop().sellsTo().stream().anyMatch(place -> place.reaches(country))) {
                countries.add(country);
            }
        }
        GoodsOnCounter.Reader reader = reader(setup, currency, group);
        return new Counter(
                edition.shop(),
                setup.shop().name(),
                reader.currency(),
                setup.shop().language(),
                setup.tax().prices() == Tax.Prices.WITH_TAX,
                goods.page(
                        edition,
                        document,
                        reader,
                        wanted.and(setup.terms().asking().offered())),
                goods.headings(document, reader.group()),
                countries,
                setup.shop().address().country(),
                Stream.concat(
                                Stream.of(edition.document().setup().shop().language()),
                                setup.shop().languages().stream())
                        .distinct()
                        .toList(),
                currencies(setup),
                Policies.texts(setup),
                Policies.said(setup.terms().orderButton(), setup.shop().language())
                        .orElse(""),
                regions(countries),
                Countries.all(),
                entrance.closed(edition.shop()),
                entrance.whoRuns(edition.shop()).isPresent(),
                // What a reminder gives is told by the reminder.
                AskingBuilder.builder(setup.terms().asking())
                        .remindWith(Optional.empty())
                        .build(),
                texts.told(edition.shop(), setup),
                setup.delivery().options().stream()
                        .filter(Delivery.Option::parcelShop)
                        .map(Delivery.Option::id)
                        .toList(),
                setup.goods().buyerGroups().stream()
                        .filter(each -> reader.group().filter(each.id()::equals).isPresent())
                        .map(Goods.BuyerGroup::name)
                        .findFirst(),
                phrases(setup),
                assumed,
                setup.shop().sites());
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
        AssumedPlace.WITH_REGION.stream()
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
        Order order = baskets.order(edition, tried, wanted.buyer(), new BasketOrders.Asker("", known));
        BuyerQuote quote = BuyerQuote.of(
                document.quote(order),
                order.unplaced(),
                wanted.basket().codes(),
                baskets.buyer(wanted.buyer()).trouble());
        LocalDate today =
                LocalDate.ofInstant(clock.instant(), document.compiled().zone());
        return guessing.counted(shop, quote, tried, today, request.getRemoteAddr());
    }
}

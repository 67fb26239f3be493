package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Placing;
import vestcoin.app.order.Wishes;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.service.ParcelShop;
import vestcoin.app.service.ParcelShops;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Policies;
import vestcoin.core.basket.Basket;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.problem.Problems;
import vestcoin.core.quote.Order;
import vestcoin.core.terms.Asking;
import vestcoin.core.terms.SupplyAtOnce;

/** Takes what a buyer orders: nothing is placed but what the buyer was shown and agreed to. */
@Service
public class OrderTaking {
    /**
     * @param expected what the buyer was shown; another total is shown before anything is placed
     * @param key made once by the page
     * @param agreed kinds of texts agreed to, each with the hash of what was shown
     * @param forBuyer whether somebody of the shop takes it for the buyer, by telephone or at a stall
     */
    public record OrderRequest(
            String key,
            Basket basket,
            BuyerDetails buyer,
            Placing.Contact contact,
            BigDecimal expected,
            Map<String, String> agreed,
            Optional<Boolean> forBuyer,
            Optional<UUID> visit) {
        public OrderRequest {
            visit = visit == null ? Optional.empty() : visit;
            forBuyer = forBuyer == null ? Optional.empty() : forBuyer;
            buyer = buyer == null ? BuyerDetails.NONE : buyer;
            agreed = agreed == null ? Map.of() : Map.copyOf(agreed);
        }
    }

    private final Editions editions;
    private final BasketOrders baskets;
    private final Placing placing;
    private final ParcelShops parcelShops;

    OrderTaking(Editions editions, BasketOrders baskets, Placing placing, ParcelShops parcelShops) {
        this.editions = editions;
        this.baskets = baskets;
        this.placing = placing;
        this.parcelShops = parcelShops;
    }

    /**
     * Places what is asked for, once for its key.
     *
     * @param taker who of the shop takes it for its buyer
     * @param quiet whether its letters wait for the money
     * @throws ApiProblem with what holds now, where that is not what the buyer was shown
     * @throws InvalidInput if something asked of every buyer is missing
     */
    public Orders.Order take(
            Editions.Edition edition,
            OrderRequest wanted,
            BasketOrders.Asker who,
            Optional<String> taker,
            boolean quiet) {
        Document document = editions.spoken(edition, wanted.buyer().spoken());
        if (who.known().isEmpty() && edition.document().setup().terms().asking().signIn()) {
            throw new ApiProblem(
                    HttpStatus.UNAUTHORIZED,
                    "contact/email",
                    Message.of("checkout.this-shop-takes-orders-from-buyers-who"),
                    Message.of("checkout.ask-for-link-under-my-orders-basket"));
        }
        if (wanted.basket().to().map(Destination::country).isEmpty()) {
            throw new InvalidInput(
                    "basket/to",
                    Message.of("checkout.basket-has-no-place-to-go-to"),
                    Message.of("checkout.add-at-least-country"));
        }
        Order order = baskets.order(edition, wanted.basket(), wanted.buyer(), who);
        QuoteView quote = document.quote(order);
        if (quote.delivery().stream()
                        .anyMatch(option -> option.chosen()
                                && !quote.slots()
                                        .getOrDefault(option.id(), List.of())
                                        .isEmpty())
                && order.slot().isEmpty()) {
            throw instead(
                    "basket/slot",
                    Message.of("checkout.no-time-chosen"),
                    Message.of("checkout.choose-when-you-collect"),
                    quote,
                    wanted);
        }
        if (!quote.missing().isEmpty()) {
            throw instead(
                    "basket",
                    quote.missing().get(0),
                    Message.of("checkout.change-basket-place-or-choice"),
                    quote,
                    wanted);
        }
        if (quote.toPay().value().compareTo(wanted.expected()) != 0) {
            throw repriced(wanted, quote);
        }
        if (quote.needsDelivery()) {
            addressed(
                    wanted.contact(),
                    edition.document().setup().terms().asking(),
                    ways(quote),
                    wanted.basket().to().map(Destination::country).orElse(""));
        }
        Placing.Contact contact = toParcelShop(edition, wanted, quote);
        vouchersFor(wanted.contact().wishes(), document, quote, order.at());
        Problems cash = new Problems();
        wanted.contact().wishes().checkCash(quote.toPay().value(), "contact/wishes", cash);
        cash.refuseIfAny();
        agreed(Policies.texts(document.setup()), wanted, quote);
        agreedAgain(wanted, quote);
        agreedAtOnce(wanted, quote);
        return placing.place(
                edition,
                wanted.key(),
                order,
                edition.document().quote(order),
                contact,
                new Placing.Agreed(document.setup().shop().language(), wanted.agreed(), taker),
                quiet);
    }

    /** What the page of a basket has its buyer agree to: kinds and hashes of what it shows. */
    public static Map<String, String> toAgree(Document document, QuoteView quote) {
        Map<String, String> agreed = new TreeMap<>(Policies.toAgree(document.setup()));
        quote.renewing()
                .forEach(renewal -> agreed.put(
                        BuyerQuote.RecurringCharge.of(renewal).kind(),
                        BuyerQuote.RecurringCharge.of(renewal).hash()));
        BuyerQuote.AtOnce.of(quote).ifPresent(atOnce -> agreed.put(SupplyAtOnce.KIND, atOnce.hash()));
        document.setup().terms().asking().leastAge().ifPresent(age -> agreed.put(Asking.AGE, String.valueOf(age)));
        return agreed;
    }

    /** @throws ApiProblem if a text is not agreed to, or was changed since the page showed it */
    private static void agreed(List<Policies.PolicyText> texts, OrderRequest wanted, QuoteView quote) {
        for (Policies.PolicyText text : texts) {
            String shown = wanted.agreed().get(text.kind());
            if (text.agreed() && shown == null) {
                throw instead(
                        "agreed/" + text.kind(),
                        Message.of("checkout.terms-of-shop-not-agreed-to"),
                        Message.of("checkout.read-them-and-tick-box"),
                        quote,
                        wanted);
            }
            if (shown != null && !shown.equals(text.hash())) {
                throw instead(
                        "agreed/" + text.kind(),
                        Message.of("checkout.shop-has-changed-text-since-page-showed"),
                        Message.of("checkout.read-again-and-tick-box-again"),
                        quote,
                        wanted);
            }
        }
    }

    /**
     * Who it goes to; at the parcel shop the buyer picked where the way chosen goes to one, as the carrier knows it.
     *
     * @throws ApiProblem if none was picked, or the carrier knows it no more
     */
    private Placing.Contact toParcelShop(Editions.Edition edition, OrderRequest wanted, QuoteView quote) {
        Placing.Contact contact = wanted.contact();
        List<String> ways = ways(quote);
        if (edition.document().setup().delivery().options().stream()
                .noneMatch(option -> option.parcelShop() && ways.contains(option.id()))) {
            return contact;
        }
        ParcelShop at = wanted.basket()
                .to()
                .flatMap(to -> parcelShops.find(
                        edition.shop(),
                        to.country(),
                        to.postcode().orElse(""),
                        contact.wishes().parcelShop()))
                .orElseThrow(() -> instead(
                        "contact/wishes/parcelShop",
                        Message.of("checkout.no-parcel-shop-picked"),
                        Message.of("checkout.pick-one-or-another-way"),
                        quote,
                        wanted));
        Problems problems = new Problems();
        problems.when(
                contact.wishes().invoice().isEmpty(),
                "contact/wishes/invoice",
                Message.of("order.invoice-has-no-street"),
                Message.of("order.type-own-address"));
        problems.refuseIfAny();
        return new Placing.Contact(
                contact.name(),
                contact.email(),
                Stream.concat(Stream.of(at.name()), at.lines().stream()).toList(),
                at.city(),
                contact.wishes());
    }

    /** The ways an order is delivered by: one for all of it, or one of each consignment. */
    public static List<String> ways(QuoteView quote) {
        return Stream.concat(
                        quote.delivery().stream(),
                        quote.consignments().stream().flatMap(sent -> sent.delivery().stream()))
                .filter(QuoteView.Option::chosen)
                .map(QuoteView.Option::id)
                .distinct()
                .toList();
    }

    /** @throws InvalidInput if something is to be sent, and the address lacks a street, a town or a number asked for */
    private static void addressed(Placing.Contact contact, Asking asking, List<String> ways, String country) {
        Problems problems = new Problems();
        problems.when(
                contact.lines().isEmpty()
                        || contact.lines().get(0).isBlank()
                        || String.join("", contact.lines()).length() > 500,
                "contact/lines",
                Message.of("checkout.street-missing"),
                Message.of("checkout.type-street-and-number"));
        problems.when(
                contact.city() == null
                        || contact.city().isBlank()
                        || contact.city().length() > 200,
                "contact/city",
                Message.of("checkout.town-missing"),
                Message.of("checkout.type-town"));
        contact.wishes().checkDelivered(asking, ways, country, "contact/wishes", problems);
        problems.refuseIfAny();
    }

    /** @throws InvalidInput if what is for somebody is no voucher, or is to be sent on a day that cannot be */
    private static void vouchersFor(Wishes wishes, Document document, QuoteView quote, Instant now) {
        Problems problems = new Problems();
        LocalDate today = LocalDate.ofInstant(now, document.compiled().zone());
        for (int i = 0; i < wishes.vouchers().size(); i++) {
            Wishes.VoucherFor each = wishes.vouchers().get(i);
            String path = "contact/wishes/vouchers/" + i;
            problems.when(
                    each.line() < 0
                            || each.line() >= quote.lines().size()
                            || document.compiled()
                                    .shelf()
                                    .find(quote.lines().get(each.line()).product())
                                    .filter(product -> product.kind() == Product.Kind.VOUCHER)
                                    .isEmpty(),
                    path + "/line",
                    Message.of("checkout.no-voucher-for-whom"),
                    Message.of("checkout.load-page-again"));
            each.on()
                    .ifPresent(on -> problems.when(
                            on.isBefore(today) || on.isAfter(today.plusYears(1)),
                            path + "/on",
                            Message.of("checkout.voucher-cannot-be-sent-on", "day", on),
                            Message.of("checkout.choose-day-from-today-within-a-year")));
        }
        problems.refuseIfAny();
    }

    /** @throws ApiProblem if what is charged again was not agreed to, or comes to something else by now */
    private static void agreedAgain(OrderRequest wanted, QuoteView quote) {
        for (QuoteView.Renewal renewal : quote.renewing()) {
            BuyerQuote.RecurringCharge renewing = BuyerQuote.RecurringCharge.of(renewal);
            if (!renewing.hash().equals(wanted.agreed().get(renewing.kind()))) {
                throw instead(
                        "agreed/" + renewing.kind(),
                        Message.of("checkout.what-is-charged-again-not-agreed-to", "product", renewing.name()),
                        Message.of("checkout.read-what-is-charged-each-time-and-order-again"),
                        quote,
                        wanted);
            }
        }
    }

    /** @throws ApiProblem if what was agreed to is another text than the one shown now */
    private static void agreedAtOnce(OrderRequest wanted, QuoteView quote) {
        String hash = wanted.agreed().get(SupplyAtOnce.KIND);
        if (hash != null
                && BuyerQuote.AtOnce.of(quote)
                        .filter(atOnce -> atOnce.hash().equals(hash))
                        .isEmpty()) {
            throw instead(
                    "agreed/" + SupplyAtOnce.KIND,
                    Message.of("checkout.shop-has-changed-text-since-page-showed"),
                    Message.of("checkout.read-again-and-tick-box-again"),
                    quote,
                    wanted);
        }
    }

    /** The total is another one than the buyer was shown; a code that takes nothing off any more is named as well. */
    private static ApiProblem repriced(OrderRequest wanted, QuoteView quote) {
        BuyerQuote now = BuyerQuote.of(quote, false, wanted.basket().codes(), Optional.empty());
        List<Problem> problems = new ArrayList<>(List.of(new Problem(
                "expected",
                Message.of(
                        "checkout.total-has-changed-from-to-since-page",
                        "expected",
                        wanted.expected(),
                        "toPay",
                        now.toPay(),
                        "currency",
                        now.currency()),
                Message.of("checkout.look-at-new-total-and-order-again"))));
        now.refusedCodes()
                .forEach(code -> problems.add(new Problem(
                        "basket/codes",
                        Message.of("checkout.takes-nothing-off", "code", code.code(), "reason", code.reason()),
                        Message.of("checkout.take-off-or-use-another"))));
        return new ApiProblem(HttpStatus.CONFLICT, problems, Map.of("quote", now));
    }

    /** Nothing is placed; the buyer is shown what holds now. */
    private static ApiProblem instead(
            String path, Message sentence, Message remedy, QuoteView quote, OrderRequest wanted) {
        return new ApiProblem(
                HttpStatus.CONFLICT,
                List.of(new Problem(path, sentence, remedy)),
                Map.of("quote", BuyerQuote.of(quote, false, wanted.basket().codes(), Optional.empty())));
    }

    /** What is asked for whatever is ordered. */
    static void check(OrderRequest placing, Asking asking) {
        Problems problems = new Problems();
        problems.when(
                placing.key() == null || !placing.key().matches("[0-9A-Za-z-]{8,60}"),
                "key",
                Message.of("checkout.order-has-no-key-of-own"),
                Message.of("checkout.load-page-again"));
        problems.when(
                placing.expected() == null,
                "expected",
                Message.of("checkout.order-does-not-say-total-was-shown"),
                Message.of("checkout.load-page-again"));
        problems.when(
                placing.basket() == null,
                "basket",
                Message.of("checkout.basket-missing"),
                Message.of("checkout.put-something-in"));
        Placing.Contact contact = placing.contact();
        if (!problems.when(
                contact == null,
                "contact",
                Message.of("checkout.name-and-address-missing"),
                Message.of("checkout.fill-them-in"))) {
            problems.when(
                    contact.name() == null
                            || contact.name().isBlank()
                            || contact.name().length() > 200,
                    "contact/name",
                    Message.of("checkout.name-missing"),
                    Message.of("checkout.type-who-order-for"));
            problems.when(
                    !MailAddress.isOne(contact.email()),
                    "contact/email",
                    Message.of("checkout.e-mail-address-cannot-right"),
                    Message.of("checkout.write-name-example-com-receipt-goes-there"));
            contact.wishes().check(asking, "contact/wishes", problems);
        }
        asking.leastAge()
                .ifPresent(age -> problems.when(
                        !String.valueOf(age).equals(placing.agreed().get(Asking.AGE)),
                        "agreed/age",
                        Message.of("checkout.not-confirmed-that-you-or-older", "age", age),
                        Message.of("checkout.tick-box-if-you")));
        problems.refuseIfAny();
    }
}

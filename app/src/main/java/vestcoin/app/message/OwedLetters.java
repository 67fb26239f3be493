package vestcoin.app.message;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import vestcoin.app.download.Downloads;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Dispatching;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.delivery.Promise;
import vestcoin.core.life.NextStep;
import vestcoin.core.life.PaymentStanding;
import vestcoin.core.life.PaymentState;
import vestcoin.core.message.Amount;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.terms.SellerNotice.Event;
import vestcoin.core.terms.SupplyAtOnce;

/** Which letters are owed of an order by how it stands, and writing down those that are not there yet. */
@Component
class OwedLetters {
    private final LetterBook letters;
    private final Orders orders;
    private final PaymentBook book;
    private final Editions editions;
    private final OrderSupply supply;
    private final SellerLetters sellers;
    private final ShortMessages texts;
    private final String ownUrl;

    OwedLetters(
            LetterBook letters,
            Orders orders,
            PaymentBook book,
            Editions editions,
            OrderSupply supply,
            SellerLetters sellers,
            ShortMessages texts,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.letters = letters;
        this.orders = orders;
        this.book = book;
        this.editions = editions;
        this.supply = supply;
        this.sellers = sellers;
        this.texts = texts;
        this.ownUrl = ownUrl;
    }

    /** Writes down what is owed of an order and is not there yet, in the order in which it happens. */
    void keepUp(Orders.Order order) {
        List<PaymentBook.Payment> payments = book.ofOrder(order.id()).stream()
                .filter(payment -> payment.stateNow().alive())
                .toList();
        boolean begun = order.due() == 0 || payments.stream().anyMatch(payment -> !payment.byVoucher());
        boolean stands = begun
                && (order.payable() == 0 || !payments.isEmpty())
                && payments.stream()
                        .allMatch(payment ->
                                !payment.throughProvider() || !open(payment) && !book.aboutToBeTaken(payment));
        if (!stands && !order.cancelled()) {
            return;
        }
        Document document = editions.spoken(order.shop(), order.by(), order.language());
        Setup setup = document.setup();
        LetterTexts words = LetterTexts.in(setup, order.language());
        QuoteView quote = document.quote(OrderFile.parse(order.document()));
        LetterTexts.Besides besides = besides(order, document, quote);
        if (stands && !quiet(order)) {
            owe(
                    order,
                    setup.shop(),
                    order.subscription() == null ? "receipt" : "renewal",
                    "",
                    order.email(),
                    placed(
                            order,
                            setup,
                            words.told(
                                    order.subscription() == null ? "receipt" : "renewal",
                                    order,
                                    quote,
                                    besides,
                                    link(order))));
        }
        files(order, document, words);
        Setup own = editions.of(order.shop(), order.by()).document().setup();
        if (stands) {
            sellers.owe(
                    order,
                    own,
                    Event.PLACED,
                    "copy",
                    "",
                    LetterTexts.in(own, "")
                            .told("copy", order, KeptQuotes.read(order.quote()), besides, sellers.link(order)));
            if (next(order, own, besides) == NextStep.SEND) {
                sellers.toSend(order, own, quote);
            }
        }
        sellers.disputed(order, payments, own);
        waited(order, payments, setup, words, besides);
        sent(order, document, words, besides);
        if (order.readyAt() != null && !order.cancelled()) {
            owe(
                    order,
                    setup.shop(),
                    "ready",
                    "",
                    order.email(),
                    words.told("ready", order, BigDecimal.ZERO, besides, link(order)));
        }
        calledOff(order, setup, words, besides);
        supply.surpluses(order).stream()
                .filter(surplus -> surplus.returnedAt() != null)
                .forEach(surplus -> owe(
                        order,
                        setup.shop(),
                        "refund",
                        "surplus." + surplus.id(),
                        order.email(),
                        words.told("refund", order, amount(surplus.amount(), order), besides.without(), link(order))));
        orders.takenOff(order.id()).stream()
                .filter(taken -> taken.back() > 0)
                .forEach(taken -> owe(
                        order,
                        setup.shop(),
                        "refund",
                        "voucher." + taken.code() + "." + taken.back(),
                        order.email(),
                        words.told(
                                "refund",
                                order,
                                amount(taken.back(), order),
                                besides.only(LetterSentences.in(setup, order.language())
                                        .onVoucher(taken.code())),
                                link(order))));
        long refunded =
                payments.stream().mapToLong(PaymentBook.Payment::refunded).sum();
        if (refunded > 0) {
            owe(
                    order,
                    setup.shop(),
                    "refund",
                    String.valueOf(refunded),
                    order.email(),
                    words.told("refund", order, amount(refunded, order), besides.without(), link(order)));
        }
    }

    private static LetterBook.LetterContent placed(Orders.Order order, Setup setup, LetterBook.LetterContent said) {
        return order.subscription() == null ? LetterAnnexes.with(said, order, setup) : said;
    }

    /** What is to be done next with an order of which nothing has left. */
    private NextStep next(Orders.Order order, Setup own, LetterTexts.Besides besides) {
        boolean later = own.payment().methods().stream()
                .filter(method -> method.id().equals(order.method()))
                .anyMatch(method -> method.kind().paidAfterwards());
        return order.nothingHasLeft()
                ? NextStep.of(new NextStep.OrderState(
                        PaymentStanding.of(order.standing()),
                        order.sent().equals("no") ? NextStep.Sent.NO : NextStep.Sent.NOTHING,
                        order.cancelled(),
                        orders.withdrawn(order.id()),
                        besides.handover().isPresent(),
                        later))
                : NextStep.NOTHING;
    }

    /** Tells that an order was called off, the shop too where the buyer did. */
    private void calledOff(Orders.Order order, Setup setup, LetterTexts words, LetterTexts.Besides besides) {
        if (!order.cancelled() || order.lapsed()) {
            return;
        }
        owe(
                order,
                setup.shop(),
                "cancelled",
                "",
                order.email(),
                words.told(order.byBuyer() ? "called-off" : "cancelled", order, BigDecimal.ZERO, besides, link(order)));
        if (order.byBuyer()) {
            sellers.owe(
                    order,
                    setup,
                    Event.STOPPED,
                    "cancelled",
                    "copy",
                    new SellerTexts(setup).calledOff(order, sellers.link(order)));
        }
    }

    /** Tells of an order that waits for its money: that it still does, that the money came, or that it lapsed. */
    private void waited(
            Orders.Order order,
            List<PaymentBook.Payment> payments,
            Setup setup,
            LetterTexts words,
            LetterTexts.Besides besides) {
        if (order.cancelled() && order.lapsed() && !quiet(order)) {
            owe(
                    order,
                    setup.shop(),
                    "lapsed",
                    "",
                    order.email(),
                    words.told("lapsed", order, amount(order.due(), order), besides.without(), link(order)));
        }
        boolean later = payments.stream().anyMatch(payment -> !payment.byVoucher() && !payment.throughProvider());
        long came = payments.stream()
                        .filter(payment -> !payment.byVoucher())
                        .mapToLong(PaymentBook.Payment::captured)
                        .sum()
                - order.carried();
        // What an order came to more, once it was changed, is told of for itself.
        String once = payments.stream()
                .filter(payment -> payment.ofChange() && payment.captured() > 0)
                .map(PaymentBook.Payment::part)
                .findFirst()
                .orElse("");
        if (later && came > 0 && came == order.due() && !handedOver(order, setup)) {
            owe(
                    order,
                    setup.shop(),
                    "paid",
                    once,
                    order.email(),
                    words.told("paid", order, amount(came, order), besides, link(order)));
        }
        if (order.remindedAt() != null && !order.cancelled() && came < order.due()) {
            owe(
                    order,
                    setup.shop(),
                    "hold-reminder",
                    "",
                    order.email(),
                    words.told("hold-reminder", order, amount(order.due() - came, order), besides, link(order)));
        }
    }

    /** Whether it was paid in cash when it was handed over: then nobody waited for the money. */
    private static boolean handedOver(Orders.Order order, Setup setup) {
        return setup.payment().methods().stream()
                .anyMatch(method ->
                        method.id().equals(order.method()) && method.kind().cash());
    }

    /** Tells of each departure: what is in it, how it is followed, what is still to come. */
    private void sent(Orders.Order order, Document document, LetterTexts words, LetterTexts.Besides besides) {
        QuoteView quote = document.quote(OrderFile.parse(order.document()));
        Set<Integer> toCome = Dispatching.leaving(document, quote);
        for (Dispatching.Left left : supply.departures(order)) {
            toCome.removeAll(left.lines());
            boolean whole = toCome.isEmpty();
            String occasion = whole ? "sent" : "sent-part";
            owe(
                    order,
                    document.setup().shop(),
                    occasion,
                    whole ? "" : String.valueOf(left.seq()),
                    order.email(),
                    words.sent(occasion, order, quote, left, Set.copyOf(toCome), besides, link(order)));
        }
    }

    /** Tells of files that can be fetched; again where the seller lets them be fetched again. */
    private void files(Orders.Order order, Document document, LetterTexts words) {
        List<Downloads.Download> there = supply.files(order);
        if (!there.isEmpty() && !order.cancelled()) {
            owe(
                    order,
                    document.setup().shop(),
                    "download",
                    String.valueOf(there.get(0).until().getEpochSecond()),
                    order.email(),
                    words.files(
                            order,
                            there,
                            document.compiled().zone(),
                            Json.tree(order.agreed()).has(SupplyAtOnce.KIND),
                            orders.known(order.shop(), order.email()),
                            link(order)));
        }
    }

    /** What a letter about an order tells besides what was bought. */
    LetterTexts.Besides besides(Orders.Order order, Document document, QuoteView quote) {
        return new LetterTexts.Besides(
                orders.known(order.shop(), order.email()),
                Handover.of(document.setup(), OrderFile.parse(order.document()), quote),
                supply.slip(order),
                promised(order, quote),
                supply.besides(order, document));
    }

    /** When the carrier is expected, while nothing has left. */
    private static Optional<Promise> promised(Orders.Order order, QuoteView quote) {
        return order.sent().equals("no")
                ? quote.delivery().stream()
                        .filter(QuoteView.Option::chosen)
                        .findFirst()
                        .flatMap(QuoteView.Option::promise)
                : Optional.empty();
    }

    /**
     * Placed by somebody who placed many in a short time: their letters wait for the money, so that strangers get none.
     */
    private boolean quiet(Orders.Order order) {
        return order.quiet()
                && book.ofOrder(order.id()).stream()
                        .allMatch(payment -> payment.captured() == 0 && payment.stateNow() != PaymentState.AUTHORISED);
    }

    private static BigDecimal amount(long minor, Orders.Order order) {
        return amount(minor, order.currency()).value();
    }

    static Amount amount(long minor, String currency) {
        return new Amount(BigDecimal.valueOf(minor, CurrencyUnit.of(currency).getDecimalPlaces()), currency);
    }

    private static boolean open(PaymentBook.Payment payment) {
        return payment.stateNow() == PaymentState.CREATED
                || payment.stateNow() == PaymentState.NEEDS_BUYER
                || payment.stateNow() == PaymentState.PENDING;
    }

    /** The page of an order. */
    String link(Orders.Order order) {
        return ownUrl + "/counter/" + order.shop() + "/order/" + order.token();
    }

    /** Writes a letter down once. @param about which of several of that event @return whether it was not there yet */
    boolean owe(Orders.Order order, Shop shop, String event, String about, String to, LetterBook.LetterContent said) {
        String name = order.token() + "." + event + (about.isEmpty() ? "" : "." + about);
        if (letters.written(name)) {
            return false;
        }
        // Before the letter: where a crash comes between, both are looked at again, and each is written once.
        texts.beside(
                event,
                name,
                order,
                editions.spoken(order.shop(), order.by(), order.language()).setup(),
                link(order));
        return letters.owe(
                LetterBook.About.order(order.shop(), order.id()),
                shop,
                event,
                name,
                to,
                LetterTexts.in(editions.of(order.shop(), order.by()).document().setup(), order.language())
                        .marked(order.mode(), said));
    }
}

package vestcoin.app.message;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import vestcoin.app.download.Downloads;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Attendance;
import vestcoin.app.order.Dispatching;
import vestcoin.app.order.Orders;
import vestcoin.app.order.TransferSlips;
import vestcoin.app.order.Wishes;
import vestcoin.app.payment.Surpluses;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Wording;
import vestcoin.app.subscription.Subscriptions;

/** What letters tell of an order's supply: departures, files, what is charged again. */
@Service
class OrderSupply {
    private final Dispatching dispatching;
    private final Downloads downloads;
    private final Subscriptions subscriptions;
    private final TransferSlips slips;
    private final Surpluses surpluses;
    private final Editions editions;
    private final Clock clock;
    private final String ownUrl;

    OrderSupply(
            Dispatching dispatching,
            Downloads downloads,
            Subscriptions subscriptions,
            TransferSlips slips,
            Surpluses surpluses,
            Editions editions,
            Clock clock,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.dispatching = dispatching;
        this.downloads = downloads;
        this.subscriptions = subscriptions;
        this.slips = slips;
        this.surpluses = surpluses;
        this.editions = editions;
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    List<Dispatching.Left> departures(Orders.Order order) {
        return dispatching.departures(order.id());
    }

    /** What is still to be transferred. */
    Optional<TransferSlips.Slip> slip(Orders.Order order) {
        return slips.of(order);
    }

    /** Files that can be fetched now. */
    List<Downloads.Download> files(Orders.Order order) {
        return downloads.ofOrder(order.id()).stream()
                .filter(each -> each.there(clock.instant()) && !each.over(clock.instant()))
                .toList();
    }

    /**
     * In sentences, what takes place when and where, what is charged again, from when files can be fetched, the buyer's
     * number, to whom vouchers go.
     */
    List<String> besides(Orders.Order order, Document document) {
        return Stream.of(
                        attending(order, document),
                        again(order),
                        later(order, document),
                        wished(order, document),
                        tooMuch(order, document))
                .flatMap(List::stream)
                .toList();
    }

    /** What came too much for it. */
    List<Surpluses.Surplus> surpluses(Orders.Order order) {
        return surpluses.of(order.id());
    }

    /** What takes place on a day, of an order that stands. */
    private static List<String> attending(Orders.Order order, Document document) {
        LetterSentences words = LetterSentences.in(document.setup(), order.language());
        return Attendance.of(document.setup(), order).stream()
                .map(words::attending)
                .toList();
    }

    private List<String> tooMuch(Orders.Order order, Document document) {
        return Stream.of(surpluses.owed(order.id()))
                .filter(owed -> owed > 0)
                .map(owed -> LetterSentences.in(document.setup(), order.language())
                        .tooMuch(OwedLetters.amount(owed, order.currency())))
                .toList();
    }

    /** The buyer's own number of it, whose gift it is, where its invoice and its vouchers go. */
    private List<String> wished(Orders.Order order, Document document) {
        LetterSentences words = LetterSentences.in(document.setup(), order.language());
        Wishes wishes = Json.read(order.wishes(), Wishes.class);
        return Stream.of(
                        Stream.of(wishes.reference())
                                .filter(reference -> !reference.isEmpty())
                                .map(words::reference),
                        words.paysWith(order, wishes).stream(),
                        wishes.gift().map(words::giftFor).stream(),
                        wishes.invoice().map(words::invoiceTo).stream(),
                        document.setup().terms().asking().answered(wishes.extras()).stream()
                                .map(Wording.of(document.setup(), order.language())::say),
                        wishes.vouchers().stream().map(words::voucherFor))
                .flatMap(sentences -> sentences)
                .toList();
    }

    /** What is charged again of it: told with its first order and with each charge. */
    private List<String> again(Orders.Order order) {
        LetterSentences words = LetterSentences.in(
                editions.spoken(order.shop(), order.by(), order.language()).setup(), order.language());
        QuoteView kept = KeptQuotes.read(order.quote());
        return subscriptions.ofOrder(order.id()).stream()
                .filter(subscription -> !subscription.stateNow().over() && subscription.dueOn() != null)
                .flatMap(subscription -> order.subscription() != null
                        ? Stream.of(words.next(subscription.dueOn(), SubscriptionLetters.link(ownUrl, subscription)))
                        : kept.renewing().stream()
                                .filter(renewal -> renewal.line() == subscription.line())
                                .map(renewal ->
                                        words.again(renewal.terms(), SubscriptionLetters.link(ownUrl, subscription))))
                .toList();
    }

    /** When files can be fetched that cannot yet. */
    private List<String> later(Orders.Order order, Document document) {
        return downloads.ofOrder(order.id()).stream()
                .filter(each -> !each.there(clock.instant()))
                .findFirst()
                .map(each -> LetterSentences.in(document.setup(), order.language())
                        .filesFrom(LocalDate.ofInstant(
                                each.fromAt(), document.compiled().zone())))
                .stream()
                .toList();
    }
}

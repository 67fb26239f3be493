package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import vestcoin.app.download.Downloads;
import vestcoin.app.download.ProductFiles;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Dispatching;
import vestcoin.app.order.Orders;
import vestcoin.app.setup.Document;
import vestcoin.app.subscription.Subscriptions;
import vestcoin.app.voucher.SoldVouchers;

/** How far an order is, as its buyer sees it: parcels, files, what is charged again. */
@Service
class OrderProgress {
    private final Dispatching dispatching;
    private final Subscriptions subscriptions;
    private final Downloads downloads;
    private final ProductFiles files;
    private final SoldVouchers vouchers;
    private final Clock clock;

    OrderProgress(
            Dispatching dispatching,
            Subscriptions subscriptions,
            Downloads downloads,
            ProductFiles files,
            SoldVouchers vouchers,
            Clock clock) {
        this.dispatching = dispatching;
        this.subscriptions = subscriptions;
        this.downloads = downloads;
        this.files = files;
        this.vouchers = vouchers;
        this.clock = clock;
    }

    /** What has left, one parcel after the other. */
    List<PlacedOrder.ParcelSent> parcels(Orders.Order order, QuoteView quote) {
        return dispatching.departures(order.id()).stream()
                .map(each -> new PlacedOrder.ParcelSent(
                        each.at(), each.carrier(), each.tracking(), each.link(), things(each.lines(), order, quote)))
                .toList();
    }

    /** What is still to leave, where a part has left. */
    List<String> toCome(Orders.Order order, Document document, QuoteView quote) {
        Set<Integer> gone = dispatching.gone(order.id());
        return gone.isEmpty()
                ? List.of()
                : things(
                        Dispatching.leaving(document, quote).stream()
                                .filter(line -> !gone.contains(line))
                                .collect(Collectors.toCollection(TreeSet::new)),
                        order,
                        quote);
    }

    private static List<String> things(Set<Integer> lines, Orders.Order order, QuoteView quote) {
        Phrases phrases = Phrases.in(order.language());
        return lines.stream()
                .map(quote.lines()::get)
                .map(line -> line.quantity().stripTrailingZeros().toPlainString() + " "
                        + Stream.concat(
                                        Stream.of(line.name()),
                                        line.choices().stream().map(phrases::say))
                                .collect(Collectors.joining(", ")))
                .toList();
    }

    List<PlacedOrder.SubscriptionLink> subscriptions(Orders.Order order, QuoteView quote) {
        return subscriptions.ofOrder(order.id()).stream()
                .map(subscription -> new PlacedOrder.SubscriptionLink(
                        subscription.token(),
                        quote.lines()
                                .get(order.subscription() == null ? subscription.line() : 0)
                                .name()))
                .toList();
    }

    /** Whether its buyer can call it off now, as the edition says by which it was ordered. */
    Optional<PlacedOrder.CallingOff> callingOff(Orders.Order order, Document document) {
        return order.cancelled()
                ? Optional.empty()
                : document.setup()
                        .terms()
                        .callOff()
                        .filter(granted -> granted.open(order.placedAt(), !order.nothingHasLeft(), clock.instant()))
                        .filter(granted ->
                                vouchers.ofOrder(order.id()).stream().noneMatch(SoldVouchers.SoldVoucher::used))
                        .map(granted -> new PlacedOrder.CallingOff(granted.until(order.placedAt())));
    }

    List<PlacedOrder.VoucherIssued> vouchers(Orders.Order order) {
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        return vouchers.ofOrder(order.id()).stream()
                .map(each -> new PlacedOrder.VoucherIssued(
                        each.code(),
                        BigDecimal.valueOf(each.issued(), digits),
                        BigDecimal.valueOf(each.balance(), digits),
                        each.gift() ? Optional.of(each.name()) : Optional.empty(),
                        each.sendOn(),
                        each.told(),
                        each.validUntil(),
                        each.ended(),
                        "/api/counter/vouchers/" + each.token() + "/voucher.pdf"))
                .toList();
    }

    List<PlacedOrder.HandedOver> files(Orders.Order order, Document document) {
        return downloads.ofOrder(order.id()).stream()
                .map(each -> handedOver(each, order, document))
                .toList();
    }

    private PlacedOrder.HandedOver handedOver(Downloads.Download download, Orders.Order order, Document document) {
        ZoneId zone = document.compiled().zone();
        Instant now = clock.instant();
        boolean open = download.there(now) && !download.over(now);
        return new PlacedOrder.HandedOver(
                download.name(),
                open ? Optional.of("/api/counter/downloads/" + download.token()) : Optional.empty(),
                LocalDate.ofInstant(download.fromAt(), zone),
                LocalDate.ofInstant(download.until(), zone),
                now.isAfter(download.until()) ? 0 : download.most() - download.used(),
                Optional.ofNullable(download.fileId())
                        .flatMap(file -> files.find(order.shop(), file))
                        .map(ProductFiles.ProductFile::bytes));
    }
}

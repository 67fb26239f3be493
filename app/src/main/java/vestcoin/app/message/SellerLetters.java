package vestcoin.app.message;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.IntPredicate;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.PaymentBook;
import vestcoin.core.life.PaymentState;
import vestcoin.core.setup.Setup;
import vestcoin.core.terms.SellerNotice;

/** Writes to everybody on the seller's side who is named for what happened. */
@Service
class SellerLetters {
    private final LetterBook letters;
    private final ParcelSlips slips;
    private final String ownUrl;

    SellerLetters(LetterBook letters, ParcelSlips slips, @Value("${vest-coin.own-url}") String ownUrl) {
        this.letters = letters;
        this.slips = slips;
        this.ownUrl = ownUrl;
    }

    /** The order at the desk. */
    String link(Orders.Order order) {
        return ownUrl + "/desk/" + order.shop() + "/orders/" + order.number();
    }

    /**
     * Of an order, each once.
     *
     * @param own the setup as the seller wrote it
     * @param event of the letter, as it is listed with the order
     * @param about what tells it from others of its kind, or empty
     */
    void owe(
            Orders.Order order,
            Setup own,
            SellerNotice.Event what,
            String event,
            String about,
            LetterBook.LetterContent said) {
        owe(
                LetterBook.About.order(order.shop(), order.id()),
                own,
                what,
                event,
                order.token() + "." + event + (about.isEmpty() ? "" : "." + about),
                LetterTexts.in(own, "").marked(order.mode(), said));
    }

    /** Of anything of a shop. @param name of the letter, to which each address adds */
    void owe(
            LetterBook.About about,
            Setup own,
            SellerNotice.Event what,
            String event,
            String name,
            LetterBook.LetterContent said) {
        List<String> to = own.terms().toSeller(what, own.shop().email());
        for (String address : to) {
            String each = address.equals(own.shop().email())
                    ? name
                    : name + "." + UUID.nameUUIDFromBytes(address.getBytes(StandardCharsets.UTF_8));
            letters.owe(about, own.shop(), event, each, address, said);
        }
    }

    /** Tells the seller of a dispute, each once. */
    void disputed(Orders.Order order, List<PaymentBook.Payment> payments, Setup own) {
        payments.stream()
                .filter(payment -> payment.stateNow() == PaymentState.DISPUTED)
                .forEach(payment -> owe(
                        order,
                        own,
                        SellerNotice.Event.DISPUTES,
                        "disputed",
                        payment.id() + "." + payment.version(),
                        new SellerTexts(own)
                                .disputed(
                                        order,
                                        Optional.ofNullable(payment.answerBy())
                                                .map(at -> LocalDate.ofInstant(
                                                        at, ZoneId.of(own.shop().timeZone()))),
                                        link(order))));
    }

    /** Tells each dispatch place with an address what to send of an order that is to be sent, once. */
    void toSend(Orders.Order order, Setup own, QuoteView quote) {
        for (QuoteView.Shipment consignment : quote.consignments()) {
            own.delivery().dispatch().stream()
                    .filter(place -> place.id().equals(consignment.dispatch())
                            && !place.email().isEmpty())
                    .forEach(place -> {
                        IntPredicate there = consignment.lines()::contains;
                        String way = Stream.concat(consignment.delivery().stream(), quote.delivery().stream())
                                .filter(QuoteView.Option::chosen)
                                .map(QuoteView.Option::name)
                                .findFirst()
                                .orElse("");
                        ReceiptPdf.Page page = slips.page(order, there);
                        letters.owe(
                                LetterBook.About.order(order.shop(), order.id()),
                                own.shop(),
                                "to-send",
                                order.token() + ".to-send." + place.id(),
                                place.email(),
                                LetterTexts.in(own, "")
                                        .marked(
                                                order.mode(),
                                                new SellerTexts(own)
                                                        .toSend(
                                                                order,
                                                                place.name(),
                                                                way,
                                                                page.said(),
                                                                ReceiptPdf.of(List.of(page)))));
                    });
        }
    }
}

package vestcoin.app.message;

import java.util.List;
import java.util.function.IntPredicate;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Wishes;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Wording;

/** What goes into parcels: what is in it, where it goes, and the message of a gift. No price stands on it. */
@Service
class ParcelSlips {
    private final Editions editions;

    ParcelSlips(Editions editions) {
        this.editions = editions;
    }

    /** One page an order. @param several at least one */
    byte[] pdf(List<Orders.Order> several) {
        return ReceiptPdf.of(
                several.stream().map(order -> page(order, line -> true)).toList());
    }

    /** @param which places of the order's lines that are in the parcel */
    ReceiptPdf.Page page(Orders.Order order, IntPredicate which) {
        Document document = editions.spoken(order.shop(), order.by(), order.language());
        Wishes wishes = Json.read(order.wishes(), Wishes.class);
        QuoteView quote = document.quote(OrderFile.parse(order.document()));
        LetterBook.LetterContent slip = ParcelSlipText.in(document.setup(), order.language())
                .of(
                        order,
                        wishes,
                        quote,
                        which,
                        Handover.of(document.setup(), OrderFile.parse(order.document()), quote));
        return new ReceiptPdf.Page(
                document.setup().shop().name(),
                slip,
                Stream.concat(
                                slip.body().paragraphs().stream(),
                                document.setup().terms().asking().answered(wishes.extras()).stream()
                                        .map(Wording.of(document.setup(), order.language())::say))
                        .toList(),
                order.mode().equals("test") ? Phrases.in(order.language()).say("letter.test-mark") : "");
    }
}

package vestcoin.app.message;

import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import vestcoin.app.order.Orders;
import vestcoin.core.setup.Setup;
import vestcoin.core.terms.SellerNotice;

/** Writes to everybody on the seller's side who is named for what happened. */
@Service
class SellerLetters {
    private final LetterBook letters;
    private final String ownUrl;

    SellerLetters(LetterBook letters, @Value("${vest-coin.own-url}") String ownUrl) {
        this.letters = letters;
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
            String each =
                    address.equals(own.shop().email()) ? name : name + "." + Integer.toHexString(address.hashCode());
            letters.owe(about, own.shop(), event, each, address, said);
        }
    }
}

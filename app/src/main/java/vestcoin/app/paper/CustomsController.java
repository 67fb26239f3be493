package vestcoin.app.paper;

import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Wishes;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.invoice.Bill;
import vestcoin.core.invoice.CustomsDeclaration;
import vestcoin.core.message.Message;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.Setup;

/** What customs is told of the parcels of an order, to print and put outside on them. */
@RestController
class CustomsController {
    /**
     * @param needed whether anything of it crosses a border that asks @param incomplete goods without code or origin
     */
    record Customs(boolean needed, List<String> incomplete) {}

    private final Papers papers;
    private final Orders orders;
    private final Editions editions;

    CustomsController(Papers papers, Orders orders, Editions editions) {
        this.papers = papers;
        this.orders = orders;
        this.editions = editions;
    }

    @GetMapping("/api/shops/{shop}/orders/{order}/customs")
    Customs customs(@PathVariable String shop, @PathVariable int order) {
        List<CustomsDeclaration> declared = declared(orders.numbered(shop, order));
        return new Customs(
                !declared.isEmpty(),
                List.copyOf(declared.stream()
                        .flatMap(each -> each.items().stream())
                        .filter(item -> item.tariff().isEmpty() || item.origin().isEmpty())
                        .map(CustomsDeclaration.Item::name)
                        .collect(TreeSet::new, TreeSet::add, TreeSet::addAll)));
    }

    @GetMapping("/api/shops/{shop}/orders/{order}/customs.pdf")
    ResponseEntity<byte[]> declaration(@PathVariable String shop, @PathVariable int order) {
        Orders.Order placed = orders.numbered(shop, order);
        List<CustomsDeclaration> declared = declared(placed);
        if (declared.isEmpty()) {
            throw new ApiProblem(
                    HttpStatus.NOT_FOUND,
                    "order",
                    Message.of("paper.nothing-to-declare"),
                    Message.of("paper.choose-one-from-order"));
        }
        Setup setup = editions.of(placed.shop(), placed.by()).document().setup();
        Drawing.Buyer buyer = BuyerParties.of(placed);
        byte[] pdf = CustomsPdf.of(
                new CustomsPdf.Sale(
                        String.valueOf(placed.number()),
                        papers.ofOrder(placed.id()).stream()
                                .filter(row -> row.kind().equals("invoice"))
                                .map(Papers.Row::number)
                                .findFirst(),
                        Paper.Party.of(setup.shop(), Optional.empty(), Drawing.numbers(setup, Optional.empty())),
                        buyer.goesTo().orElse(buyer.party()),
                        Json.read(placed.wishes(), Wishes.class).phone(),
                        placed.currency(),
                        placed.mode().equals("test")),
                declared);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"customs-" + order + ".pdf\"")
                .body(pdf);
    }

    private List<CustomsDeclaration> declared(Orders.Order order) {
        Document document = editions.spoken(order.shop(), order.by(), order.language());
        Order asked = OrderFile.parse(order.document());
        Quote quote = Pricing.priceUntraced(document.compiled(), asked);
        boolean collected = Handover.of(document.setup(), asked, KeptQuotes.read(order.quote()))
                .filter(Handover::collected)
                .isPresent();
        return collected
                ? List.of()
                : CustomsDeclaration.of(
                        quote, Bill.of(quote, document.setup().shop().address().country()), asked.to());
    }
}

package vestcoin.app.paper;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Phrases;
import vestcoin.app.order.Orders;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Wording;
import vestcoin.core.message.Message;

/** Invoices, credit notes and receipts of vouchers, for the seller and for the buyer who holds the order's link. */
@RestController
class PaperController {
    /** @param ubl whether it can be had as UBL */
    record PaperRow(String number, String kind, BigDecimal gross, Instant at, boolean ubl) {}

    private final Papers papers;
    private final Orders orders;
    private final Editions editions;

    PaperController(Papers papers, Orders orders, Editions editions) {
        this.papers = papers;
        this.orders = orders;
        this.editions = editions;
    }

    @GetMapping("/api/shops/{shop}/orders/{order}/papers")
    List<PaperRow> list(@PathVariable String shop, @PathVariable int order) {
        return listed(orders.numbered(shop, order));
    }

    @GetMapping("/api/counter/orders/{token}/papers")
    List<PaperRow> list(@PathVariable String token) {
        return listed(find(token));
    }

    @GetMapping("/api/shops/{shop}/orders/{order}/papers/{file}")
    ResponseEntity<byte[]> file(@PathVariable String shop, @PathVariable int order, @PathVariable String file) {
        return written(orders.numbered(shop, order), file);
    }

    @GetMapping("/api/counter/orders/{token}/papers/{file}")
    ResponseEntity<byte[]> file(@PathVariable String token, @PathVariable String file) {
        return written(find(token), file);
    }

    private List<PaperRow> listed(Orders.Order order) {
        int digits = CurrencyUnit.of(order.currency()).getDecimalPlaces();
        return papers.ofOrder(order.id()).stream()
                .map(row -> new PaperRow(
                        row.number(),
                        row.kind(),
                        BigDecimal.valueOf(row.gross(), digits),
                        row.at(),
                        papers.find(order.id(), row.number()).map(Ubl::fits).orElse(false)))
                .toList();
    }

    /** @param file number and {@code .pdf} or {@code .xml} */
    private ResponseEntity<byte[]> written(Orders.Order order, String file) {
        boolean pdf = file.endsWith(".pdf");
        if (!pdf && !file.endsWith(".xml")) {
            throw none();
        }
        Paper paper = papers.find(order.id(), file.substring(0, file.length() - 4))
                .filter(found -> pdf || Ubl.fits(found))
                .orElseThrow(PaperController::none);
        Phrases phrases =
                Wording.of(editions.of(order.shop(), order.by()).document().setup(), paper.language());
        return ResponseEntity.ok()
                .contentType(pdf ? MediaType.APPLICATION_PDF : MediaType.APPLICATION_XML)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"" + paper.number() + (pdf ? ".pdf\"" : ".xml\""))
                .body(pdf ? PaperPdf.of(paper, phrases) : Ubl.of(paper, phrases).getBytes(StandardCharsets.UTF_8));
    }

    private static ApiProblem none() {
        return new ApiProblem(
                HttpStatus.NOT_FOUND,
                "file",
                Message.of("paper.there-no-such-paper"),
                Message.of("paper.choose-one-from-order"));
    }

    private Orders.Order find(String token) {
        return orders.byToken(token)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "token",
                        Message.of("paper.there-no-such-order"),
                        Message.of("paper.open-link-from-receipt-again")));
    }
}

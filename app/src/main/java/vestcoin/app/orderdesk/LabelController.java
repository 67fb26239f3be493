package vestcoin.app.orderdesk;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.security.Principal;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.Orders;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.app.service.CarrierService;
import vestcoin.core.message.Message;
import vestcoin.core.money.Currencies;
import vestcoin.core.quote.Consignment;

/** Labels of an order's parcels, at the desk. */
@RestController
class LabelController {
    /** @param price for all parcels together, in the carrier's currency, without tax */
    record ServiceOffer(String id, String name, BigDecimal price, String currency) {}

    /** @param offers for what leaves next; none without a carrier or where nothing has to leave */
    record Labels(List<ServiceOffer> offers, List<ParcelLabels.Bought> bought) {}

    record LabelRequest(String service) {}

    private final Orders orders;
    private final ParcelLabels labels;

    LabelController(Orders orders, ParcelLabels labels) {
        this.orders = orders;
        this.labels = labels;
    }

    @GetMapping("/api/shops/{shop}/orders/{number}/labels")
    Labels labels(@PathVariable String shop, @PathVariable int number) {
        return viewed(orders.numbered(shop, number));
    }

    @PostMapping("/api/shops/{shop}/orders/{number}/labels")
    Labels buy(@PathVariable String shop, @PathVariable int number, @RequestBody LabelRequest asked, Principal who) {
        Orders.Order order = orders.numbered(shop, number);
        Consignment next = labels.next(order)
                .filter(consignment ->
                        asked.service() != null && asked.service().length() <= 100)
                .filter(consignment -> !order.cancelled())
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "service",
                        Message.of("orderdesk.no-parcel-left-to-label"),
                        Message.of("orderdesk.load-page-again")));
        try {
            labels.buy(order, next, asked.service(), who.getName());
        } catch (ProviderRejection e) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "service",
                    ServiceReasons.of(e.getMessage()),
                    Message.of("orderdesk.choose-another-service"));
        } catch (ProviderTimeout e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "service",
                    Message.of("orderdesk.carrier-not-answering"),
                    Message.of("orderdesk.press-again-label-is-bought-once"));
        }
        return viewed(order);
    }

    @GetMapping("/api/shops/{shop}/orders/{number}/labels/{label}")
    ResponseEntity<byte[]> pdf(@PathVariable String shop, @PathVariable int number, @PathVariable long label) {
        byte[] pdf = labels.pdf(orders.numbered(shop, number).id(), label)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "label",
                        Message.of("orderdesk.no-such-label"),
                        Message.of("orderdesk.load-page-again")));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"label-" + number + ".pdf\"")
                .body(pdf);
    }

    private Labels viewed(Orders.Order order) {
        List<ServiceOffer> offers = order.cancelled()
                ? List.of()
                : labels.quotes(order).stream()
                        .flatMap(answer -> answer.quotes().stream().map(quote -> offer(quote, answer.currency())))
                        .toList();
        return new Labels(
                offers,
                labels.of(order.id()).stream()
                        .map(label -> label.costing(inMinorUnits(label.price(), label.currency())))
                        .toList());
    }

    private static ServiceOffer offer(CarrierService.Quoted quote, String currency) {
        return new ServiceOffer(quote.id(), quote.name(), inMinorUnits(quote.price(), currency), currency);
    }

    private static BigDecimal inMinorUnits(BigDecimal price, String currency) {
        return price.setScale(
                Currencies.of(currency).map(CurrencyUnit::getDecimalPlaces).orElse(2), RoundingMode.HALF_UP);
    }
}

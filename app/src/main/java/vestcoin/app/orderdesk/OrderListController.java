package vestcoin.app.orderdesk;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import vestcoin.app.order.OrderList;
import vestcoin.core.life.PaymentStanding;

/** The seller's list of orders: on the screen a page at a time, and as a file. */
@RestController
class OrderListController {
    /** A row of the list with amounts as decimals of the currency. */
    record OrderRow(
            int number,
            String name,
            String country,
            String mode,
            String currency,
            BigDecimal payable,
            String method,
            Instant placedAt,
            String state,
            String sent,
            boolean cancelled,
            boolean withdrawn) {
        static OrderRow of(OrderList.Row row) {
            return new OrderRow(
                    row.number(),
                    row.name(),
                    row.country(),
                    row.mode(),
                    row.currency(),
                    BigDecimal.valueOf(
                            row.payable(), CurrencyUnit.of(row.currency()).getDecimalPlaces()),
                    row.method(),
                    row.placedAt(),
                    row.standing(),
                    row.sent(),
                    row.cancelled(),
                    row.withdrawn());
        }
    }

    /**
     * @param next number below which the next page begins
     * @param count of all that are wanted, as far as they are counted
     * @param more whether there are more than that
     */
    record Page(List<OrderRow> orders, Optional<Integer> next, int count, boolean more) {}

    private final OrderList list;

    OrderListController(OrderList list) {
        this.list = list;
    }

    @GetMapping("/api/shops/{shop}/orders")
    Page page(
            @PathVariable String shop,
            @RequestParam(defaultValue = "2147483647") int below,
            @RequestParam Optional<String> standing,
            @RequestParam Optional<String> mode,
            @RequestParam Optional<String> words) {
        OrderList.OrderFilter wanted = wanted(standing, mode, words);
        List<OrderList.Row> rows = list.page(shop, wanted, below, OrderList.PAGE);
        Optional<Integer> next = rows.size() == OrderList.PAGE
                ? Optional.of(rows.get(rows.size() - 1).number())
                : Optional.empty();
        int count = list.count(shop, wanted);
        return new Page(
                rows.stream().map(OrderRow::of).toList(),
                next,
                Math.min(count, OrderList.COUNTED),
                count > OrderList.COUNTED);
    }

    /** The list as CSV (RFC 4180), all of what is wanted, a page at a time. */
    @GetMapping(path = "/api/shops/{shop}/orders.csv", produces = "text/csv")
    ResponseEntity<StreamingResponseBody> file(
            @PathVariable String shop,
            @RequestParam Optional<String> standing,
            @RequestParam Optional<String> mode,
            @RequestParam Optional<String> words) {
        OrderList.OrderFilter wanted = wanted(standing, mode, words);
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + shop + "-orders.csv\"")
                .body(out -> new OrderCsv(list).write(shop, wanted, out));
    }

    private static OrderList.OrderFilter wanted(
            Optional<String> standing, Optional<String> mode, Optional<String> words) {
        return new OrderList.OrderFilter(
                standing.filter(PaymentStanding.texts()::contains),
                mode.filter(List.of("test", "live")::contains),
                words.map(String::strip).filter(text -> !text.isEmpty()));
    }
}

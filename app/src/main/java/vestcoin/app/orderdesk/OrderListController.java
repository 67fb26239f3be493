package vestcoin.app.orderdesk;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import vestcoin.app.order.OrderList;
import vestcoin.app.setup.Editions;
import vestcoin.core.life.NextStep;
import vestcoin.core.life.PaymentStanding;
import vestcoin.core.payment.Payment;

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
            String way,
            Instant placedAt,
            String state,
            String sent,
            boolean cancelled,
            boolean withdrawn,
            Optional<LocalDateTime> slot) {
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
                    row.way(),
                    row.placedAt(),
                    row.standing(),
                    row.sent(),
                    row.cancelled(),
                    row.withdrawn(),
                    Optional.ofNullable(row.slot()));
        }
    }

    /**
     * @param next number below which the next page begins
     * @param count of all that are wanted, as far as they are counted
     * @param more whether there are more than that
     * @param steps how many wait for each next step, where that is asked for
     */
    record Page(List<OrderRow> orders, Optional<Integer> next, int count, boolean more, Map<String, Integer> steps) {}

    /** What can be asked for in the list, as the address has it. */
    record ListQuery(
            Optional<String> step,
            Optional<String> standing,
            Optional<String> mode,
            Optional<String> words,
            Optional<LocalDate> from,
            Optional<LocalDate> to,
            Optional<String> way,
            Optional<String> method,
            Optional<String> country) {
        static ListQuery of(NextStep step) {
            Optional<String> none = Optional.empty();
            return new ListQuery(
                    Optional.of(step.text()), none, none, none, Optional.empty(), Optional.empty(), none, none, none);
        }
    }

    private final OrderList list;
    private final Editions editions;

    OrderListController(OrderList list, Editions editions) {
        this.list = list;
        this.editions = editions;
    }

    @GetMapping("/api/shops/{shop}/orders")
    Page page(
            @PathVariable String shop,
            @RequestParam(defaultValue = "2147483647") int below,
            @RequestParam(defaultValue = "false") boolean steps,
            @ParameterObject ListQuery asked) {
        OrderList.OrderFilter wanted = wanted(shop, asked);
        List<OrderList.Row> rows = list.page(shop, wanted, below, OrderList.PAGE);
        Optional<Integer> next = rows.size() == OrderList.PAGE
                ? Optional.of(rows.get(rows.size() - 1).number())
                : Optional.empty();
        int count = list.count(shop, wanted);
        int most = wanted.step().isPresent() ? OrderList.STEPS_COUNTED : OrderList.COUNTED;
        return new Page(
                rows.stream().map(OrderRow::of).toList(),
                next,
                Math.min(count, most),
                count > most,
                steps ? steps(shop) : Map.of());
    }

    private Map<String, Integer> steps(String shop) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (NextStep step : NextStep.values()) {
            if (step != NextStep.NOTHING) {
                counts.put(step.text(), list.count(shop, wanted(shop, ListQuery.of(step))));
            }
        }
        return counts;
    }

    /** The list as CSV (RFC 4180), all of what is wanted, a page at a time. */
    @GetMapping(path = "/api/shops/{shop}/orders.csv", produces = "text/csv")
    ResponseEntity<StreamingResponseBody> file(@PathVariable String shop, @ParameterObject ListQuery asked) {
        OrderList.OrderFilter wanted = wanted(shop, asked);
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + shop + "-orders.csv\"")
                .body(out -> new OrderCsv(list).write(shop, wanted, out));
    }

    private OrderList.OrderFilter wanted(String shop, ListQuery asked) {
        Optional<NextStep> step = Arrays.stream(NextStep.values())
                .filter(each -> each != NextStep.NOTHING
                        && asked.step().filter(each.text()::equals).isPresent())
                .findFirst();
        return new OrderList.OrderFilter(
                step,
                step.isPresent() ? paidAfterwards(shop) : List.of(),
                asked.standing().filter(PaymentStanding.texts()::contains),
                asked.mode().filter(List.of("test", "live")::contains),
                asked.words().map(String::strip).filter(text -> !text.isEmpty()),
                new OrderList.Kept(
                        asked.from().map(day -> day.atStartOfDay(clock(shop)).toInstant()),
                        asked.to().map(day -> day.plusDays(1)
                                .atStartOfDay(clock(shop))
                                .toInstant()),
                        asked.way().filter(text -> !text.isBlank()),
                        asked.method().filter(text -> !text.isBlank()),
                        asked.country().filter(text -> !text.isBlank())));
    }

    /** Days are those of the shop's clock. */
    private ZoneId clock(String shop) {
        return editions.live(shop)
                .map(edition -> ZoneId.of(edition.document().setup().shop().timeZone()))
                .orElse(ZoneOffset.UTC);
    }

    /** Ids of the live ways to pay that bring the money when the goods are handed over, or later. */
    private List<String> paidAfterwards(String shop) {
        return editions.live(shop).stream()
                .flatMap(edition -> edition.document().setup().payment().methods().stream())
                .filter(method -> method.kind().paidAfterwards())
                .map(Payment.Method::id)
                .toList();
    }
}

package vestcoin.app.sales;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.OutputStreamWriter;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import vestcoin.app.format.SpreadsheetText;
import vestcoin.app.payment.Gateways;

/** Who has bought, as a list and as a file. */
@RestController
class BuyerListController {
    /** @param words the beginning of a name or an e-mail address @param below from where the next page goes on */
    record BuyersQuery(Optional<String> words, Optional<Long> below, Optional<String> mode) {
        BuyersQuery {
            words = words == null ? Optional.empty() : words.filter(typed -> !typed.isBlank());
            below = below == null ? Optional.empty() : below;
            mode = mode == null ? Optional.empty() : mode;
        }
    }

    /** What a buyer has paid, less what was given back. @param standing how many of their orders are not called off */
    record Spent(String currency, int standing, BigDecimal paid, BigDecimal refunded) {}

    record BuyerOfShop(String email, String name, int orders, Instant firstAt, Instant lastAt, List<Spent> spent) {}

    /** @param next where the next page goes on, if there is one */
    record BuyersView(String mode, List<BuyerOfShop> buyers, Optional<Long> next) {}

    private final BuyerList list;
    private final Gateways gateways;

    BuyerListController(BuyerList list, Gateways gateways) {
        this.list = list;
        this.gateways = gateways;
    }

    @GetMapping("/api/shops/{shop}/buyers")
    BuyersView buyers(@PathVariable String shop, @ParameterObject BuyersQuery asked) {
        String mode = mode(shop, asked);
        List<BuyerList.BuyerRow> page = list.page(shop, mode, asked.words(), asked.below(), BuyerList.PAGE + 1);
        List<BuyerList.BuyerRow> shown = page.subList(0, Math.min(page.size(), BuyerList.PAGE));
        return new BuyersView(
                mode,
                viewed(shop, mode, shown),
                page.size() > BuyerList.PAGE
                        ? Optional.of(shown.get(shown.size() - 1).lastOrder())
                        : Optional.empty());
    }

    /** All of them, a row for each currency they paid in. */
    @GetMapping(path = "/api/shops/{shop}/buyers.csv", produces = "text/csv")
    ResponseEntity<StreamingResponseBody> file(@PathVariable String shop, @ParameterObject BuyersQuery asked) {
        String mode = mode(shop, asked);
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + shop + "-buyers.csv\"")
                .body(out -> {
                    try (CsvWriter csv =
                            CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
                        csv.writeRecord(
                                "e-mail",
                                "name",
                                "orders",
                                "first",
                                "last",
                                "currency",
                                "standing",
                                "paid",
                                "refunded");
                        list.each(shop, mode, page -> viewed(shop, mode, page).forEach(buyer -> write(csv, buyer)));
                    }
                });
    }

    private static void write(CsvWriter csv, BuyerOfShop buyer) {
        List<Spent> spent = buyer.spent().isEmpty() ? List.of(new Spent("", 0, null, null)) : buyer.spent();
        for (Spent each : spent) {
            csv.writeRecord(
                    SpreadsheetText.written(buyer.email()),
                    SpreadsheetText.written(buyer.name()),
                    String.valueOf(buyer.orders()),
                    buyer.firstAt().toString(),
                    buyer.lastAt().toString(),
                    each.currency(),
                    String.valueOf(each.standing()),
                    each.paid() == null ? "" : each.paid().toPlainString(),
                    each.refunded() == null ? "" : each.refunded().toPlainString());
        }
    }

    private List<BuyerOfShop> viewed(String shop, String mode, List<BuyerList.BuyerRow> page) {
        Map<String, List<BuyerList.BuyerSum>> sums =
                list
                        .sums(
                                shop,
                                mode,
                                page.stream().map(BuyerList.BuyerRow::buyer).toList())
                        .stream()
                        .collect(Collectors.groupingBy(BuyerList.BuyerSum::buyer));
        return page.stream()
                .map(row -> new BuyerOfShop(
                        row.email(),
                        row.name(),
                        row.orders(),
                        row.firstAt(),
                        row.lastAt(),
                        sums.getOrDefault(row.buyer(), List.of()).stream()
                                .map(BuyerListController::spent)
                                .toList()))
                .toList();
    }

    private static Spent spent(BuyerList.BuyerSum sum) {
        int digits = CurrencyUnit.of(sum.currency()).getDecimalPlaces();
        return new Spent(
                sum.currency(),
                sum.open(),
                BigDecimal.valueOf(sum.captured(), digits),
                BigDecimal.valueOf(sum.refunded(), digits));
    }

    private String mode(String shop, BuyersQuery asked) {
        return asked.mode().filter(List.of("test", "live")::contains).orElse(gateways.mode(shop));
    }
}

package vestcoin.app.sales;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.Year;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.Drafts;
import vestcoin.core.invoice.OneStopShop;
import vestcoin.core.place.Groups;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.Tax;

/**
 * Sales across borders within the Union: the counter, and the sheet of a quarter. A help for filing, not the filing.
 */
@RestController
class EuSalesController {
    /**
     * @param home state of the seller; nothing where it is not in the Union, and then there is nothing else
     * @param mode of the papers: of practice until money is real
     * @param numbers held in the states goods leave from, by state
     */
    record EuSalesView(
            Optional<String> home,
            String mode,
            Optional<EuSales.Counted> counter,
            Optional<OneStopShop.Sheet> sheet,
            Map<String, String> numbers) {}

    private final EuSales sales;
    private final Drafts drafts;
    private final Gateways gateways;
    private final Clock clock;

    EuSalesController(EuSales sales, Drafts drafts, Gateways gateways, Clock clock) {
        this.sales = sales;
        this.drafts = drafts;
        this.gateways = gateways;
        this.clock = clock;
    }

    /** @param quarter any day of it; the one of today without it */
    @GetMapping("/api/shops/{shop}/sales/union")
    EuSalesView view(@PathVariable String shop, @RequestParam Optional<LocalDate> quarter) {
        CompiledSetup setup = drafts.of(shop).document().compiled();
        ZoneId zone = setup.zone();
        LocalDate today = LocalDate.ofInstant(clock.instant(), zone);
        String home = setup.home().country();
        String mode = gateways.mode(shop);
        if (!Groups.EU.contains(home)) {
            return new EuSalesView(Optional.empty(), mode, Optional.empty(), Optional.empty(), Map.of());
        }
        return new EuSalesView(
                Optional.of(home),
                mode,
                Optional.of(sales.counter(shop, mode, setup.setup().tax(), Year.from(today))),
                Optional.of(sales.sheet(OneStopShop.Scheme.UNION, shop, mode, zone, home, quarter.orElse(today))),
                numbers(setup.setup().tax()));
    }

    private static Map<String, String> numbers(Tax tax) {
        return tax.registrations().stream()
                .filter(each ->
                        each.scheme() == Tax.Scheme.ORDINARY && !each.number().isBlank())
                .collect(Collectors.toMap(
                        Tax.Registration::authority, Tax.Registration::number, (one, other) -> one, TreeMap::new));
    }

    /** @param sheet of the month; nothing where the seller is not registered with the import scheme */
    record ImportView(Optional<OneStopShop.Sheet> sheet) {}

    /** @param month any day of it; the one of today without it */
    @GetMapping("/api/shops/{shop}/sales/imports")
    ImportView imports(@PathVariable String shop, @RequestParam Optional<LocalDate> month) {
        CompiledSetup setup = drafts.of(shop).document().compiled();
        boolean registered = setup.setup().tax().registrations().stream()
                .anyMatch(each -> each.scheme() == Tax.Scheme.IMPORT_SCHEME);
        return new ImportView(
                registered
                        ? Optional.of(sales.sheet(
                                OneStopShop.Scheme.IMPORT,
                                shop,
                                gateways.mode(shop),
                                setup.zone(),
                                setup.home().country(),
                                month.orElseGet(() -> LocalDate.ofInstant(clock.instant(), setup.zone()))))
                        : Optional.empty());
    }

    /** The sheet of a month's imports as CSV. */
    @GetMapping(path = "/api/shops/{shop}/sales/imports.csv", produces = "text/csv")
    ResponseEntity<byte[]> importFile(@PathVariable String shop, @RequestParam Optional<LocalDate> month)
            throws IOException {
        return file(shop + "-import-scheme-", imports(shop, month).sheet(), Map.of());
    }

    /** The sheet as CSV: rows, then corrections. */
    @GetMapping(path = "/api/shops/{shop}/sales/union.csv", produces = "text/csv")
    ResponseEntity<byte[]> file(@PathVariable String shop, @RequestParam Optional<LocalDate> quarter)
            throws IOException {
        EuSalesView view = view(shop, quarter);
        return file(shop + "-one-stop-shop-", view.sheet(), view.numbers());
    }

    private static ResponseEntity<byte[]> file(
            String name, Optional<OneStopShop.Sheet> sheet, Map<String, String> numbers) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (CsvWriter csv = CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
            csv.writeRecord("what", "state", "from", "number there", "begins", "kind", "rate", "net EUR", "tax EUR");
            sheet.ifPresent(known -> {
                known.rows()
                        .forEach(row -> csv.writeRecord(
                                "supply",
                                row.state(),
                                row.from(),
                                numbers.getOrDefault(row.from(), ""),
                                known.begins().toString(),
                                row.kind().name().toLowerCase(Locale.ROOT),
                                row.rate().toPlainString(),
                                row.net().toPlainString(),
                                row.tax().toPlainString()));
                known.corrections()
                        .forEach(each -> csv.writeRecord(
                                "correction",
                                each.state(),
                                "",
                                "",
                                each.begins().toString(),
                                "",
                                "",
                                "",
                                each.tax().toPlainString()));
            });
        }
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"" + name
                                + sheet.map(known -> known.begins().toString()).orElse("none") + ".csv\"")
                .body(out.toByteArray());
    }
}

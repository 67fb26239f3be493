package vestcoin.app.payment;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.core.message.Message;

/** What providers have paid out, at the desk. */
@RestController
class PayoutController {
    /** @param next id where the next page goes on, if there is one */
    record PayoutsView(List<Payouts.OnTheWay> onTheWay, List<Payouts.PayoutRow> payouts, Optional<Long> next) {}

    private final Payouts payouts;

    PayoutController(Payouts payouts) {
        this.payouts = payouts;
    }

    @GetMapping("/api/shops/{shop}/payouts")
    PayoutsView payouts(@PathVariable String shop, @RequestParam Optional<Long> below) {
        List<Payouts.PayoutRow> page = payouts.page(shop, below, Payouts.PAGE + 1);
        List<Payouts.PayoutRow> shown = page.subList(0, Math.min(page.size(), Payouts.PAGE));
        return new PayoutsView(
                payouts.onTheWay(shop),
                shown,
                page.size() > Payouts.PAGE
                        ? Optional.of(shown.get(shown.size() - 1).id())
                        : Optional.empty());
    }

    /** @param next place where the next page goes on, if there is one */
    record EntriesView(List<Payouts.Entry> entries, Optional<Integer> next) {}

    /** @param behind place of the last entry on the page before */
    @GetMapping("/api/shops/{shop}/payouts/{payout}")
    EntriesView entries(@PathVariable String shop, @PathVariable long payout, @RequestParam Optional<Integer> behind) {
        List<Payouts.Entry> page = payouts.entries(shop, payout, behind.orElse(-1), Payouts.PAGE + 1);
        List<Payouts.Entry> shown = page.subList(0, Math.min(page.size(), Payouts.PAGE));
        return new EntriesView(
                shown,
                page.size() > Payouts.PAGE
                        ? Optional.of(shown.get(shown.size() - 1).seq())
                        : Optional.empty());
    }

    /** Asks the providers for those that are not known yet. */
    @PostMapping("/api/shops/{shop}/payouts/ask")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ask(@PathVariable String shop) {
        try {
            payouts.ask(shop);
        } catch (ProviderTimeout | ProviderRejection e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "payouts",
                    Message.of("payment.provider-not-answering-so-no-payouts"),
                    Message.of("payment.try-again-in-few-minutes-they-are-asked-every-hour"));
        }
    }

    /** Every entry of every payout, the latest payout first. */
    @GetMapping(path = "/api/shops/{shop}/payouts.csv", produces = "text/csv")
    ResponseEntity<StreamingResponseBody> file(@PathVariable String shop) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + shop + "-payouts.csv\"")
                .body(out -> {
                    try (CsvWriter csv =
                            CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
                        csv.writeRecord(
                                "payout", "day", "provider", "currency", "order", "payment", "kind", "amount", "fee");
                        Optional<Long> below = Optional.empty();
                        List<Payouts.PayoutRow> page;
                        do {
                            page = payouts.page(shop, below, Payouts.PAGE);
                            page.forEach(row -> write(csv, shop, row));
                            below = page.isEmpty()
                                    ? below
                                    : Optional.of(page.get(page.size() - 1).id());
                        } while (!page.isEmpty());
                    }
                });
    }

    private void write(CsvWriter csv, String shop, Payouts.PayoutRow row) {
        int behind = -1;
        List<Payouts.Entry> page;
        do {
            page = payouts.entries(shop, row.id(), behind, Payouts.PAGE);
            page.forEach(entry -> write(csv, row, entry));
            behind = page.isEmpty() ? behind : page.get(page.size() - 1).seq();
        } while (page.size() == Payouts.PAGE);
    }

    private static void write(CsvWriter csv, Payouts.PayoutRow row, Payouts.Entry entry) {
        csv.writeRecord(
                row.ref(),
                row.at().toString(),
                row.gateway(),
                row.currency(),
                entry.order().map(String::valueOf).orElse(""),
                entry.ref(),
                entry.kind(),
                entry.amount().toPlainString(),
                entry.fee().toPlainString());
    }
}

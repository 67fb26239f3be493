package vestcoin.app.sales;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import vestcoin.app.edge.Answers;
import vestcoin.app.format.Json;
import vestcoin.app.format.Phrases;
import vestcoin.app.paper.Paper;
import vestcoin.app.payment.Gateways;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.core.invoice.SalesReport;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/** What was sold, as a table and as a file. Days are the papers' days, by the shop's clock. */
@RestController
class SalesController {
    private static final int MOST_YEARS = 10;

    /**
     * @param by day, week, month or quarter; month, unless another is asked for @param from the first day @param to the
     *     last one, included
     */
    record SalesQuery(Optional<String> by, Optional<LocalDate> from, Optional<LocalDate> to, Optional<String> mode) {
        SalesQuery {
            by = by == null ? Optional.empty() : by;
            from = from == null ? Optional.empty() : from;
            to = to == null ? Optional.empty() : to;
            mode = mode == null ? Optional.empty() : mode;
        }
    }

    /** Orders that have no paper yet: a sum apart. */
    record Unpapered(String currency, int orders, BigDecimal payable) {}

    record SalesView(
            LocalDate from,
            LocalDate to,
            String mode,
            List<SalesReport.Row> rows,
            List<SalesReport.TaxRow> taxes,
            List<SalesReport.KeyRow> methods,
            List<SalesReport.KeyRow> ways,
            List<SalesReport.BusinessRow> businesses,
            List<Unpapered> unpapered) {}

    private final SalesPapers papers;
    private final Drafts drafts;
    private final Editions editions;
    private final Gateways gateways;
    private final Clock clock;

    SalesController(SalesPapers papers, Drafts drafts, Editions editions, Gateways gateways, Clock clock) {
        this.papers = papers;
        this.drafts = drafts;
        this.editions = editions;
        this.gateways = gateways;
        this.clock = clock;
    }

    /** A span of days with the instants that bound it. */
    private record Span(LocalDate from, LocalDate to, String mode, Instant begins, Instant ends, ZoneId zone) {}

    @GetMapping("/api/shops/{shop}/sales")
    SalesView sales(@PathVariable String shop, @ParameterObject SalesQuery asked) {
        Span span = span(shop, asked);
        SalesReport report = new SalesReport(period(asked));
        papers.each(shop, span.mode(), span.begins(), span.ends(), row -> report.add(entry(row, span.zone())));
        return new SalesView(
                span.from(),
                span.to(),
                span.mode(),
                report.rows(),
                report.taxes(),
                report.methods(),
                report.ways(),
                report.businesses(),
                papers.without(shop, span.mode(), span.begins(), span.ends()).stream()
                        .map(each -> new Unpapered(
                                each.currency(),
                                each.orders(),
                                BigDecimal.valueOf(
                                        each.payable(),
                                        CurrencyUnit.of(each.currency()).getDecimalPlaces())))
                        .toList());
    }

    /** Every line of every paper of a span. */
    @GetMapping(path = "/api/shops/{shop}/sales.csv", produces = "text/csv")
    ResponseEntity<StreamingResponseBody> file(@PathVariable String shop, @ParameterObject SalesQuery asked) {
        Span span = span(shop, asked);
        Phrases phrases = Answers.phrases();
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"" + shop + "-sales-" + span.from() + "-" + span.to() + ".csv\"")
                .body(out -> {
                    try (SalesCsv csv = new SalesCsv(
                            out,
                            phrases,
                            row -> Optional.of(
                                    editions.of(shop, row.edition()).document().setup()))) {
                        papers.each(shop, span.mode(), span.begins(), span.ends(), csv::write);
                    }
                });
    }

    /** The year up to today, of real orders where money is real, unless another span is asked for. */
    private Span span(String shop, SalesQuery asked) {
        ZoneId zone = drafts.of(shop).document().compiled().zone();
        LocalDate to = asked.to().orElse(LocalDate.ofInstant(clock.instant(), zone));
        LocalDate from = asked.from().orElse(to.withDayOfYear(1));
        if (from.isAfter(to) || from.plusYears(MOST_YEARS).isBefore(to)) {
            throw new InvalidInput(
                    "from",
                    Message.of("sales.span-cannot-be", "from", from, "to", to),
                    Message.of("sales.choose-first-day-before-last", "years", MOST_YEARS));
        }
        return new Span(
                from,
                to,
                asked.mode().filter(List.of("test", "live")::contains).orElse(gateways.mode(shop)),
                from.atStartOfDay(zone).toInstant(),
                to.plusDays(1).atStartOfDay(zone).toInstant(),
                zone);
    }

    private static SalesReport.Period period(SalesQuery asked) {
        String named = asked.by().orElse("month");
        return Arrays.stream(SalesReport.Period.values())
                .filter(each -> each.name().equalsIgnoreCase(named))
                .findFirst()
                .orElseThrow(() -> new InvalidInput(
                        "by", Message.of("sales.no-such-period", "named", named), Message.of("sales.choose-period")));
    }

    private static SalesReport.Entry entry(SalesPapers.PaperOfOrder row, ZoneId zone) {
        Paper paper = Json.read(row.content(), Paper.class);
        return new SalesReport.Entry(
                LocalDate.ofInstant(row.at(), zone),
                String.valueOf(row.number()),
                paper.credits().isPresent(),
                paper.bill(),
                paper.rounding(),
                paper.currency(),
                row.method(),
                row.way(),
                paper.buyer().vat());
    }
}

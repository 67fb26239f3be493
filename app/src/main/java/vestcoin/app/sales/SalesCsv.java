package vestcoin.app.sales;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.QuoteView;
import vestcoin.app.format.SpreadsheetText;
import vestcoin.app.order.Orders;
import vestcoin.app.paper.Paper;
import vestcoin.core.invoice.Bill;
import vestcoin.core.payment.CardRegion;
import vestcoin.core.setup.Setup;

/**
 * Every line of every paper as CSV (RFC 4180), what was given back below zero. What is of the whole order, such as what
 * was paid, stands in its first row alone, so that columns can be added up. Texts a spreadsheet would take for a
 * formula get an apostrophe before them.
 */
final class SalesCsv implements AutoCloseable {

    private final CsvWriter csv;
    private final Phrases phrases;
    private final Function<SalesPapers.PaperOfOrder, Optional<Setup>> setupOf;
    private final Set<Long> begun = new HashSet<>();

    /** @param setupOf what an order was charged by, where it is still known */
    SalesCsv(OutputStream out, Phrases phrases, Function<SalesPapers.PaperOfOrder, Optional<Setup>> setupOf) {
        this.setupOf = setupOf;
        this.csv = CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8));
        this.phrases = phrases;
        csv.writeRecord(
                "order",
                "placed",
                "paper",
                "kind",
                "issued",
                "currency",
                "buyer",
                "e-mail",
                "street",
                "postcode",
                "town",
                "country",
                "VAT number",
                "line",
                "what",
                "quantity",
                "discount",
                "net",
                "tax country",
                "tax category",
                "rate",
                "tax",
                "gross",
                "rounding",
                "paid by",
                "delivered by",
                "sent",
                "tracking",
                "time",
                "provider's fee",
                "paid",
                "of it by voucher",
                "refunded",
                "answered");
    }

    void write(SalesPapers.PaperOfOrder row) {
        Paper paper = Json.read(row.content(), Paper.class);
        Orders.Address address = Json.read(row.address(), Orders.Address.class);
        boolean back = paper.credits().isPresent();
        boolean firstOfPaper = true;
        for (Bill.Item item : paper.bill().items()) {
            boolean first = begun.add(row.orderId());
            csv.writeRecord(
                    String.valueOf(row.number()),
                    row.placedAt().toString(),
                    paper.number(),
                    row.kind(),
                    paper.issued().toString(),
                    paper.currency(),
                    SpreadsheetText.written(row.name()),
                    SpreadsheetText.written(row.email()),
                    SpreadsheetText.written(String.join(", ", address.lines())),
                    SpreadsheetText.written(address.postcode()),
                    SpreadsheetText.written(address.city()),
                    row.country(),
                    SpreadsheetText.written(paper.buyer().vat().orElse("")),
                    item.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                    SpreadsheetText.written(phrases.say(item.name())),
                    item.quantity().stripTrailingZeros().toPlainString(),
                    amount(item.allowance(), back),
                    amount(item.net(), back),
                    paper.bill().country().orElse(""),
                    item.code().name(),
                    item.rate().stripTrailingZeros().toPlainString(),
                    amount(item.tax(), back),
                    amount(item.gross(), back),
                    firstOfPaper ? amount(paper.rounding(), back) : "",
                    row.method(),
                    row.way(),
                    row.sent(),
                    first ? SpreadsheetText.written(row.tracking()) : "",
                    first ? row.slot() : "",
                    first ? fee(row) : "",
                    first ? minor(row.captured(), paper.currency()) : "",
                    first ? minor(row.byVoucher(), paper.currency()) : "",
                    first ? minor(row.refunded(), paper.currency()) : "",
                    SpreadsheetText.written(
                            item.answers().stream().map(phrases::say).collect(Collectors.joining("; "))));
            firstOfPaper = false;
        }
    }

    /**
     * What the provider kept, as its payouts say; until one does, what it takes by the shop's own table, of a card from
     * abroad in the shop's currency by the row for that.
     */
    private String fee(SalesPapers.PaperOfOrder row) {
        QuoteView quote = KeptQuotes.read(row.quote());
        if (row.feeTold() != null) {
            return minor(row.feeTold(), quote.currency());
        }
        if (!row.cardCountry().isEmpty()) {
            Optional<BigDecimal> byCard = setupOf.apply(row).flatMap(setup -> byCard(row, quote, setup));
            if (byCard.isPresent()) {
                return byCard.get().toPlainString();
            }
        }
        return quote.methods().stream()
                .filter(method -> method.id().equals(row.method()))
                .flatMap(method -> method.fee().stream())
                .map(fee -> fee.value().toPlainString())
                .findFirst()
                .orElse("");
    }

    private static Optional<BigDecimal> byCard(SalesPapers.PaperOfOrder row, QuoteView quote, Setup setup) {
        return setup.payment().methods().stream()
                .filter(method -> method.id().equals(row.method())
                        && quote.currency().equals(setup.shop().currency()))
                .flatMap(method -> method.fee().stream())
                .map(fee -> fee.taken(
                        new BigDecimal(minor(row.captured() - row.byVoucher(), quote.currency())),
                        CardRegion.of(setup.shop().address().country(), row.cardCountry()),
                        CurrencyUnit.of(quote.currency()).getDecimalPlaces()))
                .findFirst();
    }

    private static String amount(BigDecimal amount, boolean back) {
        return (back ? amount.negate() : amount).toPlainString();
    }

    private static String minor(long amount, String currency) {
        return BigDecimal.valueOf(amount, CurrencyUnit.of(currency).getDecimalPlaces())
                .toPlainString();
    }

    @Override
    public void close() {
        try {
            csv.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

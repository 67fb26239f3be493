package vestcoin.app.orderdesk;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.joda.money.CurrencyUnit;
import vestcoin.app.format.SpreadsheetText;
import vestcoin.app.order.OrderList;

/** Orders as CSV. Texts a spreadsheet would take for a formula get an apostrophe before them. */
final class OrderCsv {
    private static final int PAGE = 1000;

    private final OrderList orders;

    OrderCsv(OrderList orders) {
        this.orders = orders;
    }

    void write(String shop, OrderList.OrderFilter wanted, OutputStream out) throws IOException {
        try (CsvWriter csv = CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
            csv.writeRecord(
                    "order", "placed", "mode", "buyer", "country", "currency", "total", "paid by", "state", "sent");
            int below = Integer.MAX_VALUE;
            List<OrderList.Row> page;
            do {
                page = orders.page(shop, wanted, below, PAGE);
                for (OrderList.Row row : page) {
                    csv.writeRecord(
                            String.valueOf(row.number()),
                            row.placedAt().toString(),
                            row.mode(),
                            SpreadsheetText.written(row.name()),
                            row.country(),
                            row.currency(),
                            BigDecimal.valueOf(
                                            row.payable(),
                                            CurrencyUnit.of(row.currency()).getDecimalPlaces())
                                    .toPlainString(),
                            row.method(),
                            row.standing(),
                            row.sent());
                    below = row.number();
                }
            } while (page.size() == PAGE);
        }
    }
}

package vestcoin.app.sales;

import static org.assertj.core.api.Assertions.assertThat;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.run.DemoShop;
import vestcoin.standins.pay.TestCard;

/** The report and its file come to what the papers come to. */
@ExtendWith(RunningShop.class)
class SalesTest {
    private final RunningShop.Running shop;
    private final Caller owner;

    SalesTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    private JsonNode ordered(String currency) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        boolean card = !currency.equals("EUR");
        basket.put("method", card ? "card" : "transfer");
        basket.put("currency", currency);
        Caller.Answer placed = shop.anybody().buy(basket);
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        if (card) {
            shop.anybody().pay(placed.json(), TestCard.APPROVED);
        }
        return placed.json();
    }

    private Caller.Answer act(JsonNode order, String act, String amount) {
        String path = Caller.SHOP + "/orders/" + order.path("number").asInt();
        long payment =
                owner.get(path).json().path("payments").path(0).path("id").asLong();
        return owner.post(
                path + "/" + act, Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", amount));
    }

    private BigDecimal papers(String currency) {
        BigDecimal sum = BigDecimal.ZERO;
        for (Map<String, Object> row : shop.context()
                .getBean(JdbcClient.class)
                .sql("select p.kind, p.gross from paper p join orders o on o.id = p.order_id where p.shop = :shop "
                        + "and o.currency = :currency")
                .param("shop", DemoShop.SHOP)
                .param("currency", currency)
                .query()
                .listOfRows()) {
            BigDecimal gross = BigDecimal.valueOf(((Number) row.get("GROSS")).longValue(), 2);
            sum = List.of("credit", "receipt-back").contains(String.valueOf(row.get("KIND")))
                    ? sum.subtract(gross)
                    : sum.add(gross);
        }
        return sum;
    }

    private static BigDecimal sum(JsonNode rows, String field, String currency) {
        BigDecimal sum = BigDecimal.ZERO;
        for (JsonNode row : rows) {
            if (row.path("currency").asString().equals(currency)) {
                sum = sum.add(new BigDecimal(row.path(field).asString()));
            }
        }
        return sum;
    }

    @Test
    void the_report_and_the_file_come_to_what_the_papers_come_to() throws Exception {
        BigDecimal refundedBefore =
                sum(owner.get(Caller.SHOP + "/sales?mode=test").json().path("rows"), "refunds", "EUR");
        JsonNode euro = ordered("EUR");
        JsonNode franc = ordered("CHF");
        ordered("EUR");
        for (JsonNode order : List.of(euro, franc)) {
            assertThat(act(order, "capture", order.path("quote").path("toPay").asString())
                            .status())
                    .isEqualTo(200);
        }
        assertThat(act(euro, "refund", "7.40").status()).isEqualTo(200);
        Soon.holds(() -> assertThat(
                        owner.get(Caller.SHOP + "/orders/" + euro.path("number").asInt() + "/papers")
                                .json())
                .hasSize(2));
        for (String by : List.of("day", "week", "month", "quarter")) {
            JsonNode sales =
                    owner.get(Caller.SHOP + "/sales?mode=test&by=" + by).json();
            for (String currency : List.of("EUR", "CHF")) {
                assertThat(sum(sales.path("rows"), "total", currency))
                        .as("%s by %s", currency, by)
                        .isEqualByComparingTo(papers(currency));
                assertThat(sum(sales.path("methods"), "total", currency)).isEqualByComparingTo(papers(currency));
            }
            assertThat(sum(sales.path("rows"), "refunds", "EUR").subtract(refundedBefore))
                    .isEqualByComparingTo("7.40");
            assertThat(sales.path("unpapered").path(0).path("orders").asInt()).isPositive();
        }
        Map<String, BigDecimal> lines = new HashMap<>();
        String file = owner.get(Caller.SHOP + "/sales.csv?mode=test").text();
        try (CsvReader<NamedCsvRecord> csv = CsvReader.builder().ofNamedCsvRecord(file)) {
            csv.forEach(row -> lines.merge(
                    row.getField("currency"),
                    new BigDecimal(row.getField("gross"))
                            .add(
                                    row.getField("rounding").isEmpty()
                                            ? BigDecimal.ZERO
                                            : new BigDecimal(row.getField("rounding"))),
                    BigDecimal::add));
        }
        assertThat(lines.get("EUR")).isEqualByComparingTo(papers("EUR"));
        assertThat(lines.get("CHF")).isEqualByComparingTo(papers("CHF"));
    }

    @Test
    void days_that_cannot_be_are_refused_in_a_sentence() {
        assertThat(owner.get(Caller.SHOP + "/sales?from=2026-12-01&to=2026-11-01")
                        .status())
                .isEqualTo(422);
        assertThat(owner.get(Caller.SHOP + "/sales?from=1990-01-01&to=2026-11-01")
                        .status())
                .isEqualTo(422);
        assertThat(owner.get(Caller.SHOP + "/sales?by=decade").sentence()).contains("decade");
        assertThat(owner.get(Caller.SHOP + "/sales?from=2019-01-01&to=2019-12-31")
                        .json()
                        .path("rows"))
                .isEmpty();
    }
}

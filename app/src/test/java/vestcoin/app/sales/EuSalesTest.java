package vestcoin.app.sales;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Year;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.format.Json;
import vestcoin.app.run.DemoShop;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;

/** What is told of sales elsewhere in the Union, against the papers line by line as they go out as CSV. */
@ExtendWith(RunningShop.class)
class EuSalesTest {
    private final RunningShop.Running shop;
    private final Caller owner;

    EuSalesTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    private JsonNode union() {
        return owner.get(Caller.SHOP + "/sales/union").json();
    }

    /** By country and rate, what papers of consumers state; credit notes below zero. */
    private Map<String, BigDecimal[]> papers() {
        List<String> lines =
                owner.get(Caller.SHOP + "/sales.csv").text().lines().toList();
        List<String> heads = List.of(lines.get(0).split(","));
        Map<String, BigDecimal[]> sums = new HashMap<>();
        for (String line : lines.subList(1, lines.size())) {
            String[] cells = line.split(",(?=(?:[^\"]*\"[^\"]*\")*[^\"]*$)", -1);
            String state = cells[heads.indexOf("tax country")];
            if (state.equals("IE") || state.isEmpty() || !cells[heads.indexOf("VAT number")].isEmpty()) {
                continue;
            }
            BigDecimal[] sum = sums.computeIfAbsent(state + " " + cells[heads.indexOf("rate")], key ->
                    new BigDecimal[] {BigDecimal.ZERO, BigDecimal.ZERO});
            sum[0] = sum[0].add(new BigDecimal(cells[heads.indexOf("net")]));
            sum[1] = sum[1].add(new BigDecimal(cells[heads.indexOf("tax")]));
        }
        return sums;
    }

    @Test
    void the_sheet_of_the_quarter_is_what_its_papers_state() throws Exception {
        // The demo's order to Berlin was invoiced, and a part of it given back.
        Soon.holds(() -> assertThat(papers()).containsKey("DE 19"));
        Map<String, BigDecimal[]> papers = papers();
        JsonNode sheet = union().path("sheet");
        Map<String, BigDecimal[]> rows = new HashMap<>();
        for (JsonNode row : sheet.path("rows")) {
            BigDecimal[] sum = rows.computeIfAbsent(
                    row.path("state").asString() + " " + row.path("rate").asString(),
                    key -> new BigDecimal[] {BigDecimal.ZERO, BigDecimal.ZERO});
            sum[0] = sum[0].add(new BigDecimal(row.path("net").asString()));
            sum[1] = sum[1].add(new BigDecimal(row.path("tax").asString()));
            assertThat(row.path("kind").asString()).isEqualTo("goods");
        }
        assertThat(rows).hasSameSizeAs(papers).allSatisfy((row, sum) -> {
            assertThat(sum[0]).as(row).isEqualByComparingTo(papers.get(row)[0]);
            assertThat(sum[1]).as(row).isEqualByComparingTo(papers.get(row)[1]);
        });
        String csv = owner.get(Caller.SHOP + "/sales/union.csv").text();
        assertThat(csv).contains("supply,DE,IE,IE1234567T,").contains(",goods,19,");
    }

    @Test
    void the_counter_counts_what_crossed_without_its_tax() throws Exception {
        Soon.holds(() -> assertThat(papers()).containsKey("DE 19"));
        BigDecimal net = papers().values().stream().map(sum -> sum[0]).reduce(BigDecimal.ZERO, BigDecimal::add);
        JsonNode counter = union().at("/counter/counter");
        assertThat(new BigDecimal(counter.path("thisYear").asString())).isEqualByComparingTo(net);
        assertThat(counter.path("passed").asBoolean()).isFalse();
    }

    @Test
    void an_empty_quarter_is_a_sheet_that_is_due() {
        JsonNode sheet = owner.get(Caller.SHOP + "/sales/union?quarter=2021-05-05")
                .json()
                .path("sheet");
        assertThat(sheet.path("rows")).isEmpty();
        assertThat(sheet.path("due").asString()).isEqualTo("2021-07-31");
    }

    /** The rate a kite to Berlin bears at the counter. */
    private String rate() {
        return shop.anybody()
                .post(
                        Caller.COUNTER + "/quote",
                        Caller.quoting(Map.of(
                                "lines",
                                List.of(Map.of("product", "box-kite", "quantity", "1")),
                                "to",
                                Map.of("country", "DE", "postcode", "10115"),
                                "delivery",
                                "tube")))
                .json()
                .at("/taxes/0/percent")
                .asString();
    }

    private JdbcClient sql() {
        return shop.context().getBean(JdbcClient.class);
    }

    /** Directive 2006/112/EC, Art. 59c: taxed at home until 10,000 euro are passed, from then on where it goes. */
    @Test
    @Witness(value = "tax.salesElsewhere[].net", felt = Felt.COUNTER)
    @Witness(value = "tax.salesElsewhere[].year", felt = Felt.COUNTER)
    @Witness(value = "tax.salesElsewhere[].id", felt = Felt.COUNTER)
    void what_was_sold_across_borders_decides_whose_rate_the_next_order_bears() throws Exception {
        JsonNode before = owner.get(Caller.SHOP + "/draft").json().at("/document/tax/registrations");
        int year = Year.now(ZoneId.of("Europe/Dublin")).getValue();
        Soon.holds(() -> assertThat(papers()).containsKey("DE 19"));
        owner.publish(Map.of(
                "tax/registrations",
                List.of(Map.of("id", "ireland", "authority", "IE", "number", "IE1234567T", "scheme", "ordinary"))));
        try {
            assertThat(rate()).isEqualTo("23");
            // What the seller says of sales elsewhere counts with the papers.
            owner.publish(
                    Map.of("tax/salesElsewhere", List.of(Map.of("id", "so-far", "year", year, "net", "9990.00"))));
            assertThat(rate()).isEqualTo("19");
            assertThat(new BigDecimal(union().at("/counter/counter/thisYear").asString()))
                    .isGreaterThan(new BigDecimal("9990"));
            owner.publish(Map.of("tax/salesElsewhere/so-far/net", "9000.00"));
            assertThat(rate()).isEqualTo("23");
            // Passed in the papers of last year, whatever was given back since.
            sql().sql("insert into union_sale(shop, mode, sold_on, currency, net) values "
                            + "(:shop, 'test', :day, 'EUR', 1000100), (:shop, 'test', :next, 'EUR', -900000)")
                    .param("shop", DemoShop.SHOP)
                    .param("day", LocalDate.of(year - 1, 3, 1))
                    .param("next", LocalDate.of(year - 1, 3, 2))
                    .update();
            assertThat(rate()).isEqualTo("19");
            assertThat(union().at("/counter/counter/passed").asBoolean()).isTrue();
            // The board says the same as the counter, and the draft is told to register.
            assertThat(owner.get(Caller.SHOP + "/draft").json().path("findings").toString())
                    .contains("over-threshold");
        } finally {
            sql().sql("delete from union_sale where sold_on < :day")
                    .param("day", LocalDate.of(year, 1, 1))
                    .update();
            owner.publish(Map.of(
                    "tax/registrations", Json.read(before.toString(), List.class), "tax/salesElsewhere", List.of()));
        }
    }

    @Test
    void a_year_is_written_once_and_its_sales_are_an_amount() {
        assertThat(owner.edit(Map.of(
                                "tax/salesElsewhere",
                                List.of(
                                        Map.of("id", "a", "year", 2026, "net", "1.00"),
                                        Map.of("id", "b", "year", 2026, "net", "-1.00"))))
                        .paths())
                .containsExactlyInAnyOrder("tax/salesElsewhere/b/year", "tax/salesElsewhere/b/net");
    }
}

package vestcoin.app.sales;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;

/** What is told of sales elsewhere in the Union, against the papers line by line as they go out as CSV. */
@ExtendWith(RunningShop.class)
class EuSalesTest {
    private final Caller owner;

    EuSalesTest(RunningShop.Running shop) {
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
        assertThat(sheet.path("rows")).hasSize(papers.size());
        for (JsonNode row : sheet.path("rows")) {
            BigDecimal[] sum = papers.get(
                    row.path("state").asString() + " " + row.path("rate").asString());
            assertThat(new BigDecimal(row.path("net").asString())).isEqualByComparingTo(sum[0]);
            assertThat(new BigDecimal(row.path("tax").asString())).isEqualByComparingTo(sum[1]);
            assertThat(row.path("kind").asString()).isEqualTo("goods");
        }
        String csv = owner.get(Caller.SHOP + "/sales/union.csv").text();
        assertThat(csv).contains("supply,DE,").contains(",goods,19,");
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
}

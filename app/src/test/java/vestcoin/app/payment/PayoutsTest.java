package vestcoin.app.payment;

import static org.assertj.core.api.Assertions.assertThat;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.standins.pay.TestCard;

/** What a provider has paid out is matched to orders, once, and its fees are the ones in the file. */
@ExtendWith(RunningShop.class)
class PayoutsTest {
    private static final String PAYOUTS = Caller.SHOP + "/payouts";
    private final RunningShop.Running shop;

    PayoutsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private void aDayPasses() {
        Caller owner = shop.owner();
        long ahead =
                owner.get(Caller.SHOP + "/practice/time").json().path("ahead").asLong();
        assertThat(owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", 1))
                        .status())
                .isEqualTo(200);
    }

    private int paid(TestCard card) throws Exception {
        JsonNode placed = shop.anybody().placeBook();
        JsonNode paid = shop.anybody().pay(placed, card).json();
        assertThat(paid.path("standing").asString()).as(paid.toString()).isEqualTo("paid");
        int number = placed.path("number").asInt();
        vestcoin.app.Soon.holds(() -> assertThat(shop.owner()
                        .get(Caller.SHOP + "/orders/" + number + "/papers")
                        .json()
                        .size())
                .isPositive());
        return number;
    }

    /** Of the last month: on the day that passes a year may begin. */
    private String fee(int order) {
        LocalDate from = LocalDate.now(ZoneOffset.UTC).minusMonths(1);
        return CsvReader.builder()
                .ofNamedCsvRecord(shop.owner()
                        .get(Caller.SHOP + "/sales.csv?from=" + from)
                        .text())
                .stream()
                .filter(row -> row.getField("order").equals(String.valueOf(order)))
                .map((NamedCsvRecord row) -> row.getField("provider's fee"))
                .findFirst()
                .orElseThrow();
    }

    /** The entries of all payouts that are of an order. */
    private List<JsonNode> entries(int order) {
        Caller owner = shop.owner();
        return StreamSupport.stream(owner.get(PAYOUTS).json().path("payouts").spliterator(), false)
                .flatMap(payout -> StreamSupport.stream(
                        owner.get(PAYOUTS + "/" + payout.path("id").asLong())
                                .json()
                                .path("entries")
                                .spliterator(),
                        false))
                .filter(entry -> entry.path("order").asInt() == order)
                .toList();
    }

    /**
     * The book costs 31.40. By the shop's table a card of Norway costs 2.0 % and 0.20, one of Brazil 3.0 % and 0.40;
     * what the simulated processor keeps (2.2 % and 0.25, 3.1 % and 0.30) is told by its payout, and then holds.
     */
    @Test
    @Witness(value = "payment.methods[].fee.eea.percent", felt = Felt.FILE)
    @Witness(value = "payment.methods[].fee.eea.fixed", felt = Felt.FILE)
    @Witness(value = "payment.methods[].fee.elsewhere.percent", felt = Felt.FILE)
    @Witness(value = "payment.methods[].fee.elsewhere.fixed", felt = Felt.FILE)
    void fees_go_by_the_card_until_the_payout_says_what_was_kept() throws Exception {
        shop.owner()
                .publish(Map.of(
                        "payment/methods/card/capture",
                        "at-once",
                        "payment/methods/card/fee",
                        Map.of(
                                "percent",
                                "1.7",
                                "fixed",
                                "0.21",
                                "eea",
                                Map.of("percent", "2.0", "fixed", "0.20"),
                                "elsewhere",
                                Map.of("percent", "3.0", "fixed", "0.40"))));
        int home = paid(TestCard.APPROVED);
        int norway = paid(TestCard.OF_THE_EEA);
        int brazil = paid(TestCard.FROM_OVERSEAS);
        assertThat(fee(home)).isEqualTo("0.74");
        assertThat(fee(norway)).isEqualTo("0.83");
        assertThat(fee(brazil)).isEqualTo("1.34");
        assertThat(entries(brazil)).isEmpty();
        BigDecimal before = onTheWay();
        assertThat(before).isGreaterThanOrEqualTo(new BigDecimal("94.20"));

        aDayPasses();
        assertThat(shop.owner().post(PAYOUTS + "/ask", Map.of()).status()).isEqualTo(204);
        assertThat(shop.owner().post(PAYOUTS + "/ask", Map.of()).status()).isEqualTo(204);
        assertThat(entries(brazil)).singleElement().satisfies(entry -> {
            assertThat(entry.path("amount").asString()).isEqualTo("31.40");
            assertThat(entry.path("fee").asString()).isEqualTo("1.27");
        });
        assertThat(fee(home)).isEqualTo("0.74");
        assertThat(fee(norway)).isEqualTo("0.94");
        assertThat(fee(brazil)).isEqualTo("1.27");
        assertThat(before.subtract(onTheWay())).isGreaterThanOrEqualTo(new BigDecimal("94.20"));

        // What is given back is in the next payout, and every payout is what its entries come to.
        assertThat(shop.owner()
                        .post(
                                Caller.SHOP + "/orders/" + brazil + "/refund",
                                Map.of("key", UUID.randomUUID().toString(), "amount", "31.40"))
                        .status())
                .isEqualTo(200);
        aDayPasses();
        shop.owner().post(PAYOUTS + "/ask", Map.of());
        assertThat(entries(brazil))
                .extracting(entry -> entry.path("amount").asString())
                .containsExactlyInAnyOrder("31.40", "-31.40");
        shop.owner().get(PAYOUTS).json().path("payouts").forEach(payout -> {
            assertThat(payout.path("unmatched").asInt()).isZero();
            assertThat(new BigDecimal(payout.path("gross").asString())
                            .subtract(new BigDecimal(payout.path("fees").asString())))
                    .isEqualByComparingTo(payout.path("amount").asString());
        });
        assertThat(shop.owner().get(PAYOUTS + ".csv").text()).contains(",-31.40,0.00");
    }

    @Test
    void the_entries_of_a_payout_come_page_by_page_and_all_of_them_to_the_file() {
        JdbcClient sql = shop.context().getBean(JdbcClient.class);
        sql.sql("insert into payout(shop, gateway, mode, ref, currency, amount, at) values (:shop, 'cards', 'test', "
                        + "'a-long-one', 'EUR', 12000, now())")
                .param("shop", DemoShop.SHOP)
                .update();
        long payout = sql.sql("select id from payout where ref = 'a-long-one'")
                .query(Long.class)
                .single();
        sql.sql("insert into payout_entry(payout, seq, provider_ref, kind, amount, fee) select :id, x - 1, 'gone-' "
                        + "|| x, 'capture', 100, 0 from system_range(1, 120)")
                .param("id", payout)
                .update();
        List<String> seen = new ArrayList<>();
        String behind = "";
        do {
            JsonNode page = shop.owner().get(PAYOUTS + "/" + payout + behind).json();
            assertThat(page.path("entries").size()).isLessThanOrEqualTo(Payouts.PAGE);
            page.path("entries").forEach(entry -> seen.add(entry.path("ref").asString()));
            behind = page.hasNonNull("next") ? "?behind=" + page.path("next").asInt() : "";
        } while (!behind.isEmpty());
        assertThat(seen).hasSize(120).doesNotHaveDuplicates();
        assertThat(shop.owner().get(PAYOUTS + ".csv").text().lines().filter(line -> line.startsWith("a-long-one,")))
                .hasSize(120);
        sql.sql("delete from payout_entry where payout = :id")
                .param("id", payout)
                .update();
        sql.sql("delete from payout where id = :id").param("id", payout).update();
    }

    private BigDecimal onTheWay() {
        return StreamSupport.stream(
                        shop.owner().get(PAYOUTS).json().path("onTheWay").spliterator(), false)
                .filter(each -> each.path("currency").asString().equals("EUR"))
                .map(each -> new BigDecimal(each.path("amount").asString()))
                .findFirst()
                .orElse(BigDecimal.ZERO);
    }

    @Test
    void a_provider_that_does_not_answer_is_said() {
        shop.services().cards().outage(true);
        try {
            Caller.Answer answer = shop.owner().post(PAYOUTS + "/ask", Map.of());
            assertThat(answer.status()).isBetween(502, 504);
            assertThat(answer.sentence()).isNotEmpty();
        } finally {
            shop.services().cards().outage(false);
        }
    }
}

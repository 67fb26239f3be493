package vestcoin.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import vestcoin.core.payment.Gateway;
import vestcoin.core.quote.Shops;
import vestcoin.core.tax.Sales;

/** The usual slips before opening: test keys left in, no payment tried, nothing that takes money. Common practice, no source. */
class AgainstOpeningTest {
    private static List<String> against(Map<String, Gateway> gateways, String... untried) {
        return AgainstOpening.of(new Shops.Maker().taxes("IE", "s", "23").sells("p", "10.00", "s", "1 kg").delivers("WORLD", "post", "4.00").compiled(),
                new Known(Shops.NOON, gateways, Sales.NONE, Set.of(untried))).stream().map(Finding::id).toList();
    }

    @Test
    void a_live_account_that_was_tried_stands_against_nothing() {
        assertThat(against(Map.of("cards", Gateway.LIVE))).isEmpty();
    }

    @Test
    void test_mode_and_an_account_never_tried_each_stand_against_it() {
        assertThat(against(Map.of("cards", Gateway.TEST))).containsExactly("account-in-test-mode");
        assertThat(against(Map.of("cards", Gateway.LIVE), "cards")).containsExactly("gateway-untried");
        assertThat(against(Map.of("cards", Gateway.TEST), "cards")).containsExactlyInAnyOrder("gateway-untried", "account-in-test-mode");
    }

    @Test
    void accounts_nothing_uses_are_not_asked_about() {
        assertThat(against(Map.of("cards", Gateway.LIVE, "spare", Gateway.TEST), "spare")).isEmpty();
    }

    @Test
    void an_account_that_waits_or_fails_leaves_no_way_to_pay() {
        assertThat(against(Map.of("cards", Gateway.WAITING_FOR_APPROVAL))).containsExactly("no-way-to-pay");
        assertThat(against(Map.of("cards", Gateway.FAILING))).containsExactly("no-way-to-pay");
        assertThat(against(Map.of())).containsExactly("no-way-to-pay");
    }

    @Test
    void everything_against_it_names_its_field_and_what_to_do() {
        assertThat(AgainstOpening.of(new Shops.Maker().compiled(), new Known(Shops.NOON, Map.of("cards", Gateway.TEST)))).isNotEmpty().allSatisfy(finding -> {
            assertThat(finding.severity()).isEqualTo(Finding.Severity.BLOCKS_OPENING);
            assertThat(finding.path()).isNotBlank();
            assertThat(finding.remedy()).endsWith(".");
        });
    }
}

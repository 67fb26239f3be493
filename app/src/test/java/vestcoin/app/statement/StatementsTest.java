package vestcoin.app.statement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.core.payment.CreditorReference;
import vestcoin.standins.bank.Bank;

/** Transfers on statements find their orders by reference and amount, once each, and nothing is guessed. */
@ExtendWith(RunningShop.class)
class StatementsTest {
    private static final String HEADER = "date,amount,currency,reference,payer\n";
    private final RunningShop.Running shop;

    StatementsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode placed() {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", "transfer");
        return shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, "31.40"))
                .json();
    }

    private static String reference(JsonNode placed) {
        return placed.path("slip").path("reference").asString();
    }

    private Caller.Answer taken(String type, String file) {
        return shop.owner().call("POST", Caller.SHOP + "/statements", file, Map.of("Content-Type", type));
    }

    private String standing(JsonNode placed) {
        return shop.owner()
                .get(Caller.SHOP + "/orders/" + placed.path("number").asInt())
                .json()
                .path("standing")
                .asString();
    }

    /** From the bank's page to the books: the statement the simulated bank writes, with each kind of payment on it. */
    @Test
    void exact_under_over_double_and_unknown_transfers_each_get_their_state() {
        Bank bank = shop.services().bank();
        List<JsonNode> orders = List.of(placed(), placed(), placed());
        bank.transfer("31.40", "EUR", reference(orders.get(0)), "Exact");
        bank.transfer("30.00", "EUR", reference(orders.get(1)), "Under");
        bank.transfer("40.00", "EUR", "thank you for order " + reference(orders.get(2)) + " and best wishes", "Over");
        bank.transfer("31.40", "EUR", reference(orders.get(0)), "Double");
        bank.transfer("31.40", "EUR", "kites", "Nobody knows");
        bank.transfer("31.40", "CHF", reference(orders.get(1)), "Other currency");
        String file = bank.statement("IE36TNTR93000001234567");
        JsonNode lines = taken("application/xml", file).json().path("lines");
        assertThat(lines.valueStream()
                        .map(line -> line.path("payer").asString() + " "
                                + line.path("state").asString() + " "
                                + line.path("surplus").asString()))
                .containsExactly(
                        "Exact exact 0.00",
                        "Under under 0.00",
                        "Over over 8.60",
                        "Double double 31.40",
                        "Nobody knows unmatched 0.00",
                        "Other currency unmatched 0.00");
        assertThat(orders.stream().map(this::standing)).containsExactly("paid", "paid in part", "paid");
        JsonNode again = taken("application/xml", file).json();
        assertThat(again.path("known").asInt())
                .as("the same file again changes nothing")
                .isEqualTo(6);
        assertThat(again.path("lines").size()).isZero();
        assertThat(shop.owner().get(Caller.SHOP + "/statements").json().size()).isGreaterThanOrEqualTo(6);
    }

    @Test
    void a_table_of_comma_separated_values_does_too() {
        JsonNode placed = placed();
        JsonNode lines = taken(
                        "text/csv",
                        HEADER + "2026-11-25,31.40,EUR," + reference(placed)
                                + ",A Buyer\n2026-11-25,-5.00,EUR,fees,The Bank\n")
                .json()
                .path("lines");
        assertThat(lines.size()).as("what went out is left aside").isEqualTo(1);
        assertThat(standing(placed)).isEqualTo("paid");
    }

    /** A reference with one digit wrong is no reference: check digits by ISO 7064 MOD 97-10. */
    @Test
    void a_reference_with_a_digit_wrong_is_listed_and_not_guessed() {
        JsonNode placed = placed();
        String whole = CreditorReference.of(String.valueOf(placed.path("number").asInt()));
        String wrong = whole.substring(0, 4) + (whole.charAt(4) == '1' ? '2' : '1') + whole.substring(5);
        assertThat(taken("text/csv", HEADER + "2026-11-25,31.40,EUR," + wrong + ",A Buyer\n")
                        .json()
                        .path("lines")
                        .path(0)
                        .path("state")
                        .asString())
                .isEqualTo("unmatched");
        assertThat(standing(placed)).isEqualTo("waiting");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "text/csv|when,how much\\n1,2|The first line does not name the columns.",
                "text/csv|date,amount,currency,reference,payer\\n25.11.2026,1,EUR,x,y|“25.11.2026” is not a day.",
                "text/csv|date,amount,currency,reference,payer\\n2026-11-25,a lot,EUR,x,y|“a lot” is not an amount "
                        + "that came in.",
                "application/xml|<letter/>|This XML file is not a bank statement.",
                "application/xml|<!DOCTYPE x [<!ENTITY e SYSTEM 'file:///etc/passwd'>]><x>&e;</x>|This is not a "
                        + "statement that can be read"
            })
    void bad_statements_are_refused_in_words(String type, String file, String sentence) {
        Caller.Answer answer = taken(type, file.replace("\\n", "\n"));
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.sentence()).startsWith(sentence);
        assertThat(answer.text()).doesNotContain("root:");
    }
}

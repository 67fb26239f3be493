package vestcoin.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import vestcoin.core.English;
import vestcoin.core.problem.InvalidInput;

class RateTextTest {
    private static PriceRule read(String text) {
        return RateText.parse("cell", text, CurrencyUnit.EUR).orElseThrow();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "5.90",
                "free",
                "6.50, from 80 free",
                "to 1 kg 4.90, to 5 kg 7.90, then +0.80/kg",
                "to 500 g 3.00, then +1.00/250 g",
                "to 2 items 3.00, to 10 items 5.00",
                "to 50 EUR 4.90, to 100 EUR 2.90, from 120 free",
                "to 2 lb 6.00",
                "4.00 + 1.20/kg",
                "4.00 + 0.50/item",
                "4.00 + 2.5 %, from 90 free",
                "0.00 + 0.01/oz"
            })
    void a_rule_is_printed_as_it_is_typed(String text) {
        assertThat(RateText.print(read(text))).isEqualTo(text);
    }

    @Test
    void loose_typing_is_understood() {
        assertThat(read("  to 1kg 4.9,to 5 KG 7.90 , then 0.80 per kg"))
                .isEqualTo(read("to 1 kg 4.90, to 5 kg 7.90, then +0.80/kg"));
        assertThat(RateText.parse("cell", "not offered", CurrencyUnit.EUR)).isEmpty();
    }

    @Test
    void it_is_read_back_in_words() {
        assertThat(String.join(
                        " ",
                        English.of(RateText.inWords(
                                read("to 1 kg 6.90, to 5 kg 9.40, then +0.80/kg, " + "from 80 free")))))
                .isEqualTo("Up to and including 1 kg: 6.90. Up to 5 kg: 9.40. Above that 0.80 more for each started "
                        + "kg. Free from goods of 80.00.");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "abc | cannot be read",
                "-5.00 | below zero",
                "to 1 6.90 | does not say what is counted",
                "to 5 kg 4, to 1 kg 6 | not above the one before",
                "4,90 | Write decimals with a point",
                "5.905 | more decimals",
                "to 1 kg 4, to 3 items 6 | One rule counts in",
                "to 1 parsec 4 | not a unit",
                "then +0.80/kg | has to follow",
                "5.00, to 1 kg 4.00 | fixed price and bands",
                "from 80 free | no price",
                "4.00 + 1.20/EUR | is a percent",
                "4.00, 4.00 + 1/kg | two prices",
                "4.00 + -1/kg | below zero"
            })
    void what_cannot_be_read_is_said_with_a_remedy(String typed, String said) {
        assertThatThrownBy(() -> RateText.parse("delivery/zones/ie/rates/tube", typed, CurrencyUnit.EUR))
                .isInstanceOfSatisfying(InvalidInput.class, refused -> {
                    assertThat(refused.problems()).singleElement().satisfies(problem -> {
                        assertThat(problem.path()).isEqualTo("delivery/zones/ie/rates/tube");
                        assertThat(English.of(problem.sentence()) + English.of(problem.remedy()))
                                .contains(said);
                        assertThat(English.of(problem.remedy())).isNotBlank();
                    });
                });
    }
}

package vestcoin.app.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** What is left, counted at the desk and taken by orders. */
@ExtendWith(RunningShop.class)
class StockTest {
    private static final String BOOK = "kites-you-can-build";
    private final RunningShop.Running shop;

    StockTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private Caller.Answer count(String item, Map<String, ?> said) {
        Map<String, Object> body = new java.util.HashMap<>(said);
        body.put("item", item);
        return shop.owner().put(Caller.SHOP + "/stock/" + BOOK, body);
    }

    @Test
    void counting_against_a_sale_that_came_between_is_refused() {
        assertThat(count(BOOK, Map.of("remaining", "2"))
                        .json()
                        .path("left")
                        .path(BOOK)
                        .asString())
                .isEqualTo("2");
        shop.anybody().placeBook();
        Caller.Answer late = count(BOOK, Map.of("seen", "2", "remaining", "12"));
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.sentence()).isEqualTo("Meanwhile 1 is left.");
        assertThat(count(BOOK, Map.of("seen", "1", "remaining", "0")).status()).isEqualTo(200);
        Map<String, Object> book = Caller.book();
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/quote", Caller.quoting(book))
                        .text())
                .contains("sold out");
        assertThat(count(BOOK, Map.of("seen", "0")).json().path("left").isEmpty())
                .as("counted no more")
                .isTrue();
        assertThat(shop.anybody().placeBook().path("number").asInt()).isPositive();
    }

    @Test
    void what_cannot_be_a_number_of_things_is_refused() {
        for (String wrong : new String[] {"-1", "1.2345", "99999999999"}) {
            assertThat(count(BOOK, Map.of("remaining", wrong)).status())
                    .as(wrong)
                    .isEqualTo(422);
        }
        assertThat(count("another", Map.of("remaining", "1")).status()).isEqualTo(422);
        assertThat(count(BOOK + "0", Map.of("remaining", "1")).status()).isEqualTo(422);
    }
}

package vestcoin.app.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.standins.pay.TestCard;

/** A service on a day: booked, counted, said wherever one would look, and not sold once it has begun. */
@ExtendWith(RunningShop.class)
class AttendanceTest {
    private final RunningShop.Running shop;

    AttendanceTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode days() {
        for (JsonNode product :
                shop.anybody().get(Caller.COUNTER).json().path("goods").path("products")) {
            if (product.path("id").asString().equals("saturday-workshop")) {
                return product.path("options").path(0).path("choices");
            }
        }
        throw new IllegalStateException("no workshop");
    }

    private static Map<String, Object> basket(String day, String quantity) {
        return Map.of(
                "lines",
                List.of(Map.of(
                        "product", "saturday-workshop", "quantity", quantity, "options", Map.of("session", day))),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "method",
                "card");
    }

    private JsonNode quoted(Map<String, Object> basket) {
        return shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
    }

    private JsonNode booked(String day, String quantity) {
        Map<String, Object> basket = new HashMap<>(basket(day, quantity));
        Caller.Answer placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(
                                UUID.randomUUID().toString(),
                                basket,
                                quoted(basket).path("toPay").asString()));
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        shop.anybody().pay(placed.json(), TestCard.APPROVED);
        return placed.json();
    }

    private String left(String day) {
        return shop.anybody()
                .get(Caller.COUNTER)
                .json()
                .path("goods")
                .path("left")
                .path("saturday-workshop/" + day)
                .asString();
    }

    @Test
    @Witness(value = "goods.products[].options[].choices[].when.starts", felt = Felt.LETTER)
    @Witness(value = "goods.products[].options[].choices[].when.ends", felt = Felt.LETTER)
    void day_hours_and_place_are_said_on_page_letter_desk_and_calendar_and_seats_come_back() throws Exception {
        String day = days().path(0).path("id").asString();
        assertThat(left(day)).isEqualTo("8");
        JsonNode placed = booked(day, "2");
        assertThat(left(day)).isEqualTo("6");
        String page = "/api/counter/orders/" + placed.path("token").asString();
        JsonNode attending = shop.anybody().get(page).json().path("attending").path(0);
        assertThat(attending.path("starts").asString()).startsWith(day + "T10:00");
        assertThat(attending.path("where").toString()).contains("Galway");
        String number = placed.path("number").asString();
        Soon.holds(() -> assertThat(shop.services().post().letters()).anySatisfy(letter -> assertThat(letter.plain())
                .contains("Saturday workshop: Saturday")
                .contains("10:00")
                .contains("13:00")
                .contains("/order/" + placed.path("token").asString())));
        String order = Caller.SHOP + "/orders/" + number;
        assertThat(shop.owner().get(order).json().path("attending").size()).isEqualTo(1);
        JsonNode comings =
                shop.owner().post(Caller.SHOP + "/calendar", Map.of()).json();
        assertThat(comings.path("coming")).anySatisfy(coming -> {
            assertThat(coming.path("number").asString()).isEqualTo(number);
            assertThat(coming.path("place").asString()).isEqualTo("Saturday workshop");
            assertThat(coming.path("things").asString()).isEqualTo("2");
        });
        String feed = comings.path("calendar").asString();
        assertThat(shop.anybody()
                        .get(feed.substring(feed.indexOf("/calendar/")))
                        .text())
                .contains("Saturday workshop");
        assertThat(shop.owner().post(order + "/cancel", Map.of()).status()).isEqualTo(200);
        assertThat(left(day)).as("called off").isEqualTo("8");
        assertThat(shop.anybody().get(page).json().path("attending")).isEmpty();
        assertThat(shop.owner().get(Caller.SHOP + "/bookings").json().path("coming"))
                .noneSatisfy(
                        coming -> assertThat(coming.path("number").asString()).isEqualTo(number));
    }

    @Test
    void more_than_there_are_seats_is_refused_and_so_is_a_day_that_has_begun() throws Exception {
        String day = days().path(1).path("id").asString();
        assertThat(quoted(basket(day, "9")).path("missing").toString()).contains("Only 8");
        shop.owner()
                .publish(Map.of(
                        "goods/products/saturday-workshop/options/session/choices/" + day + "/when",
                        Map.of("starts", "2020-01-04T10:00", "ends", "2020-01-04T13:00")));
        assertThat(quoted(basket(day, "1")).path("missing").toString()).contains("the day you chose is over");
    }

    @Test
    void a_day_without_sense_is_refused_at_its_field() {
        String day = days().path(2).path("id").asString();
        String path = "goods/products/saturday-workshop/options/session/choices/" + day + "/when";
        Caller.Answer answer = shop.owner()
                .post(
                        Caller.SHOP + "/draft/edits",
                        Map.of(
                                "edits",
                                List.of(Map.of(
                                        "path",
                                        path,
                                        "was",
                                        Map.of("starts", day + "T10:00:00", "ends", day + "T13:00:00"),
                                        "now",
                                        Map.of("starts", day + "T13:00", "ends", day + "T10:00")))));
        assertThat(answer.paths()).containsExactly(path);
        assertThat(answer.sentence()).contains("no day with hours");
    }
}

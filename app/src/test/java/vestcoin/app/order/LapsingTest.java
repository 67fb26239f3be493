package vestcoin.app.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.message.Messages;
import vestcoin.app.outside.ApplicationClock;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.core.life.HoldPeriod;
import vestcoin.core.payment.Payment;
import vestcoin.standins.post.PostRoom;

/** Orders that wait for their money: reminded of half-way, told that it came, or that they lapsed. */
@ExtendWith(RunningShop.class)
class LapsingTest {
    private final RunningShop.Running shop;

    LapsingTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode placed() {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", "transfer");
        Caller.Answer answer = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, "31.40"));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private JsonNode page(JsonNode placed) {
        return shop.anybody()
                .get("/api/counter/orders/" + placed.path("token").asString())
                .json();
    }

    private void pass(int days) throws Exception {
        Caller owner = shop.owner();
        long ahead =
                owner.get(Caller.SHOP + "/practice/time").json().path("ahead").asLong();
        assertThat(owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", days))
                        .status())
                .isEqualTo(200);
        settle();
    }

    /** Until all letters that are owed are written, by whoever is writing them. */
    private void settle() throws Exception {
        do {
            shop.context().getBean(Messages.class).settled();
        } while (shop.context()
                        .getBean(JdbcClient.class)
                        .sql("select count(*) from owed")
                        .query(Integer.class)
                        .single()
                > 0);
        shop.context().getBean(Messages.class).settled();
    }

    private List<PostRoom.Letter> letters(JsonNode placed, String part) {
        String number = placed.path("number").asString();
        return shop.services().post().letters().stream()
                .filter(letter -> letter.to().startsWith("buyer"))
                .filter(letter ->
                        letter.subject().contains(number) && letter.subject().contains(part))
                .toList();
    }

    private LocalDate today() {
        return LocalDate.ofInstant(
                shop.context().getBean(ApplicationClock.class).instant(), ZoneId.of("Europe/Dublin"));
    }

    /** Seven days for a transfer; common practice, no source. */
    @Test
    void half_way_a_buyer_is_reminded_once_and_then_the_order_lapses_with_a_letter() throws Exception {
        JsonNode placed = placed();
        LocalDate until = today().plusDays(7);
        assertThat(page(placed).path("keptUntil").asString()).isEqualTo(until.toString());
        pass(3);
        assertThat(letters(placed, "is kept for you until")).isEmpty();
        pass(1);
        assertThat(letters(placed, "is kept for you until")).hasSize(1).allSatisfy(letter -> assertThat(letter.plain())
                .contains("€31.40 are still to be paid")
                .contains("IBAN")
                .contains(placed.path("token").asString()));
        pass(1);
        assertThat(letters(placed, "is kept for you until")).as("once").hasSize(1);
        assertThat(letters(placed, "has lapsed")).isEmpty();
        pass(3);
        assertThat(letters(placed, "has lapsed")).hasSize(1).allSatisfy(letter -> assertThat(letter.plain())
                .doesNotContain("IBAN"));
        assertThat(page(placed).path("cancelled").asBoolean()).isTrue();
    }

    /** What is left is reminded of; an order of which money has come does not lapse. */
    @Test
    void where_a_part_has_come_what_is_left_is_reminded_of() throws Exception {
        JsonNode placed = placed();
        Caller owner = shop.owner();
        String at = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        long payment = owner.get(at).json().path("payments").path(0).path("id").asLong();
        owner.post(at + "/capture", Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "10.00"));
        pass(4);
        assertThat(letters(placed, "is kept for you until")).hasSize(1).allSatisfy(letter -> assertThat(letter.plain())
                .contains("€21.40 are still to be paid"));
        pass(5);
        assertThat(page(placed).path("cancelled").asBoolean()).isFalse();
    }

    @Test
    void that_the_money_came_is_told_and_its_instructions_are_gone() throws Exception {
        JsonNode placed = placed();
        Caller owner = shop.owner();
        String at = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        long payment = owner.get(at).json().path("payments").path(0).path("id").asLong();
        owner.post(at + "/capture", Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "10.00"));
        settle();
        assertThat(letters(placed, "has come")).isEmpty();
        assertThat(page(placed).path("slip").path("amount").asString()).isEqualTo("21.40");
        owner.post(at + "/capture", Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "21.40"));
        settle();
        assertThat(letters(placed, "has come")).hasSize(1).allSatisfy(letter -> assertThat(letter.plain())
                .contains("€31.40 have come")
                .doesNotContain("IBAN"));
        assertThat(page(placed).hasNonNull("slip")).isFalse();
        pass(5);
        assertThat(letters(placed, "is kept for you until")).isEmpty();
    }

    @Test
    @Witness(
            value = "payment.methods[].held",
            felt = {Felt.ORDER_PAGE, Felt.LETTER, Felt.DESK})
    void the_seller_says_how_long_an_order_waits() throws Exception {
        Caller owner = shop.owner();
        owner.post(
                Caller.SHOP + "/draft/edits",
                Map.of("edits", List.of(Map.of("path", "payment/methods/transfer/held", "now", 48))));
        owner.post(Caller.SHOP + "/draft/publish", Map.of());
        JsonNode placed = placed();
        assertThat(page(placed).path("keptUntil").asString())
                .isEqualTo(today().plusDays(2).toString());
        pass(2);
        assertThat(page(placed).path("cancelled").asBoolean())
                .as("on its last day")
                .isFalse();
        assertThat(letters(placed, "is kept for you until")).hasSize(1);
        pass(1);
        assertThat(page(placed).path("cancelled").asBoolean()).isTrue();
        owner.post(
                Caller.SHOP + "/draft/edits",
                Map.of("edits", List.of(Map.of("path", "payment/methods/transfer/held", "was", 48))));
        owner.post(Caller.SHOP + "/draft/publish", Map.of());
    }

    /** The field's placeholder stands in the desk's own code; it must not say another span than the core's. */
    @ParameterizedTest
    @EnumSource(Payment.Kind.class)
    void the_desk_shows_what_is_usual(Payment.Kind kind) throws Exception {
        String fields = Files.readString(Path.of("../web/src/stations/payment/MethodFields.tsx"));
        String shown =
                fields.substring(fields.indexOf("usualHours"), fields.indexOf("};", fields.indexOf("usualHours")));
        String name = kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
        assertThat(shown.contains(name)).isEqualTo(HoldPeriod.usual(kind).isPresent());
        HoldPeriod.usual(kind).ifPresent(span -> assertThat(shown).contains(name + ": \"" + span.toHours() + "\""));
    }
}

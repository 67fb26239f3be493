package vestcoin.app.message;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.standins.texts.ShortMessages.TextMessage;

/** Short messages: to whom, of what, once; waiting while the service is silent. */
@ExtendWith(RunningShop.class)
class ShortMessagesTest {
    private static final String LINK = Caller.SHOP + "/short-messages/link";
    private static final String PHONE = "+353 85 555 01 23";
    private final RunningShop.Running shop;

    ShortMessagesTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JsonNode byTransfer(String phone, Map<String, Object> wishes) {
        Caller.Answer placed = placed(phone, wishes);
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        return placed.json();
    }

    private Caller.Answer placed(String phone, Map<String, Object> wishes) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", "transfer");
        String toPay = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json()
                .path("toPay")
                .asString();
        Map<String, Object> order =
                new HashMap<>(Caller.placing(UUID.randomUUID().toString(), basket, toPay));
        Map<String, Object> said = new HashMap<>(wishes);
        said.put("phone", phone);
        order.put(
                "contact",
                Map.of(
                        "name",
                        "Test Buyer",
                        "email",
                        "buyer@buyers.example",
                        "lines",
                        List.of("1 Example Street"),
                        "city",
                        "Cork",
                        "wishes",
                        said));
        return shop.anybody().post(Caller.COUNTER + "/orders", order);
    }

    private String path(JsonNode placed) {
        return Caller.SHOP + "/orders/" + placed.path("number").asInt();
    }

    private void paid(JsonNode placed) {
        JsonNode payment =
                shop.owner().get(path(placed)).json().path("payments").path(0);
        assertThat(shop.owner()
                        .post(
                                path(placed) + "/capture",
                                Map.of(
                                        "key",
                                        UUID.randomUUID().toString(),
                                        "payment",
                                        payment.path("id").asLong(),
                                        "amount",
                                        payment.path("amount").asString()))
                        .status())
                .isEqualTo(200);
    }

    /** Texts of messages about an order, the latest first. */
    private List<TextMessage> about(JsonNode placed) {
        return shop.services().texts().messages().stream()
                .filter(message -> message.text().contains(placed.path("number").asString()))
                .toList();
    }

    @Test
    @Witness(value = "terms.shortMessages[]", felt = Felt.LETTER)
    void what_was_picked_is_told_once_to_the_number_that_was_given() throws Exception {
        shop.owner().publish(Map.of("terms/asking/phone", "optional", "terms/shortMessages", List.of("paid", "sent")));
        JsonNode placed = byTransfer(PHONE, Map.of());
        // Whoever writes is busy: both are owed at once, and the earlier is told first all the same.
        CountDownLatch busy = new CountDownLatch(1);
        shop.context().getBean(LetterBook.class).later(() -> awaited(busy), 0);
        paid(placed);
        assertThat(shop.owner()
                        .post(
                                path(placed) + "/dispatch",
                                Map.of("key", UUID.randomUUID().toString()))
                        .status())
                .isEqualTo(200);
        busy.countDown();
        Soon.holds(() -> assertThat(about(placed)).hasSize(2));
        assertThat(about(placed)).allSatisfy(message -> {
            assertThat(message.to()).isEqualTo("+353855550123");
            assertThat(message.practice()).as("of a practice order").isTrue();
            assertThat(message.text()).startsWith("Tern & Tether").contains("/order/");
        });
        assertThat(about(placed).get(0).text()).contains("on its way");
        assertThat(about(placed).get(1).text()).contains("has come");
        assertThat(shop.owner().get(path(placed) + "/letters").json())
                .as("at the desk, beside the letters")
                .anySatisfy(letter ->
                        assertThat(letter.path("recipient").asString()).isEqualTo("+353855550123"));
    }

    private static void awaited(CountDownLatch busy) {
        try {
            busy.await(30, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void nobody_else_is_told_by_the_telephone_of_who_receives_a_gift() throws Exception {
        shop.owner()
                .publish(Map.of(
                        "terms/asking/phone",
                        "optional",
                        "terms/asking/gift",
                        true,
                        "terms/shortMessages",
                        List.of("placed", "paid", "sent", "cancelled")));
        JsonNode placed = byTransfer(
                PHONE,
                Map.of(
                        "gift",
                        Map.of("name", "Somebody Else", "message", "For you"),
                        "invoice",
                        Map.of(
                                "name",
                                "Test Buyer",
                                "lines",
                                List.of("1 Example Street"),
                                "postcode",
                                "T12 X2A0",
                                "city",
                                "Cork",
                                "country",
                                "IE")));
        paid(placed);
        shop.owner()
                .post(
                        path(placed) + "/dispatch",
                        Map.of("key", UUID.randomUUID().toString()));
        Soon.holds(() -> assertThat(about(placed)).hasSize(1).allSatisfy(message -> assertThat(message.text())
                .contains("on its way")));
    }

    @Test
    void a_real_one_leaves_by_the_sellers_account_and_waits_while_it_is_silent() throws Exception {
        shop.owner().publish(Map.of("terms/asking/phone", "optional", "terms/shortMessages", List.of("paid")));
        assertThat(shop.owner().put(LINK, Map.of("secret", "no such key")).paths())
                .containsExactly("secret");
        assertThat(shop.owner().put(LINK, Map.of("secret", "another-key-1234")).paths())
                .containsExactly("secret");
        JsonNode kept = shop.owner()
                .put(LINK, Map.of("secret", vestcoin.standins.texts.ShortMessages.KEY))
                .json();
        assertThat(kept.path("connected").path("secretEndsWith").asString()).isEqualTo("936a");
        assertThat(shop.anybody().get(Caller.COUNTER).json().path("told"))
                .as("said where the number is asked")
                .hasSize(1);
        JsonNode placed = byTransfer(PHONE, Map.of());
        live(placed);
        shop.services().texts().outage(true);
        paid(placed);
        try {
            Soon.holds(() -> assertThat(
                            shop.owner().get(LINK).json().path("trouble").asString(""))
                    .isNotEmpty());
            assertThat(shop.owner().get(Caller.SHOP + "/draft").json().path("findings"))
                    .anySatisfy(finding ->
                            assertThat(finding.path("path").asString()).isEqualTo("terms/shortMessages"));
        } finally {
            shop.services().texts().outage(false);
        }
        shop.context().getBean(ShortMessages.class).deliverWhatIsDue();
        shop.context().getBean(ShortMessages.class).deliverWhatIsDue();
        Soon.holds(() -> assertThat(about(placed)).hasSize(1).allSatisfy(message -> assertThat(message.practice())
                .isFalse()));
        shop.owner().delete(LINK);
    }

    @Test
    void what_was_over_before_the_service_was_connected_is_not_told_after() throws Exception {
        shop.owner()
                .publish(Map.of("terms/asking/phone", "optional", "terms/shortMessages", List.of("placed", "paid")));
        JsonNode placed = byTransfer(PHONE, Map.of());
        shop.context().getBean(Messages.class).settled();
        JdbcClient sql = shop.context().getBean(JdbcClient.class);
        sql.sql("delete from short_message").update();
        live(placed);
        shop.owner().put(LINK, Map.of("secret", vestcoin.standins.texts.ShortMessages.KEY));
        paid(placed);
        Soon.holds(() -> assertThat(sql.sql("select event from short_message")
                        .query(String.class)
                        .list())
                .containsExactly("paid"));
        shop.owner().delete(LINK);
    }

    @Test
    void what_waits_for_no_service_holds_up_nothing_and_grows_old_unsent() throws Exception {
        shop.owner().publish(Map.of("terms/asking/phone", "optional", "terms/shortMessages", List.of("paid")));
        JsonNode waiting = byTransfer(PHONE, Map.of());
        live(waiting);
        JdbcClient sql = shop.context().getBean(JdbcClient.class);
        for (int i = 0; i < 60; i++) {
            sql.sql("insert into short_message(shop, order_id, event, name, phone, text, at) select shop, id, 'sent', "
                            + ":name, '+353855550199', 'waits', :at from orders where token = :token")
                    .param("name", "waits-" + i)
                    .param("at", OffsetDateTime.now().minusDays(i == 0 ? 3 : 0))
                    .param("token", waiting.path("token").asString())
                    .update();
        }
        JsonNode other = byTransfer(PHONE, Map.of());
        paid(other);
        Soon.holds(() -> assertThat(about(other)).as("behind sixty that wait").hasSize(1));
        shop.owner().put(LINK, Map.of("secret", vestcoin.standins.texts.ShortMessages.KEY));
        for (int i = 0; i < 3; i++) {
            shop.context().getBean(ShortMessages.class).deliverWhatIsDue();
        }
        Soon.holds(() -> assertThat(shop.services().texts().messages().stream()
                        .filter(message -> message.text().equals("waits")))
                .as("all but the one that is no news any more")
                .hasSize(59)
                .noneMatch(message -> message.id().equals("waits-0")));
        shop.owner().delete(LINK);
        sql.sql("delete from short_message").update();
    }

    /** Makes a practice order a real one. */
    private void live(JsonNode placed) {
        shop.context()
                .getBean(JdbcClient.class)
                .sql("update orders set mode = 'live' where token = :token")
                .param("token", placed.path("token").asString())
                .update();
    }

    @Test
    void without_a_number_there_is_no_message_and_one_that_is_none_is_refused() throws Exception {
        shop.owner()
                .publish(Map.of("terms/asking/phone", "optional", "terms/shortMessages", List.of("placed", "paid")));
        JsonNode without = byTransfer("", Map.of());
        paid(without);
        shop.context().getBean(Messages.class).settled();
        assertThat(about(without)).isEmpty();
        assertThat(placed("12345678901234567890", Map.of()).paths()).containsExactly("contact/wishes/phone");
    }
}

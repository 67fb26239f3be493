package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.LuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.math.BigDecimal;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.order.TransferSlips;
import vestcoin.app.run.DemoShop;
import vestcoin.core.payment.SwissPayload;
import vestcoin.standins.pay.TestCard;

/** Ways to pay besides the card: wallet, transfer, cash, vouchers; and what is counted is never sold twice. */
@ExtendWith(RunningShop.class)
class WaysToPayTest {
    private static final int BUYERS = 64;
    private final RunningShop.Running shop;

    WaysToPayTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static Map<String, Object> book(String method, String... codes) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("method", method);
        basket.put("codes", List.of(codes));
        return basket;
    }

    private JsonNode placed(Map<String, Object> basket) {
        Caller buyer = shop.anybody();
        String toPay = buyer.post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json()
                .path("toPay")
                .asString();
        Caller.Answer answer = buyer.post(
                Caller.COUNTER + "/orders", Caller.placing(UUID.randomUUID().toString(), basket, toPay));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private String order(JsonNode placed) {
        return Caller.SHOP + "/orders/" + placed.path("number").asInt();
    }

    private static Map<String, Object> move(long payment, String amount) {
        return Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", amount);
    }

    private void answer(String page, String answer) throws Exception {
        HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(page))
                                .POST(HttpRequest.BodyPublishers.ofString("answer=" + answer))
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
    }

    private JsonNode looked(JsonNode placed) {
        return shop.anybody()
                .get("/api/counter/orders/" + placed.path("token").asString())
                .json();
    }

    @Test
    void a_wallet_is_approved_on_its_own_page_and_the_money_taken_at_once() throws Exception {
        JsonNode placed = placed(book("wallet"));
        JsonNode sent = shop.anybody()
                .post("/api/counter/orders/" + placed.path("token").asString() + "/payments", Map.of("cardToken", ""))
                .json();
        assertThat(sent.path("state").asString()).isEqualTo("needs-buyer");
        answer(sent.path("action").asString(), "yes");
        for (int i = 0; i < 50 && !looked(placed).path("state").asString().equals("captured"); i++) {
            Thread.sleep(100);
        }
        assertThat(looked(placed).path("state").asString()).isEqualTo("captured");
        assertThat(looked(placed).path("standing").asString()).isEqualTo("paid");
    }

    @Test
    void a_wallet_that_is_cancelled_charges_nothing_and_can_be_tried_again() throws Exception {
        JsonNode placed = placed(book("wallet"));
        String pay = "/api/counter/orders/" + placed.path("token").asString() + "/payments";
        answer(
                shop.anybody()
                        .post(pay, Map.of("cardToken", ""))
                        .json()
                        .path("action")
                        .asString(),
                "no");
        assertThat(looked(placed).path("state").asString()).isEqualTo("declined");
        assertThat(looked(placed).path("reason").asString()).isEqualTo("cancelled in the wallet");
        assertThat(shop.anybody()
                        .post(pay, Map.of("cardToken", ""))
                        .json()
                        .path("state")
                        .asString())
                .isEqualTo("needs-buyer");
    }

    /**
     * The code read back by a decoder says what EPC069-12 (version 002, from memory) wants: holder, IBAN, amount, RF
     * reference.
     */
    @Test
    void a_transfer_waits_for_its_money_and_its_square_code_reads_back() throws Exception {
        JsonNode placed = placed(book("transfer"));
        JsonNode slip = placed.path("slip");
        assertThat(placed.path("standing").asString()).isEqualTo("waiting");
        assertThat(new QRCodeReader()
                        .decode(new BinaryBitmap(new HybridBinarizer(
                                new Modules(slip.path("code").asString().split("\n")))))
                        .getText())
                .isEqualTo("BCD\n002\n1\nSCT\n\nTern and Tether Kites Ltd\nIE36TNTR93000001234567\nEUR31.40\n\n"
                        + slip.path("reference").asString().replace(" ", ""));
        Caller owner = shop.owner();
        long payment = owner.get(order(placed))
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        JsonNode part =
                owner.post(order(placed) + "/capture", move(payment, "30.00")).json();
        assertThat(part.path("standing").asString()).isEqualTo("paid in part");
        assertThat(owner.post(order(placed) + "/capture", move(payment, "1.41")).status())
                .as("a cent too many")
                .isEqualTo(409);
        assertThat(owner.post(order(placed) + "/capture", move(payment, "1.40"))
                        .json()
                        .path("standing")
                        .asString())
                .isEqualTo("paid");
        assertThat(owner.post(order(placed) + "/refund", move(payment, "31.40"))
                        .json()
                        .path("standing")
                        .asString())
                .isEqualTo("refunded");
        assertThat(owner.post(order(placed) + "/refund", move(payment, "0.01")).status())
                .isEqualTo(409);
    }

    /**
     * The Swiss code bears a cross of 7 mm in 46 mm over its middle (Implementation Guidelines 2.3, SIX, from memory):
     * what the cross hides, the error correction has to give back.
     */
    @Test
    void a_swiss_code_reads_back_through_its_cross() throws Exception {
        String payload = SwissPayload.of(
                        new SwissPayload.Creditor("Blaumeise Puppenbühne", "Beispielgasse 7", "4051", "Basel", "CH"),
                        "CH44 3199 9123 0008 8901 2",
                        new BigDecimal("1949.75"),
                        "CHF",
                        "210000000003139471430009017")
                .orElseThrow();
        String[] rows = TransferSlips.code(payload).split("\n");
        int cross = (rows.length * 7 + 45) / 46;
        int from = (rows.length - cross) / 2;
        for (int y = from; y < from + cross; y++) {
            StringBuilder row = new StringBuilder(rows[y]);
            for (int x = from; x < from + cross; x++) {
                boolean white =
                        Math.abs(y - from - cross / 2) <= cross / 8 || Math.abs(x - from - cross / 2) <= cross / 8;
                row.setCharAt(x, white ? '.' : '#');
            }
            rows[y] = row.toString();
        }
        assertThat(new QRCodeReader()
                        .decode(new BinaryBitmap(new HybridBinarizer(new Modules(rows))))
                        .getText())
                .isEqualTo(payload);
    }

    @Test
    void a_transfer_nobody_waits_for_is_let_go_and_never_asked_of_a_provider() {
        JsonNode placed = placed(book("transfer"));
        Caller owner = shop.owner();
        long payment = owner.get(order(placed))
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        assertThat(owner.post(
                                order(placed) + "/void",
                                Map.of("key", UUID.randomUUID().toString(), "payment", payment))
                        .json()
                        .path("standing")
                        .asString())
                .isEqualTo("cancelled");
        assertThat(shop.anybody()
                        .post(
                                "/api/counter/orders/" + placed.path("token").asString() + "/payments",
                                Map.of("cardToken", "token-of-a-card"))
                        .status())
                .as("no card for an order by transfer")
                .isEqualTo(409);
    }

    @Test
    void a_card_authorised_and_let_go_is_voided_at_the_provider() {
        JsonNode placed = shop.anybody().placeBook();
        shop.anybody().pay(placed, TestCard.APPROVED);
        Caller owner = shop.owner();
        long payment = owner.get(order(placed))
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        JsonNode after = owner.post(
                        order(placed) + "/void", Map.of("key", UUID.randomUUID().toString(), "payment", payment))
                .json();
        assertThat(after.path("payments").path(0).path("state").asString()).isEqualTo("voided");
        String key = shop.context()
                .getBean(JdbcClient.class)
                .sql("select idempotency_key from payment where id = :id")
                .param("id", payment)
                .query(String.class)
                .single();
        assertThat(shop.cards().bookOf(key)).hasValue("voided 0 0");
    }

    /** One that was paid for. */
    private String voucher(String amount) {
        return Caller.soldVoucher(shop.context(), amount);
    }

    private String given(String amount) {
        return shop.owner()
                .post(Caller.SHOP + "/vouchers", Map.of("code", "", "currency", "EUR", "amount", amount))
                .json()
                .path("code")
                .asString();
    }

    private String balance(String code) {
        return shop.owner()
                .get(Caller.SHOP + "/vouchers")
                .json()
                .valueStream()
                .filter(each -> each.path("code").asString().equals(code))
                .findFirst()
                .orElseThrow()
                .path("balance")
                .asString();
    }

    @Test
    void a_voucher_pays_its_part_a_card_the_rest_and_each_gets_back_what_it_paid() {
        String code = voucher("20.00");
        JsonNode placed = placed(book("card", code));
        assertThat(placed.path("quote").path("payable").asString()).isEqualTo("31.40");
        assertThat(placed.path("quote").path("toPay").asString()).isEqualTo("11.40");
        assertThat(balance(code)).isEqualTo("0.00");
        assertThat(looked(placed).path("standing").asString())
                .as("a voucher does not pay the rest")
                .isEqualTo("unpaid");
        shop.anybody().pay(placed, TestCard.APPROVED);
        Caller owner = shop.owner();
        JsonNode payments = owner.get(order(placed)).json().path("payments");
        assertThat(payments.valueStream()
                        .map(each -> each.path("method").asString() + " "
                                + each.path("amount").asString()))
                .containsExactly("card 11.40", "voucher 20.00");
        long card = payments.path(0).path("id").asLong();
        owner.post(order(placed) + "/capture", move(card, "11.40"));
        assertThat(owner.post(order(placed) + "/refund", move(card, "11.41")).status())
                .as("a card gets back no more than it paid")
                .isEqualTo(409);
        owner.post(order(placed) + "/refund", move(payments.path(1).path("id").asLong(), "5.00"));
        assertThat(balance(code)).isEqualTo("5.00");
    }

    /** Source: Directive 2006/112/EC, Art. 73a and 79: nobody paid for it, so it is a price reduction. */
    @Test
    void a_voucher_nobody_paid_for_is_a_discount_keeps_its_rest_and_comes_back_when_called_off() {
        String code = given("40.00");
        JsonNode placed = placed(book("transfer", code));
        JsonNode quote = placed.path("quote");
        assertThat(quote.path("payable").asString()).isEqualTo("0.00");
        assertThat(quote.path("vouchers")).isEmpty();
        assertThat(quote.path("discounts").path(0).path("name").asString()).isEqualTo("Voucher " + code);
        assertThat(quote.path("discounts").path(0).path("amount").asString()).isEqualTo("31.40");
        assertThat(quote.path("taxes").valueStream().map(levy -> levy.path("tax")
                        .asString()))
                .as("nothing is taxed")
                .allMatch(tax -> new BigDecimal(tax).signum() == 0);
        assertThat(balance(code)).isEqualTo("8.60");
        Caller owner = shop.owner();
        assertThat(owner.get(order(placed)).json().path("payments")).isEmpty();
        JsonNode rest = placed(book("transfer", code));
        assertThat(rest.path("quote").path("toPay").asString()).isEqualTo("22.80");
        assertThat(balance(code)).isEqualTo("0.00");
        assertThat(owner.post(order(rest) + "/cancel", "").status()).isEqualTo(200);
        owner.post(order(rest) + "/cancel", "");
        assertThat(balance(code)).as("once").isEqualTo("8.60");
    }

    @Test
    void an_order_that_costs_nothing_is_confirmed_to_buyer_and_shop_and_hands_over_its_file() throws Exception {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines", List.of(Map.of("product", "plans-to-print", "quantity", "1")), "to", Map.of("country", "CH")));
        basket.put("codes", List.of(given("40.00")));
        JsonNode placed = placed(basket);
        assertThat(placed.path("quote").path("toPay").asString()).isEqualTo("0.00");
        String number = placed.path("number").asString();
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .filteredOn(letter -> letter.subject().contains(number))
                .extracting(letter -> letter.to())
                .contains("buyer@buyers.example", "hello@tern-and-tether.example"));
        Soon.holds(() -> assertThat(looked(placed).path("downloads")).hasSize(1));
    }

    /** The same request eight times at once gives back once. */
    @Test
    void a_refund_to_a_voucher_sent_many_times_at_once_is_made_once() {
        String code = voucher("50.00");
        JsonNode placed = placed(book("card", code));
        long payment = shop.owner()
                .get(order(placed))
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
        Map<String, Object> refund = move(payment, "5.00");
        List<Caller> owners = IntStream.range(0, 8).mapToObj(i -> shop.owner()).toList();
        owners.stream()
                .map(owner -> CompletableFuture.runAsync(() -> owner.post(order(placed) + "/refund", refund)))
                .toList()
                .forEach(CompletableFuture::join);
        assertThat(balance(code)).isEqualTo("23.60");
    }

    @Test
    void a_voucher_that_covers_all_leaves_nothing_to_pay() {
        String code = voucher("50.00");
        JsonNode placed = placed(book("card", code));
        assertThat(placed.path("quote").path("toPay").asString()).isEqualTo("0.00");
        assertThat(placed.path("standing").asString()).isEqualTo("paid");
        assertThat(balance(code)).isEqualTo("18.60");
    }

    private List<Integer> atOnce(Map<String, Object> basket, String expected) {
        return IntStream.range(0, BUYERS)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> shop.anybody()
                        .post(
                                Caller.COUNTER + "/orders",
                                Caller.placing(UUID.randomUUID().toString(), basket, expected))
                        .status()))
                .toList()
                .stream()
                .map(CompletableFuture::join)
                .toList();
    }

    @Test
    void one_voucher_and_sixty_four_buyers_at_once() {
        String code = voucher("31.40");
        List<Integer> answers = atOnce(book("transfer", code), "0.00");
        assertThat(answers).containsOnly(200, 409);
        assertThat(answers.stream().filter(status -> status == 200)).hasSize(1);
        assertThat(balance(code)).isEqualTo("0.00");
    }

    @Test
    void the_last_item_and_sixty_four_buyers_at_once() {
        JdbcClient sql = shop.context().getBean(JdbcClient.class);
        sql.sql("insert into stock(shop, item, remaining) values (:shop, 'box-kite', 1)")
                .param("shop", DemoShop.SHOP)
                .update();
        Map<String, Object> basket = Map.of(
                "lines",
                List.of(Map.of("product", "box-kite", "quantity", "1")),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "delivery",
                "tube",
                "method",
                "transfer");
        String toPay = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json()
                .path("toPay")
                .asString();
        List<Integer> answers = atOnce(basket, toPay);
        assertThat(answers).containsOnly(200, 409);
        assertThat(answers.stream().filter(status -> status == 200)).hasSize(1);
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                        .json()
                        .path("missing")
                        .path(0)
                        .asString())
                .isEqualTo("Box kite is sold out.");
        sql.sql("delete from stock").update();
    }

    /** Modules as light and dark, with the quiet zone a reader needs. */
    private static final class Modules extends LuminanceSource {
        private static final int SCALE = 4;
        private static final int QUIET = 4;
        private final String[] rows;

        Modules(String[] rows) {
            super((rows.length + 2 * QUIET) * SCALE, (rows.length + 2 * QUIET) * SCALE);
            this.rows = rows;
        }

        @Override
        public byte[] getRow(int y, byte[] row) {
            byte[] line = new byte[getWidth()];
            for (int x = 0; x < getWidth(); x++) {
                int mx = x / SCALE - QUIET;
                int my = y / SCALE - QUIET;
                boolean dark = mx >= 0 && my >= 0 && mx < rows.length && my < rows.length && rows[my].charAt(mx) == '#';
                line[x] = (byte) (dark ? 0 : 255);
            }
            return line;
        }

        @Override
        public byte[] getMatrix() {
            byte[] all = new byte[getWidth() * getHeight()];
            for (int y = 0; y < getHeight(); y++) {
                System.arraycopy(getRow(y, null), 0, all, y * getWidth(), getWidth());
            }
            return all;
        }
    }
}

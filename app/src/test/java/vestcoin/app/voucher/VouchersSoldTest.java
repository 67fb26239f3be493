package vestcoin.app.voucher;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.outside.ApplicationClock;
import vestcoin.standins.pay.TestCard;
import vestcoin.standins.post.PostRoom;

/** Vouchers sold: issued for money that came, handed over on their day, receipted, redeemed, given back. */
@ExtendWith(RunningShop.class)
class VouchersSoldTest {
    private static final String NORA = "nora@buyers.example";

    private final RunningShop.Running shop;
    private final Caller owner;

    VouchersSoldTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    private LocalDate today() {
        return LocalDate.ofInstant(
                shop.context().getBean(ApplicationClock.class).instant(), ZoneId.of("Europe/Dublin"));
    }

    private static Map<String, Object> voucher(String amount, int quantity) {
        return Map.of("product", "gift-voucher", "quantity", String.valueOf(quantity), "amount", amount);
    }

    private static Map<String, Object> book() {
        return Map.of("product", "kites-you-can-build", "quantity", "1");
    }

    private static Map<String, Object> basket(String method, List<String> codes, List<Map<String, Object>> lines) {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines",
                lines,
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "method",
                method,
                "codes",
                codes));
        if (lines.stream().anyMatch(line -> line.get("product").equals("kites-you-can-build"))) {
            basket.put("delivery", "letter");
        }
        return basket;
    }

    private Caller.Answer placed(Map<String, Object> basket, List<Map<String, Object>> vouchers) {
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        Map<String, Object> placing = new LinkedHashMap<>(Caller.placing(
                UUID.randomUUID().toString(), basket, quote.path("toPay").asString()));
        placing.put(
                "contact",
                Map.of(
                        "name",
                        "Test Buyer",
                        "email",
                        "giver@buyers.example",
                        "lines",
                        List.of("1 Test Road"),
                        "city",
                        "Cork",
                        "wishes",
                        Map.of("vouchers", vouchers)));
        return shop.anybody().post(Caller.COUNTER + "/orders", placing);
    }

    private JsonNode bought(Map<String, Object> basket, List<Map<String, Object>> vouchers) {
        Caller.Answer placed = placed(basket, vouchers);
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        if (basket.get("method").equals("card")
                && !placed.json().path("quote").path("toPay").asString().equals("0.00")) {
            assertThat(shop.anybody().pay(placed.json(), TestCard.APPROVED).status())
                    .isEqualTo(200);
        }
        return placed.json();
    }

    private JsonNode page(JsonNode order) {
        return shop.anybody()
                .get("/api/counter/orders/" + order.path("token").asString())
                .json();
    }

    private JsonNode desk(JsonNode order) {
        return owner.get(Caller.SHOP + "/orders/" + order.path("number").asInt())
                .json();
    }

    private Caller.Answer act(JsonNode order, String act, Map<String, ?> body) {
        Map<String, Object> whole = new HashMap<>(body);
        whole.put("key", UUID.randomUUID().toString());
        return owner.post(Caller.SHOP + "/orders/" + order.path("number").asInt() + "/" + act, whole);
    }

    private Caller.Answer refund(JsonNode order, String amount, Map<String, String> parts) {
        long payment = desk(order).path("payments").path(0).path("id").asLong();
        return act(order, "refund", Map.of("payment", payment, "amount", amount, "parts", parts));
    }

    private List<PostRoom.Letter> lettersTo(String email) {
        return shop.services().post().letters().stream()
                .filter(letter -> letter.to().equals(email))
                .toList();
    }

    private JsonNode quoted(String code) {
        return shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket("card", List.of(code), List.of(book()))))
                .json();
    }

    private void pass(int days) {
        long ahead =
                owner.get(Caller.SHOP + "/practice/time").json().path("ahead").asLong();
        assertThat(owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", days))
                        .status())
                .isEqualTo(200);
    }

    private static List<String> values(JsonNode list, String field) {
        List<String> values = new ArrayList<>();
        list.forEach(each -> values.add(each.path(field).asString()));
        return values;
    }

    /** All payments, vouchers' too, less refunds = invoices less credit notes + receipts of vouchers. */
    private void papersMatch(JsonNode order) throws InterruptedException {
        Soon.holds(() -> {
            BigDecimal papers = BigDecimal.ZERO;
            for (JsonNode paper : owner.get(
                            Caller.SHOP + "/orders/" + order.path("number").asInt() + "/papers")
                    .json()) {
                boolean back = List.of("credit", "receipt-back")
                        .contains(paper.path("kind").asString());
                BigDecimal gross = new BigDecimal(paper.path("gross").asString());
                papers = back ? papers.subtract(gross) : papers.add(gross);
            }
            BigDecimal paid = BigDecimal.ZERO;
            for (JsonNode payment : desk(order).path("payments")) {
                paid = paid.add(new BigDecimal(payment.path("captured").asString()))
                        .subtract(new BigDecimal(payment.path("refunded").asString()));
            }
            assertThat(papers).isEqualByComparingTo(paid);
        });
    }

    @Test
    void one_bought_for_somebody_goes_to_them_on_its_day_and_pays_from_then_on() throws Exception {
        LocalDate on = today().plusDays(7);
        JsonNode order = bought(
                basket("card", List.of(), List.of(voucher("25.00", 1))),
                List.of(Map.of(
                        "line", 0, "name", "Nora Sample", "email", NORA, "message", "Fly well!", "on", on.toString())));
        JsonNode voucher = page(order).path("vouchers").path(0);
        String code = voucher.path("code").asString();
        // 18 of 26 signs: 84 random bits.
        assertThat(code).matches("[ACDEFGHJKLMNPQRTUVWXY34679]{6}(-[ACDEFGHJKLMNPQRTUVWXY34679]{6}){2}");
        assertThat(voucher.path("name").asString()).isEqualTo("Nora Sample");
        assertThat(voucher.path("told").asBoolean()).isFalse();
        assertThat(voucher.path("validUntil").asString())
                .isEqualTo(on.plusMonths(60).toString());
        assertThat(new PdfTextExtractor(new PdfReader(
                                shop.anybody().bytes(voucher.path("url").asString())))
                        .getTextFromPage(1))
                .contains("Tern & Tether")
                .contains("€25.00")
                .contains(code)
                .contains("Fly well!");
        shop.context().getBean(vestcoin.app.message.Messages.class).settled();
        assertThat(lettersTo(NORA)).isEmpty();
        assertThat(quoted(code).path("refusedCodes").path(0).path("reason").asString())
                .contains("valid from");
        Soon.holds(() -> assertThat(lettersTo("giver@buyers.example"))
                .anySatisfy(letter -> assertThat(letter.plain()).contains("sent to Nora Sample, " + NORA)));

        pass(7);
        Soon.holds(() -> assertThat(lettersTo(NORA)).singleElement().satisfies(letter -> assertThat(letter.plain())
                .contains(code)
                .contains("€25.00")
                .contains("Test Buyer")
                .contains("Fly well!")
                .contains("/voucher.pdf")));
        assertThat(page(order).path("vouchers").path(0).path("told").asBoolean())
                .isTrue();
        // 24.50 and the letter's 2.60: the voucher pays 25.00 of 27.10.
        JsonNode quote = quoted(code);
        assertThat(quote.path("vouchers").path(0).path("used").asString()).isEqualTo("25.00");
        assertThat(new BigDecimal(quote.path("toPay").asString())
                        .add(new BigDecimal("25.00"))
                        .compareTo(new BigDecimal(quote.path("payable").asString())))
                .isZero();

        // Sent again, to another address.
        long id = desk(order).path("vouchers").path(0).path("id").asLong();
        String again = Caller.SHOP + "/orders/" + order.path("number").asInt() + "/vouchers/" + id;
        assertThat(owner.post(again, Map.of("name", "Nora Sample", "email", "not one"))
                        .status())
                .isEqualTo(422);
        assertThat(owner.post(again, Map.of("name", "Nora Sample", "email", "n.sample@buyers.example"))
                        .status())
                .isEqualTo(200);
        Soon.holds(() -> assertThat(lettersTo("n.sample@buyers.example"))
                .singleElement()
                .satisfies(letter -> assertThat(letter.plain()).contains(code)));
    }

    @Test
    void it_is_receipted_and_not_invoiced_and_all_sums_match() throws Exception {
        JsonNode order = bought(basket("card", List.of(), List.of(book(), voucher("30.00", 2))), List.of());
        papersMatch(order);
        JsonNode papers = owner.get(
                        Caller.SHOP + "/orders/" + order.path("number").asInt() + "/papers")
                .json();
        assertThat(values(papers, "kind")).containsExactly("invoice", "receipt");
        assertThat(papers.path(1).path("number").asString()).startsWith("TEST-V");
        assertThat(papers.path(1).path("gross").asString()).isEqualTo("60.00");
        assertThat(papers.path(1).path("ubl").asBoolean()).isFalse();
        String pdf = new PdfTextExtractor(new PdfReader(owner.bytes(
                        Caller.SHOP + "/orders/" + order.path("number").asInt() + "/papers/"
                                + papers.path(1).path("number").asString() + ".pdf")))
                .getTextFromPage(1);
        assertThat(pdf).contains("Receipt for vouchers").contains("This is no invoice");
        assertThat(page(order).path("vouchers")).hasSize(2);
        assertThat(values(page(order).path("vouchers"), "code")).doesNotHaveDuplicates();
        Soon.holds(() -> assertThat(lettersTo("giver@buyers.example").stream()
                        .filter(letter -> letter.subject().contains("Your voucher"))
                        .filter(letter -> letter.plain()
                                .contains(page(order)
                                        .path("vouchers")
                                        .path(0)
                                        .path("code")
                                        .asString())))
                .singleElement()
                .satisfies(letter -> assertThat(letter.plain())
                        .contains(page(order)
                                .path("vouchers")
                                .path(1)
                                .path("code")
                                .asString())
                        .contains("€60.00")));
        assertThat(page(order).path("state").asString()).as("taken at once").isEqualTo("captured");
    }

    @Test
    void a_used_one_is_given_back_only_as_far_as_it_is_left() throws Exception {
        JsonNode order = bought(basket("card", List.of(), List.of(book(), voucher("30.00", 1))), List.of());
        String code = page(order).path("vouchers").path(0).path("code").asString();
        BigDecimal others = new BigDecimal(order.path("quote").path("payable").asString()).subtract(new BigDecimal(30));
        JsonNode paidWith = bought(basket("card", List.of(code), List.of(book())), List.of());
        String left = page(order).path("vouchers").path(0).path("left").asString();
        assertThat(new BigDecimal(left))
                .isEqualByComparingTo(new BigDecimal(30)
                        .subtract(new BigDecimal(
                                paidWith.path("quote").path("payable").asString())));
        assertThat(act(order, "cancel", Map.of()).sentence()).contains(code).contains("has paid for something");

        papersMatch(order);
        String item = itemOf(order, "Gift voucher");
        Caller.Answer tooMuch = refund(order, "30.00", Map.of(item, "30.00"));
        assertThat(tooMuch.status()).isEqualTo(409);
        assertThat(tooMuch.sentence()).contains("only " + left + " EUR is left");
        assertThat(page(order).path("vouchers").path(0).path("left").asString()).isEqualTo(left);

        // What is said to be for nothing is for everything else first.
        assertThat(refund(order, others.toPlainString(), Map.of()).status()).isEqualTo(200);
        assertThat(page(order).path("vouchers").path(0).path("left").asString()).isEqualTo(left);
        assertThat(refund(order, left, Map.of()).status()).isEqualTo(200);
        JsonNode ended = page(order).path("vouchers").path(0);
        assertThat(ended.path("left").asString()).isEqualTo("0.00");
        assertThat(ended.path("ended").asBoolean()).isTrue();
        assertThat(refund(order, "0.50", Map.of()).status()).isEqualTo(409);
        papersMatch(order);
        assertThat(values(
                        owner.get(Caller.SHOP + "/orders/"
                                        + order.path("number").asInt() + "/papers")
                                .json(),
                        "kind"))
                .containsExactly("invoice", "receipt", "credit", "receipt-back");
        assertThat(quoted(code).path("refusedCodes").path(0).path("reason").asString())
                .contains("Nothing is left");
        assertThat(shop.anybody().get(ended.path("url").asString()).status()).isEqualTo(404);
    }

    private String itemOf(JsonNode order, String name) {
        for (JsonNode item : desk(order).path("items")) {
            if (item.path("name").asString().startsWith(name)) {
                return item.path("item").asString();
            }
        }
        throw new AssertionError("no item " + name);
    }

    @Test
    void an_unused_one_ends_with_its_refund_and_with_calling_off() throws Exception {
        JsonNode refunded = bought(basket("card", List.of(), List.of(voucher("40.00", 1))), List.of());
        String code = page(refunded).path("vouchers").path(0).path("code").asString();
        assertThat(desk(refunded).path("sent").asString()).isEqualTo("nothing");
        assertThat(act(refunded, "dispatch", Map.of()).sentence())
                .isEqualTo("Nothing of this order is sent or handed over.");
        assertThat(refund(refunded, "40.00", Map.of()).status()).isEqualTo(200);
        assertThat(quoted(code).path("vouchers")).isEmpty();
        papersMatch(refunded);
        JsonNode off = bought(basket("card", List.of(), List.of(voucher("40.00", 1))), List.of());
        String other = page(off).path("vouchers").path(0).path("code").asString();
        assertThat(act(off, "cancel", Map.of()).status()).isEqualTo(200);
        assertThat(quoted(other).path("vouchers")).isEmpty();
        papersMatch(off);
    }

    @Test
    void nothing_is_issued_before_all_of_the_money_is_there_and_nothing_twice() throws Exception {
        JsonNode order = bought(basket("transfer", List.of(), List.of(voucher("50.00", 1))), List.of());
        assertThat(page(order).path("vouchers")).isEmpty();
        long payment = desk(order).path("payments").path(0).path("id").asLong();
        assertThat(act(order, "capture", Map.of("payment", payment, "amount", "20.00"))
                        .status())
                .isEqualTo(200);
        assertThat(page(order).path("vouchers")).isEmpty();
        assertThat(act(order, "capture", Map.of("payment", payment, "amount", "30.00"))
                        .status())
                .isEqualTo(200);
        Soon.holds(() -> assertThat(page(order).path("vouchers")).hasSize(1));
        shop.context().getBean(vestcoin.app.payment.PaymentBook.class).announce(id(order));
        shop.context().getBean(VoucherHandover.class).makeGood();
        assertThat(page(order).path("vouchers")).hasSize(1);
        JsonNode owed = owner.get(Caller.SHOP + "/vouchers/outstanding").json();
        assertThat(values(owed, "currency")).contains("EUR");
    }

    private long id(JsonNode order) {
        return shop.context()
                .getBean(vestcoin.app.order.Orders.class)
                .byToken(order.path("token").asString())
                .orElseThrow()
                .id();
    }

    @Test
    void bad_wishes_are_refused_in_a_sentence() {
        Map<String, Object> basket = basket("card", List.of(), List.of(book(), voucher("25.00", 1)));
        Map<String, Object> good = Map.of("line", 1, "name", "Nora Sample", "email", NORA);
        for (Map<String, Object> wrong : List.<Map<String, Object>>of(
                Map.of("line", 0),
                Map.of("line", 7),
                Map.of("email", "nora"),
                Map.of("name", " "),
                Map.of("message", "x".repeat(1001)),
                Map.of("on", today().minusDays(1).toString()),
                Map.of("on", today().plusYears(2).toString()))) {
            Map<String, Object> bad = new HashMap<>(good);
            bad.putAll(wrong);
            Caller.Answer answer = placed(basket, List.of(bad));
            assertThat(answer.status()).as("%s: %s", wrong, answer.text()).isEqualTo(422);
            assertThat(answer.paths()).allMatch(path -> path.startsWith("contact/wishes/vouchers/0"));
        }
        assertThat(shop.anybody()
                        .post(
                                Caller.COUNTER + "/quote",
                                Caller.quoting(basket("card", List.of(), List.of(voucher("25.00", 101)))))
                        .sentence())
                .contains("at most 100");
    }
}

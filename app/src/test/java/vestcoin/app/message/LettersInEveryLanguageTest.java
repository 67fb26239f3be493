package vestcoin.app.message;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeMultipart;
import java.io.ByteArrayInputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Phrases;
import vestcoin.app.outside.ApplicationClock;
import vestcoin.app.setup.Policies;
import vestcoin.standins.pay.TestCard;

/**
 * Letters of every kind, in every language that ships, from orders that lived through what they tell of: each has the
 * facts it must have, in the order's language.
 */
@ExtendWith(RunningShop.class)
class LettersInEveryLanguageTest {
    private final RunningShop.Running shop;
    private final Caller owner;

    LettersInEveryLanguageTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    static Stream<String> languages() {
        return Phrases.FOR_BUYERS.stream();
    }

    @BeforeEach
    void the_shop_speaks_them_all() {
        JsonNode spoken = owner.get(Caller.SHOP + "/draft").json().at("/document/shop/languages");
        if (spoken.size() < 5) {
            owner.post(
                    Caller.SHOP + "/draft/edits",
                    Map.of(
                            "edits",
                            List.of(Map.of(
                                    "path",
                                    "shop/languages",
                                    "was",
                                    List.of("de"),
                                    "now",
                                    List.of("de", "fr", "nl", "es", "it")))));
            assertThat(owner.post(Caller.SHOP + "/draft/publish", Map.of()).status())
                    .isEqualTo(200);
        }
    }

    private JsonNode bought(String language, Map<String, Object> basket) {
        Map<String, Object> spoken = new HashMap<>(basket);
        spoken.put("language", language);
        Caller.Answer answer = shop.anybody().buy(spoken);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static Map<String, Object> basket(String method, String delivery, Object... lines) {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines", List.of(lines), "to", Map.of("country", "IE", "postcode", "T12 X2A0"), "method", method));
        if (!delivery.isEmpty()) {
            basket.put("delivery", delivery);
        }
        return basket;
    }

    private static Map<String, Object> line(String product) {
        return Map.of("product", product, "quantity", "1");
    }

    private void passUntil(LocalDate day) throws Exception {
        pass((int) (day.toEpochDay() - today().toEpochDay()));
        // Between eleven and midnight, so many times 24 hours end a day early where the clocks went back meanwhile.
        if (today().isBefore(day)) {
            pass(1);
        }
    }

    private void pass(int days) {
        long ahead =
                owner.get(Caller.SHOP + "/practice/time").json().path("ahead").asLong();
        owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", days));
    }

    private Caller.Answer act(JsonNode order, String act, Map<String, ?> body) {
        Map<String, Object> whole = new HashMap<>(body);
        whole.put("key", UUID.randomUUID().toString());
        Caller.Answer answer =
                owner.post(Caller.SHOP + "/orders/" + order.path("number").asInt() + "/" + act, whole);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer;
    }

    private long payment(JsonNode order) {
        return owner.get(Caller.SHOP + "/orders/" + order.path("number").asInt())
                .json()
                .path("payments")
                .path(0)
                .path("id")
                .asLong();
    }

    /** Letters to the buyer of an order by their kind, subject and text; of several the last. */
    private Map<String, String> letters(JsonNode order) throws Exception {
        shop.context().getBean(Messages.class).settled();
        shop.context().getBean(Messages.class).settled();
        Map<String, String> letters = new LinkedHashMap<>();
        for (Map<String, Object> row : shop.context()
                .getBean(JdbcClient.class)
                .sql("""
                        select event, mime from letter where recipient like 'buyer%' and order_id in (select id
                            from orders
                            where token = :token or subscription in (select id from subscription where first_order =
                            (select id from orders where token = :token))) order by id""")
                .param("token", order.path("token").asString())
                .query()
                .listOfRows()) {
            String mime = row.get("mime") instanceof java.sql.Clob clob
                    ? clob.getSubString(1, (int) clob.length())
                    : String.valueOf(row.get("mime"));
            MimeMessage message = new MimeMessage(
                    Session.getInstance(new Properties()),
                    new ByteArrayInputStream(mime.getBytes(StandardCharsets.UTF_8)));
            letters.put(
                    String.valueOf(row.get("event")),
                    message.getSubject() + "\n"
                            + ((MimeMultipart) message.getContent())
                                    .getBodyPart(0)
                                    .getContent());
        }
        return letters;
    }

    private LocalDate today() {
        return LocalDate.ofInstant(
                shop.context().getBean(ApplicationClock.class).instant(), ZoneId.of("Europe/Dublin"));
    }

    /** A letter with facts, whoever is just writing it: the application writes of its own accord, too. */
    private String awaits(JsonNode order, String kind, String... facts) throws Exception {
        Map<String, String> letters = letters(order);
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(20);
        while (!Stream.of(facts).allMatch(letters.getOrDefault(kind, "")::contains) && System.nanoTime() < until) {
            Thread.sleep(100);
            letters = letters(order);
        }
        assertThat(letters).as("a letter “%s”", kind).containsKey(kind);
        assertThat(letters.get(kind)).as(kind).contains(facts);
        return letters.get(kind);
    }

    private void has(JsonNode order, String kind, String language, String... facts) throws Exception {
        String letter = awaits(order, kind, facts);
        assertThat(letter).as("%s in %s", kind, language).doesNotContain("{").doesNotContain("letter.");
        String opening = Phrases.catalogue(language).get("letter." + kind + ".opening");
        if (opening != null) {
            String last = opening.substring(opening.lastIndexOf('\n') + 1).split("\\{")[0];
            assertThat(letter).as("%s is in %s", kind, language).contains(last);
        }
    }

    @ParameterizedTest
    @MethodSource("languages")
    void what_is_sent_and_paid_later(String language) throws Exception {
        Phrases phrases = Phrases.in(language);
        JsonNode order = bought(language, basket("transfer", "tube", line("kites-you-can-build"), line("wind-sock")));
        String token = order.path("token").asString();
        String whole =
                phrases.money(new BigDecimal(order.path("quote").path("toPay").asString()), "EUR");
        String iban = "IE36TNTR93000001234567";
        has(
                order,
                "receipt",
                language,
                token,
                whole,
                phrases.say("letter.total"),
                Policies.name("terms-of-sale", language),
                phrases.say("letter.model-form.title"),
                phrases.say("letter.model-form.signature"));
        assertThat(letters(order).get("receipt").replace(" ", "")).contains(iban);
        LocalDate until = today().plusDays(7);
        pass(4);
        has(order, "hold-reminder", language, token, whole, phrases.time(until));
        assertThat(letters(order).get("hold-reminder").replace(" ", "")).contains(iban);
        act(
                order,
                "capture",
                Map.of(
                        "payment",
                        payment(order),
                        "amount",
                        order.path("quote").path("toPay").asString()));
        has(order, "paid", language, token, whole);
        assertThat(letters(order).get("paid").replace(" ", "")).doesNotContain(iban);
        act(
                order,
                "dispatch",
                Map.of(
                        "lines",
                        List.of(0),
                        "tracking",
                        "EX1",
                        "carrier",
                        "Example Parcels",
                        "link",
                        "https://parcels.example/EX1"));
        has(order, "sent-part", language, token, "Example Parcels EX1", "https://parcels.example/EX1");
        act(order, "dispatch", Map.of("lines", List.of(1), "tracking", "EX2"));
        has(order, "sent", language, token, "EX2");
        act(order, "refund", Map.of("payment", payment(order), "amount", "3.00"));
        has(order, "refund", language, token, phrases.money(new BigDecimal("3.00"), "EUR"));
    }

    @ParameterizedTest
    @MethodSource("languages")
    void what_is_collected_called_off_or_lapses(String language) throws Exception {
        Map<String, Object> wanted = basket("cash", "pickup-workshop", line("wind-sock"));
        JsonNode slots = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(wanted))
                .json()
                .path("delivery");
        slots.forEach(option -> {
            if (option.path("id").asString().equals("pickup-workshop")) {
                wanted.put(
                        "slot",
                        option.path("slots")
                                .path(option.path("slots").size() - 1)
                                .path("start")
                                .asString());
            }
        });
        JsonNode order = bought(language, wanted);
        String token = order.path("token").asString();
        String street = "7 Example Dock Road";
        has(order, "receipt", language, token, street);
        act(order, "ready", Map.of());
        has(order, "ready", language, token, street);
        act(order, "dispatch", Map.of());
        String handedOver = Phrases.catalogue(language)
                .get("letter.handed-over.subject")
                .replace("{order}", order.path("number").asString());
        awaits(order, "sent", token, handedOver);

        JsonNode byBuyer = bought(language, basket("transfer", "tube", line("wind-sock")));
        shop.anybody().post("/api/counter/orders/" + byBuyer.path("token").asString() + "/call-off", "");
        String subject = Phrases.catalogue(language)
                .get("letter.called-off.subject")
                .replace("{order}", byBuyer.path("number").asString());
        awaits(byBuyer, "cancelled", byBuyer.path("token").asString(), subject);

        JsonNode off = bought(language, basket("transfer", "tube", line("wind-sock")));
        act(off, "cancel", Map.of());
        has(off, "cancelled", language, off.path("token").asString());
        JsonNode lapsing = bought(language, basket("transfer", "tube", line("wind-sock")));
        pass(8);
        has(lapsing, "lapsed", language, lapsing.path("token").asString());
    }

    @ParameterizedTest
    @MethodSource("languages")
    void a_voucher_is_told_with_its_code_worth_and_last_day(String language) throws Exception {
        Phrases phrases = Phrases.in(language);
        JsonNode order = bought(
                language, basket("card", "", Map.of("product", "gift-voucher", "quantity", "1", "amount", "25.00")));
        shop.anybody().pay(order, TestCard.APPROVED);
        JsonNode voucher = shop.anybody()
                .get("/api/counter/orders/" + order.path("token").asString())
                .json()
                .path("vouchers")
                .path(0);
        has(
                order,
                "voucher",
                language,
                voucher.path("code").asString(),
                phrases.money(new BigDecimal("25.00"), "EUR"),
                phrases.time(today().plusMonths(60)),
                voucher.path("url").asString(),
                "/counter/");
    }

    @ParameterizedTest
    @MethodSource("languages")
    void what_is_fetched_and_what_is_charged_again(String language) throws Exception {
        Phrases phrases = Phrases.in(language);
        JsonNode files = bought(language, basket("card", "", line("plans-to-print")));
        shop.anybody().pay(files, TestCard.APPROVED);
        has(
                files,
                "download",
                language,
                files.path("token").asString(),
                "box-kite-plans.pdf",
                phrases.say("letter.supply-agreed"));

        Map<String, Object> club = basket(
                "card",
                "letter",
                Map.of("product", "cloth-club", "quantity", "1", "options", Map.of("colour", "rust")));
        JsonNode order = bought(language, club);
        shop.anybody().pay(order, TestCard.APPROVED);
        String each = phrases.money(new BigDecimal("26.20"), "EUR");
        LocalDate start = today();
        LocalDate first = start.plusMonths(1);
        has(order, "receipt", language, "/subscription/", each, phrases.time(first));
        passUntil(first);
        has(order, "renewal", language, "/subscription/", each);
        shop.cards().refuseKeptCards(true);
        LocalDate second = start.plusMonths(2);
        passUntil(second);
        has(order, "renewal-failed", language, "/subscription/", each, phrases.time(today().plusDays(1)));
        shop.cards().refuseKeptCards(false);
        String page = letters(order).get("renewal-failed").replaceAll("(?s).*/subscription/([0-9a-f-]{36}).*", "$1");
        shop.anybody().post("/api/counter/subscriptions/" + page + "/stop", Map.of());
        has(order, "renewal-stopped", language, "/subscription/");
    }
}

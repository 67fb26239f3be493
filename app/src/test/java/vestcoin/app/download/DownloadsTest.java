package vestcoin.app.download;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.format.Json;
import vestcoin.app.message.Messages;
import vestcoin.app.order.Orders;
import vestcoin.app.payment.FollowedTransactions;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Provider;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;
import vestcoin.core.life.PaymentState;
import vestcoin.standins.pay.TestCard;
import vestcoin.standins.post.PostRoom;

/** Files: put in, handed over when paid, fetched so often and so long, in parts too. */
@ExtendWith(RunningShop.class)
class DownloadsTest {
    private final RunningShop.Running shop;

    DownloadsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    /** Buys the plans. @param atOnce whether the box was ticked */
    private JsonNode bought(String country, boolean atOnce, String email) {
        return bought(country, atOnce, email, TestCard.APPROVED);
    }

    private JsonNode bought(String country, boolean atOnce, String email, TestCard card) {
        Map<String, Object> basket = Map.of(
                "lines",
                List.of(Map.of("product", "plans-to-print", "quantity", "1")),
                "to",
                Map.of("country", country),
                "method",
                "card");
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        Map<String, Object> placing = new LinkedHashMap<>(Caller.placing(
                UUID.randomUUID().toString(), basket, quote.path("toPay").asString()));
        Map<String, String> agreed = new HashMap<>(Caller.AGREED);
        if (atOnce) {
            agreed.put("supply-at-once", quote.path("atOnce").path("hash").asString("none"));
        }
        placing.put("agreed", agreed);
        // No street and no town: nothing is sent.
        placing.put("contact", Map.of("name", "Test Buyer", "email", email, "lines", List.of()));
        Caller.Answer placed = shop.anybody().post(Caller.COUNTER + "/orders", placing);
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        assertThat(shop.anybody().pay(placed.json(), card).status()).isEqualTo(200);
        return placed.json();
    }

    private JsonNode page(JsonNode placed) {
        return shop.anybody()
                .get("/api/counter/orders/" + placed.path("token").asString())
                .json();
    }

    private HttpResponse<byte[]> fetch(String path, String... headers) throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(shop.url() + path));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    private void settle() throws Exception {
        shop.context().getBean(Messages.class).settled();
        shop.context().getBean(Messages.class).settled();
    }

    private List<PostRoom.Letter> files(String email) {
        return shop.services().post().letters().stream()
                .filter(letter -> letter.to().equals(email) && letter.subject().contains("Your files"))
                .toList();
    }

    @Test
    @Witness(
            value = "goods.products[].download.most",
            felt = {Felt.ORDER_PAGE, Felt.LETTER, Felt.DESK})
    @Witness(
            value = "goods.products[].download.days",
            felt = {Felt.ORDER_PAGE, Felt.LETTER, Felt.DESK})
    void with_the_box_a_file_is_there_at_once_and_opens_five_times() throws Exception {
        JsonNode placed = bought("IE", true, "atonce@buyers.example");
        JsonNode file = page(placed).path("downloads").path(0);
        assertThat(file.path("name").asString()).isEqualTo("box-kite-plans.pdf");
        assertThat(file.path("left").asInt()).isEqualTo(5);
        assertThat(page(placed).path("state").asString())
                .as("nothing is sent, so the money is taken at once")
                .isEqualTo("captured");
        String url = file.path("url").asString();
        HttpResponse<byte[]> whole = fetch(url);
        assertThat(whole.statusCode()).isEqualTo(200);
        assertThat(new String(whole.body(), 0, 5, java.nio.charset.StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
        assertThat(whole.headers().firstValue("Content-Disposition"))
                .hasValueSatisfying(
                        header -> assertThat(header).contains("attachment").contains("box-kite-plans.pdf"));
        settle();
        assertThat(files("atonce@buyers.example")).hasSize(1).allSatisfy(letter -> assertThat(letter.plain())
                .contains("box-kite-plans.pdf: 5 times")
                .contains("can then no longer withdraw")
                .contains(placed.path("token").asString()));
        for (int i = 0; i < 4; i++) {
            assertThat(fetch(url).statusCode()).isEqualTo(200);
        }
        HttpResponse<byte[]> sixth = fetch(url);
        assertThat(sixth.statusCode()).isEqualTo(410);
        assertThat(new String(sixth.body(), java.nio.charset.StandardCharsets.UTF_8))
                .contains("as often as it can be")
                .contains("Ask the shop to renew it");
        JsonNode over = page(placed).path("downloads").path(0);
        assertThat(over.path("left").asInt()).isZero();
        assertThat(over.hasNonNull("url")).isFalse();
        int number = placed.path("number").asInt();
        assertThat(shop.owner()
                        .post(Caller.SHOP + "/orders/" + number + "/downloads", Map.of())
                        .status())
                .isEqualTo(200);
        assertThat(fetch(url).statusCode()).isEqualTo(200);
        assertThat(shop.owner()
                        .get(Caller.SHOP + "/orders/" + number)
                        .json()
                        .path("files")
                        .path(0)
                        .path("used")
                        .asInt())
                .isEqualTo(1);
    }

    /** The provider's message and the buyer's own answer come at the same time, on threads of their own. */
    @Test
    void what_was_bought_is_there_when_the_buyer_is_answered_whoever_was_told_first() throws Exception {
        JsonNode placed = bought("IE", true, "first@buyers.example", TestCard.SILENT);
        assertThat(page(placed).path("downloads").path(0).hasNonNull("url")).isFalse();
        PaymentBook book = shop.context().getBean(PaymentBook.class);
        PaymentBook.Payment payment = book.ofOrder(shop.context()
                        .getBean(Orders.class)
                        .byToken(placed.path("token").asString())
                        .orElseThrow()
                        .id())
                .get(0);
        CountDownLatch told = new CountDownLatch(1);
        CountDownLatch answered = new CountDownLatch(1);
        Thread message = new Thread(
                () -> shop.context().getBean(FollowedTransactions.class).together(() -> {
                    book.applyProviderState(
                            payment.id(),
                            new Provider.View(
                                    "told-first",
                                    payment.idempotencyKey(),
                                    PaymentState.CAPTURED.text(),
                                    "",
                                    "",
                                    new Provider.Sums(payment.amount(), payment.amount(), 0),
                                    "",
                                    payment.version() + 1,
                                    Optional.empty(),
                                    "IE"),
                            "provider");
                    told.countDown();
                    try {
                        answered.await(20, TimeUnit.SECONDS);
                    } catch (InterruptedException e) {
                        Thread.currentThread().interrupt();
                    }
                }));
        message.start();
        assertThat(told.await(20, TimeUnit.SECONDS)).isTrue();
        shop.anybody().pay(placed, TestCard.APPROVED);
        assertThat(page(placed).path("downloads").path(0).hasNonNull("url")).isTrue();
        answered.countDown();
        message.join();
    }

    /** Ranges as RFC 9110, sections 14.1.2, 14.4 and 15.5.17, has them. */
    @Test
    void parts_of_a_file_are_answered_and_only_its_beginning_counts() throws Exception {
        JsonNode placed = bought("IE", true, "parts@buyers.example");
        String url = page(placed).path("downloads").path(0).path("url").asString();
        byte[] whole = fetch(url).body();
        HttpResponse<byte[]> part = fetch(url, "Range", "bytes=100-199");
        assertThat(part.statusCode()).isEqualTo(206);
        assertThat(part.headers().firstValue("Content-Range")).hasValue("bytes 100-199/" + whole.length);
        assertThat(part.body()).isEqualTo(java.util.Arrays.copyOfRange(whole, 100, 200));
        HttpResponse<byte[]> rest = fetch(url, "Range", "bytes=" + (whole.length - 10) + "-");
        assertThat(rest.statusCode()).isEqualTo(206);
        assertThat(rest.body()).hasSize(10);
        HttpResponse<byte[]> last = fetch(url, "Range", "bytes=-7");
        assertThat(last.body()).hasSize(7);
        assertThat(fetch(url, "Range", "bytes=" + whole.length + "-").statusCode())
                .isEqualTo(416);
        assertThat(page(placed).path("downloads").path(0).path("left").asInt()).isEqualTo(4);
    }

    /** Fourteen days to withdraw: Directive 2011/83/EU, Article 9(1); in the demo's terms. */
    @Test
    void without_the_box_a_file_is_handed_over_when_the_days_to_withdraw_are_over() throws Exception {
        JsonNode placed = bought("DE", false, "later@buyers.example");
        JsonNode file = page(placed).path("downloads").path(0);
        assertThat(file.hasNonNull("url")).isFalse();
        assertThat(file.path("left").asInt()).isEqualTo(5);
        settle();
        assertThat(files("later@buyers.example")).isEmpty();
        assertThat(shop.services().post().letters().stream()
                        .filter(letter -> letter.to().equals("later@buyers.example"))
                        .map(PostRoom.Letter::plain))
                .anySatisfy(text -> assertThat(text).contains("when the days to withdraw are over"));
        Caller owner = shop.owner();
        long ahead =
                owner.get(Caller.SHOP + "/practice/time").json().path("ahead").asLong();
        owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", 15));
        settle();
        String url = page(placed).path("downloads").path(0).path("url").asString();
        assertThat(fetch(url).statusCode()).isEqualTo(200);
        assertThat(files("later@buyers.example")).hasSize(1);
        ahead = owner.get(Caller.SHOP + "/practice/time").json().path("ahead").asLong();
        owner.post(Caller.SHOP + "/practice/time", Map.of("from", ahead, "days", 31));
        HttpResponse<byte[]> over = fetch(url);
        assertThat(over.statusCode()).isEqualTo(410);
        assertThat(new String(over.body(), java.nio.charset.StandardCharsets.UTF_8))
                .contains("time to fetch it is over");
    }

    @Test
    void where_the_law_asks_for_no_box_there_is_none() {
        Map<String, Object> basket = Map.of(
                "lines",
                List.of(Map.of("product", "plans-to-print", "quantity", "1")),
                "to",
                Map.of("country", "US", "region", "US-NC"),
                "method",
                "card");
        JsonNode quote = shop.anybody()
                .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                .json();
        assertThat(quote.hasNonNull("atOnce")).isFalse();
        JsonNode placed = bought("CH", false, "swiss@buyers.example");
        assertThat(page(placed).path("downloads").path(0).hasNonNull("url")).isTrue();
    }

    @Test
    @Witness(
            value = "goods.products[].download.link",
            felt = {Felt.ORDER_PAGE})
    void a_link_in_the_place_of_a_file_is_followed_as_often() throws Exception {
        Caller owner = shop.owner();
        Map<String, String> link = Map.of("link", "https://files.example/plans");
        owner.post(
                Caller.SHOP + "/draft/edits",
                Map.of("edits", List.of(Map.of("path", "goods/products/plans-to-print/download", "now", link))));
        owner.post(Caller.SHOP + "/draft/publish", Map.of());
        JsonNode placed = bought("IE", true, "linked@buyers.example");
        HttpResponse<byte[]> answer =
                fetch(page(placed).path("downloads").path(0).path("url").asString());
        assertThat(answer.statusCode()).isEqualTo(303);
        assertThat(answer.headers().firstValue("Location")).hasValue("https://files.example/plans");
        assertThat(page(placed).path("downloads").path(0).path("left").asInt()).isEqualTo(4);
        owner.post(
                Caller.SHOP + "/draft/edits",
                Map.of("edits", List.of(Map.of("path", "goods/products/plans-to-print/download", "was", link))));
        owner.post(Caller.SHOP + "/draft/publish", Map.of());
    }

    @Test
    void an_order_given_back_opens_nothing_any_more() throws Exception {
        JsonNode placed = bought("IE", true, "back@buyers.example");
        String url = page(placed).path("downloads").path(0).path("url").asString();
        assertThat(fetch(url).statusCode()).isEqualTo(200);
        Caller owner = shop.owner();
        String at = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        JsonNode payment = owner.get(at).json().path("payments").path(0);
        assertThat(owner.post(
                                at + "/refund",
                                Map.of(
                                        "key",
                                        UUID.randomUUID().toString(),
                                        "payment",
                                        payment.path("id").asLong(),
                                        "amount",
                                        payment.path("captured").asString()))
                        .status())
                .isEqualTo(200);
        assertThat(fetch(url).statusCode()).isEqualTo(410);
    }

    private Caller.Answer put(Caller owner, String name, byte[] bytes, String query) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(
                        URI.create(shop.url() + Caller.SHOP + "/files/plans-to-print?name=" + name + query))
                .POST(HttpRequest.BodyPublishers.ofByteArray(bytes))
                .build();
        return owner.sent(request);
    }

    @Test
    void a_file_is_taken_in_as_it_is_replaced_and_taken_away() throws Exception {
        Caller owner = shop.owner();
        byte[] bytes = new byte[3_000_000];
        new Random(5).nextBytes(bytes);
        Caller.Answer added = put(owner, "second%20sheet.zip", bytes, "");
        assertThat(added.status()).as(added.text()).isEqualTo(200);
        JsonNode file = added.json().path(1);
        assertThat(file.path("name").asString()).isEqualTo("second sheet.zip");
        assertThat(file.path("type").asString()).isEqualTo("application/zip");
        assertThat(file.path("bytes").asLong()).isEqualTo(bytes.length);
        assertThat(file.path("sha256").asString())
                .isEqualTo(HexFormat.of()
                        .formatHex(MessageDigest.getInstance("SHA-256").digest(bytes)));
        Caller.Answer replaced = put(
                owner,
                "newer.pdf",
                "other".getBytes(),
                "&replaces=" + file.path("id").asLong());
        assertThat(replaced.json().path(1).path("name").asString()).isEqualTo("newer.pdf");
        assertThat(owner.delete(Caller.SHOP + "/files/plans-to-print/"
                                + file.path("id").asLong())
                        .json())
                .hasSize(1);
        assertThat(put(owner, "..%2F..%2F", "x".getBytes(), "").sentence()).contains("needs a name");
        assertThat(put(owner, "empty.pdf", new byte[0], "").sentence()).isEqualTo("The file is empty.");
        assertThat(put(shop.anybody(), "x.pdf", "x".getBytes(), "").status()).isIn(401, 403);
    }

    /** A file that says it is larger than is taken is refused before it comes. */
    @Test
    void a_file_too_large_or_cut_off_in_the_middle_leaves_nothing_behind() throws Exception {
        Caller owner = shop.owner();
        String head = "POST " + Caller.SHOP + "/files/plans-to-print?name=big.bin HTTP/1.1\r\nHost: 127.0.0.1\r\n"
                + owner.signedHeaders() + "Content-Type: application/octet-stream\r\n";
        String tooLarge = raw(head + "Content-Length: 209715201\r\n\r\n", false);
        assertThat(tooLarge).contains(" 413 ").contains("larger than 200 MB");
        raw(head + "Content-Length: 5000\r\n\r\nonly the beginning", true);
        Soon.holds(() ->
                assertThat(coming()).as("what has come of it was cleared away").isEmpty());
        assertThat(owner.get(Caller.SHOP + "/files/plans-to-print").json())
                .extracting(file -> file.path("name").asString())
                .doesNotContain("big.bin");
    }

    private List<Path> coming() throws IOException {
        try (Stream<Path> files = Files.list(shop.data().resolve("files"))) {
            return files.filter(file -> file.getFileName().toString().startsWith("coming"))
                    .toList();
        }
    }

    private String raw(String request, boolean cut) throws Exception {
        try (var socket = new java.net.Socket("127.0.0.1", shop.port())) {
            socket.getOutputStream().write(request.getBytes(java.nio.charset.StandardCharsets.ISO_8859_1));
            socket.getOutputStream().flush();
            if (cut) {
                Soon.holds(() -> assertThat(coming()).as("it is coming in").isNotEmpty());
                return "";
            }
            socket.setSoTimeout(10_000);
            byte[] buffer = new byte[4000];
            int n = socket.getInputStream().read(buffer);
            String text = new String(buffer, 0, Math.max(n, 0), java.nio.charset.StandardCharsets.UTF_8);
            if (!text.contains("}")) {
                n = socket.getInputStream().read(buffer);
                text += new String(buffer, 0, Math.max(n, 0), java.nio.charset.StandardCharsets.UTF_8);
            }
            return text;
        }
    }

    @Test
    void a_digital_product_without_file_or_link_stands_against_opening() {
        Caller owner = shop.owner();
        assertThat(owner.get(Caller.SHOP + "/draft").json().path("findings"))
                .noneMatch(finding -> finding.path("id").asString().equals("nothing-to-download"));
        JsonNode product = Json.tree("""
                {"id":"sheet","name":"Sheet","kind":"digital","price":"2.00","category":"gear"}""");
        assertThat(owner.post(
                                Caller.SHOP + "/draft/edits",
                                Map.of("edits", List.of(Map.of("path", "goods/products/sheet", "now", product))))
                        .json()
                        .path("findings"))
                .anyMatch(finding -> finding.path("id").asString().equals("nothing-to-download")
                        && finding.path("severity").asString().equals("blocks-opening"));
        Caller.Answer refused = owner.post(
                Caller.SHOP + "/draft/edits",
                Map.of(
                        "edits",
                        List.of(Map.of(
                                "path",
                                "goods/products/sheet/download",
                                "now",
                                Map.of("link", "javascript:alert(1)")))));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(owner.post(
                                Caller.SHOP + "/draft/edits",
                                Map.of(
                                        "edits",
                                        List.of(Map.of(
                                                "path",
                                                "goods/products/sheet/download",
                                                "now",
                                                Map.of("link", "https://files.example/sheet")))))
                        .json()
                        .path("findings"))
                .noneMatch(finding -> finding.path("id").asString().equals("nothing-to-download"));
        owner.post(Caller.SHOP + "/draft/undo", Map.of());
        owner.post(Caller.SHOP + "/draft/undo", Map.of());
    }
}

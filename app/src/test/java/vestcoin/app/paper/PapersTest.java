package vestcoin.app.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.FormatsTest;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Dispatching;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Placing;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.payment.Provider;
import vestcoin.app.payment.Vouchers;
import vestcoin.app.run.DemoShop;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.quote.RandomShops;

/**
 * The sum of payments less refunds is the sum of invoices less credit notes, to the minor unit, whatever happened in
 * between.
 */
class PapersTest {
    private static final int GENERATED = 500;
    private static final int ORDERS_A_SHOP = 12;
    private static RunningShop.Running shop;
    private final Random random = new Random(219);

    /** In memory: thousands of commits would wait for the disk for minutes. */
    @BeforeAll
    static void start() throws IOException {
        shop = RunningShop.inMemory();
    }

    @AfterAll
    static void stop() {
        shop.close();
    }

    private <T> T bean(Class<T> type) {
        return shop.context().getBean(type);
    }

    private Editions.Edition published(String id, Document document) {
        bean(Drafts.class).create(id, document);
        return bean(Editions.class).publish(id, "test");
    }

    /**
     * Places an order as it is, with a voucher issued for whatever it pays by voucher; nothing if it cannot be placed
     * or costs nothing.
     */
    private Orders.Order placed(Editions.Edition edition, Order order) {
        QuoteView quote = edition.document().quote(order);
        if (!quote.missing().isEmpty()
                || quote.payable().value().signum() <= 0
                || quote.toPay().value().signum() > 0
                        && order.method()
                                .filter(id -> quote.methods().stream()
                                        .anyMatch(way -> way.id().equals(id)
                                                && !way.kind().throughProvider()))
                                .isEmpty()) {
            return null;
        }
        for (PricingContext.Voucher used : order.outside().vouchers()) {
            if (bean(Vouchers.class).find(edition.shop(), used.code()).isEmpty()) {
                bean(JdbcClient.class)
                        .sql("insert into voucher(shop, code, currency, issued, balance, mode, at, sold) values "
                                + "(:shop, :code, :currency, 100000000, 100000000, 'test', now(), :sold)")
                        .param("sold", !used.given())
                        .param("shop", edition.shop())
                        .param("code", used.code())
                        .param("currency", quote.currency())
                        .update();
            }
        }
        return bean(Placing.class)
                .place(
                        edition,
                        UUID.randomUUID().toString(),
                        order,
                        quote,
                        new Placing.Contact("A Buyer", "buyer@buyers.example", List.of("1 Example Street"), "Cork"),
                        new Placing.Agreed("en", java.util.Map.of()),
                        false);
    }

    private void move(PaymentBook.Payment payment, Provider.Kind kind, long most) {
        long amount = random.nextInt(3) == 0 ? most : 1 + (long) (random.nextDouble() * (most - 1));
        bean(Payments.class).move(payment, kind, UUID.randomUUID().toString(), amount, "test");
    }

    /** Money comes in parts, the goods leave, money goes back in parts, sometimes all of it. */
    private void lived(Orders.Order order) {
        PaymentBook book = bean(PaymentBook.class);
        for (PaymentBook.Payment payment : book.ofOrder(order.id())) {
            while (book.of(payment.id()).captured() < payment.amount()) {
                move(
                        book.of(payment.id()),
                        Provider.Kind.CAPTURE,
                        payment.amount() - book.of(payment.id()).captured());
            }
        }
        if (!order.sent().equals("nothing")) {
            bean(Dispatching.class)
                    .send(
                            bean(Orders.class).byId(order.id()),
                            new Dispatching.Departure(UUID.randomUUID().toString(), Set.of(), "", false),
                            "test");
        }
        bean(Issuing.class).keepUp(order.id());
        for (int i = random.nextInt(4); i > 0; i--) {
            for (PaymentBook.Payment payment : book.ofOrder(order.id())) {
                if (payment.captured() > payment.refunded() && random.nextInt(3) > 0) {
                    move(payment, Provider.Kind.REFUND, payment.captured() - payment.refunded());
                    bean(Issuing.class).keepUp(order.id());
                }
            }
        }
        balanced(order);
    }

    private void balanced(Orders.Order order) {
        long money = bean(PaymentBook.class).ofOrder(order.id()).stream()
                .filter(payment -> payment.stateNow().alive())
                .mapToLong(payment -> payment.captured() - payment.refunded())
                .sum();
        List<Papers.Row> rows = bean(Papers.class).ofOrder(order.id());
        long papers = rows.stream()
                .mapToLong(row -> List.of("invoice", "receipt").contains(row.kind()) ? row.gross() : -row.gross())
                .sum();
        assertThat(papers)
                .as("%s order %s: %s", order.shop(), order.number(), rows)
                .isEqualTo(money);
    }

    @Test
    void money_and_papers_agree_for_every_example_order() throws IOException {
        int lived = 0;
        try (Stream<Path> files = Files.list(Path.of("..", "docs", "formats", "examples"))) {
            for (Path file : files.filter(each -> each.getFileName().toString().endsWith(".order.json"))
                    .sorted()
                    .toList()) {
                Order order = OrderFile.parse(Files.readString(file));
                String id = "x-" + file.getFileName().toString().replace(".order.json", "");
                Document document = Document.parse(Files.readString(FormatsTest.shopOf(file)));
                Orders.Order placed = placed(published(id, document), transferred(document, order));
                if (placed != null) {
                    lived(placed);
                    lived++;
                }
            }
        }
        assertThat(lived).isGreaterThan(12);
    }

    /** The order by a way that needs no provider, since the providers' part is checked elsewhere. */
    private static Order transferred(Document document, Order order) {
        boolean already = document.setup().payment().methods().stream()
                .anyMatch(method -> !method.kind().throughProvider()
                        && order.method().filter(method.id()::equals).isPresent());
        return already
                ? order
                : document.setup().payment().methods().stream()
                        .filter(method -> !method.kind().throughProvider())
                        .map(method -> order.withMethod(method.id()))
                        .filter(each -> document.quote(each).missing().isEmpty())
                        .findFirst()
                        .orElse(order);
    }

    @Test
    void money_and_papers_agree_for_generated_orders_and_numbers_have_no_gaps() {
        RandomShops shops = new RandomShops(random);
        int lived = 0;
        int several = 0;
        for (int s = 0; lived < GENERATED; s++) {
            String id = "g-" + s;
            Editions.Edition edition;
            try {
                edition = published(id, Document.of(shops.shop()));
            } catch (InvalidInput overlapping) {
                continue;
            }
            for (int o = 0; o < ORDERS_A_SHOP; o++) {
                Order order = shops.order(edition.document().setup());
                Orders.Order placed = placed(edition, transferred(edition.document(), order));
                if (placed != null) {
                    lived(placed);
                    lived++;
                    several += bean(Papers.class).invoices(placed.id()).size() > 1 ? 1 : 0;
                }
            }
        }
        assertThat(several).as("orders with several invoices").isGreaterThan(10);
        assertThat(bean(JdbcClient.class).sql("""
                select count(*) from (select shop, mode, kind, in_year, max(seq) as latest, count(*) as many from
                    paper group by shop, mode, kind, in_year) where latest <> many""").query(Long.class).single())
                .as("series with a gap")
                .isZero();
    }

    private Caller.Answer paid(JsonNode placed) {
        return paid(placed, shop.owner());
    }

    private static Caller.Answer paid(JsonNode placed, Caller owner) {
        String orders = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        long payment =
                owner.get(orders).json().path("payments").path(0).path("id").asLong();
        return owner.post(
                orders + "/capture",
                Map.of("key", UUID.randomUUID().toString(), "payment", payment, "amount", "31.40"));
    }

    private JsonNode byTransfer() {
        Map<String, Object> basket = new java.util.HashMap<>(Caller.book());
        basket.put("method", "transfer");
        Caller.Answer placed = shop.anybody()
                .post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, "31.40"));
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        return placed.json();
    }

    private JsonNode papers(JsonNode placed) throws InterruptedException {
        JsonNode papers = vestcoin.app.format.Json.tree("[]");
        for (int i = 0; i < 50 && papers.isEmpty(); i++) {
            papers = shop.anybody()
                    .get("/api/counter/orders/" + placed.path("token").asString() + "/papers")
                    .json();
            Thread.sleep(100);
        }
        return papers;
    }

    @Test
    void an_invoice_is_issued_by_itself_when_the_money_has_come_and_read_by_buyer_and_seller_alone() throws Exception {
        JsonNode placed = byTransfer();
        assertThat(paid(placed).status()).isEqualTo(200);
        JsonNode paper = papers(placed).path(0);
        assertThat(paper.path("gross").asString()).isEqualTo("31.40");
        assertThat(paper.path("number").asString()).startsWith("TEST-");
        String file = "/papers/" + paper.path("number").asString();
        String buyers = "/api/counter/orders/" + placed.path("token").asString();
        assertThat(shop.anybody().get(buyers + file + ".pdf").text()).startsWith("%PDF-");
        assertThat(shop.anybody().get(buyers + file + ".xml").text())
                .contains("urn:cen.eu:en16931:2017")
                .contains(">31.40<");
        assertThat(shop.owner()
                        .get(Caller.SHOP + "/orders/" + placed.path("number").asInt() + file + ".xml")
                        .status())
                .isEqualTo(200);
        assertThat(shop.anybody()
                        .get(Caller.SHOP + "/orders/" + placed.path("number").asInt() + file + ".xml")
                        .status())
                .as("not signed in")
                .isEqualTo(401);
        assertThat(shop.anybody()
                        .get("/api/counter/orders/" + byTransfer().path("token").asString() + file + ".pdf")
                        .status())
                .as("another order's link")
                .isEqualTo(404);
    }

    @Test
    void orders_paid_at_once_get_numbers_in_a_row() throws Exception {
        List<JsonNode> placed =
                IntStream.range(0, 12).mapToObj(i -> byTransfer()).toList();
        // Signed in one after the other: so many at once would be slowed, which is not what is tried here.
        Map<JsonNode, Caller> owners = new java.util.LinkedHashMap<>();
        placed.forEach(each -> owners.put(each, shop.owner()));
        List<String> answers = owners.entrySet().stream()
                .map(each -> CompletableFuture.supplyAsync(() -> paid(each.getKey(), each.getValue())))
                .toList()
                .stream()
                .map(CompletableFuture::join)
                .map(answer -> answer.status() + answer.sentence())
                .toList();
        assertThat(answers).containsOnly("200");
        List<String> numbers = new ArrayList<>();
        for (JsonNode each : placed) {
            numbers.add(papers(each).path(0).path("number").asString());
        }
        assertThat(numbers).doesNotHaveDuplicates().doesNotContain("");
        assertThat(bean(JdbcClient.class)
                        .sql("select max(seq) - count(*) from paper where shop = :shop and kind = 'invoice'")
                        .param("shop", DemoShop.SHOP)
                        .query(Long.class)
                        .single())
                .isZero();
    }

    @Test
    void what_a_crash_left_unwritten_is_made_good() throws Exception {
        Editions.Edition edition = published("crashed", Document.parse(DemoShop.setupFile()));
        Orders.Order placed = placed(
                edition,
                OrderFile.parse(Files.readString(
                                Path.of("..", "docs", "formats", "examples", "cork-two-deltas.order.json")))
                        .withMethod("transfer"));
        lived(placed);
        bean(Issuing.class).settled();
        bean(JdbcClient.class)
                .sql("delete from paper where order_id = :id")
                .param("id", placed.id())
                .update();
        bean(JdbcClient.class).sql("delete from series where shop = 'crashed'").update();
        bean(JdbcClient.class)
                .sql("insert into owed(kind, order_id, change) values ('paper', :id, 1)")
                .param("id", placed.id())
                .update();
        bean(Issuing.class).makeGood();
        bean(Issuing.class).settled();
        balanced(placed);
    }

    /** Two kites by card, taken when they leave, one line after the other. */
    @Test
    void each_dispatch_takes_its_own_and_the_last_the_rest() {
        Map<String, Object> basket = Map.of(
                "lines",
                List.of(
                        Map.of("product", "kites-you-can-build", "quantity", "1"),
                        Map.of("product", "box-kite", "quantity", "1")),
                "to",
                Map.of("country", "IE", "postcode", "T12 X2A0"),
                "delivery",
                "tube",
                "method",
                "card");
        Caller buyer = shop.anybody();
        JsonNode quote =
                buyer.post(Caller.COUNTER + "/quote", Caller.quoting(basket)).json();
        BigDecimal all = new BigDecimal(quote.path("toPay").asString());
        BigDecimal kite =
                new BigDecimal(quote.path("lines").path(1).path("amount").asString());
        JsonNode placed = buyer.post(
                        Caller.COUNTER + "/orders",
                        Caller.placing(UUID.randomUUID().toString(), basket, all.toPlainString()))
                .json();
        buyer.pay(placed, vestcoin.standins.pay.TestCard.APPROVED);
        Caller owner = shop.owner();
        String orders = Caller.SHOP + "/orders/" + placed.path("number").asInt();
        String key = UUID.randomUUID().toString();
        JsonNode first = owner.post(orders + "/dispatch", Map.of("key", key, "lines", List.of(0)))
                .json();
        assertThat(first.path("sent").asString()).isEqualTo("in part");
        assertThat(new BigDecimal(
                        first.path("payments").path(0).path("captured").asString()))
                .isEqualByComparingTo(all.subtract(kite));
        assertThat(owner.post(orders + "/dispatch", Map.of("key", key, "lines", List.of(0)))
                        .json()
                        .path("payments")
                        .path(0)
                        .path("captured"))
                .as("sent twice")
                .isEqualTo(first.path("payments").path(0).path("captured"));
        assertThat(owner.post(
                                orders + "/dispatch",
                                Map.of("key", UUID.randomUUID().toString(), "lines", List.of(0)))
                        .status())
                .as("left already")
                .isEqualTo(409);
        JsonNode last = owner.post(
                        orders + "/dispatch", Map.of("key", UUID.randomUUID().toString()))
                .json();
        assertThat(last.path("sent").asString()).isEqualTo("all");
        assertThat(new BigDecimal(last.path("payments").path(0).path("captured").asString()))
                .isEqualByComparingTo(all);
    }
}

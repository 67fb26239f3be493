package vestcoin.app.settings;

import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import jakarta.mail.BodyPart;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeMultipart;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.message.Messages;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Placing;
import vestcoin.app.order.Wishes;
import vestcoin.app.paper.Issuing;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.Payments;
import vestcoin.app.payment.Provider;
import vestcoin.app.run.DemoShop;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Policies;
import vestcoin.core.finding.Check;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.life.PaymentState;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.Rehearsal;
import vestcoin.core.tax.Buyer;
import vestcoin.standins.pay.CardProcessor;
import vestcoin.standins.pay.TestCard;

/**
 * What people meet of a setup: it is published, priced, ordered by, paid, sent and given back through the application
 * that runs, and what each of the places is drawn from is kept as text. What differs from run to run, such as the time
 * of day and numbers of its own, is taken out.
 */
final class Faces {
    private static final String SHOP = DemoShop.SHOP;
    private static final Pattern HASH = Pattern.compile("\\b[0-9a-f]{64}\\b");
    private static final Session SESSION = Session.getInstance(new Properties());
    private static final List<String> OF_ORDERS = List.of(
            "payment_transition",
            "payment_move",
            "payout_entry",
            "payout",
            "refund_part",
            "replaced_bills",
            "voucher_move",
            "payment",
            "discount_use",
            "discount_count",
            "slot_taken",
            "attendance",
            "short_message",
            "dispatch",
            "paper",
            "series",
            "letter",
            "owed",
            "withdrawal",
            "renewal",
            "subscription_event",
            "subscription",
            "orders");

    private final RunningShop.Running shop;
    private final JdbcClient sql;
    private final Editions editions;
    private final Caller owner;
    private final Caller anybody;
    private int edition;

    Faces(RunningShop.Running shop) throws Exception {
        this.shop = shop;
        this.sql = bean(JdbcClient.class);
        this.editions = bean(Editions.class);
        this.owner = shop.owner();
        this.anybody = new Caller(shop.url());
        this.edition = sql.sql("select max(number) from edition where shop = :shop")
                .param("shop", SHOP)
                .query(Integer.class)
                .single();
        settle();
        wipe();
    }

    private <T> T bean(Class<T> type) {
        return shop.context().getBean(type);
    }

    /** What is seen at some places of a setup, for baskets of buyers. */
    Map<Felt, String> of(Document document, List<OrderFile> baskets, Set<Felt> wanted) throws Exception {
        Map<Felt, String> seen = new EnumMap<>(Felt.class);
        if (wanted.contains(Felt.PRICE)) {
            StringBuilder priced = new StringBuilder();
            for (OrderFile basket : baskets) {
                priced.append(quoted(document, basket)).append('\n');
            }
            // What the ticket shows of the setup's own orders.
            for (Rehearsal.SampleOrder sample : document.setup().rehearsal().baskets()) {
                priced.append(quoted(document, sampled(sample, baskets.get(0)))).append('\n');
            }
            seen.put(Felt.PRICE, priced.toString());
        }
        if (wanted.contains(Felt.FINDING)) {
            seen.put(
                    Felt.FINDING,
                    Json.write(Check.of(
                            document.compiled(),
                            new FindingContext(
                                    Optional.ofNullable(baskets.get(0).at())
                                            .orElseGet(() -> bean(Clock.class).instant()),
                                    bean(Gateways.class).states(SHOP)))));
        }
        if (wanted.stream().anyMatch(each -> each != Felt.PRICE && each != Felt.FINDING)) {
            publish(document);
        }
        if (wanted.contains(Felt.COUNTER)) {
            seen.put(Felt.COUNTER, steady(counter(baskets)));
        }
        if (wanted.stream().anyMatch(each -> each.ordinal() > Felt.COUNTER.ordinal() && each != Felt.FINDING)) {
            ordered(document, baskets, wanted, seen);
        }
        return seen;
    }

    /** The quote, or why there is none. */
    private static String quoted(Document document, OrderFile basket) {
        try {
            // Its hash is of the whole setup: it would differ whatever was changed.
            return HASH.matcher(Json.write(document.quote(basket.placed(basket.at(), basket.gateways()))))
                    .replaceAll("H");
        } catch (InvalidInput refused) {
            return refused.getMessage();
        }
    }

    /**
     * A sample order as the ticket asks for it. @param like an order with the time and the accounts to price it with
     */
    private static OrderFile sampled(Rehearsal.SampleOrder sample, OrderFile like) {
        Destination to = sample.order().to().orElseThrow();
        return OrderFile.of(new Order(
                sample.at().orElse(like.at()),
                sample.order(),
                sample.buyer() == Rehearsal.BuyerKind.BUSINESS
                        ? new Buyer(
                                Buyer.Kind.BUSINESS,
                                Optional.of(new Buyer.TaxNumber(
                                        to.country(),
                                        "999999999",
                                        Optional.of(new Buyer.Confirmed(true, like.at(), "EXAMPLE")))),
                                null,
                                null,
                                null)
                        : Buyer.PERSON,
                sample.group(),
                like.gateways(),
                null,
                null,
                null,
                false));
    }

    private void publish(Document document) {
        edition++;
        sql.sql("insert into edition(shop, number, hash, document, author, at) values (:shop, :number, :hash, "
                        + ":document, 'test', current_timestamp)")
                .param("shop", SHOP)
                .param("number", edition)
                .param("hash", document.hash())
                .param("document", Json.write(document.tree()))
                .update();
    }

    private String counter(List<OrderFile> baskets) {
        StringBuilder read = new StringBuilder();
        for (String language : List.of("", "de")) {
            read.append(anybody.get(Caller.COUNTER + "?language=" + language).text())
                    .append('\n');
        }
        for (OrderFile basket : baskets) {
            ObjectNode asked = (ObjectNode) Json.tree(Json.write(basket.basket()));
            Map<String, Object> buyer = new HashMap<>();
            basket.buyer().flatMap(by -> by.number()).ifPresent(number -> {
                buyer.put("business", true);
                buyer.put("taxNumber", number.country() + number.number());
            });
            read.append(anybody.post(Caller.COUNTER + "/quote", Map.of("basket", asked, "buyer", buyer))
                            .text())
                    .append('\n');
        }
        return read.toString();
    }

    private void ordered(Document document, List<OrderFile> baskets, Set<Felt> wanted, Map<Felt, String> seen)
            throws Exception {
        Map<Felt, StringBuilder> read = new EnumMap<>(Felt.class);
        for (Felt felt : Felt.values()) {
            read.put(felt, new StringBuilder());
        }
        try {
            List<Orders.Order> placed = new ArrayList<>();
            for (int i = 0; i < baskets.size(); i++) {
                try {
                    place(document, baskets.get(i), i).ifPresent(placed::add);
                } catch (InvalidInput refused) {
                    // What cannot be ordered is seen at no place after the order.
                    continue;
                }
            }
            for (Orders.Order order : placed) {
                settle();
                look(order, read, wanted);
                if (wanted.contains(Felt.LETTER) || wanted.contains(Felt.PAPER)) {
                    carryOut(order);
                    settle();
                    read(order, read, wanted);
                }
            }
            if (wanted.contains(Felt.FILE)) {
                read.get(Felt.FILE)
                        .append(owner.get(Caller.SHOP + "/orders.csv").text())
                        .append(anybody.get("/shops/" + SHOP).text())
                        .append(calendar());
            }
            if (wanted.contains(Felt.DESK)) {
                read.get(Felt.DESK).append(owner.get(Caller.SHOP + "/bookings").text());
            }
            for (Felt felt : wanted) {
                seen.computeIfAbsent(felt, key -> steady(read.get(key).toString()));
            }
        } finally {
            settle();
            wipe();
        }
    }

    private String calendar() {
        String address = owner.post(Caller.SHOP + "/calendar", Map.of())
                .json()
                .path("calendar")
                .asString();
        return anybody.get(address.replaceFirst("^https?://[^/]+", ""))
                .text()
                .replaceAll("(?m)^(DTSTAMP|UID|PRODID).*$", "");
    }

    private Optional<Orders.Order> place(Document document, OrderFile basket, int place) throws Exception {
        Order order = bean(PricingContexts.class)
                .around(
                        SHOP,
                        document.compiled(),
                        basket.placed(
                                Instant.now().truncatedTo(ChronoUnit.SECONDS),
                                bean(Gateways.class).states(SHOP)));
        QuoteView first = document.quote(order);
        Order whole = first.delivery().stream()
                .filter(QuoteView.Option::chosen)
                .findFirst()
                .flatMap(option -> first.slots().getOrDefault(option.id(), List.of()).stream()
                        .findFirst())
                .map(slot -> order.withSlot(slot.start()))
                .orElse(order);
        QuoteView quote = document.quote(whole);
        if (!quote.missing().isEmpty()) {
            return Optional.empty();
        }
        Orders.Order placed = bean(Placing.class)
                .place(
                        editions.of(SHOP, edition),
                        UUID.randomUUID().toString(),
                        whole,
                        quote,
                        new Placing.Contact(
                                "Test Buyer",
                                "buyer" + place + "@buyers.example",
                                List.of("1 Example Street"),
                                "Example Town",
                                Wishes.NONE),
                        new Placing.Agreed(
                                place % 2 == 1 ? "de" : document.setup().shop().language(),
                                Policies.toAgree(document.setup())),
                        false);
        // What is written of an order that waits is written before its money comes, not in the middle of it.
        settle();
        if (whole.method().filter("card"::equals).isPresent() && placed.due() > 0) {
            bean(Placing.class)
                    .pay(
                            placed,
                            Caller.cardToken(
                                    shop.services().cards().url(), CardProcessor.TEST_PUBLIC, TestCard.APPROVED),
                            Optional.empty());
        }
        return Optional.of(placed);
    }

    /** The money comes, it is sent, and a part is given back. */
    private void carryOut(Orders.Order order) throws Exception {
        String at = Caller.SHOP + "/orders/" + order.number();
        owner.post(at + "/dispatch", Map.of("key", UUID.randomUUID().toString(), "tracking", "EX1"));
        // Whose address is known is greeted by name, and who paid is known: the letter is written before that.
        settle();
        for (PaymentBook.Payment payment : bean(PaymentBook.class).ofOrder(order.id())) {
            boolean there = !payment.throughProvider() || payment.stateNow() == PaymentState.AUTHORISED;
            if (payment.captured() < payment.amount() && there) {
                bean(Payments.class)
                        .move(
                                payment,
                                Provider.Kind.CAPTURE,
                                UUID.randomUUID().toString(),
                                payment.amount() - payment.captured(),
                                "test");
            }
        }
        bean(PaymentBook.class).ofOrder(order.id()).stream()
                .filter(payment -> payment.captured() > 0)
                .findFirst()
                .ifPresent(payment -> bean(Payments.class)
                        .move(
                                payment,
                                Provider.Kind.REFUND,
                                UUID.randomUUID().toString(),
                                1 + payment.amount() / 4,
                                "test"));
    }

    private void look(Orders.Order order, Map<Felt, StringBuilder> read, Set<Felt> wanted) throws Exception {
        String at = Caller.SHOP + "/orders/" + order.number();
        if (wanted.contains(Felt.ORDER_PAGE)) {
            String page = "/api/counter/orders/" + order.token();
            read.get(Felt.ORDER_PAGE)
                    .append(anybody.get(page).text())
                    .append(anybody.get(page + "/withdrawal").text())
                    .append(anybody.get(page + "/papers").text());
        }
        if (wanted.contains(Felt.DESK)) {
            read.get(Felt.DESK).append(owner.get(at).text());
        }
        if (wanted.contains(Felt.FILE)) {
            read.get(Felt.FILE).append(order.document());
        }
        if (wanted.contains(Felt.PAPER)) {
            read.get(Felt.PAPER)
                    .append(pdf(owner.bytes(at + "/slip.pdf")))
                    .append(pdf(owner.bytes("/api/counter/orders/" + order.token() + "/receipt.pdf")));
        }
    }

    /** What is written once all is done. */
    private void read(Orders.Order order, Map<Felt, StringBuilder> read, Set<Felt> wanted) throws Exception {
        if (wanted.contains(Felt.LETTER)) {
            for (String mime : sql.sql(
                            "select mime from letter where order_id = :order order by event, recipient, subject")
                    .param("order", order.id())
                    .query(String.class)
                    .list()) {
                read.get(Felt.LETTER).append(letter(mime)).append('\n');
            }
        }
        if (wanted.contains(Felt.PAPER)) {
            sql.sql("select content from paper where order_id = :order order by id")
                    .param("order", order.id())
                    .query(String.class)
                    .list()
                    .forEach(read.get(Felt.PAPER)::append);
        }
    }

    private static String letter(String mime) throws Exception {
        MimeMessage message = new MimeMessage(SESSION, new ByteArrayInputStream(mime.getBytes(StandardCharsets.UTF_8)));
        BodyPart plain = ((MimeMultipart) message.getContent()).getBodyPart(0);
        return message.getFrom()[0] + "\n" + message.getAllRecipients()[0] + "\n" + message.getSubject() + "\n"
                + plain.getContent();
    }

    private static String pdf(byte[] file) throws Exception {
        PdfReader reader = new PdfReader(file);
        StringBuilder text = new StringBuilder();
        for (int page = 1; page <= reader.getNumberOfPages(); page++) {
            text.append(new PdfTextExtractor(reader).getTextFromPage(page));
        }
        return text.toString();
    }

    /** Without what differs each time: ids, tokens, the time of day, the number of the edition. */
    private static String steady(String text) {
        return text.replaceAll("[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}", "U")
                .replaceAll("20\\d\\d-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d(\\.\\d+)?(Z|[+-]\\d\\d:\\d\\d)", "T")
                .replaceAll("\"(id|payment|edition)\":\\d+", "\"$1\":N")
                .replaceAll("\"actor\":\"(buyer|provider)\"", "\"actor\":A")
                .replaceAll(HASH.pattern(), "H");
    }

    /** Waits until all papers and letters that are owed are written. */
    private void settle() throws Exception {
        do {
            bean(Messages.class).settled();
            settled(bean(Issuing.class));
        } while (sql.sql("select count(*) from owed").query(Integer.class).single() > 0);
        bean(Messages.class).settled();
    }

    private static void settled(Issuing issuing) throws Exception {
        var method = Issuing.class.getDeclaredMethod("settled");
        method.setAccessible(true);
        method.invoke(issuing);
    }

    /** Orders are as if there had been none: numbers begin again, and what they took is back. */
    private void wipe() {
        sql.sql("set referential_integrity false").update();
        OF_ORDERS.forEach(table -> sql.sql("delete from " + table).update());
        sql.sql("update voucher set balance = issued").update();
        sql.sql("set referential_integrity true").update();
    }

    /** A change of the setup, as the desk writes it. */
    static Optional<JsonNode> value(String text) {
        return text.equals("-") ? Optional.empty() : Optional.of(Json.tree(text));
    }
}

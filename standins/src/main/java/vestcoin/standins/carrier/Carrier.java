package vestcoin.standins.carrier;

import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import tools.jackson.databind.JsonNode;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Html;
import vestcoin.standins.shared.Joining;
import vestcoin.standins.shared.Service;

/**
 * The simulated carrier: asks a price for parcels from one place to another, by distance and by the weight it charges,
 * which is the larger of the weight and the volume in cm³ / 5000. Prices and places are invented.
 */
public final class Carrier extends Service {
    public static final String KEY = "carrier-test-5e0b9a7c31d24f68";
    private static final BigDecimal DIVISOR = BigDecimal.valueOf(5000);
    private static final BigDecimal HEAVIEST = new BigDecimal("31.5");
    private static final BigDecimal LONGEST = BigDecimal.valueOf(200);

    /**
     * @param base for the first kilogram @param each further kilogram or part of one @param far per reach beyond the
     *     own country
     */
    private record Offered(
            String id, String name, BigDecimal base, BigDecimal each, BigDecimal far, int from, int to) {}

    private static final List<Offered> SERVICES = List.of(
            new Offered(
                    "parcel-day",
                    "Parcel, by day",
                    new BigDecimal("6.40"),
                    new BigDecimal("0.95"),
                    new BigDecimal("4.30"),
                    2,
                    4),
            new Offered(
                    "parcel-next",
                    "Parcel, next day",
                    new BigDecimal("11.80"),
                    new BigDecimal("1.60"),
                    new BigDecimal("9.70"),
                    1,
                    2));

    private final Joining joining = new Joining(
            "Carrier",
            Map.of("test", "One for practice, where nothing is carried"),
            account -> Map.of("secretKey", KEY));
    private final Map<String, Map<String, Object>> sold = new ConcurrentHashMap<>();
    private final AtomicInteger numbers = new AtomicInteger(100_000);
    private volatile boolean refuses;

    public Carrier() {
        super("carrier", "Carrier");
    }

    /** Whether every parcel is refused as too large. */
    public void refuse(boolean every) {
        refuses = every;
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        if (joining.answered(exchange)) {
            return;
        }
        if (exchange.method().equals("GET") && exchange.path().startsWith("/follow/")) {
            exchange.page("<h1>" + Html.escape(exchange.path().substring("/follow/".length()))
                    + "</h1><p>Practice. The parcel is on its way, as far as a simulated carrier can carry one.</p>");
            return;
        }
        if (!exchange.bearer().equals(KEY)) {
            throw new Refusal(401, "No account has this key.");
        }
        switch (exchange.method() + " " + exchange.path()) {
            case "GET /v1/services" ->
                exchange.answer(
                        200,
                        Map.of(
                                "services",
                                SERVICES.stream()
                                        .map(service -> Map.of("id", service.id(), "name", service.name()))
                                        .toList()));
            case "GET /v1/shops" -> shops(exchange);
            case "POST /v1/quotes" -> quotes(exchange, exchange.json());
            case "POST /v1/labels" -> label(exchange, exchange.json());
            default -> throw new Refusal(404, "There is nothing here.");
        }
    }

    /** Three invented ones beside every postcode. */
    private static void shops(Exchange exchange) throws IOException {
        String postcode = exchange.query("postcode").orElse("");
        String country = exchange.query("country").orElse("");
        if (postcode.isBlank() || country.length() != 2) {
            throw new Refusal(422, "A country and a postcode are needed.");
        }
        List<Map<String, Object>> shops = new ArrayList<>();
        for (String name : List.of("Corner Shop Placeholder", "Kiosk Sample", "Example Stationers")) {
            shops.add(Map.of(
                    "id",
                    (country + "-" + postcode.replace(" ", "") + "-" + (shops.size() + 1)).toLowerCase(Locale.ROOT),
                    "name",
                    name,
                    "lines",
                    List.of((3 + 4 * shops.size()) + " Specimen Street"),
                    "postcode",
                    postcode,
                    "city",
                    "Exampleton"));
        }
        exchange.answer(200, Map.of("shops", shops));
    }

    private void quotes(Exchange exchange, JsonNode asked) throws IOException {
        int reach = reach(
                asked.path("from").path("country").asString(""),
                asked.path("to").path("country").asString(""));
        List<JsonNode> parcels = new ArrayList<>();
        asked.path("parcels").forEach(parcels::add);
        if (parcels.isEmpty()) {
            throw new Refusal(422, "There are no parcels.");
        }
        if (refuses || parcels.stream().anyMatch(Carrier::oversize)) {
            throw new Refusal(422, "A parcel is too heavy or too long.");
        }
        exchange.answer(
                200,
                Map.of(
                        "currency",
                        "EUR",
                        "quotes",
                        SERVICES.stream()
                                .map(service -> Map.of(
                                        "id",
                                        service.id(),
                                        "name",
                                        service.name(),
                                        "price",
                                        parcels.stream()
                                                .map(parcel -> price(service, parcel, reach))
                                                .reduce(BigDecimal.ZERO, BigDecimal::add),
                                        "days",
                                        Map.of("from", service.from() + reach, "to", service.to() + 2 * reach)))
                                .toList()));
    }

    private static String place(JsonNode at) {
        return String.join(
                        " ",
                        at.path("country").asString(""),
                        at.path("postcode").asString(""),
                        at.path("region").asString(""))
                .strip();
    }

    /** Sells a label, once for a key. */
    private void label(Exchange exchange, JsonNode asked) throws IOException {
        String key =
                exchange.header("Idempotency-Key").orElseThrow(() -> new Refusal(400, "An idempotency key is needed."));
        Offered service = SERVICES.stream()
                .filter(each -> each.id().equals(asked.path("service").asString("")))
                .findFirst()
                .orElseThrow(() -> new Refusal(422, "There is no such service."));
        List<JsonNode> parcels = new ArrayList<>();
        asked.path("parcels").forEach(parcels::add);
        if (refuses || parcels.isEmpty() || parcels.stream().anyMatch(Carrier::oversize)) {
            throw new Refusal(422, "A parcel is too heavy or too long.");
        }
        int reach = reach(
                asked.path("from").path("country").asString(""),
                asked.path("to").path("country").asString(""));
        exchange.answer(200, sold.computeIfAbsent(key, once -> {
            String tracking = "SC" + String.format("%09d", numbers.incrementAndGet());
            List<String> to = new ArrayList<>();
            asked.path("address").forEach(line -> to.add(line.asString("")));
            return Map.of(
                    "tracking",
                    tracking,
                    "carrier",
                    "Simulated carrier",
                    "link",
                    url() + "/follow/" + tracking,
                    "currency",
                    "EUR",
                    "price",
                    parcels.stream()
                            .map(parcel -> price(service, parcel, reach))
                            .reduce(BigDecimal.ZERO, BigDecimal::add),
                    "label",
                    Base64.getEncoder()
                            .encodeToString(Label.pdf(
                                    service.name(), tracking, place(asked.path("from")), to, parcels.size())));
        }));
    }

    /** How many labels were sold. */
    public int sold() {
        return sold.size();
    }

    private static BigDecimal price(Offered service, JsonNode parcel, int reach) {
        BigDecimal kilograms = charged(parcel).setScale(0, RoundingMode.CEILING).max(BigDecimal.ONE);
        return service.base()
                .add(service.each().multiply(kilograms.subtract(BigDecimal.ONE)))
                .add(service.far().multiply(BigDecimal.valueOf(reach)))
                .setScale(2, RoundingMode.HALF_UP);
    }

    private static BigDecimal charged(JsonNode parcel) {
        BigDecimal volume = side(parcel, 0)
                .multiply(side(parcel, 1))
                .multiply(side(parcel, 2))
                .divide(DIVISOR, 3, RoundingMode.CEILING);
        return kilograms(parcel).max(volume);
    }

    private static boolean oversize(JsonNode parcel) {
        return kilograms(parcel).compareTo(HEAVIEST) > 0
                || side(parcel, 0).max(side(parcel, 1)).max(side(parcel, 2)).compareTo(LONGEST) > 0;
    }

    private static BigDecimal kilograms(JsonNode parcel) {
        return decimal(parcel.path("kilograms"));
    }

    private static BigDecimal side(JsonNode parcel, int side) {
        return decimal(parcel.path("centimetres").path(side));
    }

    /** A number, or one written as a text. */
    private static BigDecimal decimal(JsonNode node) {
        String text = node.asString("");
        return text.matches("[0-9]{1,9}(\\.[0-9]{1,9})?") ? new BigDecimal(text) : BigDecimal.ZERO;
    }

    /** 0 within a country, 1 within Europe, 2 beyond. */
    private static int reach(String from, String to) {
        List<String> near =
                List.of("AT", "BE", "CH", "DE", "DK", "ES", "FR", "GB", "IE", "IT", "LU", "NL", "PL", "PT", "SE");
        return from.equals(to) ? 0 : near.contains(from) && near.contains(to) ? 1 : 2;
    }

    @Override
    protected String controls() {
        return "<p><label><input type=checkbox name=refuses" + (refuses ? " checked" : "")
                + "> Refuse every parcel as too large</label></p><p>The key of the test account is <code>" + KEY
                + "</code></p>";
    }

    @Override
    protected void set(Map<String, String> form) {
        refuses = form.containsKey("refuses");
    }
}

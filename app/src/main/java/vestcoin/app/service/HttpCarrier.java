package vestcoin.app.service;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import vestcoin.app.outside.HttpCalls;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.core.place.Destination;

/** The adapter to the simulated carrier. */
@Component
class HttpCarrier implements CarrierService {
    /** A buyer waits for it; a fallback price is better than a long wait. */
    private static final Duration PATIENCE = Duration.ofMillis(1500);

    /** A seller waits for a label, who bought one. */
    private static final Duration LABEL_PATIENCE = Duration.ofSeconds(10);

    private final HttpCalls calls;

    HttpCarrier(HttpCalls calls) {
        this.calls = calls;
    }

    @Override
    public List<Service> services(ServiceAccess access) {
        List<Service> services = new ArrayList<>();
        calls.json(access, "GET", "/v1/services", Map.of(), null, PATIENCE)
                .path("services")
                .forEach(each -> services.add(new Service(
                        each.path("id").asString(""), each.path("name").asString(""))));
        return services;
    }

    @Override
    public List<ParcelShop> shops(ServiceAccess access, Destination near) {
        List<ParcelShop> shops = new ArrayList<>();
        String query = "?country=" + near.country() + "&postcode="
                + URLEncoder.encode(near.postcode().orElse(""), StandardCharsets.UTF_8);
        for (JsonNode each : calls.json(access, "GET", "/v1/shops" + query, Map.of(), null, PATIENCE)
                .path("shops")) {
            List<String> lines = new ArrayList<>();
            each.path("lines").forEach(line -> lines.add(line.asString("")));
            shops.add(new ParcelShop(
                    each.path("id").asString(""),
                    each.path("name").asString(""),
                    lines,
                    each.path("postcode").asString(""),
                    each.path("city").asString(""),
                    near.country()));
        }
        return shops;
    }

    @Override
    public Answer quotes(ServiceAccess access, RateRequest asked) {
        JsonNode json = calls.json(access, "POST", "/v1/quotes", Map.of(), body(asked), PATIENCE);
        List<Quoted> quotes = new ArrayList<>();
        for (JsonNode each : json.path("quotes")) {
            JsonNode price = each.path("price");
            if (!price.isNumber() || price.decimalValue().signum() < 0) {
                throw new ProviderTimeout(ServiceReasons.NO_PRICE);
            }
            quotes.add(new Quoted(
                    each.path("id").asString(""),
                    each.path("name").asString(""),
                    price.decimalValue(),
                    number(each.path("days").path("from")),
                    number(each.path("days").path("to"))));
        }
        return new Answer(json.path("currency").asString(""), quotes);
    }

    @Override
    public Label label(ServiceAccess access, String key, LabelRequest asked) {
        Map<String, Object> body = new LinkedHashMap<>(body(asked.parcels()));
        body.put("service", asked.service());
        body.put("address", asked.address());
        JsonNode json = calls.json(access, "POST", "/v1/labels", Map.of("Idempotency-Key", key), body, LABEL_PATIENCE);
        String link = json.path("link").asString("");
        try {
            return new Label(
                    json.path("tracking").asString(""),
                    json.path("carrier").asString(""),
                    link.matches("https?://\\S{1,490}") ? link : "",
                    json.path("price").decimalValue(),
                    json.path("currency").asString(""),
                    Base64.getDecoder().decode(json.path("label").asString("")));
        } catch (RuntimeException e) {
            throw new ProviderTimeout(ServiceReasons.NO_LABEL);
        }
    }

    private static Map<String, Object> body(RateRequest asked) {
        return Map.of(
                "from",
                place(asked.from()),
                "to",
                place(asked.to()),
                "parcels",
                asked.parcels().stream()
                        .map(parcel -> parcel.centimetres().isEmpty()
                                ? Map.of("kilograms", parcel.kilograms())
                                : Map.of("kilograms", parcel.kilograms(), "centimetres", parcel.centimetres()))
                        .toList());
    }

    private static Map<String, String> place(Destination place) {
        Map<String, String> written = new LinkedHashMap<>();
        written.put("country", place.country());
        place.region().ifPresent(region -> written.put("region", region));
        place.postcode().ifPresent(postcode -> written.put("postcode", postcode));
        return written;
    }

    private static Optional<Integer> number(JsonNode node) {
        return node.isInt() ? Optional.of(node.intValue()) : Optional.empty();
    }
}

package vestcoin.app.service;

import java.math.BigDecimal;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import vestcoin.app.outside.HttpCalls;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;

/** The adapter to the simulated finder of addresses. */
@Component
class HttpPlaces implements PlaceFinder {
    private static final Duration PATIENCE = Duration.ofSeconds(2);
    private final HttpCalls calls;
    private final ServiceAccess finder;

    HttpPlaces(HttpCalls calls, @Value("${vest-coin.services}") String services) {
        this.calls = calls;
        this.finder = new ServiceAccess(services + "/places", "");
    }

    @Override
    public Point point(Destination place) {
        JsonNode answer = calls.json(
                finder,
                "GET",
                "/v1/point?country=" + encoded(place.country()) + "&postcode="
                        + encoded(place.postcode().orElse("")),
                Map.of(),
                null,
                PATIENCE);
        return new Point(decimal(answer.path("latitude")), decimal(answer.path("longitude")));
    }

    @Override
    public List<FoundAddress> addresses(String country, String text) {
        List<FoundAddress> found = new ArrayList<>();
        calls.json(
                        finder,
                        "GET",
                        "/v1/addresses?country=" + encoded(country) + "&text=" + encoded(text),
                        Map.of(),
                        null,
                        PATIENCE)
                .forEach(each -> found.add(new FoundAddress(
                        each.path("street").asString(""),
                        each.path("postcode").asString(""),
                        each.path("city").asString(""),
                        each.path("region").asString(""))));
        return found;
    }

    private static BigDecimal decimal(JsonNode node) {
        return new BigDecimal(node.asString("0"));
    }

    static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}

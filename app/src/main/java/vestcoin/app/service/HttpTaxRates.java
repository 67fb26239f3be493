package vestcoin.app.service;

import java.math.BigDecimal;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import vestcoin.app.outside.HttpCalls;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.core.place.Destination;

/** The adapter to the simulated tax-rate service. */
@Component
class HttpTaxRates implements TaxRateService {
    private static final Duration PATIENCE = Duration.ofSeconds(3);
    private final HttpCalls calls;

    HttpTaxRates(HttpCalls calls) {
        this.calls = calls;
    }

    @Override
    public RatesThere rates(ServiceAccess access, Destination place) {
        String asked = "/v1/rates?country=" + HttpPlaces.encoded(place.country())
                + place.region()
                        .map(region -> "&region=" + HttpPlaces.encoded(region))
                        .orElse("")
                + place.postcode()
                        .map(postcode -> "&postcode=" + HttpPlaces.encoded(postcode))
                        .orElse("");
        JsonNode answer = calls.json(access, "GET", asked, Map.of(), null, PATIENCE);
        List<Levy> levies = new ArrayList<>();
        answer.path("standard")
                .forEach(levy -> levies.add(new Levy(
                        levy.path("name").asString(""),
                        new BigDecimal(levy.path("percent").asString("0")))));
        return new RatesThere(
                levies,
                Optional.of(answer.path("reduced").asString(""))
                        .filter(text -> !text.isEmpty())
                        .map(BigDecimal::new));
    }
}

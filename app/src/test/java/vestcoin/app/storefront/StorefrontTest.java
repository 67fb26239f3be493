package vestcoin.app.storefront;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.app.run.ContractCommand;
import vestcoin.app.run.DemoShop;

/**
 * The shop's page and its schema.org data say what the settings say. That the data uses schema.org's types and
 * properties as published is checked beside the front end, against the npm package schema-dts, on the file this test
 * keeps current.
 */
@ExtendWith(RunningShop.class)
class StorefrontTest {
    private final RunningShop.Running shop;

    StorefrontTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private Caller.Answer page(String language) {
        return shop.anybody().get("/shops/" + DemoShop.SHOP + "?language=" + language);
    }

    private JsonNode data() {
        String html = page("en").text();
        String begin = "<script type=\"application/ld+json\">";
        return Json.tree(html.substring(html.indexOf(begin) + begin.length(), html.indexOf("</script>")));
    }

    @Test
    void anybody_reads_it_in_the_language_asked_for_without_a_script() {
        assertThat(page("en").text())
                .contains("<h1>Tern &amp; Tether</h1>")
                .contains("within 14 days")
                .contains("Terms of sale")
                .contains("Workshop, Example Dock");
        assertThat(page("de").text())
                .contains("lang=\"de\"")
                .contains("binnen 14 Tagen")
                .contains("Verkaufsbedingungen")
                .contains("Werkstatt, Example Dock");
        assertThat(page("en")
                        .whole()
                        .headers()
                        .firstValue("Content-Security-Policy")
                        .orElse(""))
                .doesNotContain("unsafe");
        assertThat(shop.anybody().get("/shops/no-such-shop").status()).isEqualTo(404);
    }

    @Test
    void returns_and_hours_are_those_of_the_settings() {
        JsonNode policy = data().path("hasMerchantReturnPolicy");
        assertThat(policy.path("merchantReturnDays").asInt()).isEqualTo(30);
        assertThat(policy.path("returnFees").asString())
                .isEqualTo("https://schema.org/ReturnFeesCustomerResponsibility");
        assertThat(policy.path("applicableCountry").valueStream().map(JsonNode::asString))
                .contains("IE", "DE", "US")
                .doesNotContain("JP");
        JsonNode saturday = data().path("department")
                .path(0)
                .path("openingHoursSpecification")
                .path(1);
        assertThat(saturday.path("dayOfWeek").path(0).asString() + " "
                        + saturday.path("opens").asString() + " "
                        + saturday.path("closes").asString())
                .isEqualTo("https://schema.org/Saturday 10:00 13:00");
    }

    /**
     * For every product that is sent, what is told of delivery to Ireland, Germany and America is what the counter asks
     * for it.
     */
    @Test
    void delivery_costs_what_the_counter_asks() {
        int compared = 0;
        JsonNode products =
                shop.anybody().get(Caller.COUNTER).json().path("goods").path("products");
        for (JsonNode offer : data().path("makesOffer")) {
            JsonNode product = products.valueStream()
                    .filter(each ->
                            each.path("name").equals(offer.path("itemOffered").path("name")))
                    .findFirst()
                    .orElseThrow();
            for (String country : List.of("IE", "DE", "US")) {
                JsonNode told = offer.path("shippingDetails")
                        .valueStream()
                        .filter(details -> details.path("shippingDestination")
                                .valueStream()
                                .anyMatch(region ->
                                        region.path("addressCountry").asString().equals(country)))
                        .findFirst()
                        .orElse(null);
                Map<String, String> options = new HashMap<>();
                product.path("options")
                        .forEach(option -> options.put(
                                option.path("id").asString(),
                                option.path("choices").path(0).path("id").asString()));
                String quantity = product.path("measure").path("least").asString("1");
                JsonNode quote = shop.anybody()
                        .post(
                                Caller.COUNTER + "/quote",
                                Caller.quoting(Map.of(
                                        "lines",
                                        List.of(Map.of(
                                                "product",
                                                product.path("id").asString(),
                                                "quantity",
                                                quantity,
                                                "options",
                                                options)),
                                        "to",
                                        Map.of("country", country))))
                        .json();
                var cheapest = quote.path("delivery")
                        .valueStream()
                        .filter(option -> !option.path("collected").asBoolean()
                                && !option.path("id").asString().equals("express")
                                && !option.path("id").asString().equals("local"))
                        .map(option -> option.path("price").asString())
                        .map(java.math.BigDecimal::new)
                        .min(java.math.BigDecimal::compareTo);
                assertThat(told != null)
                        .as(product.path("name") + " to " + country)
                        .isEqualTo(cheapest.isPresent());
                if (told != null) {
                    assertThat(new java.math.BigDecimal(
                                    told.path("shippingRate").path("value").asString()))
                            .isEqualByComparingTo(cheapest.get());
                    compared++;
                }
            }
        }
        assertThat(compared).isGreaterThan(20);
    }

    @Test
    void the_example_is_current() throws IOException {
        assertThat(ContractCommand.store())
                .as("./vest-coin contract writes it")
                .isEqualTo(Files.readString(Path.of("..", "docs", "formats", "examples", ContractCommand.STORE)));
    }
}

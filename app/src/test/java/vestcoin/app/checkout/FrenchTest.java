package vestcoin.app.checkout;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.message.Messages;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;

/** The puppet stage in Basel sells in German and French: in French nothing of it is German or English. */
@ExtendWith(RunningShop.class)
class FrenchTest {
    private static final String COUNTER = "/api/counter/basel";

    private final RunningShop.Running shop;

    FrenchTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @BeforeAll
    static void opened(RunningShop.Running shop) throws IOException {
        Document basel =
                Document.parse(Files.readString(Path.of("../docs/formats/examples/blaumeise-puppenbuehne.setup.json")));
        shop.context().getBean(Drafts.class).create("basel", basel);
        shop.context().getBean(Editions.class).publish("basel", "test");
        shop.context().getBean(ShopOpenings.class).open("basel");
    }

    private static Map<String, Object> basket() {
        return new LinkedHashMap<>(Map.of(
                "lines",
                List.of(Map.of("product", "sewing-kit", "quantity", "1")),
                "to",
                Map.of("country", "CH", "postcode", "4051"),
                "delivery",
                "post",
                "method",
                "rechnung",
                "codes",
                List.of(),
                "language",
                "fr"));
    }

    @Test
    void the_counter_the_quote_and_the_letter_are_french() throws Exception {
        Caller buyer = shop.anybody();
        JsonNode counter = buyer.get(COUNTER + "?language=fr-FR").json();
        assertThat(counter.path("language").asString()).isEqualTo("fr-CH");
        assertThat(counter.path("goods").path("products").valueStream().map(product -> product.path("name")
                        .asString()))
                .contains("Marionnette à gaine", "Kit de couture, marionnette à gaine")
                .noneMatch(name -> name.contains("Handpuppe") || name.contains("Gutschein"));
        JsonNode quote =
                buyer.post(COUNTER + "/quote", Caller.quoting(basket())).json();
        assertThat(quote.path("delivery").valueStream().map(option -> option.path("name")
                        .asString()))
                .contains("Colis postal", "Caisse du théâtre");
        assertThat(quote.path("methods").valueStream().map(method -> method.path("title")
                        .asString()))
                .contains("Virement");
        Map<String, String> agreed = new LinkedHashMap<>();
        counter.path("texts").forEach(text -> {
            if (text.path("agreed").asBoolean()) {
                agreed.put(text.path("kind").asString(), text.path("hash").asString());
            }
        });
        Map<String, Object> placing = new LinkedHashMap<>(
                Caller.placing("basel-in-french", basket(), quote.path("toPay").asString()));
        placing.put("agreed", agreed);
        Caller.Answer placed = buyer.post(COUNTER + "/orders", placing);
        assertThat(placed.status()).as(placed.text()).isEqualTo(200);
        shop.context().getBean(Messages.class).settled();
        assertThat(shop.services().post().letters().stream()
                        .filter(letter -> letter.to().startsWith("buyer"))
                        .filter(letter -> letter.plain()
                                .contains(placed.json().path("token").asString())))
                .singleElement()
                .satisfies(letter -> {
                    assertThat(letter.subject()).contains("Votre commande").contains("Blaumeise");
                    assertThat(letter.plain())
                            .contains("merci de votre commande")
                            .contains("Kit de couture, marionnette à gaine")
                            .contains("Livraison")
                            .contains("Dont taxe")
                            .doesNotContain("Bestellung")
                            .doesNotContain("Postpaket")
                            .doesNotContain("Total inside");
                });
    }

    @Test
    void what_is_wrong_is_said_in_french() {
        Map<String, Object> basket = basket();
        basket.put("codes", List.of("RIEN-DU-TOUT"));
        JsonNode quote =
                shop.anybody().post(COUNTER + "/quote", Caller.quoting(basket)).json();
        assertThat(quote.path("refusedCodes").path(0).path("reason").asString())
                .isEqualTo("La boutique n’a pas ce code.");
        basket.put("to", Map.of("country", "FR", "postcode", "1"));
        assertThat(shop.anybody()
                        .call(
                                "POST",
                                COUNTER + "/quote",
                                vestcoin.app.format.Json.write(Caller.quoting(basket)),
                                Map.of("Accept-Language", "fr-CH"))
                        .sentence())
                .isEqualTo("« 1 » n’est pas un code postal (France).");
    }
}

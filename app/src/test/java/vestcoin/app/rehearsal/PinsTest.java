package vestcoin.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.w3c.dom.Element;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Said;
import vestcoin.app.format.Json;
import vestcoin.app.run.CheckCommand;
import vestcoin.app.settings.Felt;
import vestcoin.app.settings.Witness;

/** Pinned figures: what moves one keeps an edition back until it is put right or taken; a file is checked by them. */
@ExtendWith(RunningShop.class)
class PinsTest {
    private static final Map<String, Object> CORK = Map.of("country", "IE", "postcode", "T12 X2A0");

    private final RunningShop.Running shop;

    PinsTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static Map<String, Object> pin(String figure, String value) {
        Map<String, Object> pin = new HashMap<>(Map.of(
                "id",
                figure,
                "basket",
                "kits",
                "to",
                CORK,
                "at",
                "2026-11-25T10:00:00Z",
                "figure",
                figure,
                "reason",
                "As in the catalogue."));
        if (value != null) {
            pin.put("value", value);
        }
        return pin;
    }

    /** Two mending kits to Cork by tube, three of its figures pinned. */
    @BeforeEach
    void basketAndPins() {
        shop.owner()
                .publish(Map.of(
                        "rehearsal/pins",
                        List.of(),
                        "rehearsal/baskets",
                        List.of(Map.of(
                                "id",
                                "kits",
                                "name",
                                "Two kits",
                                "order",
                                Map.of(
                                        "lines",
                                        List.of(Map.of("product", "mending-kit", "quantity", "2")),
                                        "delivery",
                                        "tube")))));
        JsonNode cell = shop.owner()
                .post(Caller.SHOP + "/board", Map.of("places", List.of(CORK)))
                .json()
                .path("rows")
                .path(0)
                .path("cells")
                .path(0)
                .path("now");
        shop.owner()
                .publish(Map.of(
                        "rehearsal/pins",
                        List.of(
                                pin("to-pay", cell.path("toPay").asString()),
                                pin("delivery", cell.path("delivery").asString()),
                                pin("way", "tube"))));
    }

    private JsonNode moved() {
        return shop.owner().get(Caller.SHOP + "/board/moved").json();
    }

    @Test
    @Witness(value = "rehearsal.pins[].value", felt = Felt.FINDING)
    @Witness(value = "rehearsal.pins[].basket", felt = Felt.FINDING)
    @Witness(value = "rehearsal.pins[].figure", felt = Felt.FINDING)
    @Witness(value = "rehearsal.pins[].to.country", felt = Felt.FINDING)
    @Witness(value = "rehearsal.pins[].to.postcode", felt = Felt.FINDING)
    @Witness(value = "rehearsal.pins[].to.region", felt = Felt.FINDING)
    @Witness(value = "rehearsal.pins[].at", felt = Felt.FINDING)
    void a_draft_that_moves_a_pin_is_not_published_until_it_is_taken() {
        assertThat(moved().size()).isZero();
        shop.owner().edit(Map.of("goods/products/mending-kit/price", "10.60"));
        JsonNode moved = moved();
        assertThat(moved.size()).isEqualTo(1);
        assertThat(moved.path(0).path("pin").asString()).isEqualTo("to-pay");
        assertThat(moved.path(0).path("sentence").asString())
                .startsWith("A pinned figure moved: Two kits to T12 X2A0, Ireland, to pay: ");
        Caller.Answer refused = shop.owner().post(Caller.SHOP + "/draft/publish", Map.of());
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.paths()).containsExactly("rehearsal/pins/to-pay");
        assertThat(refused.sentence()).isEqualTo(moved.path(0).path("sentence").asString());

        shop.owner()
                .publish(Map.of(
                        "rehearsal/pins/to-pay/value", moved.path(0).path("now").asString()));
        assertThat(moved().size()).isZero();

        // Another way of delivery moves the way and its price; what cannot be had any more is told so.
        shop.owner().edit(Map.of("rehearsal/baskets/kits/order/delivery", "letter"));
        assertThat(moved().valueStream().map(pin -> pin.path("pin").asString())).contains("way");
        shop.owner().post(Caller.SHOP + "/draft/undo", Map.of());
        shop.owner().edit(Map.of("shop/sellsTo", List.of("DE")));
        assertThat(moved().size()).isEqualTo(3);
        assertThat(moved().path(0).hasNonNull("now")).isFalse();
        assertThat(moved().path(0).path("sentence").asString()).endsWith("to cannot be had.");
        shop.owner().post(Caller.SHOP + "/draft/undo", Map.of());
    }

    /** What was asked of others when a figure was pinned is kept with it, whatever they would say now. */
    @Test
    @Witness(value = "rehearsal.pins[].outside.exchange.rates{}", felt = Felt.FINDING)
    @Witness(value = "rehearsal.pins[].outside.exchange.base", felt = Felt.FINDING)
    @Witness(value = "rehearsal.pins[].outside.exchange.day", felt = Felt.FINDING)
    @Witness(value = "rehearsal.pins[].outside.carriers.amounts{}", felt = Felt.FINDING)
    void a_pin_keeps_the_rate_of_exchange_and_what_the_carrier_asked() {
        Caller owner = shop.owner();
        // What was pinned before has no rate of exchange.
        assertThat(owner.edit(Map.of("rehearsal/baskets/kits/order/currency", "CHF"))
                        .paths())
                .contains("rehearsal/pins/to-pay/basket");
        owner.edit(Map.of("rehearsal/pins", List.of()));
        Caller.Answer foreign = owner.edit(Map.of(
                "rehearsal/baskets/kits/order/currency", "CHF", "rehearsal/baskets/kits/order/delivery", "express"));
        assertThat(foreign.status()).as(foreign.text()).isEqualTo(200);
        JsonNode kept = owner.post(Caller.SHOP + "/board/pin", Map.of("basket", "kits", "to", CORK, "figure", "to-pay"))
                .json();
        assertThat(kept.at("/outside/exchange/rates/CHF").isMissingNode()).isFalse();
        assertThat(kept.at("/outside/carriers/amounts").properties()).isNotEmpty();
        Map<String, Object> pin = pin("to-pay", kept.path("value").asString());
        pin.put("id", "francs");
        pin.put("at", kept.path("at").asString());
        pin.put("outside", Json.read(kept.path("outside").toString(), Map.class));
        assertThat(owner.edit(Map.of("rehearsal/pins", List.of(pin))).status()).isEqualTo(200);
        assertThat(moved().size()).isZero();
        owner.edit(Map.of("rehearsal/pins/francs/outside/exchange/rates/CHF", "1.5"));
        assertThat(moved().size()).isEqualTo(1);
        owner.post(Caller.SHOP + "/draft/undo", Map.of());
        owner.edit(Map.of("rehearsal/pins/francs/outside/carriers/amounts", Map.of("parcel-next shop", "99.00")));
        assertThat(moved().size()).isEqualTo(1);
        owner.post(Caller.SHOP + "/draft/undo", Map.of());
        assertThat(owner.edit(Map.of("rehearsal/pins/francs/outside/exchange/rates", Map.of()))
                        .paths())
                .containsExactly("rehearsal/pins/francs/basket");
        assertThat(owner.edit(Map.of("rehearsal/pins/francs/outside/exchange/rates/CHF", "0"))
                        .paths())
                .containsExactly("rehearsal/pins/francs/outside/exchange");
        while (owner.get(Caller.SHOP + "/draft").json().path("changes").asInt() > 0) {
            owner.post(Caller.SHOP + "/draft/undo", Map.of());
        }
    }

    @Test
    void with_a_basket_go_its_pins_and_a_pin_that_cannot_be_is_a_sentence() {
        Caller owner = shop.owner();
        assertThat(owner.edit(Map.of("rehearsal/pins/arrival", pin("arrival", "soon")))
                        .paths())
                .containsExactly("rehearsal/pins/arrival/value");
        Map<String, Object> lost = pin("tax", "1.00");
        lost.put("basket", "gone");
        lost.put("id", "lost");
        assertThat(owner.edit(Map.of("rehearsal/pins/lost", lost)).paths())
                .containsExactly("rehearsal/pins/lost/basket");
        JsonNode basket = owner.get(Caller.SHOP + "/draft")
                .json()
                .path("document")
                .path("rehearsal")
                .path("baskets")
                .path(0);
        assertThat(owner.post(
                                Caller.SHOP + "/draft/edits",
                                Map.of("edits", List.of(Map.of("path", "rehearsal/baskets/kits", "was", basket))))
                        .status())
                .isEqualTo(200);
        assertThat(owner.get(Caller.SHOP + "/draft")
                        .json()
                        .path("document")
                        .path("rehearsal")
                        .path("pins")
                        .size())
                .isZero();
        owner.post(Caller.SHOP + "/draft/undo", Map.of());
    }

    /** A setup under version control is tested like code: status 1, a line and a failed test case for what moved. */
    @Test
    @Witness(value = "rehearsal.pins[].reason", felt = Felt.FILE)
    @Witness(value = "rehearsal.pins[].id", felt = Felt.FINDING)
    void a_file_is_checked_by_its_pins(@TempDir Path folder) throws Exception {
        shop.owner().edit(Map.of("rehearsal/pins/to-pay/value", "1.00"));
        Path file = folder.resolve("shop.setup.json");
        Files.writeString(
                file,
                shop.owner().get(Caller.SHOP + "/draft").json().path("document").toString());
        Path report = folder.resolve("pins.xml");
        Said said = Said.by(new CheckCommand(), "--setup", file.toString(), "--junit", report.toString());
        shop.owner().post(Caller.SHOP + "/draft/undo", Map.of());
        assertThat(said.status()).isEqualTo(1);
        assertThat(said.out())
                .contains("pin-moved  rehearsal/pins/to-pay  A pinned figure moved: Two kits to T12 X2A0, Ireland");
        Element suite = DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(report.toFile())
                .getDocumentElement();
        assertThat(suite.getAttribute("tests")).isEqualTo("3");
        assertThat(suite.getAttribute("failures")).isEqualTo("1");
        assertThat(suite.getElementsByTagName("failure").item(0).getTextContent())
                .isEqualTo("As in the catalogue.");
    }
}

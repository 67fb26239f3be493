package vestcoin.app.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.core.JsonPointer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.setup.Document;
import vestcoin.core.finding.Check;
import vestcoin.core.finding.Finding;
import vestcoin.core.finding.Finding.Severity;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.payment.Gateway;
import vestcoin.core.setup.CompiledSetup;

/** The check on the three example shops as they are, and on copies with one fault planted in each. */
class BrokenCopiesTest {
    private static final Path EXAMPLES = Path.of("..", "docs", "formats", "examples");
    private static final FindingContext KNOWN =
            new FindingContext(Instant.parse("2026-11-25T10:00:00Z"), Map.of("cards", Gateway.TEST));

    private static ObjectNode example(String shop) throws IOException {
        return (ObjectNode) Json.tree(Files.readString(EXAMPLES.resolve(shop + ".setup.json")));
    }

    private static List<Finding> findings(JsonNode setup) {
        CompiledSetup compiled = Document.parse(Json.write(setup)).compiled();
        return Check.of(compiled, KNOWN);
    }

    private static List<String> named(List<Finding> findings) {
        return findings.stream()
                .map(finding -> finding.id() + " " + finding.path())
                .toList();
    }

    /** Sets, or without a value removes, what stands at a pointer. */
    private static void plant(ObjectNode setup, String pointer, String value) {
        JsonPointer place = JsonPointer.compile(pointer);
        JsonNode holder = setup.at(place.head());
        String last = place.last().getMatchingProperty();
        if (holder instanceof ArrayNode list) {
            list.set(Integer.parseInt(last), Json.tree(value));
        } else if (value == null) {
            ((ObjectNode) holder).remove(last);
        } else {
            ((ObjectNode) holder).set(last, Json.tree(value));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern-and-tether", "ninth-street-sundials", "blaumeise-puppenbuehne"})
    void nothing_keeps_an_example_shop_from_opening(String shop) throws IOException {
        assertThat(findings(example(shop))).extracting(Finding::severity).doesNotContain(Severity.BLOCKS_OPENING);
    }

    @ParameterizedTest(name = "{0} {1} = {2}")
    @CsvSource(
            delimiter = '|',
            nullValues = "-",
            value = {
                "tern-and-tether | /delivery/zones/6/places | [\"CH\", \"LI\", \"NO\", \"IE\"] | zones-overlap "
                        + "delivery/zones/alpine-north/places, zones-overlap delivery/zones/ireland/places",
                "tern-and-tether | /delivery/zones/7/rates | {} | zone-without-option delivery/zones/america",
                "tern-and-tether | /tax/places/0/rates/gear/components/0/percent | \"0.23\" | rate-like-a-share "
                        + "tax/places/ireland/rates/gear",
                "tern-and-tether | /terms/withdrawalDays | 10 | withdrawal-too-short terms/withdrawalDays",
                "tern-and-tether | /terms/texts/returns/en | \"Send it back within 21 days, unflown.\" | "
                        + "text-contradicts-setting terms/texts/returns/en",
                "tern-and-tether | /pickup/places/0/noticeHours | 400 | notice-beyond-days "
                        + "pickup/places/workshop/noticeHours",
                "tern-and-tether | /delivery/zones/1/rates/tube/basis/bands/1/price | \"5.10\" | price-drops "
                        + "delivery/zones/ireland/rates/tube",
                "blaumeise-puppenbuehne | /tax/registrations | [] | rates-without-registration tax/registrations",
                "ninth-street-sundials | /payment/accounts/0/smallest | \"25.00\" | gateway-above-smallest-order "
                        + "payment/methods/card",
                "blaumeise-puppenbuehne | /payment/account/iban | \"CH93 0076 2011 6238 5295 8\" | bad-iban "
                        + "payment/account/iban",
                "blaumeise-puppenbuehne | /payment/account/payee | \"Fischerei Hafenblick\" | payee-unlike-holder "
                        + "payment/account/payee",
                "blaumeise-puppenbuehne | /shop/email | \"kasse@blaumeise\" | bad-email shop/email",
                "blaumeise-puppenbuehne | /terms/orderButton/fr | - | language-lacking terms/orderButton",
                "blaumeise-puppenbuehne | /pickup/places/0/slotMinutes | 300 | slot-longer-than-hours "
                        + "pickup/places/kasse/slotMinutes"
            })
    void a_planted_fault_is_found_and_nothing_else(String shop, String pointer, String value, String planted)
            throws IOException {
        ObjectNode setup = example(shop);
        List<String> before = named(findings(setup));
        plant(setup, pointer, value);
        List<String> after = named(findings(setup));
        assertThat(after).containsAll(before);
        assertThat(after.stream().filter(finding -> !before.contains(finding)))
                .containsExactlyInAnyOrderElementsOf(Arrays.asList(planted.split(", ")));
    }

    @Test
    void several_faults_are_found_together() throws IOException {
        ObjectNode setup = example("tern-and-tether");
        List<String> before = named(findings(setup));
        plant(setup, "/terms/withdrawalDays", "7");
        plant(setup, "/shop/email", "\"hello\"");
        plant(setup, "/delivery/zones/7/rates", "{}");
        assertThat(named(findings(setup)).stream()
                        .filter(finding -> !before.contains(finding))
                        .collect(Collectors.toSet()))
                .containsExactlyInAnyOrder(
                        "withdrawal-too-short terms/withdrawalDays",
                        "bad-email shop/email",
                        "zone-without-option delivery/zones/america");
    }
}

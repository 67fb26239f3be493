package vestcoin.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.math.BigDecimal;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vestcoin.standins.carrier.Carrier;
import vestcoin.standins.pay.Wallet;

/**
 * The simulated services over HTTP: what each answers, that each can be out of order, and that each says it is a
 * simulation.
 */
class SimulationTest {
    private static final JsonMapper JSON = new JsonMapper();
    private static final List<String> CALLS = List.of(
            "/cards/v1/account",
            "/wallet/v1/account",
            "/carrier/v1/services",
            "/rates/v1/daily.xml",
            "/bank/v1/statement.xml",
            "/post/v1/letters",
            "/register/v1/numbers/DE123456789");
    private final HttpClient http = HttpClient.newHttpClient();
    private Simulation simulation;

    @BeforeEach
    void start(@TempDir Path folder) throws IOException {
        simulation = Simulation.start(0, folder);
    }

    @AfterEach
    void stop() {
        simulation.close();
    }

    private HttpResponse<String> call(String method, String path, String key, String body) throws Exception {
        return http.send(
                HttpRequest.newBuilder(URI.create(simulation.url() + path))
                        .header("Authorization", "Bearer " + key)
                        .header("Idempotency-Key", "k")
                        .method(
                                method,
                                body == null
                                        ? HttpRequest.BodyPublishers.noBody()
                                        : HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private JsonNode quotes(String country, String kilograms, String centimetres) throws Exception {
        return JSON.readTree(call(
                        "POST",
                        "/carrier/v1/quotes",
                        Carrier.KEY,
                        "{\"from\":{\"country\":\"IE\"},\"to\":{\"country\":\"" + country
                                + "\"},\"parcels\":[{\"kilograms\":\"" + kilograms + "\",\"centimetres\":" + centimetres
                                + "}]}")
                .body());
    }

    private static List<String> prices(JsonNode answer) {
        return StreamSupport.stream(answer.path("quotes").spliterator(), false)
                .map(quote -> quote.path("id").asString() + " "
                        + new BigDecimal(quote.path("price").asString())
                                .setScale(2)
                                .toPlainString())
                .toList();
    }

    @Test
    void the_first_page_lists_them_all_and_each_page_says_it_is_a_simulation() throws Exception {
        String index = call("GET", "/", "", null).body();
        for (String name : List.of(
                "Card processor", "Wallet", "Carrier", "Exchange rates", "Bank", "Post room", "Tax-number register")) {
            assertThat(index).contains(name);
        }
        for (String id : List.of("cards", "wallet", "carrier", "rates", "bank", "post", "register")) {
            assertThat(call("GET", "/" + id + "/", "", null).body()).as(id).contains("This is a simulation.");
        }
    }

    @Test
    void each_can_be_out_of_order() throws Exception {
        for (String call : CALLS) {
            String id = call.split("/")[1];
            assertThat(call("POST", "/" + id + "/control", "", "outage=on&delay=0")
                            .statusCode())
                    .isEqualTo(303);
            assertThat(call(call.startsWith("/post") ? "POST" : "GET", call, "", call.startsWith("/post") ? "x" : null)
                            .statusCode())
                    .as(call)
                    .isEqualTo(503);
        }
    }

    /**
     * Within a country 6.40 and 0.95 for each kilogram after the first; the volume counts when it is more, in cm³ /
     * 5000.
     */
    @Test
    void a_carrier_charges_by_weight_volume_and_reach() throws Exception {
        assertThat(prices(quotes("IE", "0.4", "[]"))).containsExactly("parcel-day 6.40", "parcel-next 11.80");
        assertThat(prices(quotes("IE", "3.2", "[]"))).contains("parcel-day 9.25");
        assertThat(prices(quotes("IE", "0.4", "[50, 40, 30]")))
                .as("12 kg by volume")
                .contains("parcel-day 16.85");
        assertThat(prices(quotes("DE", "0.4", "[]"))).contains("parcel-day 10.70");
        assertThat(prices(quotes("US", "0.4", "[]"))).contains("parcel-day 15.00");
    }

    @ParameterizedTest
    @ValueSource(strings = {"32|[]", "1|[201, 10, 10]"})
    void a_carrier_refuses_what_is_too_heavy_or_too_long(String parcel) throws Exception {
        String[] parts = parcel.split("\\|");
        assertThat(quotes("IE", parts[0], parts[1]).path("error").asString())
                .isEqualTo("A parcel is too heavy or too long.");
    }

    @Test
    void a_carrier_knows_its_key_only() throws Exception {
        assertThat(call("GET", "/carrier/v1/services", "another", null).statusCode())
                .isEqualTo(401);
        assertThat(call("GET", "/carrier/v1/nothing", Carrier.KEY, null).statusCode())
                .isEqualTo(404);
    }

    @Test
    void a_wallet_asks_the_buyer_and_counts_its_changes() throws Exception {
        String body =
                "{\"amount\":1000,\"currency\":\"EUR\",\"reference\":\"W-1\",\"returnUrl\":\"http://127.0.0.1/back\"}";
        JsonNode asked = JSON.readTree(
                call("POST", "/wallet/v1/payments", Wallet.TEST_SECRET, body).body());
        assertThat(asked.path("state").asString()).isEqualTo("needs-buyer");
        assertThat(asked.path("version").asInt()).isEqualTo(1);
        String page = asked.path("action").asString().substring(simulation.url().length());
        assertThat(call("GET", page, "", null).body()).contains("10.00 EUR").contains("W-1");
        assertThat(call("POST", page, "", "answer=yes").headers().firstValue("Location"))
                .hasValue("http://127.0.0.1/back");
        JsonNode found = JSON.readTree(call("GET", "/wallet/v1/payments?key=k", Wallet.TEST_SECRET, null)
                .body());
        assertThat(found.path("state").asString()).isEqualTo("authorised");
        assertThat(found.path("version").asInt()).isEqualTo(2);
        assertThat(call("POST", page, "", "answer=no").statusCode())
                .as("answered already")
                .isEqualTo(303);
        assertThat(JSON.readTree(call("GET", "/wallet/v1/payments?key=k", Wallet.TEST_SECRET, null)
                                .body())
                        .path("state")
                        .asString())
                .isEqualTo("authorised");
    }

    @Test
    void a_transfer_made_on_the_bank_s_page_stands_on_its_statement() throws Exception {
        call("POST", "/bank/control", "", "amount=12%2C50&currency=EUR&reference=RF02+1001&payer=A+%3CBuyer%3E");
        call("POST", "/bank/control", "", "amount=none&currency=EUR&reference=x&payer=y");
        String statement = call("GET", "/bank/v1/statement.xml?iban=DE89370400440532013000", "", null)
                .body();
        assertThat(statement)
                .contains("<IBAN>DE89370400440532013000</IBAN>")
                .contains("<Amt Ccy=\"EUR\">12.50</Amt>")
                .contains("<Ref>RF021001</Ref>")
                .contains("A &lt;Buyer&gt;")
                .doesNotContain("none");
    }

    @Test
    void a_letter_is_kept_once_with_both_its_parts() throws Exception {
        String mime = String.join(
                "\r\n",
                "Message-ID: <1@x>",
                "From: Shop <shop@shops.example>",
                "To: buyer@buyers.example",
                "Subject: =?UTF-8?Q?K=C3=A4ufe?=",
                "MIME-Version: 1.0",
                "Content-Type: multipart/alternative; boundary=b",
                "",
                "--b",
                "Content-Type: text/plain; charset=utf-8",
                "",
                "plain",
                "--b",
                "Content-Type: text/html; charset=utf-8",
                "",
                "<b>page</b>",
                "--b--",
                "");
        assertThat(call("POST", "/post/v1/letters", "", mime).statusCode()).isEqualTo(202);
        call("POST", "/post/v1/letters", "", mime);
        assertThat(simulation.post().letters()).hasSize(1);
        assertThat(simulation.post().letters().get(0).subject()).isEqualTo("Käufe");
        assertThat(simulation.post().letters().get(0).plain()).isEqualTo("plain");
        assertThat(simulation.post().letters().get(0).html()).isEqualTo("<b>page</b>");
        assertThat(call("POST", "/post/v1/letters", "", "no letter at all").statusCode())
                .isEqualTo(422);
    }

    @Test
    void rates_can_be_set_and_only_to_numbers() throws Exception {
        call("POST", "/rates/control", "", "rate-CHF=0.9500&rate-USD=many");
        assertThat(call("GET", "/rates/v1/daily.xml", "", null).body())
                .contains("currency=\"CHF\" rate=\"0.9500\"")
                .contains("currency=\"USD\" rate=\"1.1586\"");
    }

    @Test
    void the_register_denies_numbers_that_end_with_nought() throws Exception {
        assertThat(call("GET", "/register/v1/numbers/DE123456789", "", null).body())
                .contains("\"valid\":true");
        assertThat(call("GET", "/register/v1/numbers/DE123456780", "", null).body())
                .contains("\"valid\":false");
    }
}

package vestcoin.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.context.ConfigurableApplicationContext;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** A real installation that practises: services switched on, an account connected by going there, all gone again. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class PracticeTest {
    private static final String SHOP = "/api/shops/quiet-oars";
    private static ConfigurableApplicationContext context;
    private static Path data;
    private static int port;
    private static int services;
    private static Caller owner;

    @BeforeAll
    static void start() throws IOException {
        data = Files.createTempDirectory("vest-coin-practice");
        port = RunningShop.freePort();
        services = RunningShop.freePort();
        run();
        owner = new Caller("http://127.0.0.1:" + port);
        owner.post(
                "/api/first-owner",
                Map.of(
                        "email", "owner@oars.example",
                        "password", "four quiet brown words",
                        "shopName", "Quiet Oars",
                        "country", "Ireland",
                        "currency", "",
                        "code", RunningShop.FIRST_CODE));
        owner.get("/api/session");
    }

    private static void run() {
        context = ServeCommand.application(
                port, data, "http://127.0.0.1:" + services, RunningShop.FOR_TESTS.toArray(String[]::new));
    }

    @AfterAll
    static void stop() {
        context.close();
    }

    /** Goes to a service's page as a browser does and presses a button there. Gives what the way back says. */
    private static Map<String, String> picked(String page, String account) throws IOException, InterruptedException {
        Map<String, String> asked = query(page);
        HttpResponse<String> back = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(page.split("\\?")[0]))
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .POST(HttpRequest.BodyPublishers.ofString("return=" + encoded(asked.get("return"))
                                        + "&state=" + encoded(asked.get("state")) + "&account=" + account))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        String to = back.headers().firstValue("Location").orElseThrow();
        assertThat(to).startsWith("http://127.0.0.1:" + port + "/desk/quiet-oars/");
        return query(to);
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private static Map<String, String> query(String url) {
        return Arrays.stream(URI.create(url).getRawQuery().split("&"))
                .map(pair -> pair.split("=", 2))
                .collect(Collectors.toMap(pair -> pair[0], pair -> URLDecoder.decode(pair[1], StandardCharsets.UTF_8)));
    }

    private static String consentPage(String provider) {
        return owner.get(SHOP + "/gateways/till/consent?provider=" + provider)
                .json()
                .path("url")
                .asString();
    }

    private static Caller.Answer back(String gateway, Map<String, String> brought) {
        return owner.post(
                SHOP + "/gateways/" + gateway + "/consent",
                Map.of("provider", "cards", "code", brought.get("code"), "state", brought.get("state")));
    }

    @Test
    @Order(1)
    void without_them_a_service_is_not_answering_and_with_one_press_it_is() {
        assertThat(owner.get(SHOP + "/practice").json().path("on").asBoolean()).isFalse();
        assertThat(owner.put(SHOP + "/carrier", Map.of("secret", "any-key")).status())
                .isEqualTo(502);
        String point = SHOP + "/address-point?country=Ireland&postcode=H91X2A0";
        assertThat(owner.get(point).json().path("reason").asString()).startsWith("No address finder answers.");
        Caller.Answer on = owner.put(SHOP + "/practice", Map.of());
        assertThat(owner.get(point).json().path("point").path("latitude").asDouble())
                .isBetween(53.2, 53.4);
        assertThat(owner.get(SHOP + "/address-point?country=Ireland")
                        .json()
                        .path("reason")
                        .asString())
                .contains("postcode");
        assertThat(owner.get(SHOP + "/address-point?country=Ireland&postcode=Z99")
                        .json()
                        .path("reason")
                        .asString())
                .startsWith("This address was not found.");
        assertThat(on.json().path("on").asBoolean()).isTrue();
        assertThat(on.json().path("switchable").asBoolean()).isTrue();
        assertThat(owner.put(SHOP + "/practice", Map.of()).status())
                .as("a second press changes nothing")
                .isEqualTo(200);
        assertThat(owner.put(SHOP + "/carrier", Map.of("secret", "any-key")).status())
                .isEqualTo(422);
    }

    @Test
    @Order(2)
    void an_account_is_connected_by_going_there_and_coming_back() throws Exception {
        String page = consentPage("cards");
        assertThat(page).startsWith("http://127.0.0.1:" + services + "/cards/join?");
        Map<String, String> brought = picked(page, "test");
        Caller.Answer connected = back("till", brought);
        assertThat(connected.json().path("state").asString()).isEqualTo("test");
        assertThat(connected.text()).doesNotContain("secret-test");
        assertThat(back("till", brought).json().at("/problems/0/sentence").asString())
                .as("the same way back a second time")
                .isEqualTo("This way back from the provider was used already, or has lapsed.");
    }

    @Test
    @Order(3)
    void a_way_back_that_was_begun_for_another_account_or_by_nobody_connects_nothing() throws Exception {
        Map<String, String> brought = picked(consentPage("cards"), "test");
        assertThat(back("other", brought).status()).isEqualTo(422);
        assertThat(back("till", Map.of("code", brought.get("code"), "state", "1.x"))
                        .status())
                .isEqualTo(422);
        assertThat(back("till", picked(consentPage("cards"), "")).sentence()).startsWith("Nothing was connected");
        assertThat(owner.get(SHOP + "/gateways").json().size()).isEqualTo(1);
        assertThat(owner.get(SHOP + "/gateways/till/consent?provider=sheep").status())
                .isEqualTo(422);
        assertThat(new Caller("http://127.0.0.1:" + port)
                        .get(SHOP + "/gateways/till/consent?provider=cards")
                        .status())
                .isEqualTo(401);
    }

    @Test
    @Order(4)
    void a_second_account_of_the_same_kind_is_another_account() throws Exception {
        Caller.Answer second = owner.post(
                SHOP + "/gateways/till-2/consent",
                merged(
                        picked(
                                owner.get(SHOP + "/gateways/till-2/consent?provider=cards")
                                        .json()
                                        .path("url")
                                        .asString(),
                                "live"),
                        "cards"));
        assertThat(second.json().path("state").asString()).isEqualTo("waiting-for-approval");
        assertThat(owner.get(SHOP + "/gateways").json().findValuesAsString("publicKey"))
                .doesNotHaveDuplicates()
                .hasSize(2);
    }

    private static Map<String, String> merged(Map<String, String> brought, String provider) {
        return Map.of("provider", provider, "code", brought.get("code"), "state", brought.get("state"));
    }

    @Test
    @Order(5)
    void the_carrier_is_connected_the_same_way() throws Exception {
        Map<String, String> brought =
                picked(owner.get(SHOP + "/carrier/consent").json().path("url").asString(), "test");
        Caller.Answer link = owner.post(
                SHOP + "/carrier/consent", Map.of("code", brought.get("code"), "state", brought.get("state")));
        assertThat(link.json().path("services").size()).isEqualTo(2);
    }

    @Test
    @Order(6)
    void they_are_on_again_after_a_restart_and_switched_off_nothing_of_them_is_left() throws Exception {
        context.close();
        run();
        context.getBean(PracticeServices.class).resume();
        owner.signIn("owner@oars.example", "four quiet brown words");
        assertThat(owner.post(SHOP + "/gateways/till/ask", Map.of())
                        .json()
                        .path("state")
                        .asString())
                .isEqualTo("test");
        assertThat(owner.delete(SHOP + "/practice").json().path("on").asBoolean())
                .isFalse();
        assertThat(owner.get(SHOP + "/gateways").json().size()).isZero();
        assertThat(owner.get(SHOP + "/carrier").json().has("connected")).isFalse();
        assertThat(data.resolve("practice")).doesNotExist();
    }
}

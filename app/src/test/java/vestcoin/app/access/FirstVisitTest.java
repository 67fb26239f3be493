package vestcoin.app.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.run.ServeCommand;

/** The first visit of an empty installation: who has the code becomes its owner, and nobody after. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class FirstVisitTest {
    private static final int PORT = port();
    private static final String URL = "http://127.0.0.1:" + PORT;
    private static final String LONG =
            "eleven herons stood along the quay, and none of them would say whose umbrella it was that ";
    private static ConfigurableApplicationContext context;

    private static int port() {
        try {
            return RunningShop.freePort();
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @BeforeAll
    static void start() throws Exception {
        context = ServeCommand.application(
                PORT,
                Files.createTempDirectory("vest-coin-first"),
                "http://127.0.0.1:1",
                RunningShop.FOR_TESTS.toArray(String[]::new));
    }

    @AfterAll
    static void stop() {
        context.close();
    }

    private static Map<String, Object> visit(String n, Map<String, String> other) {
        Map<String, Object> all = new HashMap<>(Map.of(
                "email",
                "owner" + n + "@shop.example",
                "password",
                LONG,
                "shopName",
                "Shop " + n,
                "country",
                "Ireland",
                "currency",
                "",
                "code",
                RunningShop.FIRST_CODE));
        all.putAll(other);
        return all;
    }

    @Test
    @Order(1)
    void without_the_code_that_start_printed_nobody_becomes_owner() {
        Caller.Answer refused = new Caller(URL).post("/api/first-owner", visit("0", Map.of("code", "AAAA-AAAA-AAAA")));
        assertThat(refused.status()).isEqualTo(403);
        assertThat(refused.sentence()).isEqualTo("This is not the code that was printed when Vest Coin was started.");
        assertThat(new FirstCode("").text())
                .as("another at each start")
                .matches("[A-Z0-9]{4}-[A-Z0-9]{4}-[A-Z0-9]{4}")
                .isNotEqualTo(new FirstCode("").text());
    }

    @Order(2)
    @ParameterizedTest
    @ValueSource(strings = {"aaaaaaaaaaaa", "password1234", "abababababab", "short"})
    void a_password_that_is_guessed_first_will_not_do(String password) {
        Caller.Answer refused = new Caller(URL).post("/api/first-owner", visit("0", Map.of("password", password)));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.paths()).containsExactly("password");
    }

    @Test
    @Order(3)
    void eight_first_visits_at_once_make_one_owner_and_one_shop() {
        List<CompletableFuture<Integer>> visits = IntStream.range(0, 8)
                .mapToObj(n -> CompletableFuture.supplyAsync(() -> new Caller(URL)
                        .post("/api/first-owner", visit(String.valueOf(n), Map.of()))
                        .status()))
                .toList();
        List<Integer> answers = visits.stream().map(CompletableFuture::join).toList();
        assertThat(answers).containsOnly(200, 409);
        assertThat(answers.stream().filter(status -> status == 200)).hasSize(1);
        JdbcClient sql = context.getBean(JdbcClient.class);
        assertThat(sql.sql("select count(*) from person").query(Long.class).single())
                .isEqualTo(1);
        assertThat(sql.sql("select count(*) from helper").query(Long.class).single())
                .isEqualTo(1);
        assertThat(sql.sql("select count(*) from shop").query(Long.class).single())
                .isEqualTo(1);
    }

    @Test
    @Order(4)
    void a_password_of_more_than_72_bytes_lets_in_and_all_of_it_counts() {
        String email = context.getBean(JdbcClient.class)
                .sql("select email from person")
                .query(String.class)
                .single();
        assertThat(LONG.length()).isGreaterThan(72);
        assertThat(new Caller(URL)
                        .post("/api/session", Map.of("email", email, "password", LONG))
                        .status())
                .isEqualTo(200);
        assertThat(new Caller(URL)
                        .post("/api/session", Map.of("email", email, "password", LONG + "x"))
                        .status())
                .isEqualTo(401);
        assertThat(new Caller(URL)
                        .post("/api/session", Map.of("email", email, "password", "ä".repeat(400)))
                        .status())
                .as("longer than any")
                .isEqualTo(401);
    }

    @Test
    @Order(5)
    void a_second_visit_is_sent_to_sign_in() {
        assertThat(new Caller(URL)
                        .post("/api/first-owner", visit("9", Map.of()))
                        .sentence())
                .isEqualTo("This installation has an owner already.");
    }
}

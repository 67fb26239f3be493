package vestcoin.app.message;

import static org.assertj.core.api.Assertions.assertThat;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;

/** Letters leave by the seller's mail server, GreenMail here; what a server does wrong loses none. */
@ExtendWith(RunningShop.class)
class MailServerTest {
    private static final String SERVER = Caller.SHOP + "/mail-server";

    private final RunningShop.Running shop;
    private final Caller owner;
    private final GreenMail mail = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));

    MailServerTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    @BeforeEach
    void start() {
        mail.setUser("seller@mail.example", "seller", "a secret of the seller");
        mail.start();
    }

    @AfterEach
    void stop() {
        shop.context()
                .getBean(JdbcClient.class)
                .sql("delete from letter where name like 'many-%'")
                .update();
        owner.delete(SERVER);
        mail.stop();
    }

    private Caller.Answer set(int port, String user, String secret) {
        return owner.put(
                SERVER, Map.of("host", "127.0.0.1", "port", port, "security", "none", "user", user, "secret", secret));
    }

    /** An order whose letters count as those of a real one. */
    private JsonNode ordered(String email) {
        JsonNode placed = shop.anybody().placeBook();
        JdbcClient sql = shop.context().getBean(JdbcClient.class);
        sql.sql("update orders set mode = 'live', email = :email where token = :token")
                .param("email", email)
                .param("token", placed.path("token").asString())
                .update();
        return placed;
    }

    private void letter(String email, boolean practice) {
        JsonNode placed = ordered(email);
        if (practice) {
            shop.context()
                    .getBean(JdbcClient.class)
                    .sql("update orders set mode = 'test' where token = :token")
                    .param("token", placed.path("token").asString())
                    .update();
        }
        owner.post(Caller.SHOP + "/orders/" + placed.path("number").asInt() + "/cancel", "");
    }

    private void again() {
        shop.context().getBean(Messages.class).deliverWhatIsDue();
    }

    private long waiting(String email) {
        return shop.context()
                .getBean(JdbcClient.class)
                .sql("select count(*) from letter where recipient = :email and sent_at is null")
                .param("email", email)
                .query(Long.class)
                .single();
    }

    private String trouble() {
        return owner.get(SERVER).json().path("server").path("trouble").asString("");
    }

    /** What a server did not do is written down once and read in the language of the desk. */
    @Test
    void what_went_wrong_is_said_in_the_language_of_the_desk() {
        set(mail.getSmtp().getPort(), "seller", "not the secret");
        for (String method : List.of("POST", "GET")) {
            String path = method.equals("POST") ? SERVER + "/try" : SERVER;
            assertThat(owner.call(method, path, null, Map.of("Accept-Language", "de"))
                            .text())
                    .contains("nimmt Benutzer oder Passwort nicht an");
        }
        assertThat(trouble()).contains("does not accept user or password");
    }

    @Test
    void letters_of_real_orders_leave_by_it_and_those_of_practice_do_not() throws Exception {
        assertThat(owner.get(SERVER).json().path("server").isObject()).isFalse();
        Caller.Answer kept = set(mail.getSmtp().getPort(), "seller", "a secret of the seller");
        assertThat(kept.status()).as(kept.text()).isEqualTo(200);
        assertThat(kept.text()).doesNotContain("a secret").contains("\"secretEndsWith\":\"er\"");
        letter("real@buyers.example", false);
        Soon.holds(() -> assertThat(mail.getReceivedMessages()).hasSize(1));
        assertThat(mail.getReceivedMessages()[0].getAllRecipients()[0]).hasToString("real@buyers.example");
        assertThat(mail.getReceivedMessages()[0].getSubject()).contains("was called off");
        assertThat(mail.getReceivedMessages()[0].getMessageID()).endsWith("@vest-coin>");
        assertThat(shop.services().post().letters()).noneMatch(each -> each.to().equals("real@buyers.example"));

        letter("practice@buyers.example", true);
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .anyMatch(each -> each.to().equals("practice@buyers.example")));
        assertThat(mail.getReceivedMessages()).hasSize(1);

        assertThat(owner.post(SERVER + "/try", "").status()).isEqualTo(200);
        assertThat(mail.getReceivedMessages()).hasSize(2);
        // The password stays where none is typed anew, and goes where the server is another.
        assertThat(set(mail.getSmtp().getPort(), "seller", "").status()).isEqualTo(200);
        assertThat(owner.post(SERVER + "/try", "").status()).isEqualTo(200);
        assertThat(set(mail.getSmtp().getPort(), "somebody", "")
                        .json()
                        .path("server")
                        .has("secretEndsWith"))
                .isFalse();
    }

    @Test
    void a_wrong_password_is_said_and_found_and_the_letter_waits() throws Exception {
        set(mail.getSmtp().getPort(), "seller", "not that");
        assertThat(owner.post(SERVER + "/try", "").sentence()).contains("does not accept user or password");
        assertThat(owner.get(Caller.SHOP + "/draft").text()).contains("letters-do-not-leave");
        letter("patient@buyers.example", false);
        shop.context().getBean(Messages.class).settled();
        Soon.holds(() -> assertThat(waiting("patient@buyers.example")).isEqualTo(1));
        set(mail.getSmtp().getPort(), "seller", "a secret of the seller");
        again();
        Soon.holds(() -> assertThat(waiting("patient@buyers.example")).isZero());
        assertThat(trouble()).isEmpty();
        assertThat(owner.get(Caller.SHOP + "/draft").text()).doesNotContain("letters-do-not-leave");
    }

    @Test
    void a_silent_server_holds_up_no_other_line_and_what_it_did_stands_while_others_leave() throws Exception {
        set(1, "", "");
        JsonNode real = ordered("many@buyers.example");
        shop.context()
                .getBean(JdbcClient.class)
                .sql("""
                insert into letter(shop, order_id, event, name, recipient, subject, mime, at)
                select o.shop, o.id, 'receipt', 'many-' || x, o.email, 'many',
                    'From: shop@shop.example' || char(10) || 'To: many@buyers.example' || char(10) || char(10) || 'x',
                    current_timestamp
                from orders o cross join system_range(1, 120) where o.token = :token""")
                .param("token", real.path("token").asString())
                .update();
        letter("behind@buyers.example", true);
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .anyMatch(each -> each.to().equals("behind@buyers.example")));
        assertThat(waiting("many@buyers.example")).isEqualTo(120);
        assertThat(trouble()).contains("does not take letters now");
    }

    /** A server that says what it is told to, line by line, and may hang up. */
    private static ServerSocket bad(Map<String, String> answers, AtomicInteger taken) throws IOException {
        ServerSocket server = new ServerSocket(0, 5, InetAddress.getLoopbackAddress());
        Thread talking = new Thread(() -> {
            while (!server.isClosed()) {
                try (Socket line = server.accept()) {
                    talk(line, answers, taken);
                } catch (IOException e) {
                    if (!server.isClosed()) {
                        throw new UncheckedIOException(e);
                    }
                }
            }
        });
        talking.setDaemon(true);
        talking.start();
        return server;
    }

    private static void talk(Socket line, Map<String, String> answers, AtomicInteger taken) throws IOException {
        BufferedReader in = new BufferedReader(new InputStreamReader(line.getInputStream(), StandardCharsets.US_ASCII));
        line.getOutputStream().write("220 bad.example\r\n".getBytes(StandardCharsets.US_ASCII));
        boolean data = false;
        for (String said = in.readLine(); said != null; said = in.readLine()) {
            if (data && !said.equals(".")) {
                continue;
            }
            String verb = data ? "." : said.split("[ :]")[0].toUpperCase(java.util.Locale.ROOT);
            taken.addAndGet(data ? 1 : 0);
            data = false;
            String answer = answers.getOrDefault(verb, "250 well");
            if (answer.isEmpty()) {
                return;
            }
            data = answer.startsWith("354");
            line.getOutputStream().write((answer + "\r\n").getBytes(StandardCharsets.US_ASCII));
        }
    }

    @Test
    void a_server_that_refuses_a_reader_holds_up_nobody_else() throws Exception {
        AtomicInteger taken = new AtomicInteger();
        try (ServerSocket server = bad(Map.of("RCPT", "550 no such mailbox", "DATA", "354 go on"), taken)) {
            set(server.getLocalPort(), "", "");
            letter("nobody@buyers.example", false);
            Soon.holds(() -> assertThat(trouble()).contains("no such mailbox"));
            assertThat(waiting("nobody@buyers.example")).isEqualTo(1);
        }
        set(mail.getSmtp().getPort(), "", "");
        letter("somebody@buyers.example", false);
        Soon.holds(() -> assertThat(waiting("somebody@buyers.example")).isZero());
    }

    @Test
    void a_line_dropped_after_the_letter_leaves_it_owed_under_the_same_id() throws Exception {
        AtomicInteger taken = new AtomicInteger();
        try (ServerSocket server = bad(Map.of("DATA", "354 go on", ".", ""), taken)) {
            set(server.getLocalPort(), "", "");
            letter("dropped@buyers.example", false);
            Soon.holds(() -> assertThat(taken.get()).isPositive());
            Soon.holds(() -> assertThat(trouble()).contains("does not take letters now"));
            assertThat(waiting("dropped@buyers.example")).isEqualTo(1);
        }
        set(mail.getSmtp().getPort(), "", "");
        again();
        Soon.holds(() -> assertThat(waiting("dropped@buyers.example")).isZero());
        assertThat(mail.getReceivedMessages()).hasSize(1);
    }

    @Test
    void a_server_that_is_busy_or_not_there_is_asked_again_later() throws Exception {
        AtomicInteger taken = new AtomicInteger();
        try (ServerSocket server = bad(Map.of("MAIL", "451 try again later"), taken)) {
            set(server.getLocalPort(), "", "");
            assertThat(owner.post(SERVER + "/try", "").sentence()).contains("does not take letters now");
        }
        set(1, "", "");
        assertThat(owner.post(SERVER + "/try", "").status()).isEqualTo(502);
    }

    @Test
    void what_can_be_no_server_is_refused_in_a_sentence() {
        for (Map<String, Object> wrong : java.util.List.<Map<String, Object>>of(
                Map.of("host", "", "port", 587),
                Map.of("host", "mail example", "port", 587),
                Map.of("host", "mail.example", "port", 0),
                Map.of("host", "mail.example", "port", 70_000),
                Map.of("host", "mail.example", "port", 587, "user", "a\nb"))) {
            assertThat(owner.put(SERVER, wrong).status()).as("%s", wrong).isEqualTo(422);
        }
        assertThat(owner.post(SERVER + "/try", "").sentence()).isEqualTo("No mail server is set.");
    }
}

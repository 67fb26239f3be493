package vestcoin.app.buyer;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.message.Messages;
import vestcoin.standins.post.PostRoom;

/** One reminder of a basket, a day later, and only to those who asked for it. */
@ExtendWith(RunningShop.class)
class UnfinishedTest {
    private final RunningShop.Running shop;

    UnfinishedTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private JdbcClient sql() {
        return shop.context().getBean(JdbcClient.class);
    }

    @BeforeEach
    void nothingIsKept() {
        sql().sql("delete from unfinished").update();
        sql().sql("delete from not_reminded").update();
    }

    private Caller.Answer leave(String email, boolean agreed) {
        return shop.anybody()
                .post(
                        Caller.COUNTER + "/unfinished",
                        Map.of(
                                "email",
                                email,
                                "agreed",
                                agreed,
                                "language",
                                "en",
                                "left",
                                Map.of(
                                        "name",
                                        "Nora Sample",
                                        "basket",
                                        Map.of(
                                                "lines",
                                                List.of(Map.of("product", "kites-you-can-build", "quantity", "2")),
                                                "codes",
                                                List.of("KITES10")))));
    }

    private void hoursLater(int hours) {
        sql().sql("update unfinished set at = dateadd(hour, :hours, at)")
                .param("hours", -hours)
                .update();
        shop.context().getBean(Unfinished.class).remind();
    }

    private List<PostRoom.Letter> letters(String to) throws Exception {
        shop.context().getBean(Messages.class).settled();
        return shop.services().post().letters().stream()
                .filter(letter -> letter.to().equals(to) && letter.subject().contains("basket"))
                .toList();
    }

    @Test
    void who_agreed_is_reminded_once_and_comes_back_to_the_basket() throws Exception {
        assertThat(leave("one@buyers.example", true).status()).isEqualTo(204);
        hoursLater(23);
        assertThat(letters("one@buyers.example")).as("not yet").isEmpty();
        hoursLater(1);
        hoursLater(1);
        leave("one@buyers.example", true);
        hoursLater(48);
        List<PostRoom.Letter> letters = letters("one@buyers.example");
        assertThat(letters).hasSize(1);
        assertThat(letters.get(0).plain()).contains("2 Kites You Can Build").contains("?never=");
        Matcher again = Pattern.compile("\\?again=([0-9a-f-]{36})")
                .matcher(letters.get(0).plain());
        assertThat(again.find()).isTrue();
        Caller.Answer basket = shop.anybody().get(Caller.COUNTER + "/unfinished/" + again.group(1));
        assertThat(basket.json()
                        .path("basket")
                        .path("lines")
                        .path(0)
                        .path("product")
                        .asString())
                .isEqualTo("kites-you-can-build");
        assertThat(basket.json().path("basket").path("codes").path(0).asString())
                .isEqualTo("KITES10");
        assertThat(basket.text()).as("the link shows no address").doesNotContain("buyers.example");
    }

    @Test
    void who_did_not_agree_or_took_it_back_is_not_written_to() throws Exception {
        leave("two@buyers.example", false);
        leave("three@buyers.example", true);
        leave("three@buyers.example", false);
        hoursLater(100);
        assertThat(letters("two@buyers.example")).isEmpty();
        assertThat(letters("three@buyers.example")).isEmpty();
    }

    @Test
    void what_cannot_be_kept_is_refused() {
        Map<String, Object> left = Map.of("name", "x".repeat(201), "basket", Map.of());
        assertThat(shop.anybody()
                        .post(
                                Caller.COUNTER + "/unfinished",
                                Map.of("email", "a@b.example", "agreed", true, "left", left))
                        .paths())
                .containsExactly("left");
        assertThat(leave("nobody", true).paths()).containsExactly("email");
        assertThat(shop.anybody()
                        .get(Caller.COUNTER + "/unfinished/" + "0".repeat(36))
                        .status())
                .isEqualTo(410);
    }

    @Test
    void who_ordered_since_is_not_reminded() throws Exception {
        leave("buyer@buyers.example", true);
        shop.anybody().placeBook();
        hoursLater(30);
        assertThat(letters("buyer@buyers.example")).isEmpty();
        assertThat(sql().sql("select count(*) from unfinished")
                        .query(Long.class)
                        .single())
                .isZero();
    }

    @Test
    void who_wants_no_such_letter_never_gets_another() throws Exception {
        leave("four@buyers.example", true);
        hoursLater(24);
        Matcher never = Pattern.compile("\\?never=([0-9a-f-]{36})")
                .matcher(letters("four@buyers.example").get(0).plain());
        assertThat(never.find()).isTrue();
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/unfinished/" + never.group(1) + "/never", Map.of())
                        .status())
                .isEqualTo(204);
        sql().sql("delete from unfinished").update();
        leave("Four@Buyers.example", true);
        hoursLater(48);
        assertThat(letters("four@buyers.example")).hasSize(1);
        assertThat(letters("Four@Buyers.example")).isEmpty();
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/unfinished/" + "0".repeat(36) + "/never", Map.of())
                        .status())
                .isEqualTo(410);
    }
}

package vestcoin.app.booking;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;

/**
 * The feed as a calendar program reads it: parsed and validated by ical4j, a library other than the one that writes it.
 * Source: RFC 5545.
 */
@ExtendWith(RunningShop.class)
class CalendarTest {
    private final RunningShop.Running shop;
    private final Caller owner;

    CalendarTest(RunningShop.Running shop) {
        this.shop = shop;
        this.owner = shop.owner();
    }

    private JsonNode collected(String option) {
        Map<String, Object> basket = new HashMap<>(Map.of(
                "lines",
                List.of(Map.of("product", "kites-you-can-build", "quantity", "2")),
                "to",
                Map.of("country", "IE", "postcode", "H91 X2A0"),
                "delivery",
                option,
                "method",
                option.equals("local") ? "transfer" : "cash"));
        basket.put(
                "slot",
                shop.anybody()
                        .post(Caller.COUNTER + "/quote", Caller.quoting(basket))
                        .json()
                        .path("delivery")
                        .valueStream()
                        .filter(each -> each.path("chosen").asBoolean())
                        .findFirst()
                        .orElseThrow()
                        .path("slots")
                        .path(1)
                        .path("start")
                        .asString());
        Caller.Answer answer = shop.anybody().buy(basket);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return ((tools.jackson.databind.node.ObjectNode) answer.json()).put("slot", (String) basket.get("slot"));
    }

    private Calendar feed() throws Exception {
        String address =
                owner.get(Caller.SHOP + "/bookings").json().path("calendar").asString();
        Caller.Answer feed = shop.anybody().get(address.substring(address.indexOf("/calendar/")));
        assertThat(feed.whole().headers().firstValue("Content-Type").orElse("")).startsWith("text/calendar");
        Calendar calendar = new CalendarBuilder().build(new StringReader(feed.text()));
        assertThat(calendar.validate().getEntries()).as(feed.text()).isEmpty();
        return calendar;
    }

    private static VEvent event(Calendar calendar, JsonNode placed) {
        return calendar.<VEvent>getComponents("VEVENT").stream()
                .filter(event -> event.getSummary()
                        .getValue()
                        .startsWith(placed.path("number").asInt() + ","))
                .findFirst()
                .orElse(null);
    }

    @Test
    void what_is_collected_and_brought_stands_in_the_calendar_until_it_is_called_off() throws Exception {
        JsonNode collected = collected("pickup-workshop");
        JsonNode brought = collected("local");
        owner.post(Caller.SHOP + "/calendar", "");
        Calendar calendar = feed();
        VEvent event = event(calendar, collected);
        Instant starts = LocalDateTime.parse(collected.path("slot").asString())
                .atZone(ZoneId.of("Europe/Dublin"))
                .toInstant();
        assertThat(Instant.from(event.getDateTimeStart().getDate())).isEqualTo(starts);
        assertThat(Instant.from(event.getDateTimeEnd().getDate())).isEqualTo(starts.plusSeconds(3600));
        assertThat(event.getUid().orElseThrow().getValue())
                .isEqualTo(collected.path("token").asString() + "@vest-coin");
        assertThat(event.getLocation().getValue()).isEqualTo("7 Example Dock Road");
        assertThat(event.getDescription().getValue()).contains("2 Kites You Can Build, book");
        assertThat(event(calendar, brought).getLocation().getValue()).contains("1 Example Street");
        assertThat(owner.get(Caller.SHOP + "/bookings")
                        .json()
                        .path("coming")
                        .valueStream()
                        .map(each -> each.path("number").asInt()))
                .contains(
                        collected.path("number").asInt(), brought.path("number").asInt());
        owner.post(Caller.SHOP + "/orders/" + collected.path("number").asInt() + "/cancel", "");
        assertThat(event(feed(), collected)).isNull();
    }

    /** Nobody chose a time, but one was promised: it stands wherever a chosen one would. */
    @Test
    void what_is_promised_in_minutes_stands_at_its_time() throws Exception {
        JsonNode before = owner.get(Caller.SHOP + "/draft")
                .json()
                .path("document")
                .path("pickup")
                .path("local");
        Map<String, Object> local = new HashMap<>(Json.read(before, Map.class, "pickup/local"));
        local.remove("capacity");
        local.put("minutes", Map.of("from", 30, "to", 45));
        owner.publish(Map.of("pickup/local", local));
        Caller.Answer answer = shop.anybody()
                .buy(new HashMap<>(Map.of(
                        "lines",
                        List.of(Map.of("product", "kites-you-can-build", "quantity", "2")),
                        "to",
                        Map.of("country", "IE", "postcode", "H91 X2A0"),
                        "delivery",
                        "local",
                        "method",
                        "transfer")));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        JsonNode placed = answer.json();
        LocalDateTime starts =
                LocalDateTime.parse(placed.path("handover").path("starts").asString());
        LocalDateTime ends =
                LocalDateTime.parse(placed.path("handover").path("ends").asString());
        assertThat(ends).isEqualTo(starts.plusMinutes(15));
        owner.post(Caller.SHOP + "/calendar", "");
        assertThat(Instant.from(event(feed(), placed).getDateTimeStart().getDate()))
                .isEqualTo(starts.atZone(ZoneId.of("Europe/Dublin")).toInstant());
        owner.publish(Map.of("pickup/local", before));
    }

    @Test
    void a_new_address_shuts_the_old_one_and_nobody_guesses_one() {
        String first = owner.post(Caller.SHOP + "/calendar", "")
                .json()
                .path("calendar")
                .asString();
        String second = owner.post(Caller.SHOP + "/calendar", "")
                .json()
                .path("calendar")
                .asString();
        assertThat(second).isNotEqualTo(first);
        assertThat(shop.anybody()
                        .get(first.substring(first.indexOf("/calendar/")))
                        .status())
                .isEqualTo(404);
        assertThat(shop.anybody().get("/calendar/tern-and-tether.ics").status()).isEqualTo(404);
    }
}

package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;

/** The board: a change is seen at every place, a pinned figure keeps it back, and is taken as it is now. */
class RehearsalTest extends AtDesk {
    RehearsalTest(RunningShop.Running shop) {
        super(shop);
    }

    private static final String CORK_ROW = "//tr[th[contains(., 'Two deltas and the book')]]";

    @Test
    void a_change_is_seen_and_a_pin_keeps_it_back() {
        at("rehearsal");
        browser.see(By.xpath("//table//th[contains(., 'Galway')]"));
        browser.fill("input[name=country]", "Ireland");
        browser.fill("input[name=postcode]", "T12 X2A0");
        browser.clickText("Add the place");
        browser.see(By.xpath("//th[contains(., 'T12 X2A0')]"));
        browser.click(By.xpath(CORK_ROW + "/td[last()]"));
        browser.see(By.xpath("//h2[contains(., 'Two deltas and the book, T12 X2A0, Ireland')]"));
        browser.waitFor("the order is on the ticket", () -> text("aside").contains("T12 X2A0, Ireland"));
        browser.fill("section[aria-label='The cell pointed at'] input", "As on the leaflet");
        browser.clickText("Pin: to pay");
        browser.see(By.xpath("//p[contains(., 'Pinned, to pay: 161.90.')][contains(., 'As on the leaflet')]"));
        assertThat(browser.violations()).isEmpty();

        at("delivery");
        browser.click("[data-path='delivery/zones/ireland/rates/tube']");
        browser.keys("8.90", Keys.ENTER);
        at("rehearsal");
        browser.see(
                By.xpath("//section[@aria-label='Pinned figures that moved']//li[contains(., '161.90 to 161.40')]"));
        browser.see(By.xpath(CORK_ROW + "/td[last()][contains(., '161.90')][contains(., '161.40')]"));
        browser.clickText("only what differs from live");
        browser.see(By.xpath("//button[@aria-pressed='true'][.='only what differs from live']"));
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Publish…");
        browser.click(By.xpath("//dialog[@open]//button[text()='Publish']"));
        browser.see(By.xpath("//*[@role='alert'][contains(., 'A pinned figure moved')]"));
        browser.keys(Keys.ESCAPE);
        browser.clickText("Take the new figure");
        browser.waitFor(
                "nothing is moved any more",
                () -> browser.count(By.xpath("//section[@aria-label='Pinned figures that moved']")) == 0);
        browser.clickText("Publish…");
        browser.click(By.xpath("//dialog[@open]//button[text()='Publish']"));
        browser.waitFor("published", () -> browser.shows("no changes"));

        browser.see(By.xpath("//p[.='No cell is like that.']"));
        browser.clickText("every cell");
        browser.click(By.xpath("//label[contains(., 'arrival')]"));
        browser.see(By.xpath(CORK_ROW + "/td[contains(., 'days')]"));
        browser.click(By.xpath(CORK_ROW + "/td[1]"));
        browser.keys(Keys.ARROW_DOWN, Keys.ARROW_RIGHT);
        browser.see(By.xpath("//h2[contains(., 'A book and plans')]"));
        browser.dark(true);
        assertThat(browser.contrast()).isEmpty();
        assertThat(browser.violations()).isEmpty();
    }

    /** Of two hundred sample orders at eight places only those near the screen are drawn; keys reach all of them. */
    @Test
    void a_long_board_is_drawn_where_it_is_looked_at() {
        List<Object> before = Json.read(
                shop.owner()
                        .get(Caller.SHOP + "/draft")
                        .json()
                        .at("/document/rehearsal/baskets")
                        .toString(),
                List.class);
        List<Object> many = new ArrayList<>(before);
        for (int i = 1; i <= 196; i++) {
            many.add(Map.of(
                    "id",
                    "many-" + i,
                    "name",
                    "Kite " + i,
                    "order",
                    Map.of("lines", List.of(Map.of("product", "box-kite", "quantity", String.valueOf(i % 9 + 1))))));
        }
        assertThat(shop.owner().edit(Map.of("rehearsal/baskets", many)).status())
                .isEqualTo(200);
        try {
            at("rehearsal");
            browser.see(By.xpath("//*[contains(., '200 baskets')]"));
            browser.click("td[data-board='3-1']");
            assertThat(drawn("td[data-board]")).isLessThan(1000);
            for (int i = 4; i <= 60; i++) {
                String next = "td[data-board='" + i + "-1'][aria-selected=true]";
                browser.keys(Keys.ARROW_DOWN);
                browser.waitFor("row " + i, () -> drawn(next) == 1);
            }
            browser.see(By.xpath("//h2[contains(., 'Kite 57')]"));
            assertThat(drawn("td[data-board]")).isLessThan(1000);
            assertThat(browser.violations()).isEmpty();
        } finally {
            shop.owner().post(Caller.SHOP + "/draft/undo", Map.of());
        }
    }

    /** How many there are in the page, seen or not. */
    private long drawn(String css) {
        return (Long) browser.script("return document.querySelectorAll(arguments[0]).length", css);
    }
}

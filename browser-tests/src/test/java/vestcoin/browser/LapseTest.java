package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.Soon;
import vestcoin.app.run.DemoShop;

/** An order whose money does not come: what it held is gone for others, and comes back when it lapses. */
class LapseTest extends AtCounter {
    private static final String SOCK = "Wind sock";
    private static final By TIMES = By.cssSelector("main select option:not([disabled])");

    LapseTest(RunningShop.Running shop) {
        super(shop);
    }

    private void edit(String path, Object was, Object now) {
        Map<String, Object> edit = new HashMap<>(Map.of("path", path, "now", now));
        if (was != null) {
            edit.put("was", was);
        }
        Caller.Answer answer = shop.owner().post(Caller.SHOP + "/draft/edits", Map.of("edits", List.of(edit)));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    /** One wind sock, one buyer at a time in the workshop, a code for one order, a day for the money to come. */
    private void scarce() {
        edit("pickup/places/workshop/capacity", 4, 1);
        edit("discounts/rules/open-day/conditions/uses", 5, 1);
        edit("discounts/rules/open-day/conditions/leastValue", "60.00", "10.00");
        edit("payment/methods/transfer/held", null, 24);
        assertThat(shop.owner().post(Caller.SHOP + "/draft/publish", Map.of()).status())
                .isEqualTo(200);
        Map<String, Object> one = Map.of("item", "wind-sock", "remaining", "2");
        Caller.Answer answer = shop.owner().put(Caller.SHOP + "/stock/wind-sock", one);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
    }

    /** A wind sock with the code, to be collected at the last time there is. @return that time */
    private String collected(int socks) throws IOException {
        open(390, 844);
        for (int i = 0; i < socks; i++) {
            put(SOCK);
        }
        browser.fill("input[aria-label='Code or voucher']", "OPENDAY");
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//*[contains(text(), 'Open day, 12.00 off')]"));
        address();
        browser.click(By.xpath("//label[contains(., 'Workshop, Example Dock')]"));
        browser.waitFor("times can be chosen", () -> browser.count(TIMES) > 0);
        return String.valueOf(browser.script("return [...document.querySelectorAll('main select "
                + "option:not([disabled])')].filter((option) => option.value).at(-1).value"));
    }

    private void days(int days) throws IOException {
        try (Browser desk = Browser.atDesk(shop)) {
            desk.go(shop.url() + "/desk/" + DemoShop.SHOP + "/delivery");
            desk.click(By.xpath("//summary[contains(., 'Let time pass')]"));
            for (int i = 0; i < days; i++) {
                desk.click(By.xpath("//button[.='a day']"));
                desk.waitFor("time has passed", () -> desk.see("[aria-busy]")
                        .getDomAttribute("aria-busy")
                        .equals("false"));
            }
        }
    }

    @Test
    void what_a_lapsed_order_held_can_be_bought_by_another() throws Exception {
        scarce();
        String last = collected(2);
        browser.choose("main select", last);
        browser.clickText("Go on to payment");
        order("Bank transfer");
        browser.see(By.xpath("//main[contains(., 'IBAN')]"));
        String page = browser.url();
        String number = browser.see("main").getText().replaceAll("(?s).*[Oo]rder (1\\d+).*", "$1");
        browser.close();

        open(390, 844);
        browser.see(By.xpath("//li[contains(., '" + SOCK + "')][contains(., 'sold out')]"));
        browser.close();

        days(2);
        browser = Browser.open(390, 844);
        browser.go(page);
        browser.see(By.xpath("//main[contains(., 'lapsed')]"));
        assertThat(browser.shows("IBAN")).as("nothing to be paid any more").isFalse();
        assertThat(browser.violations()).isEmpty();
        Soon.holds(() -> assertThat(shop.services().post().letters())
                .anySatisfy(letter -> assertThat(letter.subject()).contains(number, "has lapsed")));
        browser.close();

        assertThat(collected(2)).as("the time is free again, or later ones are").isGreaterThanOrEqualTo(last);
        assertThat(browser.count(By.cssSelector("main select option[value='" + last + "']:not([disabled])")))
                .isEqualTo(1);
    }
}

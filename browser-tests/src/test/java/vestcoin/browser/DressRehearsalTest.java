package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** Practice orders of the draft through the whole application: what held, what did not, and each of them to look at. */
class DressRehearsalTest extends AtDesk {
    private static final String WITH_LETTERS = "//tr[th[contains(., 'Order 1001')]]/td[8]//span[text()='%s']";

    DressRehearsalTest(RunningShop.Running shop) {
        super(shop);
    }

    @AfterEach
    void takeBack() {
        shop.owner().delete(Caller.SHOP + "/dress-rehearsal");
        while (shop.owner().get(Caller.SHOP + "/draft").json().path("changes").asInt() > 0) {
            shop.owner().post(Caller.SHOP + "/draft/undo", Map.of());
        }
    }

    private String link(By by) {
        return browser.see(by).getDomProperty("href");
    }

    private void rehearseOne() {
        at("rehearsal");
        browser.click("td[data-board='1-1']");
        // One that was held before is open already.
        browser.script(
                "arguments[0].parentElement.open = true", browser.see(By.xpath("//summary[contains(., 'Dress')]")));
        browser.choose("form:has(option[value=cell]) select", "cell");
        browser.clickText("Rehearse");
    }

    @Test
    void a_cell_is_rehearsed_and_its_orders_are_looked_at_from_both_sides() {
        rehearseOne();
        browser.see(By.xpath(WITH_LETTERS.formatted("held")));
        browser.see(By.xpath("//strong[text()='6 practice orders, and all of it held.']"));
        assertThat(browser.violations()).isEmpty();
        String order = link(By.xpath("//a[text()='Order 1002']"));
        String buyers = link(By.xpath("//tr[th[contains(., 'Order 1002')]]//a[2]"));
        browser.go(order);
        browser.see(By.xpath("//aside[contains(., 'This is a rehearsal')]"));
        browser.see(By.xpath("//h1[contains(., 'Order 1002')]"));
        browser.see(By.xpath("//*[contains(., 'practice, no money moved')]"));
        assertThat(browser.violations()).isEmpty();
        browser.dark(true);
        assertThat(browser.contrast()).isEmpty();
        browser.go(buyers);
        browser.see(By.xpath("//*[contains(., '1002')]"));
        browser.dark(false);
        browser.go(order);
        browser.clickText("Back to your shop");
        browser.see("td[data-board='1-1']");
    }

    @Test
    void what_fails_is_said_once_with_the_orders_it_happened_to() {
        shop.owner().edit(Map.of("terms/returnAddress", List.of()));
        rehearseOne();
        browser.see(By.xpath(WITH_LETTERS.formatted("held")));
        browser.see(By.xpath("//strong[text()='6 practice orders, 6 of them failed at a step.']"));
        browser.see(By.xpath("//li[strong[.='Texts:']][contains(., 'return-address')]//a[text()='Order 1006']"));
        browser.see(By.xpath("//tr[th[contains(., 'Order 1001')]]/td[1]/a[contains(@href, '/orders/1001')]"));
        assertThat(browser.violations()).isEmpty();
        browser.dark(true);
        assertThat(browser.contrast()).isEmpty();
    }

    @Test
    void an_order_is_walked_by_hand_in_the_rehearsal() {
        shop.owner().edit(Map.of("goods/products/printed-plans/price", "8.00"));
        at("rehearsal");
        browser.click("td[data-board='1-1']");
        browser.clickText("Walk it at the counter");
        String counter = link(By.xpath("//a[text()='The counter with this basket']"));
        assertThat(link(By.xpath("//a[text()='The post room']"))).endsWith("/post");
        browser.go(counter);
        // By the draft: two plans at the price nobody has published.
        browser.see(By.xpath("//*[contains(text(), '16.00')]"));
    }
}

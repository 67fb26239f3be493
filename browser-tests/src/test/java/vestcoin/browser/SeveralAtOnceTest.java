package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/** Several orders at once, at the desk and on a phone. */
class SeveralAtOnceTest extends AtDesk {
    SeveralAtOnceTest(RunningShop.Running shop) {
        super(shop);
    }

    @Test
    void orders_are_narrowed_chosen_and_sent_with_the_numbers_pasted_from_the_carriers_file() throws IOException {
        at("orders");
        browser.click(By.xpath("//summary[contains(., 'by day, way, place')]"));
        browser.choose("select:has(> option[value=letter])", "letter");
        browser.waitFor("one goes by letter", () -> browser.count(By.cssSelector("tbody tr")) == 1);
        browser.choose("select:has(> option[value=letter])", "");
        browser.waitFor("all again", () -> browser.count(By.cssSelector("tbody tr")) == 4);
        browser.click("[aria-label='Choose order 1003']");
        browser.click("[aria-label='Choose order 1004']");
        browser.seeText("2 orders chosen");
        assertThat(browser.see(By.xpath("//a[.='Print slips']")).getDomAttribute("href"))
                .endsWith("/slips.pdf?order=1003&order=1004");
        browser.clickText("Mark as sent");
        browser.fill("section[aria-label='Several at once'] textarea", "Order;Parcel\n1004;RR123456785IE");
        browser.waitFor("what was understood is told", () -> browser.shows("1 of 2 have a number."));
        assertThat(browser.shows("Not understood: Order;Parcel")).isTrue();
        assertThat(browser.violations()).isEmpty();
        browser.clickText("2 orders leave now");
        browser.waitFor("both have left", () -> browser.count(By.xpath("//tr[contains(., ', sent')]")) == 2);
        browser.go(shop.url() + DESK + "/orders/1004");
        browser.seeText("RR123456785IE");
        try (Browser phone = Browser.open(390, 844)) {
            phone.go(shop.url() + "/desk");
            phone.fill("input[name=email]", DemoShop.EMAIL);
            phone.fill("input[name=password]", DemoShop.PASSWORD);
            phone.keys(Keys.ENTER);
            phone.see("nav[aria-label=Stations]");
            phone.go(shop.url() + DESK + "/orders");
            phone.click("[aria-label='Choose order 1001']");
            phone.seeText("1 order chosen");
            assertThat(phone.scrollsSideways()).isFalse();
            assertThat(phone.violations()).isEmpty();
        }
    }
}

package vestcoin.browser;

import java.io.IOException;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.openqa.selenium.By;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/** Tests as a buyer: a window at the counter, and what every buyer does there. */
@ExtendWith(RunningShop.class)
abstract class AtCounter {
    final RunningShop.Running shop;
    Browser browser;

    AtCounter(RunningShop.Running shop) {
        this.shop = shop;
    }

    @AfterEach
    void close() {
        browser.close();
    }

    void open(int width, int height) throws IOException {
        browser = Browser.open(width, height);
        browser.go(shop.url() + "/counter/" + DemoShop.SHOP);
        browser.see("h1");
    }

    void put(String product) {
        browser.click("[aria-label='Put " + product + " into the basket']");
    }

    void total(String amount) {
        browser.waitFor(
                "the total is " + amount,
                () -> amount.equals(browser.see("[data-total]").getDomAttribute("data-total")));
    }

    /** Types who and where, within Ireland, and goes on. */
    void address() {
        browser.clickText("Go on to the address");
        browser.fill("input[autocomplete=name]", "Nora Sample");
        browser.fill("input[autocomplete=email]", "nora@buyers.example");
        browser.fill("input[autocomplete=address-line1]", "5 Example Lane");
        browser.fill("input[autocomplete=postal-code]", "T12 X2A0");
        browser.fill("input[autocomplete=address-level2]", "Cork");
        browser.waitFor("the address fits", () -> !browser.shows("not complete"));
        browser.clickText("Go on to delivery");
    }

    /** Types who and in which country, where nothing is sent, and goes on. */
    void countryAlone() {
        browser.clickText("Go on to the address");
        browser.fill("input[autocomplete=name]", "Nora Sample");
        browser.fill("input[autocomplete=email]", "nora@buyers.example");
        browser.fill("input[autocomplete=postal-code]", "T12 X2A0");
        browser.see(By.xpath("//p[contains(., 'no street is needed')]"));
        browser.clickText("Go on to payment");
    }

    /** Chooses a way to pay, agrees to the terms and orders. */
    void order(String way) {
        browser.click(By.xpath("//label[contains(., '" + way + "')]"));
        browser.click("#agree");
        browser.click(By.xpath("//button[contains(., 'Order and pay')]"));
    }

    void pay(String card) {
        browser.fill("input[name=number]", card);
        browser.click(By.xpath("//main//button[.='Pay']"));
    }

    void done() {
        browser.see(By.xpath("//h1[contains(., 'Done')]"));
    }
}

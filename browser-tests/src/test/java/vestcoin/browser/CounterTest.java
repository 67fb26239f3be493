package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/** The buyer's side, one behaviour at a time. */
@ExtendWith(RunningShop.class)
class CounterTest {
    private final RunningShop.Running shop;
    private Browser browser;

    CounterTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @AfterEach
    void close() {
        browser.close();
    }

    private void open(int width, int height) throws IOException {
        browser = Browser.open(width, height);
        browser.go(shop.url() + "/counter/" + DemoShop.SHOP);
        browser.see("h1");
    }

    private void put(String product) {
        browser.click("[aria-label='Put " + product + " into the basket']");
    }

    private void total(String amount) {
        browser.waitFor("the total is " + amount, () -> amount.equals(browser.see("[data-total]").getDomAttribute("data-total")));
    }

    private void address() {
        browser.clickText("Go on to the address");
        browser.fill("input[autocomplete=name]", "Aoife Ní Mháille");
        browser.fill("input[autocomplete=email]", "aoife@buyers.example");
        browser.fill("input[autocomplete=address-line1]", "12 Example Quay");
        browser.fill("input[autocomplete=postal-code]", "T12 X2A0");
        browser.fill("input[autocomplete=address-level2]", "Cork");
        browser.waitFor("the address fits", () -> !browser.shows("not complete"));
        browser.clickText("Go on to delivery");
    }

    @Test
    void a_choice_is_asked_before_the_basket() throws IOException {
        open(390, 844);
        put("Delta kite");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'Choose size first')]"));
        browser.clickText("2.4 m");
        put("Delta kite");
        total("73.40");
    }

    @Test
    void measures_donations_and_codes_are_priced_as_they_are_typed() throws IOException {
        open(390, 844);
        browser.click(By.xpath("//li[contains(., 'Sail cloth')]//label[contains(., 'Rust')]"));
        put("Sail cloth");
        browser.fill("input[aria-label='Sail cloth, m']", "2.35");
        // 2.35 × 12.90 = 30.32, and 4.20 by letter
        total("34.52");
        browser.fill("input[aria-label='Code or voucher']", "spring10");
        browser.keys(Keys.ENTER);
        total("31.49");
        browser.fill("input[aria-label='Code or voucher']", "nosuch");
        browser.keys(Keys.ENTER);
        browser.waitFor("the unknown code is said", () -> browser.shows("nosuch: The shop has no such code."));
        browser.fill("input[aria-label='For the coastguard, what you like: amount in EUR']", "10");
        put("For the coastguard, what you like");
        total("41.49");
        browser.fill("input[aria-label='Sail cloth, m']", "2.36");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'steps of 0.05 m')]"));
    }

    @Test
    void a_basket_survives_closing_the_page() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        total("28.70");
        browser.go("about:blank");
        browser.go(shop.url() + "/counter/" + DemoShop.SHOP);
        total("28.70");
        browser.click("[aria-label='One Kites You Can Build, book less']");
        browser.waitFor("taken out", () -> browser.shows("What would you like?"));
    }

    @Test
    void an_order_is_placed_by_keyboard_alone_on_a_desktop() throws IOException {
        open(1280, 800);
        browser.script("document.querySelector(\"[aria-label='Put Kites You Can Build, book into the basket']\").focus()");
        browser.keys(Keys.ENTER);
        total("28.70");
        browser.script("[...document.querySelectorAll('button')].find(b => b.textContent === 'Go on to the address').focus()");
        browser.keys(Keys.ENTER);
        browser.waitFor("the heading has the focus", () -> "H1".equals(browser.script("return document.activeElement.tagName")));
        browser.keys(Keys.TAB);
        browser.keys("Aoife Ní Mháille", Keys.TAB, "aoife@buyers.example", Keys.TAB, Keys.TAB, "12 Example Quay", Keys.TAB, "T12 X2A0", Keys.TAB, "Cork");
        browser.waitFor("the address fits", () -> !browser.shows("not complete"));
        browser.keys(Keys.ENTER);
        browser.see("input[name=delivery]");
        browser.keys(Keys.TAB);
        browser.keys(Keys.ARROW_DOWN);
        browser.waitFor("the next option is chosen", () -> browser.see("[data-total]").getDomAttribute("data-total").equals("31.40"));
        browser.keys(Keys.TAB, Keys.ENTER);
        browser.see("input[name=method]");
        browser.keys(Keys.TAB, Keys.SPACE);
        browser.keys(Keys.TAB, Keys.ENTER);
        browser.see("input[name=number]");
        browser.keys(Keys.TAB, "9810000000000001", Keys.ENTER);
        browser.see(By.xpath("//h1[contains(., 'Done')]"));
        total("31.40");
    }

    @Test
    void the_bank_asks_and_the_buyer_comes_back_to_a_receipt() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        address();
        browser.clickText("Go on to payment");
        browser.click(By.xpath("//label[contains(., 'Card')]"));
        browser.click(By.xpath("//button[contains(., 'Order with obligation to pay')]"));
        browser.fill("input[name=number]", "9810000000000043");
        browser.click(By.xpath("//main//button[.='Pay']"));
        browser.see(By.xpath("//h1[.='Your bank asks']"));
        browser.clickText("Yes, it is me");
        browser.see(By.xpath("//h1[contains(., 'Done')]"));
    }

    @Test
    void a_number_that_is_no_card_is_told_before_anything_is_asked() throws IOException {
        open(390, 844);
        put("Plans for a box kite, to print yourself");
        browser.clickText("Go on to the address");
        browser.fill("input[autocomplete=name]", "Aoife Ní Mháille");
        browser.fill("input[autocomplete=email]", "aoife@buyers.example");
        browser.fill("input[autocomplete=address-line1]", "12 Example Quay");
        browser.fill("input[autocomplete=postal-code]", "T12 X2A0");
        browser.fill("input[autocomplete=address-level2]", "Cork");
        browser.clickText("Go on to delivery");
        assertThat(browser.see("h1").getText()).as("a download needs no delivery").isEqualTo("How would you like to pay?");
        browser.click(By.xpath("//label[contains(., 'Card')]"));
        browser.click(By.xpath("//button[contains(., 'Order with obligation to pay')]"));
        browser.fill("input[name=number]", "9810000000000002");
        browser.click(By.xpath("//main//button[.='Pay']"));
        browser.see(By.xpath("//*[@role='alert'][contains(., 'not a card number')]"));
    }
}

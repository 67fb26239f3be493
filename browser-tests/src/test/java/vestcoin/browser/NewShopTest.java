package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.RunningShop;
import vestcoin.app.run.ServeCommand;

/** From an empty installation to a shop that prices an order, at the real interface. */
class NewShopTest {
    @Test
    void an_owner_makes_a_shop_that_prices_its_first_order() throws Exception {
        int port = RunningShop.freePort();
        try (@SuppressWarnings("unused")
                        var context = ServeCommand.application(
                                port,
                                Files.createTempDirectory("vest-coin-new"),
                                "http://127.0.0.1:1",
                                "--vest-coin.first-code=" + RunningShop.FIRST_CODE);
                Browser browser = Browser.open(1280, 800)) {
            browser.go("http://127.0.0.1:" + port + "/");
            browser.fill("input[name=shopName]", "Nørd Candles");
            browser.fill("input[name=code]", RunningShop.FIRST_CODE);
            browser.fill("input[name=country]", "Nowhere");
            browser.fill("input[name=currency]", "DKK");
            browser.fill("input[name=email]", "owner@candles.example");
            browser.fill("input[name=password]", "four quiet brown words");
            browser.keys(Keys.ENTER);
            browser.see(By.xpath("//*[@role='alert'][contains(., 'no country known here')]"));
            assertThat(browser.see("input[name=shopName]").getDomProperty("value"))
                    .as("nothing typed is lost")
                    .isEqualTo("Nørd Candles");
            browser.fill("input[name=country]", "denmark");
            browser.keys(Keys.ENTER);
            browser.waitFor("the new shop opens at the first questions", () -> browser.url()
                    .endsWith("/desk/nord-candles/begin"));
            browser.clickText("Begin with nothing");
            browser.waitFor("or at its letterhead", () -> browser.url().endsWith("/desk/nord-candles/shop"));
            browser.waitFor("what blocks is counted", () -> browser.shows("2 stand against opening"));

            // Goods, by keyboard: a name, then the price where the cursor has gone.
            browser.keys(Keys.chord(Keys.ALT, "2"));
            browser.fill("input[aria-label='Name of a new product']", "Candle");
            browser.keys(Keys.ENTER);
            cursorAt(browser, "goods/products/candle/price");
            browser.keys("100.00", Keys.TAB);
            cursorAt(browser, "goods/products/candle/weight");
            browser.keys("0.4 kg", Keys.ENTER);
            browser.clickText("Price one Candle");
            browser.see("[data-amount='To pay']");
            browser.waitFor("the hole is told", () -> browser.shows("Nothing delivers this basket to this place."));

            // Delivery: a zone, an option, a rate where they meet.
            browser.keys(Keys.chord(Keys.ALT, "3"));
            browser.clickText("Add a zone");
            browser.keys("Home", Keys.ENTER);
            browser.fill("[data-path='delivery/zones/home/places']", "Denmark");
            browser.keys(Keys.ENTER);
            browser.clickText("Add an option");
            browser.keys("By post", Keys.ENTER);
            browser.see("[data-path='delivery/options/by-post/name']");
            browser.waitFor("one is one", () -> browser.shows("1 zone, 1 option"));
            browser.click("[data-path='delivery/zones/home/rates/by-post']");
            browser.keys("to 1 kg 39.00, then +8.00/kg", Keys.ENTER);
            browser.waitFor(
                    "the ticket has the delivery",
                    () -> browser.see("[data-amount='To pay']").getText().equals("139.00"));

            // Tax: a share of one is asked about, then written as a percentage.
            browser.keys(Keys.chord(Keys.ALT, "5"));
            browser.clickText("Add a place");
            browser.keys("Denmark", Keys.ENTER);
            browser.fill("[data-path='tax/places/denmark/places']", "DK");
            browser.keys(Keys.ENTER);
            browser.click("[data-path='tax/places/denmark/rates/standard']");
            browser.keys("0.25", Keys.ENTER);
            browser.see(By.xpath("//*[@role='alert'][contains(., '0.25 % or as 25 %')]"));
            browser.keys(Keys.chord(Keys.CONTROL, "a"), "25", Keys.ENTER);
            browser.waitFor("a quarter is tax", () -> browser.shows("VAT inside, 25 %"));
            // 139.00 × 25 ÷ 125
            assertThat(browser.see("[data-amount='VAT inside, 25 %']").getText())
                    .isEqualTo("27.80");
        }
    }

    @Test
    void by_keyboard_alone_an_empty_installation_becomes_a_shop_that_prices_an_order_to_three_countries()
            throws Exception {
        int port = RunningShop.freePort();
        try (@SuppressWarnings("unused")
                        var context = ServeCommand.application(
                                port,
                                Files.createTempDirectory("vest-coin-new"),
                                "http://127.0.0.1:1",
                                "--vest-coin.first-code=" + RunningShop.FIRST_CODE);
                Browser browser = Browser.open(1280, 800)) {
            browser.go("http://127.0.0.1:" + port + "/");
            browser.waitFor("the name is asked first", () -> "shopName"
                    .equals(browser.script("return document.activeElement.name")));
            browser.keys(
                    "Nørd Candles",
                    Keys.TAB,
                    RunningShop.FIRST_CODE,
                    Keys.TAB,
                    "ireland",
                    Keys.TAB,
                    Keys.TAB,
                    "owner@candles.example",
                    Keys.TAB,
                    "four quiet brown words",
                    Keys.ENTER);
            browser.waitFor(
                    "the first questions",
                    () -> browser.url().endsWith("/desk/nord-candles/begin")
                            && "Region".equals(browser.script("return document.activeElement.ariaLabel")));
            assertThat(browser.violations()).isEmpty();
            // Region, three kinds of goods, three ways, what sending costs, then who may order: one down is the Union.
            browser.keys(
                    Keys.TAB,
                    Keys.TAB,
                    Keys.TAB,
                    Keys.TAB,
                    Keys.TAB,
                    Keys.TAB,
                    Keys.TAB,
                    Keys.TAB,
                    Keys.ARROW_DOWN,
                    Keys.ENTER);
            browser.waitFor(
                    "a basket is priced at home",
                    () -> browser.see("[data-amount='To pay']").getText().equals("25.00"));
            // 25.00 × 23 ÷ 123
            assertThat(browser.see("[data-amount='VAT inside, 23 %']").getText())
                    .isEqualTo("4.67");
            sendTo(browser, "DE");
            browser.waitFor(
                    "to Germany",
                    () -> browser.see("[data-amount='To pay']").getText().equals("32.00"));
            // 32.00 × 19 ÷ 119
            browser.waitFor("at Germany's rate", () -> browser.see("[data-amount='VAT inside, 19 %']")
                    .getText()
                    .equals("5.11"));
            sendTo(browser, "FR");
            // 32.00 × 20 ÷ 120
            browser.waitFor("at France's rate", () -> browser.see("[data-amount='VAT inside, 20 %']")
                    .getText()
                    .equals("5.33"));
            browser.keys(Keys.chord(Keys.ALT, "5"));
            browser.waitFor(
                    "the rates are to be confirmed",
                    () -> browser.shows("30 places are filled from the reference and not confirmed yet."));
            browser.keys(Keys.chord(Keys.CONTROL, "z"));
            browser.waitFor("one undo takes all answers back", () -> browser.shows("Nothing is taxed yet."));
        }
    }

    private static void sendTo(Browser browser, String country) {
        browser.keys(Keys.chord(Keys.ALT, "t"));
        browser.waitFor("the ticket has the cursor", () -> "ticket-basket"
                .equals(browser.script("return document.activeElement.id")));
        // Past the basket.
        browser.keys(Keys.TAB, Keys.ENTER);
        browser.waitFor(
                "the place can be typed", () -> "country".equals(browser.script("return document.activeElement.name")));
        browser.keys(Keys.chord(Keys.CONTROL, "a"), country, Keys.ENTER);
    }

    private static void cursorAt(Browser browser, String path) {
        browser.waitFor(
                "the cursor is at " + path,
                () -> path.equals(browser.script("return document.activeElement.dataset.path")));
    }
}

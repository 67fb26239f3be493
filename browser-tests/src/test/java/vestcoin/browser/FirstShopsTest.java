package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/**
 * New shops in other countries than the demo's, by names alone: no code is typed, and none is shown where one begins.
 */
class FirstShopsTest {
    private static final int MOST_ACTIONS = 120;

    private static String ticket(Browser browser) {
        return browser.see("[data-amount='To pay']").getText();
    }

    @ParameterizedTest
    @CsvSource({
        "Switzerland, Swiss Franc, German (Switzerland), Zurich, 25.00, CH|CHF|de-CH",
        "Deutschland, Euro, German (Germany), Berlin, 25.00, DE|EUR|de-DE",
        "croatia, Euro, Croatian (Croatia), Zagreb, 25.00, HR|EUR|hr-HR",
        "South Korea, South Korean Won, Korean (South Korea), Seoul, '2,500', KR|KRW|ko-KR"
    })
    void a_country_is_begun_by_its_name(
            String country, String money, String language, String clock, String total, String codes)
            throws IOException {
        try (Installation shop = Installation.empty()) {
            Browser browser = shop.browser;
            shop.founded("Quiet Oars", country);
            String understood = browser.see("main [role=status]").getText();
            assertThat(understood).contains(money).contains(language).contains(clock);
            assertThat(browser.see("main").getText()).doesNotContainPattern("\\b(" + codes + ")\\b");
            browser.clickText("Begin with these");
            browser.waitFor(
                    "a basket is priced", () -> ticket(browser).replace(",", "").equals(total.replace(",", "")));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "Ireland, '', '', 3 Example Slip, Galway, H91 X2A0, IE, '', 5 Example Lane, T12 X2A0, Cork",
        "usa, north carolina, new york, 9 Example Street, Asheville, 28801, US, US-NC, 7 Sample Way, 28803, Asheville"
    })
    void a_shop_is_begun_and_its_first_order_placed_paid_and_collected(
            String country,
            String region,
            String clock,
            String street,
            String town,
            String postcode,
            String buyersCountry,
            String buyersRegion,
            String buyersStreet,
            String buyersPostcode,
            String buyersTown)
            throws IOException {
        try (Installation shop = Installation.empty()) {
            Browser browser = shop.browser;
            shop.founded("Quiet Oars", country);
            if (!region.isEmpty()) {
                browser.fill("input[aria-label=Region]", region);
                browser.fill("input[aria-label='A town with your time']", clock);
                browser.waitFor("understood", () -> browser.shows("North Carolina") && browser.shows("New York"));
            }
            browser.click(By.xpath("//label[contains(., 'Fetched from us')]"));
            browser.clickText("Begin with these");
            browser.click("[data-path='goods/products/thing/name']");
            browser.keys("Cleat", Keys.ENTER);
            browser.waitFor("it is called so", () -> browser.see("[data-path='goods/products/thing/name']")
                    .getText()
                    .equals("Cleat"));
            browser.keys(Keys.chord(Keys.ALT, "1"));
            field(browser, "shop/address/lines", street);
            field(browser, "shop/address/city", town);
            field(browser, "shop/address/postcode", postcode);
            field(browser, "shop/email", "owner@shop.example");
            browser.keys(Keys.chord(Keys.ALT, "4"));
            field(browser, "pickup/places/shop/hours", "every day 8-20");
            browser.keys(Keys.chord(Keys.ALT, "6"));
            browser.click(By.xpath("//button[.='Cash when you collect']"));
            browser.click("[aria-label='Cash when you collect, on']");
            browser.clickText("Publish…");
            browser.click(By.xpath("//dialog[@open]//button[text()='Publish']"));
            browser.waitFor("published", () -> browser.shows("no changes"));
            browser.keys(Keys.chord(Keys.ALT, "9"));
            browser.waitFor("nothing stands against it", () -> browser.shows("Nothing stands against opening"));
            browser.clickText("Open the shop");
            browser.seeText("The shop is open");

            browser.go(shop.url + "/counter/quiet-oars");
            browser.click("[aria-label='Put Cleat into the basket']");
            browser.clickText("Go on to the address");
            browser.fill("input[autocomplete=name]", "Nora Sample");
            browser.fill("input[autocomplete=email]", "nora@buyers.example");
            browser.fill("input[autocomplete=address-line1]", buyersStreet);
            browser.fill("input[autocomplete=postal-code]", buyersPostcode);
            browser.fill("input[autocomplete=address-level2]", buyersTown);
            if (!buyersRegion.isEmpty()) {
                browser.choose("[autocomplete=address-level1]", buyersRegion);
            }
            browser.waitFor("the address fits", () -> !browser.shows("not complete"));
            browser.clickText("Go on to delivery");
            browser.click(By.xpath("//label[contains(., 'You collect')]"));
            browser.waitFor("slots", () -> browser.count(By.cssSelector("select optgroup option")) > 0);
            browser.choose(
                    "select.select",
                    String.valueOf(browser.script("return document.querySelector('select optgroup option').value")));
            browser.clickText("Go on to payment");
            browser.click(By.xpath("//label[contains(., 'Cash when you collect')]"));
            if (browser.count(By.id("agree")) > 0) {
                browser.click("#agree");
            }
            browser.click(By.xpath("//button[starts-with(., 'Order')]"));
            browser.see(By.xpath("//h1[contains(., 'Done')]"));

            browser.go(shop.url + "/desk/quiet-oars/orders");
            browser.click(By.xpath("//a[.='1001']"));
            browser.clickText("It is handed over");
            browser.waitFor("collected", () -> browser.shows("Everything is handed over."));
            // Cash is paid where the order is handed over, in one act.
            browser.see(By.xpath("//h2[contains(., ', captured')]"));
            System.out.printf("first order in %s: %d actions%n", country, browser.actions());
            assertThat(browser.actions()).isLessThanOrEqualTo(MOST_ACTIONS);
        }
    }

    private static void field(Browser browser, String path, String text) {
        browser.fill("[data-path='" + path + "']", text);
        browser.keys(Keys.ENTER);
    }
}

package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/** The seller and the buyer at the real interface: from a rate in a cell to a refund. */
@ExtendWith(RunningShop.class)
class WholePathTest {
    private static final String DESK = "/desk/" + DemoShop.SHOP;
    private static final String TUBE = "[data-path='delivery/zones/ireland/rates/tube']";

    private final RunningShop.Running shop;
    private Browser browser;

    WholePathTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    @AfterEach
    void close() {
        if (browser != null) {
            browser.close();
        }
    }

    private void open(int width, int height) throws IOException {
        browser = Browser.open(width, height);
        browser.go(shop.url() + "/desk");
    }

    private void signIn() {
        browser.fill("input[name=email]", DemoShop.EMAIL);
        browser.fill("input[name=password]", DemoShop.PASSWORD);
        browser.keys(Keys.ENTER);
        browser.see("nav[aria-label=Stations]");
    }

    @ParameterizedTest
    @CsvSource({"1280,800,7.10,31.60", "390,844,7.30,31.80"})
    void a_rate_is_changed_published_bought_with_paid_captured_and_refunded(
            int width, int height, String rate, String total) throws IOException {
        open(width, height);
        signIn();
        browser.go(shop.url() + DESK + "/delivery");
        String typed = "to 1 kg " + rate + ", to 5 kg 9.40, then +0.80/kg";
        browser.click(TUBE);
        browser.keys(Keys.ENTER);
        browser.keys(Keys.chord(Keys.CONTROL, "a"), typed, Keys.ENTER);
        browser.waitFor("the cell keeps it", () -> browser.see(TUBE).getText().equals(typed));
        if (width < 600) {
            // The head is one line; the rest of it opens.
            browser.click("header summary");
        }
        browser.waitFor("the draft has a change", () -> browser.shows("1 change"));
        browser.clickText("Publish…");
        browser.click(By.xpath("//dialog[@open]//button[text()='Publish']"));
        browser.waitFor("published", () -> browser.shows("no changes"));

        buy(total);

        browser.go(shop.url() + DESK + "/orders");
        browser.click(By.cssSelector("tbody tr:first-child a"));
        browser.see(By.xpath("//h2[contains(., 'authorised')]"));
        browser.clickText("Capture");
        browser.see(By.xpath("//h2[contains(., ', captured')]"));
        browser.fill("input[aria-label^='Amount to refund']", "5.00");
        browser.clickText("Refund");
        browser.see(By.xpath("//h2[contains(., 'refunded in part')]"));
        assertThat(browser.shows("declined by the bank"))
                .as("the declined try stays on record")
                .isTrue();
        assertThat(browser.see("[data-amount='To pay']").getText()).isEqualTo(total);
    }

    /** A book to Cork by tube, with a declined card on the way. */
    private void buy(String total) {
        browser.go(shop.url() + "/counter/" + DemoShop.SHOP);
        browser.click("[aria-label='Put Kites You Can Build, book into the basket']");
        browser.clickText("Go on to the address");
        browser.fill("input[autocomplete=name]", "Aoife Ní Mháille");
        browser.fill("input[autocomplete=email]", "aoife@buyers.example");
        browser.fill("input[autocomplete=address-line1]", "12 Example Quay");
        browser.fill("input[autocomplete=postal-code]", "T12");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'not a postcode of Ireland')]"));
        browser.fill("input[autocomplete=postal-code]", "T12 X2A0");
        browser.fill("input[autocomplete=address-level2]", "Cork");
        browser.waitFor("the postcode fits", () -> !browser.shows("not a postcode"));
        browser.clickText("Go on to delivery");
        browser.click(By.xpath("//label[contains(., 'Tube parcel')]"));
        browser.waitFor(
                "the total is " + total,
                () -> total.equals(browser.see("[data-total]").getDomAttribute("data-total")));
        browser.clickText("Go on to payment");
        browser.click(By.xpath("//label[contains(., 'Card')]"));
        browser.click("#agree");
        browser.click(By.xpath("//button[contains(., 'Order and pay')]"));
        browser.fill("input[name=number]", "9810 0000 0000 0019");
        browser.click(By.xpath("//main//button[.='Pay']"));
        browser.see(By.xpath("//*[@role='alert'][contains(., 'declined by the bank')]"));
        browser.fill("input[name=number]", "9810000000000001");
        browser.click(By.xpath("//main//button[.='Pay']"));
        browser.see(By.xpath("//h1[contains(., 'Done')]"));
        assertThat(browser.see("[data-total]").getDomAttribute("data-total")).isEqualTo(total);
    }

    /** From the key in a rate cell to the new figure on the ticket, as the page itself measures it. */
    @Tag("alone")
    @Test
    void a_keystroke_in_a_rate_cell_shows_on_the_ticket_within_a_tenth_of_a_second() throws IOException {
        open(1280, 800);
        signIn();
        browser.go(shop.url() + DESK + "/delivery");
        browser.see("[data-amount='Tube parcel']");
        browser.click(TUBE);
        browser.keys(Keys.ENTER);
        // A machine that does something else at the same time disturbs a round; the best of three is what the
        // application takes.
        double median = Double.MAX_VALUE;
        for (int round = 0; round < 3 && median >= 100; round++) {
            median = Math.min(median, medianOfTwenty(10 + 20 * round));
        }
        browser.keys(Keys.ESCAPE);
        assertThat(median).isLessThan(100);
    }

    private double medianOfTwenty(int first) {
        List<Double> times = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            String text = "6." + (first + i);
            times.add(((Number) browser.asyncScript("""
                    const [text, done] = [arguments[0], arguments[arguments.length - 1]];
                    const input = document.querySelector('td input');
                    const row = document.querySelector("[data-amount='Tube parcel']");
                    const start = performance.now();
                    new MutationObserver((_, seen) => {
                      if (row.textContent === text) { seen.disconnect(); requestAnimationFrame(() => \
                      done(performance.now() - start)); }
                    }).observe(row, { characterData: true, childList: true, subtree: true });
                    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, text);
                    input.dispatchEvent(new Event('input', { bubbles: true }));
                    """, text)).doubleValue());
        }
        Collections.sort(times);
        System.out.printf("keystroke to ticket: median %.0f ms, slowest %.0f ms of 20%n", times.get(10), times.get(19));
        return times.get(10);
    }

    @Test
    void a_cell_that_cannot_be_read_says_so_and_nothing_typed_is_lost() throws IOException {
        open(1280, 800);
        signIn();
        browser.go(shop.url() + DESK + "/delivery");
        browser.click(TUBE);
        String before = browser.see(TUBE).getText();
        browser.keys(Keys.ENTER);
        browser.keys(Keys.chord(Keys.CONTROL, "a"), "about seven", Keys.ENTER);
        browser.see(By.xpath("//*[@role='alert'][contains(., 'cannot be read as a delivery price')]"));
        assertThat(browser.see("td input").getDomProperty("value")).isEqualTo("about seven");
        browser.keys(Keys.ESCAPE);
        browser.waitFor(
                "the old value stands", () -> browser.see(TUBE).getText().equals(before));
    }

    @Test
    void a_ticket_row_opens_to_its_operands_and_leads_to_the_cell() throws IOException {
        open(1280, 800);
        signIn();
        browser.go(shop.url() + DESK + "/tax");
        browser.click("[data-row='Tube parcel']");
        browser.click(By.xpath("//aside//button[@title='delivery/zones/ireland/rates/tube']"));
        browser.waitFor(
                "the rate sheet is open at the cell",
                () -> browser.url().endsWith("/delivery")
                        && "delivery/zones/ireland/rates/tube"
                                .equals(browser.script("return document.activeElement.dataset.path")));
    }

    @Test
    void axe_core_finds_nothing_on_any_screen_and_none_scrolls_sideways() throws IOException {
        open(1280, 800);
        assertClean("sign in");
        signIn();
        for (String screen : List.of(
                "/shop", "/goods", "/delivery", "/pickup", "/tax", "/payment", "/terms", "/orders", "/orders/1002")) {
            browser.go(shop.url() + DESK + screen);
            browser.see("h1");
            browser.waitFor("all is loaded", () -> browser.script("return document.fonts.status")
                    .equals("loaded"));
            if (!screen.startsWith("/orders")) {
                browser.see("[data-amount='To pay']");
                browser.click("[data-row='To pay']");
            }
            assertClean(screen);
            // The same with a row and every fold opened: a product, a zone and its map, a place of the tax book.
            if ((Boolean)
                    browser.script("const head = document.querySelector('main th[scope=row] button'); head?.click(); "
                            + "return head !== null")) {
                browser.script(
                        "setTimeout(() => document.querySelectorAll('main details').forEach(fold => { fold.open = "
                                + "true; }), 300)");
                browser.waitFor("unfolded", () -> (Boolean) browser.script(
                        "return document.querySelector('main [data-path$=\"/name\"], main section') !== null"));
                if (screen.equals("/delivery")) {
                    browser.see("[data-country=FR]");
                }
                assertClean(screen + ", unfolded");
            }
        }
        browser.close();
        open(390, 844);
        browser.go(shop.url() + "/counter/" + DemoShop.SHOP);
        browser.click("[aria-label='Put Kites You Can Build, book into the basket']");
        browser.see("[data-total]");
        assertClean("counter, basket");
        browser.clickText("Go on to the address");
        assertClean("counter, where");
        browser.fill("input[autocomplete=name]", "Aoife Ní Mháille");
        browser.fill("input[autocomplete=email]", "aoife@buyers.example");
        browser.fill("input[autocomplete=address-line1]", "12 Example Quay");
        browser.fill("input[autocomplete=postal-code]", "T12 X2A0");
        browser.fill("input[autocomplete=address-level2]", "Cork");
        browser.clickText("Go on to delivery");
        browser.see("input[name=delivery]");
        assertClean("counter, how");
        browser.clickText("Go on to payment");
        browser.click(By.xpath("//label[contains(., 'Card')]"));
        assertClean("counter, pay");
        browser.click("#agree");
        browser.click(By.xpath("//button[contains(., 'Order and pay')]"));
        browser.see("input[name=number]");
        assertClean("counter, card");
        browser.fill("input[name=number]", "9810000000000001");
        browser.click(By.xpath("//main//button[.='Pay']"));
        browser.see(By.xpath("//h1[contains(., 'Done')]"));
        assertClean("counter, receipt");
    }

    @Test
    void the_desk_on_a_phone_is_clean_and_the_ticket_is_a_drawer() throws IOException {
        open(390, 844);
        signIn();
        for (String screen :
                List.of("/shop", "/goods", "/delivery", "/pickup", "/tax", "/payment", "/terms", "/orders")) {
            browser.go(shop.url() + DESK + screen);
            browser.see("h1");
            browser.waitFor("all is loaded", () -> browser.script("return document.fonts.status")
                    .equals("loaded"));
            // The colours are those of the wide screen, whose contrast is looked at in both themes.
            assertThat(browser.violations()).as(screen + " on a phone").isEmpty();
            assertThat(browser.scrollsSideways())
                    .as(screen + " on a phone scrolls sideways")
                    .isFalse();
        }
        browser.go(shop.url() + DESK + "/goods");
        browser.see("h1");
        browser.clickText("Ticket");
        browser.waitFor(
                "the drawer shows the order",
                () -> browser.see("[data-amount='To pay']").getText().equals("161.90"));
        assertClean("the ticket on a phone");
        browser.clickText("Close");
        browser.waitFor("it is away", () ->
                !(Boolean) browser.script("return document.querySelector('aside').checkVisibility()"));
    }

    private void assertClean(String screen) {
        assertThat(browser.violations()).as(screen + ", light").isEmpty();
        browser.dark(true);
        assertThat(browser.contrast()).as(screen + ", dark").isEmpty();
        browser.dark(false);
        assertThat(browser.scrollsSideways()).as(screen + " scrolls sideways").isFalse();
    }
}

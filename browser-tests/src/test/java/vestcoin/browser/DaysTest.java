package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/**
 * A workshop on a day: set up at the desk in one line, booked at the counter, said on the order's page and the desk.
 */
class DaysTest extends AtCounter {
    private static final String DAYS = "section[aria-label='Takes place on']";

    DaysTest(RunningShop.Running shop) {
        super(shop);
    }

    @Test
    void a_day_is_added_in_one_line_booked_and_said_on_the_orders_page() throws IOException {
        String day = LocalDate.now().plusDays(60).toString();
        try (Browser desk = Browser.atDesk(shop)) {
            desk.go(shop.url() + "/desk/" + DemoShop.SHOP + "/goods");
            desk.click(By.xpath("//button[contains(., 'saturday-workshop')]"));
            desk.fill(DAYS + " form input", day + " 14-16.30");
            desk.click(By.xpath("//button[.='add day']"));
            String field = "[data-path='goods/products/saturday-workshop/options/session/choices/" + day + "/when']";
            desk.waitFor(
                    "the day is there", () -> String.valueOf(desk.see(field).getDomProperty("value"))
                            .contains("14:00–16:30"));
            assertThat(desk.violations()).isEmpty();
            desk.clickText("Publish…");
            desk.click(By.xpath("//dialog[@open]//button[text()='Publish']"));
            desk.waitFor("published", () -> desk.shows("no changes"));
        }
        open(390, 844);
        browser.click(By.xpath("//label[contains(., '14:00–16:30')]"));
        put("Saturday workshop");
        browser.waitFor(
                "the hours stand in the basket",
                () -> browser.count(By.xpath("//main//span[contains(., '14:00–16:30')][not(ancestor::label)]")) > 0);
        assertThat(browser.violations()).isEmpty();
        countryAlone();
        order("Card");
        pay("9810000000000001");
        done();
        browser.see(By.xpath("//section[@aria-label='Saturday workshop'][contains(., '14:00–16:30')]"
                + "[contains(., 'Example Dock')]"));
        assertThat(browser.violations()).isEmpty();
    }

    @Test
    void an_address_is_proposed_as_one_types_and_taken_whole() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        browser.clickText("Go on to the address");
        String street = "input[autocomplete=address-line1]";
        browser.fill(street, "12 harb");
        String found = "12 Harbour Row, T12 X2A0 Cork";
        browser.waitFor(
                "it is proposed",
                () -> Boolean.TRUE.equals(browser.script(
                        "return [...document.querySelectorAll('datalist option')]"
                                + ".some((o) => o.value === arguments[0])",
                        found)));
        // What a browser does when one of the list is picked: the field holds all of it at once.
        browser.script(
                "const field = document.querySelector(arguments[0]); Object.getOwnPropertyDescriptor("
                        + "HTMLInputElement.prototype, 'value').set.call(field, arguments[1]); "
                        + "field.dispatchEvent(new Event('input', {bubbles: true}))",
                street,
                found);
        browser.waitFor("the street alone", () -> "12 Harbour Row"
                .equals(browser.see(street).getDomProperty("value")));
        assertThat(browser.see("input[autocomplete=postal-code]").getDomProperty("value"))
                .isEqualTo("T12 X2A0");
        assertThat(browser.see("input[autocomplete=address-level2]").getDomProperty("value"))
                .isEqualTo("Cork");
        assertThat(browser.violations()).isEmpty();
    }
}

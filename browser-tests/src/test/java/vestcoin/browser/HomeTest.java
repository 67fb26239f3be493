package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.RunningShop;

/** What asks before it changes much, and what is picked rather than typed: money and country, services, choices. */
class HomeTest extends AtDesk {
    HomeTest(RunningShop.Running shop) {
        super(shop);
    }

    private String value(String css) {
        return browser.see(css).getDomProperty("value");
    }

    @Test
    void another_currency_asks_what_becomes_of_the_figures_and_can_be_left_after_all() {
        at("shop");
        String currency = "[data-path='shop/currency']";
        browser.fill(currency, "swiss franc");
        browser.keys(Keys.ENTER);
        browser.waitFor("asked", () -> browser.shows("amounts are typed in Euro"));
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Not after all");
        browser.waitFor("as it was", () -> value(currency).equals("Euro"));
        assertThat(browser.shows("no changes")).isTrue();

        browser.fill(currency, "swiss franc");
        browser.keys(Keys.ENTER);
        browser.waitFor("asked again", () -> browser.shows("amounts are typed in Euro"));
        browser.fill("dialog[open] input[aria-label='One EUR in CHF']", "2");
        browser.waitFor("an example is told", () -> browser.shows("becomes CHF"));
        browser.clickText("Change it");
        browser.waitFor("the money is another", () -> value(currency).equals("Swiss Franc"));
        // Two deltas at 64.00 and a book at 24.50, twice as much.
        browser.waitFor("every price is twice as much", () -> browser.see("[data-amount='Kites You Can Build, book']")
                .getText()
                .equals("49.00"));
        browser.clickText("Undo");
        browser.waitFor("one undo takes it all back", () -> browser.shows("no changes"));
    }

    @Test
    void another_country_asks_about_its_money_and_its_clock() {
        at("shop");
        browser.fill("[data-path='shop/address/country']", "Switzerland");
        browser.keys(Keys.ENTER);
        browser.waitFor("asked", () -> browser.shows("The shop moves to Switzerland"));
        assertThat(browser.shows("The money stays Euro")).isTrue();
        assertThat(browser.shows("Its clock goes by Zurich, Central European")).isTrue();
        browser.clickText("Change it");
        browser.waitFor(
                "it has moved", () -> value("[data-path='shop/timeZone']").startsWith("Zurich"));
        browser.clickText("Undo");
        browser.waitFor("back", () -> browser.shows("no changes"));
    }

    @Test
    void a_service_of_the_carrier_is_picked_from_its_list() {
        at("delivery");
        String cell = "[data-path='delivery/zones/ireland/rates/next-day']";
        browser.click(cell);
        browser.choose("[aria-label='What bands are read against']", "carrier");
        browser.waitFor(
                "the first service is asked", () -> browser.see(cell).getText().startsWith("quote parcel-day"));
        browser.choose("[aria-label='Service that is asked']", "parcel-next");
        browser.waitFor("then another", () -> browser.see(cell).getText().startsWith("quote parcel-next"));
        assertThat(browser.shows("The price holds when the carrier does not answer."))
                .isTrue();
        assertThat(browser.see(cell).isDisplayed()).isTrue();
        browser.clickText("Undo");
        browser.clickText("Undo");
        browser.waitFor("back", () -> browser.shows("no changes"));
    }

    @Test
    void a_crossing_of_the_board_of_choices_has_a_price_of_its_own() {
        at("goods");
        browser.click("[data-path='goods/products/delta-kite/name']");
        browser.clickText("Unfold Delta kite");
        String board = "section[aria-label='What the buyer chooses']";
        browser.see(board);
        assertThat(browser.violations()).isEmpty();
        browser.fill(board + " form input", "Tail: red, blue");
        browser.keys(Keys.ENTER);
        browser.waitFor("two by two", () -> browser.count(By.cssSelector(board + " tbody td")) == 4);
        browser.fill(board + " tbody tr:nth-child(2) td:nth-of-type(1) input", "71.00");
        browser.keys(Keys.ENTER);
        browser.waitFor("the draft has both", () -> browser.shows("2 changes"));
        assertThat(shop.owner()
                        .get("/api/shops/tern-and-tether/draft")
                        .json()
                        .at("/document/goods/products/0/variations/0/price")
                        .asString())
                .isEqualTo("71.00");
        browser.clickText("Undo");
        browser.clickText("Undo");
        browser.waitFor("back", () -> browser.shows("no changes"));
    }

    @Test
    void a_rate_of_two_levies_is_set_in_fields_and_read_back() {
        at("tax");
        String cell = "[data-path='tax/places/ireland/rates/courses']";
        browser.click(cell);
        browser.waitFor("it is read back", () -> browser.shows("VAT: 23 % of the price."));
        browser.fill("[aria-label='Name of levy 2']", "Levy");
        browser.fill("[aria-label='Percent of levy 2']", "2.5");
        browser.keys(Keys.ENTER);
        browser.waitFor(
                "both stand in the cell", () -> browser.see(cell).getText().startsWith("VAT 23 + Levy 2.5"));
        browser.waitFor("and in words", () -> browser.shows("Levy: 2.5 % of the price."));
        browser.choose("[aria-label='What levy 2 is levied on']", "others");
        browser.waitFor("on top", () -> browser.shows("Levy: 2.5 % of the price and the levies before."));
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Undo");
        browser.clickText("Undo");
        browser.waitFor("back", () -> browser.shows("no changes"));
    }
}

package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.RunningShop;

/** Where goods are collected, and what buyers agree to. */
class PickupAndTermsTest extends AtDesk {
    PickupAndTermsTest(RunningShop.Running shop) {
        super(shop);
    }

    private String value(String path) {
        return browser.see("[data-path='" + path + "']").getDomProperty("value");
    }

    @Test
    void hours_are_typed_shortly_refused_in_words_and_the_next_slots_follow() {
        at("pickup");
        String hours = "pickup/places/workshop/hours";
        browser.waitFor("as they are", () -> value(hours).equals("mon-fri 10:00-17:00; sat 10:00-13:00"));
        browser.fill("[data-path='" + hours + "']", "sun 11:00-12:00");
        browser.keys(Keys.ENTER);
        browser.waitFor("only Sundays at eleven are left", () -> browser.see(
                        By.xpath("//section[@aria-label='Workshop, Example Dock']//ul"))
                .getText()
                .lines()
                .allMatch(slot -> slot.startsWith("Sun ") && slot.endsWith("11:00")));
        browser.fill("[data-path='" + hours + "']", "whenever");
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//section[@aria-label='Workshop, Example Dock']//*[@role='alert']"));
        browser.keys(Keys.ESCAPE);
        browser.clickText("Undo");
        browser.waitFor("back", () -> value(hours).startsWith("mon-fri"));
    }

    @Test
    void hours_are_painted_by_keys_and_by_mouse_and_the_short_text_follows() {
        at("pickup");
        String hours = "pickup/places/market/hours";
        String board = "[aria-label='Hours of Market stall, Saturdays'] ";
        browser.waitFor("as they are", () -> value(hours).equals("sat 09:00-14:00"));
        // Sunday from ten: the eighth half hour after six o'clock.
        browser.click(board + "[data-half='6-8']");
        browser.waitFor("a click opens half an hour", () -> value(hours).equals("sat 09:00-14:00; sun 10:00-10:30"));
        browser.keys(Keys.ARROW_RIGHT);
        browser.keys(Keys.chord(Keys.SHIFT, Keys.ARROW_RIGHT));
        browser.keys(Keys.chord(Keys.SHIFT, Keys.ARROW_RIGHT));
        browser.keys(Keys.SPACE);
        browser.waitFor("what is marked is opened", () -> value(hours).equals("sat 09:00-14:00; sun 10:00-12:00"));
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Undo");
        browser.clickText("Undo");
        browser.waitFor("back", () -> value(hours).equals("sat 09:00-14:00"));
    }

    @Test
    void a_calendar_gets_its_own_address_that_can_be_renewed() {
        at("pickup");
        browser.clickText("Make an address for my calendar");
        browser.waitFor("it is there", () -> browser.shows("/calendar/"));
        browser.clickText("Make a new address");
        browser.waitFor("still one", () -> browser.shows("/calendar/"));
    }

    @Test
    void without_hours_the_choice_and_the_missing_piece_are_shown_together() {
        at("pickup");
        assertThat(text("ul[aria-label='Ways to the buyer']")).contains("Collected\nOffered; nothing is missing.");
        browser.see("svg[aria-label='Brought round within 8 km']");
        browser.fill("[data-path='pickup/places/market/hours']", Keys.DELETE.toString());
        browser.keys(Keys.ENTER);
        browser.waitFor(
                "the slots say why there are none", () -> browser.see("section[aria-label='Market stall, Saturdays']")
                        .getText()
                        .contains("It has no opening hours yet."));
        browser.waitFor("the way says what is missing", () -> text("ul[aria-label='Ways to the buyer']")
                .matches("(?s).*Collected\\R(?!Offered).*Go there.*"));
        browser.clickText("Undo");
        browser.waitFor("back", () -> value("pickup/places/market/hours").equals("sat 09:00-14:00"));
    }

    @Test
    void a_text_typed_by_hand_that_contradicts_its_setting_says_so_and_one_with_its_facts_set_in_cannot() {
        at("terms");
        String returns = "terms/texts/returns/en";
        browser.click(By.xpath("//section[@aria-label='Texts']//summary[contains(., 'as buyers read it')]"));
        browser.waitFor("the facts are set in", () -> browser.shows("come back within 30 days"));
        browser.fill("[data-path='terms/returnDays']", "21");
        browser.keys(Keys.ENTER);
        browser.waitFor("the text follows", () -> browser.shows("come back within 21 days"));
        String was = value(returns);
        browser.fill("[data-path='" + returns + "']", "Send it back within 30 days. We pay for the return.");
        browser.keys(Keys.TAB);
        browser.waitFor("the days differ", () -> browser.shows("The text says 30 days, the setting says 21."));
        browser.waitFor(
                "the payer differs",
                () -> browser.shows(
                        "The text says that the shop pays for sending goods back, the setting says the other."));
        browser.clickText("Undo");
        browser.clickText("Undo");
        browser.waitFor(
                "back",
                () -> value("terms/returnDays").equals("30") && value(returns).equals(was));
    }

    @Test
    void a_letter_is_worded_a_subject_is_compulsory_and_the_one_that_ships_comes_back() {
        at("terms");
        browser.click(By.xpath("//summary[contains(., 'Letters')]"));
        String subject = "input[aria-label='Subject: The order is confirmed, to the buyer, English']";
        browser.waitFor(
                "the one that ships",
                () -> browser.see(subject).getDomProperty("value").equals("Your order {order} at {shop}"));
        browser.fill(subject, Keys.DELETE.toString());
        browser.click("h1");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'The letter has no subject')]"));
        browser.fill(subject, "Fair winds, {name}");
        browser.click("h1");
        browser.clickText("Back to the letter that ships");
        browser.waitFor(
                "it is back",
                () -> browser.see(subject).getDomProperty("value").equals("Your order {order} at {shop}"));
        assertThat(browser.violations()).isEmpty();
    }

    @Test
    void another_language_is_typed_into_a_sheet_and_what_it_lacks_is_counted() {
        at("terms");
        browser.click(By.xpath("//summary[contains(., 'Other languages')]"));
        browser.waitFor("all is there", () -> browser.shows("Every text is there."));
        String cell = "[data-path='terms/words/de/goods.products.wind-sock.name']";
        browser.click(cell);
        browser.keys(Keys.DELETE);
        browser.waitFor("one is lacking", () -> browser.shows("lack a language"));
        browser.clickText("Undo");
        browser.waitFor("back", () -> browser.see(cell).getText().contains("Windsack"));
        assertThat(browser.violations()).isEmpty();
    }
}

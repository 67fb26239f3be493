package vestcoin.browser;

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
        browser.waitFor("only Sundays at eleven are left", () -> browser.see(By.xpath("//section[@aria-label='Workshop, Example Dock']//ul")).getText().lines().allMatch(slot -> slot.startsWith("Sun ") && slot.endsWith("11:00")));
        browser.fill("[data-path='" + hours + "']", "whenever");
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//section[@aria-label='Workshop, Example Dock']//*[@role='alert']"));
        browser.keys(Keys.ESCAPE);
        browser.clickText("Undo");
        browser.waitFor("back", () -> value(hours).startsWith("mon-fri"));
    }

    @Test
    void without_hours_the_choice_and_the_missing_piece_are_shown_together() {
        at("pickup");
        browser.fill("[data-path='pickup/places/market/hours']", Keys.DELETE.toString());
        browser.keys(Keys.ENTER);
        browser.waitFor("the slots say why there are none", () -> browser.see("section[aria-label='Market stall, Saturdays']").getText().contains("It has no opening hours yet."));
        browser.clickText("Undo");
        browser.waitFor("back", () -> value("pickup/places/market/hours").equals("sat 09:00-14:00"));
    }

    @Test
    void a_text_that_contradicts_its_setting_says_so_at_the_text() {
        at("terms");
        browser.fill("[data-path='terms/returnDays']", "21");
        browser.keys(Keys.ENTER);
        browser.waitFor("both languages are told", () -> browser.see("section[aria-label=Texts]").getText().split("21").length > 2);
        browser.clickText("Undo");
        browser.waitFor("back", () -> value("terms/returnDays").equals("30"));
    }
}

package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/** The buyer's side, one behaviour at a time. */
class CounterTest extends AtCounter {
    CounterTest(RunningShop.Running shop) {
        super(shop);
    }

    @Test
    void a_choice_is_asked_before_the_basket() throws IOException {
        open(390, 844);
        put("Delta kite");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'Choose first: Size')]"));
        browser.clickText("2.4 m");
        put("Delta kite");
        // In the shop's own town, where the tube is free from 60.00.
        total("64.00");
    }

    @Test
    void measures_donations_and_codes_are_priced_as_they_are_typed() throws IOException {
        open(390, 844);
        browser.click(By.xpath("//li[contains(., 'Sail cloth')]//label[contains(., 'Rust')]"));
        put("Sail cloth");
        browser.fill("input[aria-label='Sail cloth, m']", "2.35");
        // 2.35 × 12.90 = 30.32, and 2.20 by letter within the shop's own town
        total("32.52");
        browser.fill("input[aria-label='Code or voucher']", "spring10");
        browser.keys(Keys.ENTER);
        total("29.49");
        browser.fill("input[aria-label='Code or voucher']", "nosuch");
        browser.keys(Keys.ENTER);
        browser.waitFor("the unknown code is said", () -> browser.shows("nosuch: The shop has no such code."));
        browser.fill("input[aria-label='For the coastguard, what you like: amount in EUR']", "10");
        put("For the coastguard, what you like");
        total("39.49");
        browser.fill("input[aria-label='Sail cloth, m']", "2.36");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'steps of 0.05 m')]"));
    }

    @Test
    void a_code_short_of_its_bound_says_how_much_is_missing_until_it_is_there() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        browser.fill("input[aria-label='Code or voucher']", "openday");
        browser.keys(Keys.ENTER);
        browser.waitFor(
                "what is missing is said", () -> browser.shows("Only from goods of €60.00; still missing: €35.50."));
        total("26.70");
        browser.click("[aria-label='One Kites You Can Build, book more']");
        browser.click("[aria-label='One Kites You Can Build, book more']");
        // 73.50 less 12.00, the tube free within the shop's own town from 60.00
        total("61.50");
        assertThat(browser.shows("still missing")).isFalse();
    }

    @Test
    void a_basket_survives_closing_the_page() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        total("26.70");
        browser.go("about:blank");
        browser.go(shop.url() + "/counter/" + DemoShop.SHOP);
        total("26.70");
        browser.click("[aria-label='One Kites You Can Build, book less']");
        browser.waitFor("taken out", () -> browser.shows("What would you like?"));
    }

    @Test
    void an_order_is_placed_by_keyboard_alone_on_a_desktop() throws IOException {
        open(1280, 800);
        browser.script(
                "document.querySelector(\"[aria-label='Put Kites You Can Build, book into the basket']\").focus()");
        browser.keys(Keys.ENTER);
        total("26.70");
        browser.script(
                "[...document.querySelectorAll('button')].find(b => b.textContent === 'Go on to the address').focus()");
        browser.keys(Keys.ENTER);
        browser.waitFor("the heading has the focus", () -> "H1"
                .equals(browser.script("return document.activeElement.tagName")));
        browser.keys(Keys.TAB);
        browser.keys(
                "Aoife Ní Mháille",
                Keys.TAB,
                "aoife@buyers.example",
                Keys.TAB,
                Keys.TAB,
                "12 Example Quay",
                Keys.TAB,
                "Cork",
                Keys.TAB,
                "T12 X2A0");
        browser.waitFor("the address fits", () -> !browser.shows("not complete"));
        browser.keys(Keys.ENTER);
        browser.see("input[name=delivery]");
        browser.keys(Keys.TAB);
        browser.keys(Keys.ARROW_DOWN);
        browser.waitFor(
                "the next option is chosen",
                () -> browser.see("[data-total]").getDomAttribute("data-total").equals("31.40"));
        browser.keys(Keys.TAB, Keys.ENTER);
        browser.see("input[name=method]");
        browser.keys(Keys.TAB, Keys.SPACE);
        browser.keys(Keys.TAB, Keys.SPACE);
        // Past the two texts, which can be read in place, to the button.
        browser.keys(Keys.TAB, Keys.TAB, Keys.TAB, Keys.ENTER);
        browser.see("input[name=number]");
        browser.keys(Keys.TAB, "9810000000000001", Keys.ENTER);
        done();
        total("31.40");
    }

    @Test
    void a_german_buyer_reads_german_pays_in_francs_and_gets_a_german_receipt() throws IOException {
        open(390, 844);
        browser.choose("select[aria-label=Language]", "de");
        browser.see(By.xpath("//h1[.='Was darf es sein?']"));
        browser.choose("select[aria-label='Währung']", "CHF");
        browser.click("[aria-label='Drachen zum Selberbauen, Buch in den Korb legen']");
        browser.clickText("Weiter zur Adresse");
        browser.fill("input[autocomplete=name]", "Jonas Beispiel");
        browser.fill("input[autocomplete=email]", "jonas@buyers.example");
        browser.choose("select[autocomplete=country]", "CH");
        browser.fill("input[autocomplete=address-line1]", "Musterweg 4");
        browser.fill("input[autocomplete=postal-code]", "8001");
        browser.fill("input[autocomplete=address-level2]", "Zürich");
        browser.waitFor("the address fits", () -> !browser.shows("nicht vollständig"));
        browser.clickText("Weiter zum Versand");
        browser.clickText("Weiter zum Zahlen");
        browser.click(By.xpath("//label[contains(., 'Karte')]"));
        browser.clickText("Rückgabe");
        browser.waitFor("the facts are set in", () -> browser.shows("binnen 14 Tagen"));
        browser.click("#agree");
        browser.click(By.xpath("//button[contains(., 'Zahlungspflichtig bestellen') and contains(., 'CHF')]"));
        browser.fill("input[name=number]", "9810000000000001");
        browser.click(By.xpath("//main//button[.='Zahlen']"));
        browser.see(By.xpath("//h1[contains(., 'Fertig. Danke, Jonas Beispiel')]"));
        assertThat(browser.script("return document.documentElement.lang")).isEqualTo("de");
        assertThat(browser.violations()).isEmpty();
    }

    @Test
    void a_buyer_withdraws_on_the_order_s_own_page_and_the_seller_gives_back_what_is_owed() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        address();
        browser.clickText("Go on to payment");
        order("Card");
        pay("9810000000000001");
        done();
        String number = browser.see("main").getText().replaceAll("(?s).*Order (1\\d+).*", "$1");
        browser.clickText("Withdraw from this order");
        browser.see("fieldset textarea").sendKeys("A present we have twice.");
        assertThat(browser.violations()).isEmpty();
        assertThat(browser.scrollsSideways()).isFalse();
        browser.clickText("Confirm: Withdraw from this order");
        browser.see(By.xpath("//*[@role='status'][contains(., 'You have asked to send things back')]"));
        browser.close();
        browser = Browser.atDesk(shop);
        browser.go(shop.url() + "/desk/" + vestcoin.app.run.DemoShop.SHOP + "/orders/" + number);
        browser.waitFor("the seller reads it", () -> browser.shows("A present we have twice."));
        browser.clickText("It is settled");
        browser.waitFor("settled, and when", () -> browser.see("body").getText().matches("(?s).*settled \\d.*"));
        browser.clickText("Call it off …");
        browser.seeText("Call the order off");
        browser.dark(true);
        assertThat(browser.contrast()).as("asked once more, dark").isEmpty();
        browser.dark(false);
        browser.clickText("Call the order off");
        browser.waitFor("called off", () -> browser.shows("voided"));
        assertThat(browser.violations()).isEmpty();
    }

    @Test
    void an_address_form_is_that_of_its_country() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        browser.clickText("Go on to the address");
        browser.choose("select[autocomplete=country]", "US");
        browser.see(By.xpath("//label[contains(., 'ZIP code')]"));
        browser.choose("select[autocomplete=address-level1]", "US-NY");
        assertThat(browser.violations()).isEmpty();
        browser.choose("select[autocomplete=country]", "DE");
        browser.waitFor(
                "no state is asked for",
                () -> browser.script("return document.querySelector('select[autocomplete=address-level1]')") == null);
        assertThat((Boolean) browser.script("const [code, town] = ['postal-code', 'address-level2'].map(part => "
                        + "document.querySelector(`input[autocomplete=${part}]`).getBoundingClientRect()); "
                        + "return code.right <= town.left && code.top === town.top"))
                .as("the postcode before the town")
                .isTrue();
    }

    @Test
    void terms_changed_while_the_buyer_chooses_are_shown_and_nothing_typed_is_lost() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        address();
        browser.click(By.xpath("//label[contains(., 'Tube parcel')]"));
        browser.clickText("Go on to payment");
        browser.click(By.xpath("//label[contains(., 'Card')]"));
        browser.click("#agree");
        var owner = shop.owner();
        var days = java.util.List.of(java.util.Map.of("path", "terms/returnDays", "was", 30, "now", 40));
        owner.post("/api/shops/" + vestcoin.app.run.DemoShop.SHOP + "/draft/edits", java.util.Map.of("edits", days));
        owner.post("/api/shops/" + vestcoin.app.run.DemoShop.SHOP + "/draft/publish", "");
        browser.click(By.xpath("//button[contains(., 'Order and pay')]"));
        browser.see(By.xpath("//*[@role='alert'][contains(., 'has changed one of its texts')]"));
        browser.waitFor("the box is open again", () -> !browser.see("#agree").isSelected());
        browser.clickText("Returns");
        browser.waitFor("the new text", () -> browser.shows("within 40 days"));
        browser.click("#agree");
        browser.click(By.xpath("//button[contains(., 'Order and pay')]"));
        browser.see("input[name=number]");
        total("31.40");
    }

    @Test
    void the_bank_asks_and_the_buyer_comes_back_to_a_receipt() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        address();
        browser.clickText("Go on to payment");
        order("Card");
        pay("9810000000000043");
        browser.see(By.xpath("//h1[.='Your bank asks']"));
        browser.clickText("Yes, it is me");
        done();
    }

    @Test
    void a_number_that_is_no_card_is_told_before_anything_is_asked() throws IOException {
        open(390, 844);
        put("Plans for a box kite, to print yourself");
        countryAlone();
        assertThat(browser.see("h1").getText())
                .as("a download needs no delivery")
                .isEqualTo("How would you like to pay?");
        order("Card");
        pay("9810000000000002");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'not a card number')]"));
    }
}

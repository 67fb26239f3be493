package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.RunningShop;

/** The seller's side, one behaviour at a time. */
class DeskTest extends AtDesk {
    DeskTest(RunningShop.Running shop) {
        super(shop);
    }

    private static String cell(String zone, String option) {
        return "[data-path='delivery/zones/" + zone + "/rates/" + option + "']";
    }

    @Test
    void undo_and_redo_by_keys_take_a_change_back_and_forth() {
        at("delivery");
        browser.click(cell("galway", "letter"));
        browser.keys("3.30", Keys.ENTER);
        browser.waitFor("changed", () -> text(cell("galway", "letter")).equals("3.30"));
        browser.keys(Keys.chord(Keys.CONTROL, "z"));
        browser.waitFor("undone", () -> text(cell("galway", "letter")).equals("2.20"));
        browser.keys(Keys.chord(Keys.CONTROL, Keys.SHIFT, "z"));
        browser.waitFor("redone", () -> text(cell("galway", "letter")).equals("3.30"));
        browser.clickText("Undo");
        browser.waitFor("undone", () -> text(cell("galway", "letter")).equals("2.20"));
    }

    @Test
    void a_pasted_block_fills_cells_and_one_undo_takes_it_back() {
        at("delivery");
        browser.click(cell("galway", "letter"));
        browser.script("""
                const data = new DataTransfer();
                data.setData('text/plain', '2.50\\t6.10\\n2.60\\t6.20\\n');
                document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: \
                true }));
                """);
        browser.waitFor(
                "four cells are filled",
                () -> text(cell("galway", "letter")).equals("2.50")
                        && text(cell("galway", "tube")).equals("6.10")
                        && text(cell("ireland", "letter")).equals("2.60")
                        && text(cell("ireland", "tube")).equals("6.20"));
        browser.clickText("Undo");
        browser.waitFor(
                "all four are back",
                () -> text(cell("galway", "letter")).equals("2.20")
                        && text(cell("ireland", "tube")).startsWith("to 1 kg 6.90"));
    }

    @Test
    void delete_empties_a_cell_and_the_ticket_says_what_is_not_offered() {
        at("delivery");
        browser.click(cell("ireland", "next-day"));
        browser.keys(Keys.DELETE);
        browser.waitFor("emptied", () -> text(cell("ireland", "next-day")).equals("not offered"));
        browser.clickText("3 deliveries not offered");
        browser.waitFor("the reason is told", () -> browser.shows("Next-day: Not offered in Ireland."));
        browser.clickText("Undo");
        browser.waitFor("back", () -> text(cell("ireland", "next-day")).equals("14.50"));
    }

    @Test
    void a_basket_is_edited_and_copied_on_the_ticket_and_each_is_one_step_back() {
        at("delivery");
        browser.see("[data-amount='To pay']");
        browser.clickText("what is in it");
        browser.fill("input[aria-label='How many of Delta kite']", "3");
        browser.keys(Keys.ENTER);
        browser.waitFor("three are priced", () -> browser.shows("3 × 64.00"));
        browser.clickText("Copy it");
        browser.waitFor("the copy is on the ticket", () -> String.valueOf(browser.script(
                        "const s = document.querySelector('#ticket-basket'); return s.options[s.selectedIndex].text"))
                .endsWith(", copy"));
        browser.clickText("Undo");
        browser.clickText("Undo");
        browser.waitFor("as it was", () -> browser.shows("2 × 64.00") && browser.shows("no changes"));
    }

    @Test
    void the_ticket_changes_basket_place_and_codes() {
        at("delivery");
        browser.see("[data-amount='To pay']");
        browser.clickText("no code");
        browser.fill("#ticket-codes", "spring10");
        browser.waitFor("the code takes ten per cent", () -> browser.shows("−12.80"));
        browser.fill("#ticket-codes", " ");
        browser.clickText("Fold");
        browser.click(By.xpath("//aside//button[contains(., 'T12 X2A0')]"));
        browser.fill("input[name=country]", "DE");
        browser.fill("input[name=postcode]", "1011");
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//aside//*[@role='alert'][contains(., 'not a postcode of')]"));
        browser.click(By.xpath("//aside//button[contains(., '1011')]"));
        browser.fill("input[name=postcode]", "10115");
        browser.keys(Keys.ENTER);
        browser.waitFor("Germany's rate holds", () -> browser.shows("VAT inside, 19 %"));
    }

    @Test
    void keys_lead_to_stations_and_list_themselves() {
        at("delivery");
        browser.see("h1");
        browser.keys(Keys.chord(Keys.ALT, "6"));
        browser.waitFor("at Payment", () -> browser.url().endsWith("/payment"));
        browser.keys("?");
        browser.see(By.xpath("//dialog[@open]//h2[.='Keys']"));
        browser.keys(Keys.ESCAPE);
        browser.keys(Keys.chord(Keys.ALT, "t"));
        browser.waitFor("the ticket has the focus", () -> "ticket-basket"
                .equals(browser.script("return document.activeElement.id")));
    }

    @Test
    void what_was_found_and_is_meant_so_is_kept_with_its_reason_and_can_be_looked_at_again() {
        at("shop");
        String count = browser.see(By.xpath("//footer//span[contains(., 'to look at')]"))
                .getText();
        browser.click(By.xpath("//footer//button[contains(., 'to look at')]"));
        browser.click(By.xpath("(//dialog[@open]//button[.='I mean it'])[1]"));
        browser.fill("dialog[open] input[name=reason]", "Nobody asks for it.");
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//dialog[@open]//li[contains(., 'meant so')][contains(., 'Nobody asks for it.')]"));
        browser.keys(Keys.ESCAPE);
        browser.waitFor(
                "fewer to look at", () -> !browser.see(By.xpath("//footer//button[contains(@class, 'font-semibold')]"))
                        .getText()
                        .equals(count));
        browser.click(By.xpath("//footer//button[contains(@class, 'font-semibold')]"));
        browser.click(By.xpath("//dialog[@open]//button[.='Look at it again']"));
        browser.waitFor("as many as before", () -> browser.see(By.xpath("//footer//span[contains(., 'to look at')]"))
                .getText()
                .equals(count));
        browser.keys(Keys.ESCAPE);
        browser.clickText("Undo");
        browser.clickText("Undo");
        browser.waitFor("as it was", () -> browser.shows("no changes"));
    }

    @Test
    void a_finding_leads_to_its_field() {
        at("shop");
        browser.clickText("Go there");
        browser.waitFor("the rate that ends too early has the focus", () -> String.valueOf(
                        browser.script("return document.activeElement.dataset.path"))
                .matches("delivery/zones/[^/]+/rates/tube"));
    }

    @Test
    void a_field_that_is_refused_keeps_what_was_typed_and_says_why() {
        at("shop");
        browser.fill("[data-path='shop/currency']", "Kites");
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//*[@role='alert'][contains(., 'is no currency known here')]"));
        assertThat(browser.see("[data-path='shop/currency']").getDomProperty("value"))
                .isEqualTo("Kites");
        browser.keys(Keys.ESCAPE);
        browser.waitFor("the old value stands", () -> "Euro"
                .equals(browser.see("[data-path='shop/currency']").getDomProperty("value")));
    }

    @Test
    void keys_of_another_account_are_refused_and_the_secret_never_comes_back() {
        at("payment");
        browser.click(By.xpath("//li[@data-path='payment/methods/card']//button[@aria-expanded]"));
        browser.clickText("Enter keys by hand");
        browser.fill("input[name=secret]", "secret-test-nobody-knows");
        browser.clickText("Check and keep");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'does not know this key for the shop')]"));
        assertThat(browser.see("input[name=secret]").getDomAttribute("placeholder"))
                .isEqualTo("kept, ends with 9a61");
        assertThat(browser.shows("Connected for practice")).isTrue();
    }

    @Test
    void a_refund_above_what_was_captured_is_refused_in_words() {
        browser.go(shop.url() + DESK + "/orders/1001");
        browser.fill("input[aria-label^='Amount to refund']", "97.91");
        browser.clickText("Refund");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'more than the payment')]"));
        browser.fill("input[aria-label^='Amount to refund']", "a lot");
        browser.clickText("Refund");
        browser.see(By.xpath("//*[@role='alert']"));
        assertThat(browser.shows("refunded €0.00")).isTrue();
    }
}

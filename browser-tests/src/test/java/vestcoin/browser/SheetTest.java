package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** The sheets of the desk: blocks, files, unfolding, the tax book. */
class SheetTest extends AtDesk {
    private static final int ZONES = 12;
    private static final int OPTIONS = 5;

    @TempDir
    Path folder;

    SheetTest(RunningShop.Running shop) {
        super(shop);
    }

    private static String cell(int zone, int option) {
        return "[data-path='delivery/zones/far-" + zone + "/rates/way-" + option + "']";
    }

    private void paste(String block) {
        browser.script("""
                const data = new DataTransfer();
                data.setData('text/plain', arguments[0]);
                document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: \
                true }));
                """, block);
    }

    @Test
    void of_twelve_by_five_rates_pasted_the_bad_one_is_marked_the_others_stand_and_one_undo_takes_all_back() {
        List<Map<String, Object>> edits = new ArrayList<>();
        for (int option = 0; option < OPTIONS; option++) {
            String id = "way-" + option;
            edits.add(Map.of("path", "delivery/options/" + id, "now", Map.of("id", id, "name", "Way " + option)));
        }
        for (int zone = 0; zone < ZONES; zone++) {
            String id = "far-" + zone;
            edits.add(Map.of(
                    "path",
                    "delivery/zones/" + id,
                    "now",
                    Map.of(
                            "id",
                            id,
                            "name",
                            "Far " + zone,
                            "places",
                            List.of("AR-" + (char) ('A' + zone)),
                            "rates",
                            Map.of())));
        }
        edits.removeIf(edit -> edit.get("path").equals("delivery/zones/far-8"));
        edits.add(Map.of(
                "path",
                "delivery/zones/far-8",
                "now",
                Map.of("id", "far-8", "name", "Far 8", "places", List.of("AR-Z"), "rates", Map.of())));
        Caller owner = shop.owner();
        assertThat(owner.post(Caller.SHOP + "/draft/edits", Map.of("edits", edits))
                        .status())
                .isEqualTo(200);

        at("delivery");
        StringBuilder block = new StringBuilder();
        for (int zone = 0; zone < ZONES; zone++) {
            for (int option = 0; option < OPTIONS; option++) {
                block.append(option == 0 ? "" : "\t")
                        .append(
                                zone == 4 && option == 2
                                        ? "about six"
                                        : "to 1 kg " + (zone + 3) + ".10, then +0." + (option + 1) + "0/kg");
            }
            block.append("\n");
        }
        // Zone 8 was added last.
        browser.click(cell(0, 0));
        paste(block.toString());
        browser.waitFor("the first cell is filled", () -> text(cell(0, 0)).equals("to 1 kg 3.10, then +0.10/kg"));
        long filled =
                (Long) browser.script("return [...document.querySelectorAll('[data-path*=\"/far-\"]')].filter(cell => "
                        + "cell.innerText.startsWith('to 1 kg')).length");
        assertThat(filled).isEqualTo(ZONES * OPTIONS - 1);
        assertThat(browser.see(cell(4, 2)).getAttribute("aria-invalid")).isEqualTo("true");
        assertThat(text(cell(4, 2))).isEqualTo("not offered");
        assertThat(browser.see(By.cssSelector("main [role=alert]")).getText()).contains("about six");
        browser.clickText("Undo");
        browser.waitFor(
                "all are empty again",
                () -> (Long) browser.script("return "
                                + "[...document.querySelectorAll('[data-path*=\"/far-\"]')]"
                                + ".filter(cell => cell.innerText.startsWith('to 1 kg')).length")
                        == 0);
        browser.clickText("Undo");
        browser.waitFor("the zones are gone", () -> !browser.shows("Far 3"));
    }

    @Test
    void marked_cells_are_filled_down_copied_and_emptied_by_keys() {
        at("delivery");
        String galway = "[data-path='delivery/zones/galway/rates/letter']";
        String ireland = "[data-path='delivery/zones/ireland/rates/letter']";
        String north = "[data-path='delivery/zones/northern-ireland/rates/letter']";
        browser.click(galway);
        browser.keys(Keys.chord(Keys.SHIFT, Keys.ARROW_DOWN));
        browser.keys(Keys.chord(Keys.SHIFT, Keys.ARROW_DOWN));
        browser.keys(Keys.chord(Keys.CONTROL, "d"));
        browser.waitFor(
                "filled down", () -> text(ireland).equals("2.20") && text(north).equals("2.20"));
        browser.clickText("Undo");
        browser.waitFor("back", () -> text(north).startsWith("to 0.1 kg 2.60"));
    }

    @Test
    void a_rule_is_changed_in_fields_as_well_as_in_text() {
        at("delivery");
        browser.click("[data-path='delivery/zones/ireland/rates/tube']");
        browser.fill("input[aria-label='Price of band 2']", "9.90");
        browser.keys(Keys.ENTER);
        browser.waitFor("the text follows", () -> text("[data-path='delivery/zones/ireland/rates/tube']")
                .equals("to 1 kg 6.90, to 5 kg 9.90, then +0.80/kg"));
        browser.fill("input[aria-label='Free from']", "180");
        browser.keys(Keys.ENTER);
        browser.waitFor("and again", () -> text("[data-path='delivery/zones/ireland/rates/tube']")
                .endsWith(", from 180 free"));
        browser.clickText("Undo");
        browser.waitFor("one taken back", () -> text("[data-path='delivery/zones/ireland/rates/tube']")
                .endsWith("then +0.80/kg"));
        browser.clickText("Undo");
        browser.waitFor("both taken back", () -> text("[data-path='delivery/zones/ireland/rates/tube']")
                .contains("to 5 kg 9.40"));
    }

    @Test
    void a_product_unfolds_and_its_option_reprices_the_ticket() {
        at("goods");
        browser.fill("input[aria-label='Filter the goods']", "delta");
        browser.waitFor("one is left", () -> browser.see("main").getText().matches("(?s).*\\b1 of \\d+ products.*"));
        browser.click("[data-path='goods/products/delta-kite/name']");
        browser.keys(Keys.SPACE);
        browser.fill("[data-path='goods/products/delta-kite/options/size/choices/large/extra']", "20.00");
        browser.keys(Keys.ENTER);
        // 2 × (48.00 + 20.00) + 24.50 + 9.40
        browser.waitFor(
                "the ticket has it", () -> text("[data-amount='To pay']").equals("169.90"));
        browser.clickText("Undo");
        browser.waitFor("back", () -> text("[data-amount='To pay']").equals("161.90"));
    }

    @Test
    void a_file_is_looked_at_before_it_is_taken() throws IOException {
        Path file = Files.writeString(folder.resolve("prices.csv"), "code,price\nbox-kite,91.00\nparafoil,cheap\n");
        at("goods");
        browser.see(By.xpath("//button[normalize-space(.)='From a file']"));
        browser.upload("input[type=file]", file);
        browser.waitFor(
                "what would change is told",
                () -> browser.shows("2 rows read: 0 new, 1 changed, 1 that cannot be taken"));
        assertThat(browser.see("ul[aria-label='Bad rows']").getText())
                .contains("Line 3, parafoil, price: “cheap” is not a decimal number.");
        browser.clickText("Take the good rows");
        browser.waitFor("taken", () -> text("[data-path='goods/products/box-kite/price']")
                .equals("91.00"));
        assertThat(text("[data-path='goods/products/parafoil/price']")).isEqualTo("59.50");
        browser.clickText("Undo");
        browser.waitFor("back", () -> text("[data-path='goods/products/box-kite/price']")
                .equals("86.00"));
    }

    @Test
    void the_tax_book_shows_the_reference_asks_about_a_share_and_leads_from_the_ticket_to_what_decided() {
        at("tax");
        String cell = "[data-path='tax/places/ireland/rates/gear']";
        assertThat(text(cell)).startsWith("23").contains("standard, 25 November 20");
        browser.click(cell);
        browser.keys("0.23", Keys.ENTER);
        browser.see(By.xpath("//*[@role='alert'][contains(., '0.23 % or as 23 %')]"));
        browser.keys(Keys.ESCAPE);
        browser.click(By.xpath("//section[@aria-label='Priced order']//p[contains(., 'Sold within Ireland')]/button"));
        browser.waitFor("the cursor is where it was decided", () -> "tax/sourcing"
                .equals(browser.script("return document.activeElement.dataset.path")));
    }

    @Test
    void the_buyer_and_the_live_edition_are_told_on_the_ticket() {
        at("tax");
        browser.click(By.xpath("//aside//button[contains(., 'T12 X2A0')]"));
        browser.fill("input[name=country]", "DE");
        browser.fill("input[name=postcode]", "10115");
        browser.keys(Keys.ENTER);
        browser.waitFor(
                "a person in Germany",
                () -> browser.shows("Person in Germany, one-stop shop on: the rates of Germany."));
        browser.clickText("a person");
        browser.choose("#ticket-buyer", "business");
        browser.waitFor(
                "no tax for a confirmed business",
                () -> browser.shows("Goods sent to a business in Germany with a confirmed number"));
        browser.click(By.xpath("//label[contains(., 'live beside')]/input"));
        browser.waitFor("the live edition agrees", () -> browser.shows("The same live."));
    }

    @Test
    void every_amount_of_the_largest_basket_opens_and_every_rule_it_names_is_reached_by_enter() {
        at("delivery");
        browser.see("[data-amount='To pay']");
        // The basket with most lines.
        browser.choose("#ticket-basket", String.valueOf(browser.script("""
                return (async () => {
                    const draft = await (await fetch('/api/shops/tern-and-tether/draft')).json();
                    const sizes = draft.document.rehearsal.baskets.map(basket => basket.order.lines.length);
                    return sizes.indexOf(Math.max(...sizes));
                })()""")));
        browser.waitFor("all rows are open", () -> (Long) browser.script("""
                const closed = [...document.querySelectorAll('aside [data-row][aria-expanded=false]')];
                closed.forEach(row => row.click());
                return closed.length + (document.querySelector('aside [data-row^="Sail cloth"]') ? 0 : 1)""") == 0);
        browser.script("document.querySelectorAll('aside details').forEach(fold => { fold.open = true; })");
        @SuppressWarnings("unchecked")
        List<String> rules = (List<String>) browser.script(
                "return [...new Set([...document.querySelectorAll('aside button[title*=\"/\"]')].map(button "
                        + "=> button.title))]");
        assertThat(rules)
                .contains(
                        "delivery/zones/america/rates/letter",
                        "goods/products/line-reel/options/line/choices/braided/extra",
                        "goods/products/sail-cloth/price");
        for (String rule : rules) {
            browser.script(
                    "[...document.querySelectorAll('aside button[title]')].find(button => button.title === "
                            + "arguments[0]).focus()",
                    rule);
            browser.keys(Keys.ENTER);
            browser.waitFor(rule + " is reached", () -> {
                Object at = browser.script("return document.querySelector('main')?.contains(document.activeElement) ? "
                        + "document.activeElement.dataset.path : null");
                return at instanceof String path
                        && (path.equals(rule) || path.startsWith(rule + "/") || rule.startsWith(path + "/"));
            });
        }
    }

    @Test
    void anything_is_found_by_its_name() {
        at("tax");
        browser.see("[data-amount='To pay']");
        browser.keys("/");
        browser.fill("input[aria-label='Find anything']", "parafoil");
        browser.keys(Keys.ENTER);
        browser.waitFor("at its price", () -> "goods/products/parafoil/price"
                .equals(browser.script("return document.activeElement.dataset.path")));
        browser.keys("/");
        browser.fill("input[aria-label='Find anything']", "time zone");
        assertThat(browser.violations()).isEmpty();
        browser.keys(Keys.ENTER);
        browser.waitFor("at the setting", () -> "shop/timeZone"
                .equals(browser.script("return document.activeElement.dataset.path")));
    }
}

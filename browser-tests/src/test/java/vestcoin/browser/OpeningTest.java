package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.RunningShop;
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.run.DemoShop;

/** The door, what is counted, what is sold elsewhere and what the law asks, at the desk. */
class OpeningTest extends AtDesk {
    OpeningTest(RunningShop.Running shop) {
        super(shop);
    }

    @Test
    void a_closed_shop_is_seen_by_its_owner_alone_and_what_blocks_leads_to_its_field() throws IOException {
        at("opening");
        browser.fill("main input.inplace", "Back on Monday.");
        browser.clickText("Close the shop");
        browser.seeText("The shop is closed");
        assertThat(browser.see(By.xpath("//button[.='Open the shop']")).isEnabled())
                .isFalse();
        assertThat(browser.violations()).isEmpty();
        browser.dark(true);
        assertThat(browser.contrast()).isEmpty();
        browser.dark(false);
        browser.click(By.xpath("//li[contains(., 'No payment was tried with Card')]//button"));
        browser.waitFor("at its field", () -> browser.url().endsWith("/payment"));
        browser.go(shop.url() + "/counter/" + DemoShop.SHOP);
        browser.see(By.xpath("//*[@role='status'][contains(., 'only you who run it see this')]"));
        try (Browser buyer = Browser.open(390, 844)) {
            buyer.go(shop.url() + "/counter/" + DemoShop.SHOP);
            buyer.see(By.xpath("//h1[.='Not open just now']"));
            assertThat(buyer.shows("Back on Monday.")).isTrue();
            buyer.clickText("This is my shop");
            buyer.see("input[name=password]");
        } finally {
            shop.context().getBean(ShopOpenings.class).open(DemoShop.SHOP);
        }
    }

    @Test
    void an_edition_has_a_note_and_is_gone_back_to() {
        at("goods");
        browser.click("[data-path='goods/products/wind-sock/price']");
        browser.keys("77.00", Keys.ENTER);
        browser.clickText("Publish…");
        browser.fill("dialog[open] input", "For the fair");
        assertThat(browser.violations()).isEmpty();
        browser.click(By.xpath("//dialog[@open]//button[text()='Publish']"));
        browser.waitFor("published", () -> browser.shows("no changes"));
        at("opening");
        browser.see(By.xpath("//li[contains(., 'For the fair')][contains(., 'is live')]"));
        browser.click(By.xpath("//li[contains(., 'Edition 1')]//button[contains(., 'Go back')]"));
        browser.see(By.xpath("//dialog[@open]//li[contains(., 'Goods')]"));
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Take it into the draft");
        browser.waitFor("a change of the draft", () -> browser.shows("1 change"));
        browser.clickText("Undo");
    }

    @Test
    void what_is_left_is_counted_in_the_unfolded_product_and_holds_at_once() {
        at("goods");
        browser.click("[data-path='goods/products/line-reel/name']");
        browser.clickText("Unfold Line reel");
        browser.fill("[aria-label='Left of Line reel']", "-3");
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//*[@role='alert'][contains(., '-3 cannot be what is left')]"));
        browser.fill("[aria-label='Left of Line reel']", "7");
        browser.keys(Keys.ENTER);
        browser.waitFor("it is kept", () -> shop.owner()
                .get("/api/shops/" + DemoShop.SHOP + "/stock/line-reel")
                .text()
                .contains("\"7\""));
        assertThat(browser.shows("Draft: no changes")).as("no draft between").isTrue();
        assertThat(browser.violations()).isEmpty();
    }

    @Test
    void a_link_for_another_site_is_made_where_goods_are_kept() {
        at("goods");
        browser.click(By.xpath("//summary[contains(., 'Sell from another site')]"));
        browser.choose(
                "details[open] select",
                "basket "
                        + browser.script("return [...document.querySelectorAll('details[open] option')].find(o => "
                                + "o.value.startsWith('basket')).value.slice(7)"));
        browser.clickText("Make it");
        browser.waitFor("the link", () -> String.valueOf(
                        browser.see("textarea[aria-label='The link']").getDomProperty("value"))
                .contains("/counter/" + DemoShop.SHOP + "?take="));
        assertThat(String.valueOf(
                        browser.see("textarea[aria-label='HTML to paste']").getDomProperty("value")))
                .startsWith("<a href=");
    }

    @Test
    void duties_are_listed_with_their_source_and_a_field_of_ones_own_is_added() {
        at("terms");
        browser.click(By.xpath("//summary[contains(., 'What the law asks here')]"));
        browser.see(By.xpath("//li[contains(., 'Directive 2011/83/EU, Art. 11a') and contains(., 'met')]"));
        assertThat(browser.shows("9 of 9 met")).isTrue();
        browser.choose("[data-path='terms/onlineWithdrawal']", "no");
        browser.see(By.xpath("//li[contains(., 'Art. 11a') and contains(., 'not met')]"));
        browser.keys(Keys.chord(Keys.CONTROL, "z"));
        browser.click(By.xpath("//summary[contains(., 'What the counter asks')]"));
        browser.clickText("Add a field");
        browser.fill("[data-path='terms/asking/extras/field/name']", "Colour of the tail");
        browser.keys(Keys.ENTER);
        browser.waitFor("it is kept", () -> shop.owner()
                .get("/api/shops/" + DemoShop.SHOP + "/draft")
                .text()
                .contains("Colour of the tail"));
        browser.fill("[data-path='terms/asking/leastAge']", "99");
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//*[@role='alert'][contains(., '99 cannot be a least age')]"));
        assertThat(browser.violations()).isEmpty();
    }
}

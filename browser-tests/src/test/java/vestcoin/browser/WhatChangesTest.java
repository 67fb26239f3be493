package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** A change is seen in money before it is published: over orders that were taken, everywhere, and at a time. */
class WhatChangesTest extends AtDesk {
    WhatChangesTest(RunningShop.Running shop) {
        super(shop);
    }

    private static By section(String name) {
        return By.xpath("//section[@aria-label='" + name + "']");
    }

    @AfterEach
    void takeBack() {
        shop.owner().delete(Caller.SHOP + "/editions/waiting");
        while (shop.owner().get(Caller.SHOP + "/draft").json().path("changes").asInt() > 0) {
            shop.owner().post(Caller.SHOP + "/draft/undo", Map.of());
        }
    }

    private void unfold(String title) {
        browser.click(By.xpath("//summary[contains(., '" + title + "')]"));
    }

    @Test
    void orders_taken_are_asked_again_and_grouped_by_what_moved_them() {
        at("rehearsal");
        browser.see(By.xpath("//p[contains(., 'no order changes')]"));
        shop.owner().edit(Map.of("goods/products/parafoil/price", "61.00"));
        browser.reload();
        browser.see(By.xpath("//section[@aria-label='What changes']//button[contains(., 'Parafoil')]"));
        browser.see(By.xpath("//section[@aria-label='What changes']//p[contains(., 'orders differ')]"));
        browser.click(By.xpath("//section[@aria-label='What changes']//button[contains(., 'Parafoil')]"));
        browser.click(By.xpath("//section[@aria-label='What changes']//li/button"));
        browser.see(By.xpath("//section[@aria-label='What changes']//tr[th[.='to pay']]"));
        browser.see(By.xpath("//section[@aria-label='What changes']//tr[th[.='you keep']]"));
        assertThat(browser.violations()).isEmpty();
        at("opening");
        browser.see(By.xpath("//section[@aria-label='What changes']//p[contains(., 'orders differ')]"));
        assertThat(browser.violations()).isEmpty();
    }

    @Test
    void an_edition_waits_for_its_time_and_is_called_off() {
        shop.owner().edit(Map.of("goods/products/parafoil/price", "61.00"));
        at("opening");
        browser.clickText("Publish…");
        browser.fill("dialog[open] input:not([type=datetime-local])", "Spring prices");
        browser.set("input[type=datetime-local]", "2001-01-01T08:00");
        browser.click(By.xpath("//dialog[@open]//button[text()='Publish then']"));
        browser.see(By.xpath("//dialog[@open]//*[@role='alert'][contains(., 'is over')]"));
        assertThat(browser.violations()).isEmpty();
        browser.set("input[type=datetime-local]", "2031-03-01T08:00");
        browser.click(By.xpath("//dialog[@open]//button[text()='Publish then']"));
        browser.see(By.xpath("//section[@aria-label='The edition that waits'][contains(., '1 March 2031')]"));
        browser.see(By.xpath("//section[@aria-label='The edition that waits'][contains(., 'Spring prices')]"));
        browser.clickText("Price the ticket as of it");
        browser.see(By.xpath("//aside//*[contains(., 'Priced as of edition')]"));
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Call it off");
        browser.waitFor("called off", () -> browser.count(section("The edition that waits")) == 0);
        browser.dark(true);
        assertThat(browser.contrast()).isEmpty();
    }

    @Test
    void a_place_typed_says_whether_a_buyer_there_sees_a_price() {
        at("rehearsal");
        unfold("Where it can be had");
        browser.see("path[data-country=FR]");
        browser.fill("form:has(button) input[aria-label=Country]", "Austria");
        browser.click(By.xpath("//form[contains(., 'Would a buyer')]//button"));
        browser.see(By.xpath("//p[@role='status'][contains(., 'Austria')][contains(., 'EU, far')]"));
        browser.click("path[data-country=US]");
        browser.see(By.xpath("//tr[contains(., 'North Carolina')]"));
        assertThat(browser.violations()).isEmpty();
        browser.dark(true);
        assertThat(browser.contrast()).isEmpty();
    }

    @Test
    void what_carries_free_delivery_is_found_and_written_into_the_draft() {
        at("rehearsal");
        unfold("Delivery in the price");
        browser.clickText("Seek");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'no zone is chosen')]"));
        browser.click("input[name=zone][value=ireland]");
        browser.choose("select[name=of]", "baskets");
        browser.clickText("Seek");
        browser.see(By.xpath("//p[contains(., '% higher carry it') or contains(., 'do not carry it')]"));
        browser.see(By.xpath("//button[text()='Write it into the draft']"));
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Write it into the draft");
        browser.waitFor("written", () -> browser.shows("1 change"));
        assertThat(shop.owner()
                        .get(Caller.SHOP + "/draft")
                        .json()
                        .at("/document/delivery/zones/1/rates/tube/freeFrom")
                        .asString())
                .isEqualTo("0");
    }

    @Test
    void sample_orders_that_cover_everything_are_found_and_kept() {
        at("rehearsal");
        unfold("Sample orders that cover everything");
        browser.fill("section[aria-label='Sample orders that cover everything'] input", "40");
        browser.clickText("Find them");
        browser.see(By.xpath("//p[contains(., '40 orders meet')]"));
        browser.see(By.xpath("//summary[contains(., 'left out by the bound')]"));
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Keep them as sample orders");
        browser.see(By.xpath("//*[contains(., '44 baskets')]"));
    }
}

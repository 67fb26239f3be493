package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;
import vestcoin.standins.pay.TestCard;

/** What an order promises is carried out: files opened, parcels followed, something collected at its time. */
class AfterTheClickTest extends AtCounter {
    private static final String DESK = "/desk/" + DemoShop.SHOP;

    AfterTheClickTest(RunningShop.Running shop) {
        super(shop);
    }

    private void clean(String what) {
        assertThat(browser.violations()).as(what).isEmpty();
        assertThat(browser.scrollsSideways()).as(what + " scrolls sideways").isFalse();
    }

    private String number() {
        return browser.see("main").getText().replaceAll("(?s).*Order (1\\d+).*", "$1");
    }

    @Test
    void a_file_is_opened_with_the_box_and_waits_without_it() throws IOException {
        open(390, 844);
        put("Plans for a box kite, to print yourself");
        countryAlone();
        browser.click(By.xpath("//label[contains(., 'I want the files at once')]"));
        order("Card");
        pay(TestCard.APPROVED.number());
        done();
        browser.see(By.xpath("//section[@aria-label='Your files'][contains(., '5 times more')]"));
        clean("an order with a file");
        Object opened = browser.asyncScript("""
                const done = arguments[arguments.length - 1];
                fetch(document.querySelector("section[aria-label='Your files'] a").href)
                  .then((answer) => answer.text()).then((text) => done(text.slice(0, 5)), (e) => done(String(e)));""");
        assertThat(opened).isEqualTo("%PDF-");
        browser.reload();
        browser.see(By.xpath("//section[@aria-label='Your files'][contains(., '4 times more')]"));
        browser.close();

        open(390, 844);
        put("Plans for a box kite, to print yourself");
        countryAlone();
        assertThat(browser.shows("when the 14 days to withdraw are over")).isTrue();
        order("Card");
        pay(TestCard.APPROVED.number());
        done();
        browser.see(By.xpath("//section[@aria-label='Your files'][contains(., 'there from')]"));
        assertThat(browser.count(By.xpath("//section[@aria-label='Your files']//a")))
                .isZero();
        assertThat(browser.shows("Withdraw from this order")).isTrue();
    }

    @Test
    void a_file_is_put_in_at_the_desk_and_bad_ones_are_told() throws IOException {
        browser = Browser.atDesk(shop);
        browser.go(shop.url() + DESK + "/goods");
        browser.click(By.xpath("//button[contains(normalize-space(.), 'plans-to-print')]"));
        browser.see(By.xpath("//*[contains(., 'box-kite-plans.pdf')]"));
        Path sheet = Files.createTempDirectory("sheets").resolve("second sheet.pdf");
        Files.writeString(sheet, "a second sheet");
        browser.upload("input[aria-label='Put a file in']", sheet);
        browser.see(By.xpath("//*[contains(text(), 'second sheet.pdf')]"));
        Path empty = sheet.resolveSibling("empty.pdf");
        Files.writeString(empty, "");
        browser.upload("input[aria-label='Put a file in']", empty);
        browser.see(By.xpath("//*[contains(., 'The file is empty.')]"));
        assertThat(browser.violations()).isEmpty();
        browser.click(By.xpath("//button[normalize-space(.)='Take away second sheet.pdf']"));
        browser.waitFor("it is gone", () -> !browser.shows("second sheet.pdf"));
    }

    @Test
    void two_parcels_of_one_order_are_followed() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        put("Wind sock");
        address();
        browser.click(By.xpath("//label[contains(., 'Tube parcel')][contains(., 'Arrives')]"));
        browser.clickText("Go on to payment");
        order("Card");
        pay(TestCard.APPROVED.number());
        done();
        String number = number();
        assertThat(browser.shows("Arrives")).isTrue();
        String page = browser.url();
        browser.close();

        browser = Browser.atDesk(shop);
        browser.go(shop.url() + DESK + "/orders/" + number);
        browser.click(By.xpath("//section[@aria-label='Sending']//label[contains(., 'Wind sock')]"));
        browser.fill("input[name=tracking]", "EX 123/4");
        browser.fill("input[name=carrier]", "Example Parcels");
        browser.fill("input[name=link]", "https://parcels.example/EX1234");
        browser.clickText("It leaves now");
        browser.waitFor("the first has left", () -> browser.count(By.name("line")) == 1);
        browser.fill("input[name=tracking]", "EX 567");
        browser.clickText("It leaves now");
        browser.see(By.xpath("//section[@aria-label='Sending'][contains(., 'Everything has left')]"));
        browser.close();

        browser = Browser.open(390, 844);
        browser.go(page);
        String parcels = browser.see("section[aria-label='What has left']").getText();
        assertThat(parcels)
                .contains("1 Kites You Can Build, book")
                .contains("Example Parcels EX 123/4")
                .contains("1 Wind sock")
                .contains("EX 567");
        assertThat(browser.see(By.linkText("Follow it")).getDomAttribute("href"))
                .isEqualTo("https://parcels.example/EX1234");
        clean("parcels that have left");
        assertThat(shop.services().post().letters().stream()
                        .filter(letter -> letter.subject().contains(number))
                        .map(letter -> letter.subject().replace("[test] ", "")))
                .contains(
                        "A part of your order " + number + " is on its way", "Your order " + number + " is on its way");
    }

    @Test
    void something_is_collected_at_its_time_and_the_money_with_it() throws IOException {
        open(390, 844);
        put("Wind sock");
        address();
        browser.click(By.xpath("//label[contains(., 'Workshop, Example Dock')]"));
        browser.waitFor(
                "times can be chosen", () -> browser.count(By.cssSelector("main select option:not([disabled])")) > 0);
        String first = String.valueOf(
                browser.script("return document.querySelector('main select option:not([disabled])').value"));
        browser.choose("main select", first);
        browser.clickText("Go on to payment");
        order("Cash or card when you collect");
        done();
        browser.see(By.xpath("//section[@aria-label='Workshop, Example Dock'][contains(., 'To collect')]"));
        String number = number();
        String page = browser.url();
        browser.close();

        browser = Browser.atDesk(shop);
        browser.go(shop.url() + DESK + "/orders/" + number);
        browser.clickText("It is ready: write to the buyer");
        browser.see(By.xpath("//*[contains(text(), 'the buyer was told')]"));
        browser.clickText("It is handed over");
        browser.see(By.xpath("//*[contains(., 'Everything is handed over')]"));
        browser.see(By.xpath("//h2[contains(., 'captured')]"));
        browser.close();

        browser = Browser.open(390, 844);
        browser.go(page);
        browser.see(By.xpath("//section[@aria-label='Workshop, Example Dock'][contains(., 'Collected')]"));
        assertThat(shop.services().post().letters().stream()
                        .filter(letter -> letter.subject().contains(number))
                        .map(letter -> letter.subject().replace("[test] ", "")))
                .contains(
                        "Your order " + number + " is ready to be collected",
                        "Your order " + number + " was handed over")
                .noneMatch(subject -> subject.contains("on its way"));
    }

    @Test
    void an_order_is_taken_at_the_desk_for_a_buyer() throws IOException {
        browser = Browser.atDesk(shop);
        browser.go(shop.url() + DESK + "/orders");
        browser.click(By.linkText("Take an order for a buyer"));
        browser.see(By.xpath("//*[@role='status'][contains(., 'You take an order for a buyer')]"));
        assertThat(browser.violations()).isEmpty();
        put("Wind sock");
        address();
        browser.click(By.xpath("//label[contains(., 'Workshop, Example Dock')]"));
        browser.waitFor(
                "times can be chosen", () -> browser.count(By.cssSelector("main select option:not([disabled])")) > 0);
        browser.choose(
                "main select",
                String.valueOf(
                        browser.script("return document.querySelector('main select option:not([disabled])').value")));
        browser.clickText("Go on to payment");
        order("Cash or card when you collect");
        done();
        browser.click(By.linkText("The order at the desk"));
        browser.see(By.xpath("//p[contains(., 'Taken for the buyer by owner@tern-and-tether.example')]"));
    }
}

package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import vestcoin.app.RunningShop;
import vestcoin.app.message.Messages;

/** A regular is let pay on account; the order goes to a neighbour instead; what a card paid is paid out. */
class TrustedBuyerTest extends AtCounter {
    TrustedBuyerTest(RunningShop.Running shop) {
        super(shop);
    }

    private void desk(String path) {
        browser.go(shop.url() + "/desk/tern-and-tether/" + path);
    }

    @Test
    void a_regular_orders_on_account_and_has_it_sent_next_door() throws Exception {
        browser = Browser.atDesk(shop);
        desk("buyers");
        browser.click(By.xpath("//summary[contains(., 'Let pay on account')]"));
        browser.fill("input[name=email]", "nora@buyers.example");
        browser.fill("input[name=limit]", "150");
        browser.click(By.xpath("//form//button[.='Let pay on account']"));
        browser.see(By.xpath("//tr[contains(., 'nora@buyers.example')][contains(., '150.00')]"));
        assertThat(browser.violations()).isEmpty();
        browser.close();

        open(390, 844);
        put("Kites You Can Build, book");
        address();
        browser.clickText("Go on to payment");
        browser.see(By.xpath("//p[contains(., 'On account: for businesses')]"));
        assertThat(browser.count(By.xpath("//fieldset//label[contains(., 'On account')]")))
                .isZero();
        browser.clickText("Sign in by a link we mail you");
        browser.fill("input[type=email]", "nora@buyers.example");
        browser.clickText("Mail me a link");
        browser.see(By.xpath("//*[@role='status'][contains(., 'a letter is on its way')]"));
        shop.context().getBean(Messages.class).settled();
        Matcher link = Pattern.compile("http\\S+/me\\?key=\\S+")
                .matcher(shop.services().post().letters().stream()
                        .filter(letter -> letter.to().equals("nora@buyers.example")
                                && letter.plain().contains("/me?key="))
                        .findFirst()
                        .orElseThrow()
                        .plain());
        assertThat(link.find()).isTrue();
        browser.go(link.group());
        browser.see(By.xpath("//*[contains(., 'nora@buyers.example')]"));
        browser.go(shop.url() + "/counter/tern-and-tether");
        browser.clickText("Go on to the address");
        browser.clickText("Go on to delivery");
        browser.clickText("Go on to payment");
        order("On account");
        done();
        browser.waitFor("how to pay it", () -> browser.shows("Transfer this"));
        assertThat(browser.violations()).isEmpty();
        String number = browser.see("main").getText().replaceAll("(?s).*Order (1\\d+).*", "$1");
        String page = browser.url();
        browser.close();

        browser = Browser.atDesk(shop);
        desk("orders/" + number);
        browser.clickText("Change the address");
        browser.fill("textarea[name=lines]", "7 Example Lane");
        browser.clickText("Save the address");
        browser.waitFor("it is changed", () -> browser.shows("7 Example Lane"));
        browser.clickText("Change the quantities");
        browser.fill("input[name=quantity-0]", "2");
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Save the quantities");
        browser.see(By.xpath("//*[@role='status'][contains(., 'It would come to')]"));
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Change the order so");
        browser.waitFor("two of them", () -> browser.shows("2 × 24.50"));
        browser.clickText("Change the address");
        browser.choose("select[name=country]", "DE");
        browser.fill("input[name=postcode]", "10115");
        browser.fill("input[name=city]", "Berlin");
        // It comes to the same there, with another tax in it: nothing is asked.
        browser.clickText("Save the address");
        browser.waitFor("another country's tax", () -> browser.shows("Berlin") && browser.shows("7 %"));
        browser.go(page);
        browser.waitFor("the buyer sees both", () -> browser.shows("7 Example Lane") && browser.shows("49.00"));
    }

    @Test
    void what_a_card_paid_is_found_in_a_payout() throws Exception {
        open(1280, 800);
        put("Kites You Can Build, book");
        address();
        browser.clickText("Go on to payment");
        order("Card");
        pay("9810000000000092");
        done();
        String number = browser.see("main").getText().replaceAll("(?s).*Order (1\\d+).*", "$1");
        browser.close();

        browser = Browser.atDesk(shop);
        shop.owner()
                .post(
                        "/api/shops/tern-and-tether/orders/" + number + "/dispatch",
                        java.util.Map.of("key", java.util.UUID.randomUUID().toString()));
        desk("payouts");
        browser.waitFor("it is on its way", () -> browser.shows("Taken and not paid out yet"));
        shop.owner().post("/api/shops/tern-and-tether/practice/time", java.util.Map.of("from", 0, "days", 1));
        browser.clickText("Ask the providers");
        browser.click(By.xpath("//td//button[contains(., 'payment')]"));
        browser.see(By.xpath("//a[.='Order " + number + "']"));
        assertThat(browser.violations()).isEmpty();
        browser.dark(true);
        assertThat(browser.contrast()).isEmpty();
    }
}

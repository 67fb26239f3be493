package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import vestcoin.app.RunningShop;
import vestcoin.app.checkout.ApartTest;
import vestcoin.app.message.Messages;

/** Buying on a phone in few taps, coming back by a mailed link, and coming from another site. */
class ReturningBuyerTest extends AtCounter {
    ReturningBuyerTest(RunningShop.Running shop) {
        super(shop);
    }

    private void named() {
        assertThat(browser.unnamed())
                .as("without a name for a screen reader, at "
                        + browser.see("h1").getText())
                .isEmpty();
        assertThat(browser.scrollsSideways()).isFalse();
    }

    private void invoice(String label, String text) {
        browser.see(By.xpath("//fieldset[contains(., 'for the invoice')]//label[contains(., '" + label + "')]//input"))
                .sendKeys(text);
    }

    /** Twelve taps and one address are the shop's own bound. */
    @Test
    void an_order_on_a_phone_takes_at_most_twelve_taps_and_everything_has_a_name() throws IOException {
        open(390, 844);
        named();
        put("Kites You Can Build, book");
        address();
        named();
        browser.click(By.xpath("//label[contains(., 'Tube parcel')]"));
        browser.clickText("Go on to payment");
        named();
        order("Card");
        pay("9810000000000001");
        done();
        named();
        assertThat(browser.taps())
                .as("taps from the empty basket to the receipt")
                .isLessThanOrEqualTo(12);
    }

    @Test
    void a_gift_is_sent_and_found_again_by_a_mailed_link() throws Exception {
        open(390, 844);
        put("Kites You Can Build, book");
        address();
        browser.clickText("Where");
        browser.clickText("It is a gift for somebody else");
        browser.clickText("Go on to delivery");
        assertThat(browser.see("h1").getText()).as("nobody is named yet").isEqualTo("Where does it go?");
        browser.see(By.xpath("//label[contains(., 'Who receives it')]//input")).sendKeys("Finn Sample");
        browser.see(By.xpath("//label[contains(., 'A message that goes with it')]//textarea"))
                .sendKeys("Fly it high.");
        invoice("Name", "Nora Sample");
        invoice("Street and number", "7 Payer Lane");
        invoice("Eircode", "H91 X2A0");
        invoice("Town", "Galway");
        browser.see(By.xpath("//label[contains(., 'A note to the shop')]//textarea"))
                .sendKeys("No hurry.");
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Go on to delivery");
        browser.clickText("Go on to payment");
        order("Card");
        pay("9810000000000001");
        done();
        assertThat(browser.see("main").getText())
                .contains("Nora Sample, 7 Payer Lane, H91 X2A0 Galway, Ireland")
                .contains("Finn Sample, ");
        String number = browser.see("main").getText().replaceAll("(?s).*Order (1\\d+).*", "$1");

        browser.go(shop.url() + "/counter/tern-and-tether/me");
        browser.fill("input[type=email]", "nora@buyers.example");
        browser.clickText("Mail me a link");
        browser.see(By.xpath("//*[@role='status'][contains(., 'a letter is on its way')]"));
        assertThat(browser.violations()).isEmpty();
        shop.context().getBean(Messages.class).settled();
        Matcher link = Pattern.compile("http\\S+/me\\?key=\\S+")
                .matcher(shop.services().post().letters().stream()
                        .filter(letter -> letter.subject().contains("Your orders"))
                        .findFirst()
                        .orElseThrow()
                        .plain());
        assertThat(link.find()).isTrue();
        browser.go(link.group());
        browser.see(By.xpath("//a[contains(., 'Order " + number + "')]"));
        assertThat(browser.url()).as("the key is not left in the address").doesNotContain("key=");
        assertThat(browser.violations()).isEmpty();
        named();
        browser.clickText("Use for the next order");
        browser.see(By.xpath("//*[@role='status'][contains(., 'address step')]"));
        browser.click(By.xpath("//a[contains(., 'Order " + number + "')]"));
        done();
        browser.close();

        browser = Browser.atDesk(shop);
        browser.go(shop.url() + "/desk/tern-and-tether/orders/" + number);
        browser.waitFor(
                "the seller reads what was wished",
                () -> browser.shows("Finn Sample") && browser.shows("Fly it high.") && browser.shows("No hurry."));
        browser.seeText("Slip for the parcel, without prices");
    }

    @Test
    void things_from_two_places_can_come_each_its_own_way() throws IOException {
        ApartTest.storeInCork(shop.owner());
        open(390, 844);
        put("Kites You Can Build, book");
        browser.click(By.xpath("//li[contains(., 'Line reel')]//label[1]"));
        put("Line reel");
        address();
        browser.waitFor(
                "two ways to choose",
                () -> browser.shows("All of it the same way")
                        && browser.shows("Or each its own way. From Store in Cork: Line reel"));
        String before = browser.see("[data-total]").getDomAttribute("data-total");
        browser.click(
                By.xpath("//fieldset[.//legend[contains(., 'Store in Cork')]]//label[contains(., 'Tube parcel')]"));
        browser.waitFor("each its own", () -> browser.shows("Tube parcel from Store in Cork"));
        assertThat(browser.see("[data-total]").getDomAttribute("data-total")).isNotEqualTo(before);
        assertThat(browser.violations()).isEmpty();
        named();
        browser.clickText("Go on to payment");
        order("Card");
        pay("9810000000000001");
        done();
    }

    @Test
    void a_form_on_another_site_opens_the_counter_with_what_was_chosen_there() throws IOException {
        shop.context()
                .getBean(vestcoin.app.run.DemoPage.class)
                .html()
                .ifPresent(shop.services().elsewhere()::show);
        browser = Browser.open(390, 844);
        browser.go(shop.services().elsewhere().url() + "/page");
        browser.choose("select[name='option.size']", "large");
        browser.fill("input[name=quantity]", "2");
        browser.click(By.xpath("//button[.='Order']"));
        // 2 × 64.00, the tube free within the shop's own town
        total("128.00");
        assertThat(browser.url()).doesNotContain("take=");
        browser.go(browser.url());
        total("128.00");
        browser.go(shop.services().elsewhere().url() + "/page");
        String link = String.valueOf(
                browser.see(By.xpath("//a[contains(., 'Two deltas')]")).getDomAttribute("href"));
        browser.go(link.replaceFirst("take=e", "take=f"));
        browser.see(By.xpath("//*[@role='alert'][contains(., 'was changed after the shop made it')]"));
        total("128.00");
    }
}

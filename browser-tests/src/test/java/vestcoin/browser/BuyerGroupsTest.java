package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import vestcoin.app.RunningShop;
import vestcoin.app.message.Messages;

/** A trade buyer asks to belong to a group, is let in, and pays its prices. */
class BuyerGroupsTest extends AtCounter {
    private static final String EMAIL = "teacher@members.example";

    BuyerGroupsTest(RunningShop.Running shop) {
        super(shop);
    }

    private String link() throws Exception {
        shop.context().getBean(Messages.class).settled();
        Matcher link = Pattern.compile("http\\S+/me\\?key=\\S+")
                .matcher(shop.services().post().letters().stream()
                        .filter(letter ->
                                letter.to().equals(EMAIL) && letter.plain().contains("/me?key="))
                        .findFirst()
                        .orElseThrow()
                        .plain());
        assertThat(link.find()).isTrue();
        return link.group();
    }

    @Test
    void who_asks_is_let_in_and_pays_the_prices_of_the_group() throws Exception {
        open(390, 844);
        browser.clickText("My orders");
        browser.fill("input[type=email]", EMAIL);
        browser.clickText("Mail me a link");
        browser.see(By.xpath("//*[@role='status'][contains(., 'a letter is on its way')]"));
        browser.go(link());
        browser.fill("input[name=code]", "KITE-SCHOOLS-00");
        browser.clickText("Use it");
        browser.waitFor("a wrong code is told", () -> browser.shows("No group has this code."));
        browser.fill("input[name=note]", "We teach in Galway.");
        assertThat(browser.violations()).isEmpty();
        browser.clickText("Ask to belong to Kite schools");
        browser.waitFor("it waits for the shop", () -> browser.shows("You have asked to belong to Kite schools."));

        Browser desk = Browser.atDesk(shop);
        try {
            desk.go(shop.url() + "/desk/tern-and-tether/buyers");
            desk.see(By.xpath("//section[contains(., 'We teach in Galway.')]"));
            assertThat(desk.violations()).isEmpty();
            desk.click(By.xpath("//section[contains(., '" + EMAIL + "')]//button[.='Let them in']"));
            desk.see(By.xpath("//tr[contains(., '" + EMAIL + "')][contains(., 'Kite schools')]"));
            desk.fill("textarea[name=emails]", "Name,E-mail\nOne,one@members.example\nTwo,two@members.example");
            desk.clickText("Put in");
            desk.waitFor("both are in", () -> desk.shows("2 more belong to it."));
        } finally {
            desk.close();
        }

        browser.go(shop.url() + "/counter/tern-and-tether");
        browser.waitFor("whose prices these are", () -> browser.shows("Prices of Kite schools"));
        browser.waitFor("86.00 less 12 %", () -> browser.shows("€75.68"));
        put("Box kite");
        address();
        browser.clickText("Go on to payment");
        order("Bank transfer");
        done();
        browser.waitFor("what it comes to", () -> browser.shows("€75.68"));
        assertThat(browser.violations()).isEmpty();
    }
}

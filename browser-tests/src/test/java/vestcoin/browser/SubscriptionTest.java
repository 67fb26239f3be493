package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;
import vestcoin.standins.pay.TestCard;

/** A subscription as its buyer and its seller live through it, while the demo lets months pass. */
class SubscriptionTest extends AtCounter {
    private static final DateTimeFormatter LONG =
            DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG).withLocale(Locale.forLanguageTag("en-IE"));

    SubscriptionTest(RunningShop.Running shop) {
        super(shop);
    }

    private void clean(String what) {
        assertThat(browser.violations()).as(what).isEmpty();
        assertThat(browser.scrollsSideways()).as(what + " scrolls sideways").isFalse();
    }

    /** Lets days pass at the seller's desk, by its own buttons; comes back to the buyer's page. */
    private void pass(String... steps) throws IOException {
        Browser buyer = browser;
        try (Browser desk = Browser.atDesk(shop)) {
            desk.go(shop.url() + "/desk/" + DemoShop.SHOP + "/delivery");
            desk.click(By.xpath("//summary[contains(., 'Let time pass') or contains(., 'In this demo it is')]"));
            for (String step : steps) {
                desk.click(By.xpath("//button[.='" + step + "']"));
                desk.waitFor("time has passed", () -> desk.see("[aria-busy]")
                        .getDomAttribute("aria-busy")
                        .equals("false"));
            }
        }
        browser = buyer;
        browser.reload();
    }

    @Test
    void subscribed_declined_once_paid_by_another_card_left_out_and_stopped() throws IOException {
        open(390, 844);
        browser.click(By.xpath("//li[contains(., 'Sail-cloth club')]//label[contains(., 'Rust')]"));
        put("Sail-cloth club, two metres a month");
        address();
        browser.click(By.xpath("//label[contains(., 'Letter')]"));
        total("26.20");
        browser.clickText("Go on to payment");
        assertThat(browser.see("section[aria-label='What is charged again']").getText())
                .contains("You pay €26.20 now")
                .contains("€26.20 each time")
                .contains("stop at any time");
        assertThat(browser.shows("Bank transfer")).as("cannot be charged again").isFalse();
        clean("what is agreed to");
        browser.click(By.xpath("//label[contains(., 'Card')]"));
        browser.click("#agree");
        browser.click(By.xpath("//button[contains(., 'Order and pay each time, €26.20 now')]"));
        pay(TestCard.APPROVED.number());
        done();
        browser.click(By.xpath("//a[contains(., 'its own page')]"));
        browser.waitFor("the subscription", () -> browser.url().contains("/subscription/"));
        LocalDate start = LocalDate.now(ZoneOffset.UTC);
        LocalDate first = start.plusMonths(1);
        browser.see(By.xpath("//p[contains(., 'Next on " + LONG.format(first) + ": €26.20')]"));
        clean("a subscription");

        // The bank takes the card back before the first month is over.
        shop.cards().refuseKeptCards(true);
        pass("30 days", "a day");
        browser.see(By.xpath("//*[@role='status'][contains(., 'the card was taken back')]"));
        clean("a charge that did not go through");
        browser.fill("input[name=number]", TestCard.APPROVED.number());
        browser.clickText("Keep this card");
        browser.waitFor(
                "paid by the new card",
                () -> browser.see("section[aria-label='So far']").getText().contains("paid"));
        assertThat(browser.shows("did not go through")).isFalse();

        browser.clickText("Leave " + LONG.format(start.plusMonths(2)) + " out");
        browser.see(By.xpath("//p[contains(., 'Next on " + LONG.format(start.plusMonths(3)) + "')]"));
        pass("30 days", "30 days", "a day");
        browser.waitFor(
                "two are paid",
                () -> browser.see("section[aria-label='So far']").getText().split("paid").length == 3);
        assertThat(browser.see("section[aria-label='So far']").getText()).contains("left out");

        browser.clickText("Stop the subscription");
        browser.clickText("Stop it");
        browser.see(By.xpath("//p[contains(., 'It is stopped')]"));
        clean("a subscription that is stopped");
        browser.close();

        browser = Browser.atDesk(shop);
        browser.go(shop.url() + "/desk/" + DemoShop.SHOP + "/subscriptions");
        browser.see(By.xpath("//td[.='stopped']"));
        browser.clickText("Nora Sample");
        browser.see(By.xpath("//h2[.='What happened']"));
        assertThat(browser.shows("The card was declined.")).isTrue();
        assertThat(browser.shows("Another card was given.")).isTrue();
        assertThat(browser.violations()).isEmpty();
    }
}

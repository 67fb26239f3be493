package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoPage;

/**
 * The counter open in place on another site: the simulated one, opened as localhost, so that to the browser it is
 * another site than the shop at 127.0.0.1. Cookies of a third party are blocked.
 */
class InPlaceTest extends AtCounter {
    private static final String FRAME = "iframe[title='Tern & Tether']";

    InPlaceTest(RunningShop.Running shop) {
        super(shop);
    }

    private String page() {
        return shop.services().elsewhere().url().replace("127.0.0.1", "localhost") + "/page";
    }

    private void openPage() throws IOException {
        shop.context().getBean(DemoPage.class).html().ifPresent(shop.services().elsewhere()::show);
        browser = Browser.open(1280, 800);
        browser.go(page());
    }

    @Test
    void an_order_is_placed_in_place_and_leads_back_to_the_page() throws IOException {
        openPage();
        assertThat(browser.see("select[name='option.size']").getText())
                .as("what each choice costs")
                .contains("2.4 m, €64.00");
        browser.within(FRAME);
        put("Kites You Can Build, book");
        total("26.70");
        address();
        browser.click(By.xpath("//label[contains(., 'Tube parcel')]"));
        browser.clickText("Go on to payment");
        order("Card");
        pay("9810000000000001");
        done();
        assertThat(browser.script("return document.cookie"))
                .as("nothing is kept of a third party")
                .isEqualTo("");
        browser.see(By.xpath("//a[contains(., 'Back to localhost')]"));
        // The frame goes with the page around it: nothing of it can be waited for.
        browser.script("setTimeout(() => document.querySelector('a[target=_top]').click(), 50)");
        browser.around();
        browser.waitFor(
                "the page anew", () -> browser.count(By.cssSelector(FRAME)) > 0 && page().equals(browser.url()));
        browser.waitFor("an empty basket", () -> {
            browser.around();
            browser.within(FRAME);
            return browser.count(By.xpath("//h1[.='What would you like?']")) > 0;
        });
    }

    @Test
    void a_wallet_is_paid_at_its_own_page_and_the_frame_comes_back_to_the_order() throws IOException {
        openPage();
        browser.within(FRAME);
        put("Kites You Can Build, book");
        address();
        browser.click(By.xpath("//label[contains(., 'Tube parcel')]"));
        browser.clickText("Go on to payment");
        browser.click(By.xpath("//label[contains(., 'Wallet')]"));
        browser.click("#agree");
        browser.click(By.xpath("//button[contains(., 'Order and pay')]"));
        browser.click(By.xpath("//main//button[contains(., 'wallet')]"));
        browser.around();
        browser.click(By.xpath("//button[.='Approve']"));
        done();
        browser.click(By.xpath("//a[contains(., 'Back to localhost')]"));
        browser.waitFor("the page it was ordered on", () -> page().equals(browser.url()));
        browser.within(FRAME);
        done();
    }

    @Test
    void a_wallet_at_the_basket_comes_back_to_the_page_with_name_and_address() throws IOException {
        openPage();
        browser.within(FRAME);
        put("Kites You Can Build, book");
        browser.clickText("Wallet: address and payment in one");
        browser.around();
        browser.click(By.xpath("//button[.='Share and approve']"));
        browser.waitFor("the page again", () -> page().equals(browser.url()));
        browser.within(FRAME);
        browser.see(By.xpath("//p[contains(., 'Nora Sample')][contains(., 'Galway')]"));
        browser.click("#agree");
        browser.click(By.xpath("//button[contains(., 'Order and pay')]"));
        done();
    }

    @Test
    void on_a_page_of_a_site_that_is_not_listed_nothing_opens_but_a_link_leads_to_the_counter() throws IOException {
        shop.owner().publish(Map.of("shop/sites", List.of("https://notes.example")));
        openPage();
        browser.waitFor("a way to the counter itself", () -> browser.count(By.xpath("//a[.='Tern & Tether']")) > 0);
        assertThat(browser.count(By.cssSelector("iframe"))).isZero();
        shop.owner()
                .publish(Map.of(
                        "shop/sites",
                        List.of(shop.services().url(), shop.services().url().replace("127.0.0.1", "localhost"))));
    }
}

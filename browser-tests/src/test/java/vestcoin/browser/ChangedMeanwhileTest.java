package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.springframework.jdbc.core.simple.JdbcClient;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.run.DemoShop;

/**
 * What changes between the basket and the last click is told in words, charges nothing else than what was last shown,
 * and loses nothing that was typed. Terms republished meanwhile are in {@link CounterTest}.
 */
class ChangedMeanwhileTest extends AtCounter {
    private static final String BOOK = "kites-you-can-build";

    ChangedMeanwhileTest(RunningShop.Running shop) {
        super(shop);
    }

    /** A phone with a book in its basket, at the last step. */
    private void atTheLastStep(String delivery) throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        address();
        browser.click(By.xpath("//label[contains(., '" + delivery + "')]"));
    }

    private void ready(String way) {
        browser.clickText("Go on to payment");
        browser.click(By.xpath("//label[contains(., '" + way + "')]"));
        browser.click("#agree");
    }

    private void click() {
        browser.click(By.xpath("//button[contains(., 'Order and pay')]"));
    }

    private void told(String sentence) {
        browser.see(By.xpath("//*[@role='alert'][contains(., '" + sentence + "')]"));
        assertThat(orders())
                .as("nothing was ordered, so nothing can be charged")
                .isZero();
    }

    private JdbcClient sql() {
        return shop.context().getBean(JdbcClient.class);
    }

    private long orders() {
        return sql().sql("select count(*) from orders where name = 'Nora Sample'")
                .query(Long.class)
                .single();
    }

    /** The order goes through at what is shown now, with all that was typed. */
    private void goesThrough(String total) {
        browser.see(By.xpath("//h1[contains(., 'to be paid') or contains(., 'Done')]"));
        total(total);
        assertThat(orders()).isEqualTo(1);
        assertThat(sql().sql("select address from orders where name = 'Nora Sample'")
                        .query(String.class)
                        .single())
                .as("what was typed before")
                .contains("5 Example Lane")
                .contains("Cork");
        sql().sql("update orders set name = 'Before' where name = 'Nora Sample'")
                .update();
    }

    private void priced(String was, String now) {
        Caller owner = shop.owner();
        owner.post(
                Caller.SHOP + "/draft/edits",
                Map.of("edits", List.of(Map.of("path", "goods/products/" + BOOK + "/price", "was", was, "now", now))));
        assertThat(owner.post(Caller.SHOP + "/draft/publish", Map.of()).status())
                .isEqualTo(200);
    }

    @Test
    void a_changed_price_is_shown_and_asked_again() throws IOException {
        atTheLastStep("Tube parcel");
        ready("Card");
        total("31.40");
        priced("24.50", "25.50");
        click();
        told("The total has changed from 31.40 to 32.40 EUR");
        total("32.40");
        click();
        goesThrough("32.40");
        priced("25.50", "24.50");
    }

    @Test
    void a_slot_that_was_taken_is_told_and_another_is_chosen() throws IOException {
        atTheLastStep("Workshop");
        String slot = browser.see("select optgroup option").getDomAttribute("value");
        browser.choose("select.text-base", slot);
        ready("Cash");
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.putAll(Map.of("delivery", "pickup-workshop", "method", "cash", "slot", slot));
        for (int i = 0; i < 4; i++) {
            assertThat(shop.anybody().buy(basket).status()).as("of four places").isEqualTo(200);
        }
        click();
        told("The slot chosen is not open any more");
        browser.clickText("How");
        assertThat(browser.see("select.text-base").getText())
                .as("no longer offered")
                .isNotEmpty();
        assertThat((Boolean) browser.script(
                        "return [...document.querySelectorAll('select.text-base option')].every(o => o.value !== "
                                + "arguments[0])",
                        slot))
                .isTrue();
        browser.choose("select.text-base", browser.see("select optgroup option").getDomAttribute("value"));
        browser.clickText("Go on to payment");
        click();
        goesThrough("24.50");
    }

    @Test
    void what_was_sold_to_another_is_told_with_what_is_left() throws IOException {
        String stock = Caller.SHOP + "/stock/" + BOOK;
        assertThat(shop.owner()
                        .put(stock, Map.of("item", BOOK, "remaining", "2"))
                        .status())
                .isEqualTo(200);
        atTheLastStep("Tube parcel");
        browser.clickText("Basket");
        browser.click("[aria-label='One Kites You Can Build, book more']");
        browser.clickText("Go on to the address");
        browser.clickText("Go on to delivery");
        ready("Card");
        shop.anybody().placeBook();
        click();
        told("Only 1 of Kites You Can Build, book is left");
        browser.clickText("Basket");
        browser.click("[aria-label='One Kites You Can Build, book less']");
        browser.clickText("Go on to the address");
        browser.clickText("Go on to delivery");
        browser.clickText("Go on to payment");
        click();
        goesThrough("31.40");
        assertThat(shop.owner()
                        .put(stock, Map.of("item", BOOK, "seen", "0"))
                        .json()
                        .path("left")
                        .isEmpty())
                .as("never below what was there")
                .isTrue();
    }

    @Test
    void a_voucher_that_was_spent_meanwhile_is_told_and_the_whole_price_asked_for() throws IOException {
        atTheLastStep("Tube parcel");
        browser.clickText("Basket");
        browser.fill("input[aria-label='Code or voucher']", "GIFT-KITE-2026");
        browser.clickText("Use");
        browser.waitFor("the voucher pays for it", () -> browser.shows("Voucher GIFT-KITE-2026"));
        browser.clickText("Go on to the address");
        browser.clickText("Go on to delivery");
        browser.clickText("Go on to payment");
        browser.click("#agree");
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("codes", List.of("GIFT-KITE-2026"));
        for (int i = 0; i < 2; i++) {
            assertThat(shop.anybody().buy(basket).status()).isEqualTo(200);
        }
        browser.click(By.xpath("//button[contains(., 'Order')]"));
        told("GIFT-KITE-2026");
        total("31.40");
        browser.click(By.xpath("//label[contains(., 'Card')]"));
        click();
        goesThrough("31.40");
    }

    @Test
    void a_shop_that_closed_meanwhile_says_so_and_keeps_the_basket() throws IOException {
        atTheLastStep("Tube parcel");
        ready("Card");
        ShopOpenings doors = shop.context().getBean(ShopOpenings.class);
        doors.close(DemoShop.SHOP, "Back on Monday.");
        click();
        browser.see(By.xpath("//h1[.='Not open just now']"));
        assertThat(browser.shows("Back on Monday.") && browser.shows("Nothing was ordered."))
                .isTrue();
        assertThat(browser.violations()).isEmpty();
        assertThat(orders()).isZero();
        doors.open(DemoShop.SHOP);
        browser.go(browser.url());
        total("31.40");
        browser.clickText("Go on to the address");
        assertThat(browser.see("input[autocomplete=email]").getDomProperty("value"))
                .isEqualTo("nora@buyers.example");
        browser.clickText("Go on to delivery");
        browser.clickText("Go on to payment");
        click();
        goesThrough("31.40");
    }
}

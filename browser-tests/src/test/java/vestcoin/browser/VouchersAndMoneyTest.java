package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;
import vestcoin.standins.pay.TestCard;

/** A voucher's whole life; money in two parts, another way after a refusal, none at all; an order called off. */
class VouchersAndMoneyTest extends AtCounter {
    private static final String DESK = "/desk/" + DemoShop.SHOP;
    private static final String BOOK = "Kites You Can Build, book";

    VouchersAndMoneyTest(RunningShop.Running shop) {
        super(shop);
    }

    private void clean(String what) {
        assertThat(browser.violations()).as(what).isEmpty();
        assertThat(browser.scrollsSideways()).as(what + " scrolls sideways").isFalse();
    }

    private String number() {
        return browser.see("main").getText().replaceAll("(?s).*Order (1\\d+).*", "$1");
    }

    private void desk(String number) throws IOException {
        browser.close();
        browser = Browser.atDesk(shop);
        browser.go(shop.url() + DESK + "/orders/" + number);
        browser.see("h1");
    }

    private void page(String url) throws IOException {
        browser.close();
        browser = Browser.open(390, 844);
        browser.go(url);
    }

    /** A book by letter to Cork. */
    private void book() {
        put(BOOK);
        address();
        browser.clickText("Go on to payment");
    }

    @Test
    void a_voucher_is_bought_for_another_redeemed_in_part_and_given_back_as_far_as_it_is_left() throws IOException {
        open(390, 844);
        browser.click("[aria-label='Put Gift voucher into the basket']");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'Write an amount in EUR')]"));
        browser.fill("input[aria-label='Gift voucher: amount in EUR']", "40");
        put("Gift voucher");
        browser.clickText("Go on to the address");
        browser.fill("input[autocomplete=name]", "Owen Sample");
        browser.fill("input[autocomplete=email]", "owen@buyers.example");
        browser.fill("input[autocomplete=postal-code]", "T12 X2A0");
        browser.click(By.xpath("//label[normalize-space(.)='for somebody else']"));
        browser.fill("fieldset input[type=text]", "Nora Sample");
        browser.fill("fieldset input[type=email]", "nora@buyers.example");
        browser.fill("fieldset textarea", "Fly it high!");
        clean("a voucher for somebody");
        browser.clickText("Go on to payment");
        order("Card");
        pay(TestCard.APPROVED.number());
        done();
        String vouchers = browser.see("section[aria-label='Vouchers']").getText();
        assertThat(vouchers).contains("€40.00").contains("Nora Sample");
        String code = vouchers.replaceAll("(?s).*?([A-Z0-9]{6}(-[A-Z0-9]{6}){2}).*", "$1");
        clean("an order with a voucher");
        String sold = number();
        browser.waitFor("it was written", () -> shop.services().post().letters().stream()
                .anyMatch(letter -> letter.to().equals("nora@buyers.example")
                        && letter.plain().contains(code)
                        && letter.plain().contains("Fly it high!")));
        browser.close();

        open(390, 844);
        put(BOOK);
        browser.fill("input[aria-label='Code or voucher']", code.toLowerCase(java.util.Locale.ROOT));
        browser.keys(Keys.ENTER);
        browser.waitFor("it pays", () -> browser.shows("Voucher " + code));
        address();
        browser.clickText("Go on to payment");
        browser.click("#agree");
        browser.click(By.xpath("//button[starts-with(., 'Order')]"));
        done();

        desk(sold);
        String left = browser.see("section[aria-label='Vouchers']").getText();
        assertThat(left).contains("left of €40.00").doesNotContain("€40.00 left");
        browser.click(By.xpath("//button[normalize-space(.)='Refund']"));
        browser.see(By.xpath("//*[@role='alert'][contains(., 'is left; the rest has been used')]"));
        String rest = left.replaceAll("(?s).*?€([0-9.]+) left of.*", "$1");
        browser.fill("input[aria-label^='Amount']", rest);
        browser.click(By.xpath("//button[normalize-space(.)='Refund']"));
        browser.waitFor(
                "it is given back",
                () -> browser.see("section[aria-label='Vouchers']").getText().contains("given back"));
        browser.see(By.xpath("//*[contains(text(), 'Vouchers given back')]"));
        assertThat(browser.violations()).isEmpty();
    }

    @Test
    void a_transfer_comes_in_two_parts_and_the_page_says_what_is_left() throws IOException {
        open(390, 844);
        book();
        order("Bank transfer");
        done();
        String number = number();
        String page = browser.url();
        desk(number);
        browser.fill("input[aria-label^='Amount']", "10.00");
        browser.clickText("The money has come");
        browser.waitFor("a part is there", () -> browser.shows("has come €10.00"));
        page(page);
        // 24.50 and the letter's 4.20, of which 10.00 have come.
        browser.see(By.xpath("//section[@aria-label='Receipt'][contains(., 'Still to transfer')]"));
        assertThat(browser.see("section[aria-label='Receipt']").getText())
                .contains("−€10.00")
                .contains("€18.70");
        clean("a transfer in part");
        desk(number);
        browser.clickText("The money has come");
        browser.see(By.xpath("//h2[contains(., ', captured')]"));
        page(page);
        browser.waitFor("the slip is gone", () -> !browser.shows("IBAN"));
        assertThat(browser.see("main").getText()).contains("Paid");
    }

    @Test
    void after_a_refusal_the_order_is_paid_another_way() throws IOException {
        open(390, 844);
        book();
        order("Card");
        pay(TestCard.DECLINED.number());
        browser.see(By.xpath("//*[@role='alert'][contains(., 'declined')]"));
        clean("a declined card");
        browser.click(By.xpath("//section[@aria-label='Pay another way']//button[contains(., 'Bank transfer')]"));
        done();
        assertThat(browser.shows("IBAN")).isTrue();
    }

    @Test
    void an_order_is_called_off_by_its_buyer() throws IOException {
        open(390, 844);
        book();
        order("Card");
        pay(TestCard.APPROVED.number());
        done();
        String number = number();
        browser.clickText("Call the order off");
        clean("calling off");
        browser.clickText("Yes, call it off");
        browser.see(By.xpath("//p[contains(., 'You have called this order off')]"));
        clean("an order called off");
        desk(number);
        browser.see(By.xpath("//h2[contains(., 'voided')]"));
    }

    @Test
    void what_was_sold_is_a_picture_tables_and_a_file_and_a_mail_server_is_refused_in_a_sentence() throws IOException {
        browser = Browser.atDesk(shop);
        browser.go(shop.url() + DESK + "/sales");
        browser.see(By.xpath("//table//th[.='Given back']"));
        browser.choose("main select", "day");
        browser.waitFor("days are shown", () -> browser.shows("Total by day, EUR"));
        assertThat(browser.violations()).isEmpty();
        assertThat(browser.see(By.linkText("Every line as CSV")).getDomAttribute("href"))
                .contains("/sales.csv?by=day");
        // Where nothing was sold there is a quarter to file all the same.
        browser.set("input[type=date]", "2001-01-01");
        browser.set("label + label + label input[type=date]", "2001-01-31");
        browser.waitFor("no paper in those days", () -> browser.shows("No paper was issued"));
        browser.see(By.xpath("//section[@aria-label='To consumers elsewhere in the European Union']"));
        assertThat(browser.violations()).isEmpty();
        browser.go(shop.url() + DESK + "/terms");
        browser.click(By.xpath("//summary[starts-with(normalize-space(.), 'Letters')]"));
        browser.fill("input[name=host]", "no server");
        browser.click(By.xpath("//section[@aria-label='How letters leave']//button[.='Keep']"));
        browser.see(By.xpath("//*[@role='alert'][contains(., 'is no name of a server')]"));
        assertThat(browser.violations()).isEmpty();
    }

    @Test
    void a_business_has_its_own_order_number_on_everything() throws IOException {
        open(390, 844);
        put(BOOK);
        browser.clickText("Go on to the address");
        browser.fill("input[autocomplete=name]", "Nora Sample");
        browser.fill("input[autocomplete=email]", "office@buyers.example");
        browser.fill("input[autocomplete=address-line1]", "5 Example Lane");
        browser.fill("input[autocomplete=postal-code]", "T12 X2A0");
        browser.fill("input[autocomplete=address-level2]", "Cork");
        browser.click(By.xpath("//label[normalize-space(.)='A business or school buys this']"));
        browser.fill("input[maxlength='60']", "PO 4711/a");
        clean("a business's number");
        browser.waitFor("the address fits", () -> !browser.shows("not complete"));
        browser.clickText("Go on to delivery");
        browser.clickText("Go on to payment");
        order("Card");
        pay(TestCard.APPROVED.number());
        done();
        assertThat(browser.shows("Your order number: PO 4711/a")).isTrue();
        String number = number();
        desk(number);
        browser.see(By.xpath("//p[contains(., 'order number')][contains(., 'PO 4711/a')]"));
        browser.waitFor("it is in the letter", () -> shop.services().post().letters().stream()
                .anyMatch(letter -> letter.to().equals("office@buyers.example")
                        && letter.plain().contains("PO 4711/a")));
    }
}

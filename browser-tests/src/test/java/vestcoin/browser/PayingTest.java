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

/** Every card and every way to pay at the real counter: what the buyer reads, what the seller reads. */
class PayingTest extends AtCounter {
    private static final String DESK = "/desk/" + DemoShop.SHOP;

    PayingTest(RunningShop.Running shop) {
        super(shop);
    }

    /** @return the order's number */
    private String ordered(String way) throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        address();
        browser.click(By.xpath("//label[contains(., 'Tube parcel')]"));
        total("31.40");
        browser.clickText("Go on to payment");
        order(way);
        browser.waitFor("the order stands", () -> browser.url().contains("/order/"));
        browser.waitFor("its number", () -> browser.see("main").getText().contains("Order 1"));
        return browser.see("main").getText().replaceAll("(?s).*Order (1\\d+).*", "$1");
    }

    private void clean(String what) {
        assertThat(browser.violations()).as(what).isEmpty();
        assertThat(browser.scrollsSideways()).as(what + " scrolls sideways").isFalse();
    }

    @Test
    void each_card_that_fails_says_why_and_the_order_is_kept_for_the_next() throws IOException {
        String number = ordered("Card");
        pay("9810000000000002");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'not a card number')]"));
        for (TestCard card : new TestCard[] {TestCard.DECLINED, TestCard.INSUFFICIENT_FUNDS, TestCard.EXPIRED}) {
            pay(card.number());
            browser.see(By.xpath("//*[@role='alert'][contains(., '" + card.outcome() + "')]"));
            assertThat(browser.shows("The order is kept")).isTrue();
        }
        clean("a card that failed");
        pay(TestCard.ASKED_AND_FAILED.number());
        browser.click(By.xpath("//button[contains(., 'Yes, it is me')]"));
        browser.see(By.xpath("//*[@role='alert'][contains(., 'could not confirm')]"));
        pay(TestCard.ASKED_AND_PASSED.number());
        browser.click(By.xpath("//button[contains(., 'Yes, it is me')]"));
        done();
        browser.close();

        browser = Browser.atDesk(shop);
        browser.go(shop.url() + DESK + "/orders/" + number);
        browser.see(By.xpath("//h2[contains(., 'authorised')]"));
        for (String said : new String[] {
            "declined by the bank",
            "not enough money on the card",
            "the card has expired",
            "could not confirm the buyer"
        }) {
            assertThat(browser.shows(said)).as(said).isTrue();
        }
    }

    @Test
    void a_bank_that_never_answers_and_a_processor_out_of_order_charge_nothing_twice() throws IOException {
        ordered("Card");
        shop.cards().outage(true);
        pay(TestCard.APPROVED.number());
        browser.see(By.xpath("//*[@role='alert'][contains(., 'out of order') or contains(., 'cannot be reached')]"));
        shop.cards().outage(false);
        pay(TestCard.SILENT.number());
        browser.see(By.xpath("//*[@role='status'][contains(., 'nothing is charged twice')]"));
        assertThat(browser.script("return document.querySelector('input[name=number]')"))
                .as("no second card while the first is open")
                .isNull();
        clean("a bank that never answers");
    }

    @Test
    void a_wallet_is_cancelled_then_approved() throws IOException {
        ordered("Wallet");
        browser.clickText("Go to the wallet");
        browser.click(By.xpath("//button[.='Cancel']"));
        browser.see(By.xpath("//*[@role='alert'][contains(., 'cancelled in the wallet')]"));
        clean("a wallet that was cancelled");
        browser.clickText("Go to the wallet");
        browser.click(By.xpath("//button[.='Approve']"));
        done();
        browser.waitFor("an invoice is there", () -> browser.shows("Invoice TEST-"));
        clean("a receipt with its invoice");
    }

    /** One press at the basket, one that orders; between them the wallet, and whatever is chosen otherwise. */
    @Test
    void a_wallet_at_the_basket_leaves_how_and_the_last_press() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        browser.clickText("Wallet: address and payment in one");
        browser.click(By.xpath("//button[.='Cancel']"));
        browser.see(By.xpath("//h1[.='Your basket']"));
        browser.clickText("Wallet: address and payment in one");
        browser.click(By.xpath("//button[.='Share and approve']"));
        browser.see(By.xpath("//p[contains(., 'Nora Sample')][contains(., 'Galway')]"));
        clean("how and paying in one");
        browser.click(By.xpath("//label[contains(., 'Tube parcel')]"));
        browser.click("#agree");
        browser.click(By.xpath("//button[contains(., 'Order and pay')]"));
        done();
        assertThat(browser.shows("7 Payer Lane")).isTrue();
    }

    /** What is dearer where the wallet's owner lives than was approved of is asked again, and nothing is lost. */
    @Test
    void a_wallet_asks_again_where_it_comes_to_more() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        browser.clickText("Wallet: address and payment in one");
        browser.choose("select[name=who]", "2");
        browser.click(By.xpath("//button[.='Share and approve']"));
        browser.see(By.xpath("//p[contains(., 'Ada Instance')][contains(., 'Asheville')]"));
        browser.click(By.xpath("//label[contains(., 'Tube parcel')]"));
        browser.click("#agree");
        browser.click(By.xpath("//button[contains(., 'Order and pay')]"));
        browser.click(By.xpath("//button[.='Approve']"));
        done();
    }

    @Test
    void a_transfer_is_told_how_and_found_on_the_bank_s_statement() throws IOException {
        String number = ordered("Bank transfer");
        done();
        String reference = browser.see(By.xpath("//dt[.='Reference']/following-sibling::dd[1]"))
                .getText();
        assertThat(browser.see("svg[aria-label^='Square code']").isDisplayed()).isTrue();
        clean("a transfer");
        browser.close();

        shop.services().bank().transfer("31.40", "EUR", reference, "Nora Sample");
        Path file = Files.createTempFile("statement", ".xml");
        Files.writeString(file, shop.services().bank().statement("IE36TNTR93000001234567"));
        browser = Browser.atDesk(shop);
        browser.go(shop.url() + DESK + "/orders");
        browser.see("table");
        browser.upload("input[aria-label='Bank statement']", file);
        browser.see(By.xpath("//dialog//tr[contains(., 'Nora Sample')][contains(., 'paid')]"));
        clean("a statement");
        browser.clickText("Close");
        browser.go(shop.url() + DESK + "/orders/" + number);
        browser.see(By.xpath("//h2[contains(., 'captured')]"));
        browser.waitFor("the invoice", () -> browser.shows("Invoice TEST-"));
        browser.clickText("It leaves now");
        browser.waitFor("all has left", () -> browser.shows("Everything has left."));
        browser.waitFor("it is told", () -> browser.shows("is on its way"));
        clean("an order with papers and letters");
    }

    @Test
    void a_true_test_payment_is_shown_step_by_step_and_a_voucher_issued() throws IOException {
        browser = Browser.atDesk(shop);
        browser.go(shop.url() + DESK + "/payment");
        browser.click(By.xpath("//li[@data-path='payment/methods/card']//button[@aria-expanded]"));
        browser.fill("input[inputmode=numeric]", TestCard.APPROVED.number());
        browser.clickText("Try it");
        browser.see(By.xpath("//ol[@aria-label='Steps of the trial']/li[3][contains(., 'Given back')]"));
        browser.fill("input[inputmode=numeric]", TestCard.DECLINED.number());
        browser.clickText("Try it");
        browser.see(By.xpath("//ol[@aria-label='Steps of the trial']/li[contains(., 'declined by the bank')]"));
        browser.fill("input[name=amount]", "25");
        browser.clickText("Issue it");
        browser.waitFor("it is listed", () -> browser.shows("€25.00"));
        clean("Payment, unfolded");
        browser.dark(true);
        clean("Payment, unfolded, dark");
    }
}

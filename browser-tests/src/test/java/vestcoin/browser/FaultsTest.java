package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;
import vestcoin.standins.pay.TestCard;
import vestcoin.standins.taxrates.TaxRates;

/**
 * Every fault of every simulated service besides the cards: what the buyer reads, what the seller reads, and that the
 * basket survives.
 */
class FaultsTest extends AtCounter {
    private static final String DESK = "/desk/" + DemoShop.SHOP;

    FaultsTest(RunningShop.Running shop) {
        super(shop);
    }

    @AfterEach
    void allAnswer() {
        var services = shop.services();
        services.wallet().outage(false);
        services.carrier().outage(false);
        services.carrier().refuse(false);
        services.carrier().delay(0);
        services.rates().outage(false);
        services.post().outage(false);
        services.register().outage(false);
        services.places().outage(false);
        services.taxRates().outage(false);
        services.cards().delay(0);
    }

    private void desk(String station) throws IOException {
        browser = Browser.atDesk(shop);
        browser.go(shop.url() + DESK + "/" + station);
        browser.see("h1");
    }

    @Test
    void a_wallet_out_of_order_charges_nothing_and_keeps_the_order() throws IOException {
        open(390, 844);
        put("Kites You Can Build, book");
        address();
        browser.clickText("Go on to payment");
        order("Wallet");
        browser.seeText("Go to the wallet");
        shop.services().wallet().outage(true);
        browser.clickText("Go to the wallet");
        browser.see(By.xpath("//*[@role='status'][contains(., 'nothing is charged twice')]"));
        shop.services().wallet().outage(false);
        browser.waitFor(
                "it is asked again and can be tried again",
                () -> browser.shows("Nothing was charged") || browser.shows("has not answered yet"));
        assertThat(browser.violations()).isEmpty();
    }

    @Test
    void a_slow_bank_says_that_it_is_being_asked_and_takes_the_money_once() throws IOException {
        open(390, 844);
        put("Plans for a box kite, to print yourself");
        countryAlone();
        order("Card");
        browser.see("input[name=number]");
        shop.services().cards().delay(1500);
        pay(TestCard.APPROVED.number());
        browser.seeText("Asking the bank …");
        done();
    }

    /** Without an answer the express costs its other price; it is never left out, and never free. */
    @Test
    void a_carrier_that_is_silent_or_refuses_leaves_the_other_price_and_the_seller_is_told() throws IOException {
        shop.services().carrier().outage(true);
        open(390, 844);
        put("Wind sock");
        address();
        browser.see(By.xpath("//label[contains(., 'Express')][contains(., '34.00')]"));
        browser.close();
        desk("delivery");
        browser.waitFor(
                "the seller reads it",
                () -> browser.shows(
                        "The carrier is not answering. Cells that ask it take their other price meanwhile."));
        browser.close();
        shop.services().carrier().outage(false);
        shop.services().carrier().refuse(true);
        open(390, 844);
        put("Mending kit");
        address();
        browser.see(By.xpath("//label[contains(., 'Express')][contains(., '34.00')]"));
    }

    @Test
    void a_feed_of_exchange_rates_that_is_silent_leaves_the_last_rates() throws IOException {
        desk("shop");
        shop.services().rates().outage(true);
        browser.click(By.xpath("//button[contains(., 'Fetch the rates now')]"));
        browser.see(By.xpath("//*[@role='alert'][contains(., 'The feed of exchange rates is not answering. The last "
                + "rates stand; try again later.')]"));
        browser.close();
        open(390, 844);
        browser.choose("select[aria-label=Currency]", "CHF");
        browser.waitFor("prices in francs all the same", () -> browser.shows("CHF"));
    }

    @Test
    void a_register_that_is_silent_or_denies_taxes_as_a_person_and_lets_the_buyer_go_on() throws IOException {
        open(390, 844);
        put("Box kite");
        browser.clickText("Go on to the address");
        browser.fill("input[autocomplete=name]", "A School");
        browser.fill("input[autocomplete=email]", "school@buyers.example");
        browser.choose("select[autocomplete=country]", "DE");
        browser.fill("input[autocomplete=address-line1]", "Musterweg 4");
        browser.fill("input[autocomplete=postal-code]", "10115");
        browser.fill("input[autocomplete=address-level2]", "Berlin");
        browser.click(By.xpath("//label[contains(., 'A business or school buys this')]"));
        shop.services().register().outage(true);
        browser.fill("input[autocomplete=off]", "DE987654321");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'The register of tax numbers is not answering, so tax is "
                + "charged as to a person for now.')]"));
        shop.services().register().outage(false);
        browser.fill("input[autocomplete=off]", "DE987654320");
        browser.see(By.xpath("//*[@role='alert'][contains(., 'The register does not know this tax number')]"));
        browser.clickText("Go on to delivery");
        browser.see("input[name=delivery]");
    }

    @Test
    void a_post_room_that_is_closed_keeps_the_letters_and_the_seller_sees_them_wait() throws IOException {
        shop.services().post().outage(true);
        open(390, 844);
        put("Plans for a box kite, to print yourself");
        countryAlone();
        order("Card");
        pay(TestCard.APPROVED.number());
        done();
        String number = browser.see("main").getText().replaceAll("(?s).*Order (1\\d+).*", "$1");
        browser.close();
        desk("orders/" + number);
        browser.waitFor("they wait", () -> browser.shows("waits for the post room"));
    }

    /** What cannot be located is not brought round; everything else is offered. */
    @Test
    void an_address_finder_that_is_silent_or_does_not_know_offers_no_cargo_bike() throws IOException {
        open(390, 844);
        put("Box kite");
        browser.clickText("Go on to the address");
        browser.fill("input[autocomplete=name]", "Nora Sample");
        browser.fill("input[autocomplete=email]", "nora@buyers.example");
        browser.fill("input[autocomplete=address-line1]", "5 Example Lane");
        browser.fill("input[autocomplete=address-level2]", "Galway");
        shop.services().places().outage(true);
        browser.fill("input[autocomplete=postal-code]", "H91 A2A0");
        browser.waitFor("the address fits", () -> !browser.shows("not complete"));
        browser.clickText("Go on to delivery");
        browser.see(By.xpath("//label[contains(., 'Tube parcel')]"));
        assertThat(browser.shows("Cargo bike")).isFalse();
        shop.services().places().outage(false);
        browser.clickText("Where");
        browser.fill("input[autocomplete=postal-code]", "H91 C2C0");
        browser.waitFor("the address fits", () -> !browser.shows("not complete"));
        browser.clickText("Go on to delivery");
        browser.click(By.xpath("//label[contains(., 'Cargo bike')]"));
        browser.see(By.xpath("//select[contains(., 'Choose a time')]"));
    }

    @Test
    void a_tax_rate_service_refuses_a_wrong_key_is_silent_and_knows_nothing_each_in_words() throws IOException {
        desk("tax");
        browser.click("tbody th button");
        browser.fill("input[name=secret]", "not-a-key");
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//*[@role='alert'][contains(., 'The service does not know this key. Copy it again, whole "
                + "and without spaces.')]"));
        browser.fill("input[name=secret]", TaxRates.KEY);
        browser.keys(Keys.ENTER);
        browser.see(By.xpath("//button[contains(., 'Ask the rate service about')]"));
        shop.services().taxRates().outage(true);
        browser.click(By.xpath("//button[contains(., 'Ask the rate service about')]"));
        browser.see(By.xpath("//*[@role='alert'][contains(., 'The tax-rate service is not answering. Nothing was "
                + "changed; try again in a few minutes.')]"));
        shop.services().taxRates().outage(false);
        browser.click(By.xpath("//button[contains(., 'Ask the rate service about')]"));
        browser.see(By.xpath("//li[contains(., '% on ordinary goods')]//button[contains(., 'take it for')]"));
        assertThat(browser.violations()).isEmpty();
    }
}

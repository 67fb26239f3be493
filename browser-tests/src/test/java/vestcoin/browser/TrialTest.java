package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInfo;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/**
 * A new seller's first evening, by the screens alone: fourteen tasks, one after the other, each with its actions
 * counted. An action is a click, a key or chord, or one field typed; nothing is pasted and no code is typed.
 */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class TrialTest {
    private static Installation shop;
    private static Browser browser;
    private int before;

    @BeforeAll
    static void start() throws IOException {
        shop = Installation.empty();
        browser = shop.browser;
    }

    @AfterAll
    static void stop() {
        shop.close();
    }

    @BeforeEach
    void begin() {
        before = browser.actions();
    }

    @AfterEach
    void counted(TestInfo task) {
        System.out.printf(
                "trial: %s: %d actions%n",
                task.getTestMethod().orElseThrow().getName().replace('_', ' '), browser.actions() - before);
    }

    private static void station(int number) {
        browser.keys(Keys.chord(Keys.ALT, String.valueOf(number)));
    }

    private static void field(String path, String text) {
        browser.fill("[data-path='" + path + "']", text);
        browser.keys(Keys.ENTER);
    }

    /** A cell of a sheet, opened, typed and kept. */
    private static void cell(String path, String text) {
        browser.click("[data-path='" + path + "']");
        browser.keys(text, Keys.ENTER);
        browser.waitFor(
                path + " is " + text,
                () -> browser.see("[data-path='" + path + "']").getText().startsWith(text.substring(0, 2)));
    }

    private static void button(String text) {
        browser.click(By.xpath("//button[normalize-space(.)=\"" + text + "\"]"));
    }

    private static void label(String text) {
        browser.click(By.xpath("//label[normalize-space(.)=\"" + text + "\"]"));
    }

    private static String ticket() {
        return browser.see("[data-amount='To pay']").getText();
    }

    @Test
    @Order(1)
    void a_shop() {
        shop.founded("Quiet Oars", "Ireland");
        label("Fetched from us");
        label("by weight");
        label("All of the European Union");
        button("Begin with these");
        browser.waitFor("a basket is priced", () -> ticket().equals("25.00"));
        station(1);
        field("shop/address/lines", "3 Example Slip");
        field("shop/address/city", "Galway");
        field("shop/address/postcode", "H91 X2A0");
        field("shop/email", "owner@oars.example");
        browser.waitFor("they are kept", () -> "owner@oars.example"
                .equals(browser.see("[data-path='shop/email']").getDomProperty("value")));
        assertThat(browser.actions() - before).isLessThanOrEqualTo(25);
    }

    @Test
    @Order(2)
    void tax_with_the_one_stop_shop() {
        station(5);
        button("Confirm all of them");
        button("Add a registration");
        field("tax/registrations/registration/number", "IE1234567FA");
        button("Add a registration");
        browser.choose("[data-path='tax/registrations/registration-2/scheme']", "one-stop-shop");
        browser.waitFor("with the Union", () -> "European Union"
                .equals(browser.see("[data-path='tax/registrations/registration-2/authority']")
                        .getDomProperty("value")));
        sendTo("Germany");
        browser.waitFor("Germany's rate", () -> browser.shows("VAT inside, 19 %"));
        sendTo("Ireland");
        browser.waitFor("Ireland's rate", () -> browser.shows("VAT inside, 23 %"));
        assertThat(browser.actions() - before).isLessThanOrEqualTo(20);
    }

    /** The ticket goes elsewhere. */
    private static void sendTo(String country) {
        browser.click(By.xpath("(//aside//p//button)[1]"));
        browser.waitFor(
                "the place can be typed", () -> "country".equals(browser.script("return document.activeElement.name")));
        browser.keys(Keys.chord(Keys.CONTROL, "a"), country, Keys.ENTER);
    }

    @Test
    @Order(3)
    void letter_and_parcel_bands_with_free_from() {
        station(3);
        button("Add an option");
        browser.keys("Letter", Keys.ENTER);
        browser.see("[data-path='delivery/options/letter/name']");
        cell("delivery/zones/home/rates/letter", "to 0.1 kg 2.20, to 1 kg 4.20");
        cell("delivery/zones/union/rates/letter", "to 0.1 kg 3.90, to 1 kg 9.40");
        cell("delivery/zones/home/rates/standard", "to 1 kg 6.90, to 5 kg 9.40, then +0.80/kg, from 80 free");
        cell("delivery/zones/union/rates/standard", "to 1 kg 12.40, to 5 kg 18.20, then +1.90/kg, from 250 free");
        browser.waitFor("the letter is the cheapest", () -> ticket().equals("24.20"));
        assertThat(browser.actions() - before).isLessThanOrEqualTo(20);
    }

    @Test
    @Order(4)
    void forty_goods_from_a_file() throws IOException {
        Path file = Files.createTempFile("goods", ".csv");
        Files.writeString(
                file,
                "code,name,kind,price,category,weight\n"
                        + IntStream.rangeClosed(1, 40)
                                .mapToObj(n -> "oar-" + n + ",Oar No. " + n + ",physical," + (20 + n) + ".00,standard,"
                                        + (n % 4 + 1) + " kg")
                                .collect(Collectors.joining("\n")));
        station(2);
        browser.see(By.xpath("//button[normalize-space(.)='From a file']"));
        browser.upload("input[type=file]", file);
        browser.waitFor("what would change is told", () -> browser.shows("40 new"));
        button("Take it");
        browser.waitFor("taken", () -> browser.shows("41 products"));
        assertThat(browser.actions() - before).isLessThanOrEqualTo(4);
    }

    @Test
    @Order(5)
    void a_product_of_three_choices() {
        browser.fill("input[aria-label='Name of a new product']", "Paddle");
        browser.keys(Keys.ENTER);
        browser.waitFor("the price has the cursor", () -> "goods/products/paddle/price"
                .equals(browser.script("return document.activeElement.dataset.path")));
        browser.keys("40.00", Keys.TAB);
        browser.waitFor("then the weight", () -> "goods/products/paddle/weight"
                .equals(browser.script("return document.activeElement.dataset.path")));
        browser.keys("0.9 kg", Keys.ENTER);
        button("Unfold Paddle");
        browser.fill("section[aria-label='What the buyer chooses'] form input", "Length: short, medium, long");
        browser.keys(Keys.ENTER);
        browser.fill("[data-path='goods/products/paddle/options/length/choices/medium/extra']", "4");
        browser.fill("[data-path='goods/products/paddle/options/length/choices/long/extra']", "10 %");
        browser.fill("[aria-label='Left of long']", "12");
        browser.keys(Keys.ENTER);
        browser.waitFor("twelve long ones are left", () -> "12"
                .equals(browser.see("[aria-label='Left of long']").getDomProperty("value")));
        browser.waitFor("a tenth more for the long one", () -> "10 %"
                .equals(browser.see("[data-path='goods/products/paddle/options/length/choices/long/percent']")
                        .getDomProperty("value")));
        assertThat(browser.violations()).isEmpty();
        assertThat(browser.actions() - before).isLessThanOrEqualTo(16);
    }

    @Test
    @Order(6)
    void a_code_for_a_fair() {
        button("Add a discount");
        browser.keys("Boat fair", Keys.ENTER);
        cell("discounts/rules/boat-fair/percent", "15");
        button("Boat fair");
        button("Days");
        field("discounts/rules/boat-fair/conditions/window", "1 Dec 2026 to 6 Dec 2026");
        browser.waitFor("it is read back", () -> browser.see("section[aria-label='Discounts and codes']")
                .getText()
                .contains("Dec"));
        assertThat(browser.actions() - before).isLessThanOrEqualTo(10);
    }

    @Test
    @Order(7)
    void collecting() {
        station(4);
        field("pickup/places/shop/hours", "mon-fri 9-17; sat 10-13");
        field("pickup/places/shop/slotMinutes", "30");
        browser.waitFor("slots are offered", () -> !browser.see("section[aria-label='At the shop']")
                .findElements(By.cssSelector("ul li"))
                .isEmpty());
        assertThat(browser.actions() - before).isLessThanOrEqualTo(6);
    }

    @Test
    @Order(8)
    void brought_round_by_bicycle() {
        button("Bring orders round ourselves");
        browser.waitFor("nobody finds addresses yet", () -> browser.shows("No address finder answers."));
        button("switch on practice services");
        browser.waitFor("they are on", () -> browser.shows("Practice services are on"));
        button("Find it from the address");
        browser.waitFor("found", () -> browser.see("[data-path='shop/point']")
                .getDomProperty("value")
                .startsWith("53."));
        field("pickup/local/name", "By bicycle");
        field("pickup/local/radius", "8");
        field("pickup/local/price", "to 3 km 2.00, to 8 km 4.50");
        browser.waitFor("rings are drawn", () -> browser.see("svg[aria-label='Brought round within 8 km']")
                .isDisplayed());
        assertThat(browser.actions() - before).isLessThanOrEqualTo(10);
    }

    @Test
    @Order(9)
    void card_transfer_and_cash() throws Exception {
        station(6);
        button("Card");
        button("Go to the provider and connect");
        browser.click(By.xpath("//button[contains(., 'real money')]"));
        browser.waitFor("back, and waiting", () -> browser.shows("Waiting for approval by the provider"));
        shop.approveAccounts();
        button("Ask now");
        browser.waitFor("approved", () -> browser.shows("Connected, real money."));
        browser.choose("[data-path='payment/methods/card/capture']", "at-dispatch");
        browser.click("[aria-label='Card, on']");
        button("Bank transfer");
        field("payment/account/iban", "IE29 AIBK 9311 5212 3456 78");
        field("payment/account/holder", "Quiet Oars");
        browser.click("[aria-label='Bank transfer, on']");
        button("Cash when you collect");
        browser.click("[aria-label='Cash when you collect, on']");
        browser.waitFor("three ways", () -> browser.shows("Pays by Card") || browser.shows("Bank transfer"));
        assertThat(browser.violations()).isEmpty();
        assertThat(browser.actions() - before).isLessThanOrEqualTo(25);
    }

    @Test
    @Order(10)
    void terms_in_two_languages() {
        station(1);
        browser.click("[data-path='shop/languages']");
        browser.keys("German", Keys.ENTER);
        browser.see(By.xpath("//span[@title='de'][contains(., 'German')]"));
        station(7);
        field("terms/returnDays", "30");
        field("terms/withdrawalDays", "14");
        field("terms/returnAddress", "3 Example Slip, Galway");
        browser.choose("[data-path='terms/returnPayer']", "buyer");
        for (int left = browser.count(By.xpath("//button[.='Start from our template']")); left > 0; left--) {
            int now = left;
            browser.click(By.xpath("(//button[.='Start from our template'])[1]"));
            browser.waitFor(
                    "one more text", () -> browser.count(By.xpath("//button[.='Start from our template']")) < now);
        }
        assertThat(browser.actions() - before).isLessThanOrEqualTo(25);
    }

    @Test
    @Order(11)
    void publish_and_open() {
        station(2);
        browser.click("[data-path='goods/products/thing/name']");
        browser.keys("Cleat", Keys.ENTER);
        button("Publish…");
        browser.click(By.xpath("//dialog[@open]//button[text()='Publish']"));
        browser.waitFor("published", () -> browser.shows("no changes"));
        station(9);
        browser.waitFor("what stands against it is told", () -> browser.shows("No payment was tried with Card"));
        browser.click(By.xpath("//li[contains(., 'No payment was tried with Card')]//button"));
        browser.fill("input[inputmode=numeric]", "9810 0000 0000 0001");
        button("Try it with real money");
        browser.waitFor("it went through", () -> browser.shows("Last tried"));
        station(9);
        browser.waitFor("nothing stands against it", () -> browser.shows("Nothing stands against opening"));
        button("Open the shop");
        browser.seeText("The shop is open");
        assertThat(browser.actions() - before).isLessThanOrEqualTo(15);
    }

    private static void buy(String name, String street, String postcode, String town, String country) {
        browser.go(shop.url + "/counter/quiet-oars");
        browser.click("[aria-label='Put Cleat into the basket']");
        browser.clickText("Go on to the address");
        browser.fill("input[autocomplete=name]", name);
        browser.fill(
                "input[autocomplete=email]", name.split(" ")[0].toLowerCase(java.util.Locale.ROOT) + "@buyers.example");
        browser.choose("select[autocomplete=country]", country);
        browser.fill("input[autocomplete=address-line1]", street);
        browser.fill("input[autocomplete=postal-code]", postcode);
        browser.fill("input[autocomplete=address-level2]", town);
        browser.waitFor("the address fits", () -> !browser.shows("not complete") && !browser.shows("not a postcode"));
        browser.clickText("Go on to delivery");
        browser.clickText("Go on to payment");
        browser.click(By.xpath("//label[contains(., 'Card')]"));
        browser.click("#agree");
        browser.click(
                By.xpath("//button[contains(., 'Order with obligation')]|//button[contains(., 'Order and pay')]"));
        browser.fill("input[name=number]", "9810 0000 0000 0001");
        browser.click(By.xpath("//main//button[.='Pay']"));
        browser.see(By.xpath("//h1[contains(., 'Done')]"));
    }

    @Test
    @Order(12)
    void five_buyers_in_five_countries() {
        buy("Aoife Sample", "5 Example Lane", "T12 X2A0", "Cork", "IE");
        buy("Jonas Beispiel", "Musterweg 4", "10115", "Berlin", "DE");
        buy("Camille Exemple", "8 rue Modèle", "75011", "Paris", "FR");
        buy("Sanne Voorbeeld", "Modelstraat 2", "1012 AB", "Amsterdam", "NL");
        buy("Elena Ejemplo", "Calle Muestra 1", "28001", "Madrid", "ES");
        assertThat(browser.actions() - before).isLessThanOrEqualTo(5 * 16);
    }

    @Test
    @Order(13)
    void take_send_give_back_and_call_off() {
        browser.go(shop.url + "/desk/quiet-oars/orders");
        browser.click(By.xpath("//a[.='1001']"));
        button("Capture");
        browser.see(By.xpath("//h2[contains(., ', captured')]"));
        browser.fill("input[name=tracking]", "RR123456785IE");
        button("It leaves now");
        browser.waitFor("it has left", () -> browser.shows("Everything has left."));
        browser.fill("input[aria-label^='Amount to refund']", "5.00");
        button("Refund");
        browser.see(By.xpath("//h2[contains(., 'refunded in part')]"));
        browser.go(shop.url + "/desk/quiet-oars/orders");
        browser.click(By.xpath("//a[.='1002']"));
        button("Call it off …");
        button("Call the order off");
        browser.waitFor("it is called off", () -> browser.shows("called off"));
        assertThat(browser.actions() - before).isLessThanOrEqualTo(12);
    }

    /** A product by its name and price, unfolded. */
    private static void product(String name, String code, String kind, String price) {
        browser.fill("input[aria-label='Name of a new product']", name);
        browser.keys(Keys.ENTER);
        browser.waitFor("the price has the cursor", () -> ("goods/products/" + code + "/price")
                .equals(browser.script("return document.activeElement.dataset.path")));
        browser.keys(price, Keys.ENTER);
        button("Unfold " + name);
        if (!kind.isEmpty()) {
            String cell = "[data-path='goods/products/" + code + "/kind']";
            browser.click(cell);
            browser.keys(Keys.ENTER);
            browser.choose(cell + " select", kind);
        }
    }

    @Test
    @Order(14)
    void choices_with_a_text_a_subscription_and_a_voucher() {
        station(2);
        product("Name board", "name-board", "", "30.00");
        browser.fill("section[aria-label='What the buyer chooses'] form input", "Wood: ash, oak");
        browser.keys(Keys.ENTER);
        browser.fill("[data-path='goods/products/name-board/options/wood/choices/oak/extra']", "6");
        browser.keys(Keys.ENTER);
        button("Add a question");
        browser.keys("Painted on it", Keys.ENTER);
        field("goods/products/name-board/questions/painted-on-it/perCharacter", "0.50");
        product("Oar oil", "oar-oil", "", "9.00");
        button("Charged again every");
        field("goods/products/oar-oil/renews", "month");
        product("Voucher for a friend", "voucher-for-a-friend", "voucher", "25.00");
        button("Publish…");
        browser.click(By.xpath("//dialog[@open]//button[text()='Publish']"));
        browser.waitFor("published", () -> browser.shows("no changes"));
        assertThat(browser.actions() - before).as("at the desk").isLessThanOrEqualTo(40);

        browser.go(shop.url + "/counter/quiet-oars");
        browser.click(By.xpath("//label[.='oak']"));
        browser.fill("input[aria-label='Name board: Painted on it']", "Swift");
        browser.click("[aria-label='Put Name board into the basket']");
        browser.click("[aria-label='Put Oar oil into the basket']");
        browser.click("[aria-label='Put Voucher for a friend into the basket']");
        browser.clickText("Go on to the address");
        browser.fill("input[autocomplete=name]", "Aoife Sample");
        browser.fill("input[autocomplete=email]", "aoife@buyers.example");
        browser.fill("input[autocomplete=address-line1]", "5 Example Lane");
        browser.fill("input[autocomplete=postal-code]", "T12 X2A0");
        browser.fill("input[autocomplete=address-level2]", "Cork");
        browser.waitFor("the address fits", () -> !browser.shows("not complete") && !browser.shows("not a postcode"));
        browser.clickText("Go on to delivery");
        browser.clickText("Go on to payment");
        browser.click(By.xpath("//label[contains(., 'Card')]"));
        browser.click("#agree");
        browser.see(By.xpath("//section[@aria-label='What is charged again']//p[contains(., 'Oar oil')]"));
        browser.click(By.xpath("//button[contains(., 'each time')]"));
        browser.fill("input[name=number]", "9810 0000 0000 0001");
        browser.click(By.xpath("//main//button[.='Pay']"));
        browser.see(By.xpath("//h1[contains(., 'Done')]"));
        // 30.00 + 6.00 for oak + 5 × 0.50, what is charged again, and the voucher, whose code is there at once.
        browser.see(By.xpath("//*[contains(text(), 'Painted on it: Swift')]"));
        browser.see(By.xpath("//span[@class='figure'][.='€38.50']"));
        browser.waitFor("the voucher's code", () -> browser.shows("Valid until") || browser.shows("valid until"));
        browser.waitFor("its own page", () -> browser.shows("Oar oil: its own page"));
        assertThat(browser.violations()).isEmpty();
    }
}

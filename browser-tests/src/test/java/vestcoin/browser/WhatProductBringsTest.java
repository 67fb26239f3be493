package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/** A name sewn on and priced by the letter, a box filled by its buyer; what is hidden, not yet, and in a picture. */
class WhatProductBringsTest extends AtCounter {
    WhatProductBringsTest(RunningShop.Running shop) {
        super(shop);
    }

    private void oneMore(String name) {
        browser.click("fieldset button[aria-label='One " + name + " more']");
    }

    @Test
    void a_name_is_priced_by_the_letter_and_a_box_by_what_is_in_it() throws IOException {
        open(390, 844);
        browser.click(By.xpath("//label[.='1.6 m']"));
        browser.fill("input[aria-label='Delta kite: Name sewn on']", "Finn Mara the Great");
        put("Delta kite");
        browser.see(By.xpath("//*[contains(., '19 of 12 characters')]"));
        browser.see(By.xpath("//p[@role='alert'][contains(., 'Name sewn on')]"));
        browser.fill("input[aria-label='Delta kite: Name sewn on']", "Finn Mara");
        put("Delta kite");
        browser.see(By.xpath("//span[contains(., 'Name sewn on: Finn Mara')]"));
        // 48.00 + 8 × 0.75
        browser.see(By.xpath("//span[contains(@class, 'figure')][.='€54.00']"));

        put("Repair box, three or more");
        browser.see(By.xpath("//p[@role='alert'][contains(., '3 more pieces')]"));
        oneMore("Mending kit");
        oneMore("Mending kit");
        browser.see(By.xpath("//p[.='2 pieces so far']"));
        oneMore("Wind sock");
        // (2 × 9.60 + 13.90) less 10 %
        browser.see(By.xpath("//p[.='3 pieces for €29.79']"));
        assertThat(browser.violations()).isEmpty();
        put("Repair box, three or more");
        browser.see(By.xpath("//span[contains(., '2 Mending kit, 1 Wind sock')]"));
        address();
        browser.clickText("Go on to payment");
        order("Card");
        pay("9810000000000001");
        done();
        browser.see(By.xpath("//*[contains(text(), 'Name sewn on: Finn Mara')]"));
        assertThat(browser.violations()).isEmpty();
    }

    @Test
    void a_seller_hides_delays_and_shows(@TempDir Path folder) throws IOException {
        Path picture = folder.resolve("kite.png");
        ImageIO.write(new BufferedImage(900, 600, BufferedImage.TYPE_INT_RGB), "png", picture.toFile());
        Path none = folder.resolve("kite.jpg");
        Files.writeString(none, "a kite");
        try (Browser desk = Browser.atDesk(shop)) {
            desk.go(shop.url() + "/desk/" + DemoShop.SHOP + "/goods");
            desk.click(By.xpath("//tbody//button[contains(., 'parafoil')]"));
            String pick = "section[aria-label='Parafoil, frameless'] input[type=file][aria-label^='Picture of']";
            desk.upload(pick, none);
            desk.see(By.xpath("//*[contains(text(), 'no picture that can be read')]"));
            desk.upload(pick, picture);
            desk.see("section[aria-label='The buyer sees'] img");
            desk.click(By.xpath("//section[@aria-label='Parafoil, frameless']//button[.='Fold']"));
            desk.click(By.xpath("//tbody//button[contains(., 'spar-set')]"));
            desk.choose("[data-path='goods/products/spar-set/selling/state']", "hidden");
            desk.click(By.xpath("//section[@aria-label='Spar set, carbon']//button[.='Fold']"));
            desk.click(By.xpath("//tbody//button[contains(., 'line-reel')]"));
            desk.fill("[data-path='goods/products/line-reel/selling/from']", "2039-05-01");
            desk.click("section[aria-label='Line reel'] h2");
            desk.click(By.xpath("//section[@aria-label='Line reel']//button[.='Fold']"));
            desk.click(By.xpath("//tbody//button[contains(., 'storage-tube')]"));
            desk.see("[data-path='goods/products/storage-tube/questions/wrapped/name']");
            assertThat(desk.violations()).isEmpty();
            desk.clickText("Publish…");
            desk.click(By.xpath("//dialog[@open]//button[text()='Publish']"));
            desk.waitFor("published", () -> desk.shows("no changes"));
        }
        open(1280, 800);
        browser.waitFor(
                "the picture is drawn",
                () -> Boolean.TRUE.equals(browser.script(
                        "return [...document.querySelectorAll('main img')].some((i) => i.naturalWidth === 480)")));
        browser.see(By.xpath(
                "//li[contains(., 'Line reel')]//*[contains(text(), 'Can be had from')][contains(text(), '2039')]"));
        assertThat(browser.count(By.cssSelector("[aria-label='Put Spar set, carbon into the basket']")))
                .isZero();
        put("First flight set: sled kite, line, book");
        browser.see(By.xpath("//main//*[contains(text(), 'Line reel can be had from')]"));
        browser.fill("input[type=search]", "breeze");
        browser.waitFor("one is found", () -> browser.count(By.xpath("//main//li[.//button[.='Put in']]")) == 1);
        browser.fill("input[type=search]", "submarine");
        browser.see(By.xpath("//p[contains(., 'Nothing here is called “submarine”')]"));
        assertThat(browser.violations()).isEmpty();
    }

    /** A file of foreign headings: looked at, one column corrected by hand, taken in, found at the desk. */
    @Test
    void goods_move_in_from_elsewhere(@TempDir Path folder) throws IOException {
        Path file = folder.resolve("lanterns.csv");
        Files.writeString(file, """
                Artikelnummer;Bezeichnung;Preis;Gewicht (g);Lichtton
                L-1;Laterne Mond;12,50;250;warm|kalt
                L-2;Laterne Stern;9,90;200;warm
                L-3;;9,90;200;warm
                """);
        try (Browser desk = Browser.atDesk(shop)) {
            desk.go(shop.url() + "/desk/" + DemoShop.SHOP + "/goods");
            desk.upload("input[type=file][aria-label='Goods file from elsewhere']", file);
            desk.see(By.xpath("//p[@role='status'][contains(., '3 rows: 2 new products')]"));
            desk.choose("select[aria-label='What “Lichtton” holds']", "option");
            desk.see(By.xpath("//p[contains(., '2 have choices')]"));
            desk.see(By.xpath("//li[contains(., 'line 4')][contains(., 'There is no name')]"));
            assertThat(desk.violations()).isEmpty();
            desk.clickText("Take the good rows");
            desk.see(By.xpath("//tbody//button[contains(., 'l-1')]"));
            desk.waitFor("twenty and two", () -> desk.shows("22 products"));
        }
    }

    @org.junit.jupiter.api.AfterEach
    @Override
    void close() {
        if (browser != null) {
            super.close();
        }
    }
}

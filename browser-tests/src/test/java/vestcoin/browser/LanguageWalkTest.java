package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.By;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Phrases;
import vestcoin.app.run.DemoShop;

/**
 * The counter in a made-up language whose every phrase stands in brackets: what is outside is the seller's, the
 * buyer's, or how CLDR writes days, countries and amounts; anything else of ours would reach a buyer in English.
 */
class LanguageWalkTest extends AtCounter {
    /** Everything a person reads or is read: texts, and the names of fields and parts. */
    private static final String READ = """
            const texts = [];
            const walk = node => {
              if (node.nodeType === 3) { texts.push(node.nodeValue); return; }
              if (node.nodeType !== 1 || ['SCRIPT', 'STYLE'].includes(node.tagName)) return;
              if (node.tagName === 'SELECT' && node.getAttribute('autocomplete') === 'country') return;
              for (const name of ['aria-label', 'placeholder', 'title', 'alt']) {
                if (node.getAttribute(name)) texts.push(node.getAttribute(name));
              }
              node.childNodes.forEach(walk);
              texts.push(' ');
            };
            walk(document.body);
            return texts.join('');""";

    private final List<String> sellers = new ArrayList<>();

    LanguageWalkTest(RunningShop.Running shop) {
        super(shop);
        gather(shop.owner().get(Caller.SHOP + "/draft").json().path("document"));
        sellers.sort(Comparator.comparing(String::length).reversed());
    }

    @BeforeAll
    static void speaks(RunningShop.Running shop) {
        Caller owner = shop.owner();
        assertThat(owner.post(
                                Caller.SHOP + "/draft/edits",
                                Map.of(
                                        "edits",
                                        List.of(Map.of(
                                                "path",
                                                "shop/languages",
                                                "was",
                                                List.of("de"),
                                                "now",
                                                List.of("de", Phrases.BRACKETED, "fr", "nl", "es", "it")))))
                        .status())
                .isEqualTo(200);
        owner.post(Caller.SHOP + "/draft/publish", "");
    }

    private void gather(JsonNode node) {
        if (node.isString() && node.asString().length() > 2) {
            sellers.add(node.asString());
            // A text with facts in braces is read with the facts set in.
            sellers.addAll(Arrays.stream(node.asString().split("\\{[a-z-]+}"))
                    .map(String::strip)
                    .filter(piece -> piece.length() > 2)
                    .toList());
        }
        node.forEach(this::gather);
    }

    private void speak(String language) throws IOException {
        open(390, 844);
        browser.choose("select[aria-label='Language']", language);
        browser.waitFor("the counter speaks " + language, () -> browser.script("return document.documentElement.lang")
                .equals(language));
    }

    private void nothingOfOursIsOutsideBrackets(String step) {
        StringBuilder outside = new StringBuilder();
        int depth = 0;
        for (char c : ((String) browser.script(READ)).toCharArray()) {
            depth += c == '[' ? 1 : 0;
            if (depth == 0) {
                outside.append(c);
            }
            depth -= c == ']' && depth > 0 ? 1 : 0;
        }
        // An account number and its name are written so by ISO 13616 in every language.
        String left = outside.toString()
                .replaceAll("\\s+", " ")
                .replaceAll("\\bIBAN\\b|\\b[A-Z]{2}\\d{2}( [A-Z0-9]{1,4}\\b)+", " ");
        for (String own :
                List.of("nosuch", "Nora Sample", "nora@buyers.example", "5 Example Lane", "T12 X2A0", "Cork")) {
            left = left.replace(own, " ");
        }
        for (String own : sellers) {
            left = left.replace(own, " ");
        }
        left = left.replaceAll(
                        "Eircode|English|Deutsch|français|Nederlands|español|italiano|Ireland|qaa|"
                                + "(Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)day|(January|February|March|April|"
                                + "May|June|July|"
                                + "August|September|October|November|December)|(Mon|Tue|Wed|Thu|Fri|Sat|Sun)\\b|"
                                + "(Jan|Feb|Mar|Apr|Jun|Jul|Aug|Sept?|Oct|Nov|Dec)\\b|\\b[AP]M\\b",
                        " ")
                .replaceAll("[^A-Za-z]+", " ")
                .replaceAll("\\b[A-Z]{2,3}\\b|\\b\\w\\b", " ")
                .strip();
        assertThat(left).as(step).isEmpty();
    }

    @Test
    void from_basket_to_receipt_every_phrase_of_ours_comes_from_the_catalogue() throws IOException {
        speak(Phrases.BRACKETED);
        nothingOfOursIsOutsideBrackets("an empty basket");
        browser.click(By.xpath("//li[contains(., 'Kites You Can Build')]//button"));
        browser.fill("form input", "nosuch");
        browser.click(By.xpath("//button[.='[Use]']"));
        browser.waitFor("the code is refused", () -> browser.shows("nosuch"));
        nothingOfOursIsOutsideBrackets("the basket");
        browser.click(By.xpath("//button[.='[Go on to the address]']"));
        browser.see("input[autocomplete=name]");
        browser.click(By.xpath("//button[.='[Go on to delivery]']"));
        nothingOfOursIsOutsideBrackets("an address that lacks everything");
        browser.fill("input[autocomplete=name]", "Nora Sample");
        browser.fill("input[autocomplete=email]", "nora@buyers.example");
        browser.fill("input[autocomplete=address-line1]", "5 Example Lane");
        browser.fill("input[autocomplete=postal-code]", "T12 X2A0");
        browser.fill("input[autocomplete=address-level2]", "Cork");
        nothingOfOursIsOutsideBrackets("the address");
        browser.click(By.xpath("//button[.='[Go on to delivery]']"));
        browser.see(By.xpath("//h1[.='[How should it reach you?]']"));
        nothingOfOursIsOutsideBrackets("the delivery");
        browser.click(By.xpath("//button[.='[Go on to payment]']"));
        browser.see(By.xpath("//h1[.='[How would you like to pay?]']"));
        nothingOfOursIsOutsideBrackets("the ways to pay");
        browser.click(By.xpath("//label[contains(., 'Bank transfer')]"));
        browser.click("#agree");
        browser.click(By.xpath("//button[contains(., 'Order') and contains(@class, 'btn-primary')]"));
        browser.see(By.xpath("//h1[contains(., '[Done.')]"));
        nothingOfOursIsOutsideBrackets("the order's own page");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "fr | Votre panier | Continuer vers l’adresse",
                "nl | Uw mandje | Verder naar het adres",
                "es | Su cesta | Seguir con la dirección",
                "it | Il suo carrello | Continua con l’indirizzo"
            })
    void the_counter_speaks_the_languages_that_ship(String language, String basket, String next) throws IOException {
        speak(language);
        browser.click(By.xpath("//li[contains(., 'Kites You Can Build')]//button"));
        browser.see(By.xpath("//h1[.='" + basket + "']"));
        browser.see(By.xpath("//button[.='" + next + "']"));
        assertThat((Boolean) browser.script(
                        "return document.querySelector('main').scrollWidth <= document.documentElement.clientWidth"))
                .as("nothing is wider than a phone")
                .isTrue();
    }

    /** What server and browser write has to be the same: both follow CLDR, each with a library of its own. */
    @ParameterizedTest
    @CsvSource({"en-IE", "de", "fr", "nl", "es", "it", "de-CH"})
    void server_and_browser_write_amounts_and_days_alike(String language) throws IOException {
        browser = vestcoin.browser.Browser.open(390, 844);
        browser.go(shop.url() + "/counter/" + DemoShop.SHOP);
        Phrases phrases = Phrases.in(language);
        for (String amount : List.of("0.00", "7.50", "1234.50", "1234567.89")) {
            assertThat(plain((String) browser.script(
                            "return new Intl.NumberFormat(arguments[0], { style: 'currency', currency: 'EUR' })"
                                    + ".format(arguments[1])",
                            language,
                            amount)))
                    .isEqualTo(plain(phrases.money(new java.math.BigDecimal(amount), "EUR")));
        }
        assertThat(plain((String) browser.script(
                        "return new Intl.DateTimeFormat(arguments[0], { dateStyle: 'long', timeZone: 'UTC' })"
                                + ".format(new Date('2026-03-08T00:00:00Z'))",
                        language)))
                .isEqualTo(plain(phrases.time(java.time.LocalDate.of(2026, 3, 8))));
        assertThat((String) browser.script(
                        "return new Intl.ListFormat(arguments[0], { type: 'conjunction' }).format(['a', 'b', 'c'])",
                        language))
                .isEqualTo(phrases.list(List.of("a", "b", "c")));
    }

    private static String plain(String text) {
        return text.replaceAll("[\\u00a0\\u202f]", " ").replace('’', '\'');
    }
}

package vestcoin.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Phrases;

/** The desk in German: nothing of ours stands on it in English. */
class GermanDeskTest extends AtDesk {
    private static final List<String> SCREENS = List.of(
            "shop", "goods", "delivery", "pickup", "tax", "payment", "terms", "opening", "orders", "orders/1003");

    /** Each text a person reads or is read, on a line of its own. */
    private static final String READ = """
            const texts = [];
            const walk = node => {
              if (node.nodeType === 3) { texts.push(node.nodeValue.trim()); return; }
              if (node.nodeType !== 1 || ['SCRIPT', 'STYLE'].includes(node.tagName)) return;
              if (node.tagName === 'DETAILS' && !node.open) { walk(node.querySelector('summary')); return; }
              for (const name of ['aria-label', 'placeholder', 'title', 'alt']) {
                if (node.getAttribute(name)) texts.push(node.getAttribute(name));
              }
              node.childNodes.forEach(walk);
            };
            walk(document.body);
            return texts.filter(text => text).join('\\n');""";

    GermanDeskTest(RunningShop.Running shop) {
        super(shop);
    }

    /** What only sellers are told, in other words in English than in German, and stands alone. */
    private static Set<String> english() {
        Map<String, String> german = Phrases.catalogue("de");
        return Phrases.catalogue("en").entrySet().stream()
                .filter(phrase -> !Phrases.forBuyers().contains(phrase.getKey()))
                .filter(phrase ->
                        !phrase.getValue().contains("{") && phrase.getValue().length() > 3)
                .filter(phrase -> !german.get(phrase.getKey()).equals(phrase.getValue()))
                .map(Map.Entry::getValue)
                .filter(text -> !german.containsValue(text))
                .collect(Collectors.toCollection(HashSet::new));
    }

    @Test
    void every_screen_reads_german_once_it_is_chosen_and_english_again() {
        at("shop");
        browser.clickText("Deutsch");
        browser.waitFor("the German desk", () -> text("header").contains("Abmelden"));
        Set<String> english = english();
        String sellers = shop.owner().get(Caller.SHOP + "/draft").text();
        english.removeIf(text -> sellers.contains("\"" + text + "\""));
        assertThat(english).hasSizeGreaterThan(1_000);
        for (String screen : SCREENS) {
            at(screen);
            browser.waitFor(screen, () -> text("header").contains("Entwurf:"));
            browser.see("main h1");
            String read = String.valueOf(browser.script(READ));
            assertThat(Arrays.stream(read.split("\n")).filter(english::contains))
                    .as(screen)
                    .isEmpty();
        }
        browser.clickText("English");
        browser.waitFor("the English desk", () -> text("header").contains("Sign out"));
    }
}

package vestcoin.app.setup;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vestcoin.app.format.Phrases;
import vestcoin.core.place.Groups;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;

/**
 * The model form for withdrawing, which a seller in the Union has to show. Source: Directive 2011/83/EU, Annex I(B);
 * the text is the law's in each language, from memory.
 */
public final class ModelForm {
    private ModelForm() {}

    /** Whether a seller has to show it: in the Union, where consumers can withdraw. */
    public static boolean isDue(Setup setup) {
        return Groups.EU.contains(setup.shop().address().country())
                && setup.terms().withdrawalDays().isPresent();
    }

    /** Its lines, for a shop. */
    public static List<String> lines(Setup setup, String language) {
        Shop shop = setup.shop();
        return lines(
                Stream.of(
                                Stream.of(shop.legally()),
                                shop.address().lines().stream(),
                                Stream.of(
                                        (shop.address().postcode() + " "
                                                        + shop.address().city())
                                                .strip(),
                                        shop.email()))
                        .flatMap(parts -> parts)
                        .filter(part -> !part.isBlank())
                        .collect(Collectors.joining(", ")),
                language);
    }

    /**
     * Its lines. @param seller name, address and e-mail of the shop @param language BCP 47, English where it is not
     * known
     */
    static List<String> lines(String seller, String language) {
        Phrases phrases = Phrases.in(language);
        return List.of(
                phrases.say("letter.model-form.to", "seller", seller),
                phrases.say("letter.model-form.notice"),
                phrases.say("letter.model-form.ordered"),
                phrases.say("letter.model-form.name"),
                phrases.say("letter.model-form.address"),
                phrases.say("letter.model-form.signature"),
                phrases.say("letter.model-form.date"),
                phrases.say("letter.model-form.delete"));
    }
}

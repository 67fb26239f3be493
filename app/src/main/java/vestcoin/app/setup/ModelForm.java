package vestcoin.app.setup;

import java.util.List;
import vestcoin.app.format.Phrases;

/**
 * The model form for withdrawing, which a seller in the Union has to show. Source: Directive 2011/83/EU, Annex I(B);
 * the text is the law's in each language, from memory.
 */
public final class ModelForm {
    private ModelForm() {}

    /**
     * Its lines. @param seller name, address and e-mail of the shop @param language BCP 47, English where it is not
     * known
     */
    public static List<String> lines(String seller, String language) {
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

package vestcoin.app.message;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import vestcoin.app.format.Json;
import vestcoin.app.format.Phrases;
import vestcoin.app.order.Orders;
import vestcoin.app.setup.ModelForm;
import vestcoin.app.setup.Policies;
import vestcoin.core.setup.Setup;

/**
 * What the letter of a placed order keeps for its buyer on something that lasts: the texts agreed to, and the model
 * form for withdrawing (Directive 2011/83/EU, Art. 8(7)).
 */
final class LetterAnnexes {
    private LetterAnnexes() {}

    /** The letter with them. @param setup the one ordered by, in the order's language */
    static LetterBook.LetterContent with(LetterBook.LetterContent said, Orders.Order order, Setup setup) {
        JsonNode agreed = Json.tree(order.agreed());
        List<Letter.Annex> annexes = new ArrayList<>();
        Policies.texts(setup, order.language()).stream()
                .filter(text -> agreed.has(text.kind()))
                .forEach(text ->
                        annexes.add(new Letter.Annex(Policies.name(text.kind(), order.language()), text.text())));
        if (ModelForm.isDue(setup)) {
            annexes.add(new Letter.Annex(
                    Phrases.in(order.language()).say("letter.model-form.title"),
                    String.join("\n", ModelForm.lines(setup, order.language()))));
        }
        Letter.Body body = said.body();
        return new LetterBook.LetterContent(
                said.subject(),
                new Letter.Body(body.paragraphs(), body.rows(), body.total(), body.link(), body.linkText(), annexes));
    }
}

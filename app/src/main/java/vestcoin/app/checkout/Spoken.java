package vestcoin.app.checkout;

import vestcoin.app.edge.Answers;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Wording;

/** The language an answer of the counter is phrased in: the one the shop is shown in, whatever the browser prefers. */
final class Spoken {
    private Spoken() {}

    /** From here on this request is answered in the language of the document. @return the document */
    static Document in(Document document) {
        Answers.phrase(Wording.of(document.setup(), document.setup().shop().language()));
        return document;
    }
}

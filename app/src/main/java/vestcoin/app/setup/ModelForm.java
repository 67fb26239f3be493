package vestcoin.app.setup;

import java.util.List;

/**
 * The model form for withdrawing, which a seller in the Union has to show. Source: Directive 2011/83/EU, Annex I(B);
 * the text is the law's, from memory, in English and German.
 */
public final class ModelForm {
    private ModelForm() {}

    /**
     * Its lines. @param seller name, address and e-mail of the shop @param language BCP 47, English where it is not
     * known
     */
    public static List<String> lines(String seller, String language) {
        return language.startsWith("de")
                ? List.of(
                        "An " + seller + ":",
                        "Hiermit widerrufe(n) ich/wir (*) den von mir/uns (*) abgeschlossenen Vertrag über den Kauf "
                                + "der folgenden Waren (*)/die Erbringung der folgenden Dienstleistung (*):",
                        "Bestellt am (*)/erhalten am (*):",
                        "Name des/der Verbraucher(s):",
                        "Anschrift des/der Verbraucher(s):",
                        "Unterschrift des/der Verbraucher(s) (nur bei Mitteilung auf Papier):",
                        "Datum:",
                        "(*) Unzutreffendes streichen.")
                : List.of(
                        "To " + seller + ":",
                        "I/We (*) hereby give notice that I/We (*) withdraw from my/our (*) contract of sale of the "
                                + "following goods (*)/for the provision of the following service (*):",
                        "Ordered on (*)/received on (*):",
                        "Name of consumer(s):",
                        "Address of consumer(s):",
                        "Signature of consumer(s) (only if this form is notified on paper):",
                        "Date:",
                        "(*) Delete as appropriate.");
    }
}

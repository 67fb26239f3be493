package vestcoin.app.setup;

import java.util.Map;
import java.util.TreeMap;
import vestcoin.core.terms.Terms;

/**
 * Texts of our own to start from, in English and German, with the facts in braces. They are no legal advice. What they
 * say of withdrawal follows Directive 2011/83/EU, Articles 9 to 16 and 20, and its Annex I; the wording is ours.
 */
public final class Templates {
    /** Kind of text, then language. */
    public static final Map<String, Map<String, String>> ALL = all();

    private Templates() {}

    private static Map<String, Map<String, String>> all() {
        Map<String, Map<String, String>> all = new TreeMap<>();
        all.put("returns", Map.of("en", """
                You can withdraw from your order within {withdrawal-days} days of receiving it, without saying why. \
                Tell us by e-mail, by letter, or with the button on your order's own page.
                We pay back what you paid for the goods, and the cheapest delivery we offered, within 14 days, and \
                may wait until the goods are back or you have shown that they are on their way.
                Send them to {return-address} within 14 days of telling us. {who-pays}
                Besides, we take back what is as good as new within {return-days} days.
                Goods made to your measure, sealed goods opened for reasons of hygiene, and downloads you have \
                begun to use cannot be sent back.""", "de", """
                Sie können Ihre Bestellung binnen {withdrawal-days} Tagen nach Erhalt ohne Angabe von Gründen \
                widerrufen: per E-Mail, per Brief oder mit dem Knopf auf der Seite Ihrer Bestellung.
                Wir erstatten den Preis der Waren und die günstigste angebotene Standardlieferung binnen 14 Tagen \
                und dürfen warten, bis die Waren zurück sind oder Sie die Absendung belegt haben.
                Senden Sie sie binnen 14 Tagen nach Ihrer Mitteilung an {return-address}. {who-pays}
                Darüber hinaus nehmen wir Neuwertiges binnen {return-days} Tagen zurück.
                Nach Maß Gefertigtes, aus Gründen der Hygiene versiegelte, geöffnete Waren und begonnene Downloads \
                sind vom Widerruf ausgenommen."""));
        all.put("terms-of-sale", Map.of("en", """
                The contract is made when we confirm your order by e-mail. The price is the total shown above the \
                order button, with tax and delivery.
                We deliver as offered when you order. Goods are ours until they are paid in full.
                The law of the country of the shop holds; what the law of your country gives you as a consumer \
                stays yours.""", "de", """
                Der Vertrag kommt zustande, wenn wir Ihre Bestellung per E-Mail bestätigen. Es gilt der Gesamtpreis \
                über dem Bestellknopf, mit Steuer und Versand.
                Wir liefern wie bei der Bestellung angeboten. Die Ware bleibt bis zur vollständigen Bezahlung unser \
                Eigentum.
                Es gilt das Recht des Landes, in dem der Laden steht; was das Recht Ihres Landes Ihnen als \
                Verbraucher gibt, bleibt Ihnen."""));
        all.put("cancellation", Map.of("en", """
                Until your order has left you can cancel it at any time, free of charge: on your order's own page, \
                by e-mail or by letter. We pay back all of it the way you paid.
                Once it has left, what we say on returns holds.
                If we have to cancel an order ourselves we tell you at once and pay back all of it.""", "de", """
                Solange Ihre Bestellung nicht verschickt ist, können Sie sie jederzeit kostenlos stornieren: auf \
                der Seite Ihrer Bestellung, per E-Mail oder per Brief. Wir erstatten alles auf dem Weg, auf dem Sie \
                bezahlt haben.
                Ist sie verschickt, gilt, was wir zur Rückgabe sagen.
                Müssen wir selbst eine Bestellung stornieren, sagen wir es Ihnen sofort und erstatten alles."""));
        all.put(Terms.SHIPPING, Map.of("en", """
                What delivery costs and how many working days it takes is shown for your basket and place before \
                you order, and stands on your receipt.
                If something arrives damaged or does not arrive, write to us with the number of your order; the \
                risk is ours until it is in your hands.
                What we cannot deliver we tell you at once, and pay back what you paid for it.""", "de", """
                Was der Versand kostet und wie viele Arbeitstage er dauert, sehen Sie für Ihren Korb und Ihren Ort, \
                bevor Sie bestellen; es steht auch auf Ihrem Beleg.
                Kommt etwas beschädigt an oder gar nicht, schreiben Sie uns mit der Nummer Ihrer Bestellung; das \
                Risiko tragen wir, bis Sie die Ware in Händen haben.
                Was wir nicht liefern können, sagen wir Ihnen sofort und erstatten, was Sie dafür bezahlt haben."""));
        all.put("privacy", Map.of("en", """
                We keep your name, address and e-mail to carry out your order, and as long as the law asks us to \
                keep invoices. Card numbers go to the processor alone.
                We pass your address to the carrier, and nothing else to anybody. This shop sets no cookies but the \
                one that keeps your basket.""", "de", """
                Name, Anschrift und E-Mail speichern wir, um Ihre Bestellung auszuführen, und so lange das Gesetz \
                uns Rechnungen aufbewahren lässt. Kartennummern gehen nur an den Zahlungsdienst.
                Ihre Anschrift geben wir an den Versand weiter, sonst niemandem etwas. Dieser Laden setzt keine \
                Cookies außer dem, der Ihren Korb behält."""));
        return all;
    }
}

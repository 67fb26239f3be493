package vestcoin.app.message;

import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import vestcoin.app.access.Memberships.Member;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Goods;
import vestcoin.core.setup.Setup;
import vestcoin.core.terms.SellerNotice;

/**
 * What is written to buyers about no order: the link that lets them in, the basket they left, the group they belong to;
 * and to the seller, that somebody asks to belong to one.
 */
@Service
public class BuyerLetters {
    private final LetterBook letters;
    private final SellerLetters sellers;
    private final Editions editions;
    private final String ownUrl;

    BuyerLetters(
            LetterBook letters,
            SellerLetters sellers,
            Editions editions,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.letters = letters;
        this.sellers = sellers;
        this.editions = editions;
        this.ownUrl = ownUrl;
    }

    /** Sends what is written and not sent yet. */
    public void deliver() {
        letters.deliverWhatIsDue();
    }

    /** Tells the seller who asks to belong to a group. */
    public void asked(Editions.Edition edition, Goods.BuyerGroup group, String email, String note) {
        Setup setup = edition.document().setup();
        sellers.owe(
                LetterBook.About.shop(edition.shop()),
                setup,
                SellerNotice.Event.GROUPS,
                "asks-for-group",
                "asks-for-group." + UUID.randomUUID(),
                new SellerTexts(setup)
                        .asksForGroup(group.name(), email, note, ownUrl + "/desk/" + edition.shop() + "/buyers"));
        letters.deliverWhatIsDue();
    }

    /** Tells somebody that they belong to a group now. */
    public void granted(Editions.Edition edition, Goods.BuyerGroup group, Member member) {
        Setup spoken = editions.spoken(edition, member.language()).setup();
        letters.owe(
                LetterBook.About.shop(edition.shop()),
                spoken.shop(),
                "group",
                "group." + UUID.randomUUID(),
                member.buyer(),
                LetterTexts.in(spoken, "").inGroup(group.name(), ownUrl + "/counter/" + edition.shop() + "/me"));
        letters.deliverWhatIsDue();
    }

    /** Lets a buyer in by a link. Nothing of it is kept once it is sent. */
    public void letIn(String shop, Setup setup, String email, String link) {
        letters.owe(
                LetterBook.About.shop(shop),
                setup.shop(),
                "sign-in",
                "sign-in." + UUID.randomUUID(),
                email,
                LetterTexts.in(setup, "").letIn(link));
        letters.deliverWhatIsDue();
    }

    /** Writes the one letter about a basket; it is sent once it is committed and {@link #deliver} is called. */
    public void unfinished(String shop, Setup setup, String email, String token, ReminderOf reminder) {
        letters.owe(
                LetterBook.About.shop(shop),
                setup.shop(),
                "unfinished",
                token + ".unfinished",
                email,
                LetterTexts.in(setup, "").unfinished(reminder));
    }
}

package vestcoin.app.message;

import java.time.LocalDateTime;
import java.time.ZoneId;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.DueTime;
import vestcoin.app.setup.KeptBack;
import vestcoin.core.setup.Setup;

/** Tells the seller of what was to happen at a time and did not. */
@Service
class KeptBackLetters {
    private final LetterBook letters;
    private final Drafts drafts;
    private final String ownUrl;

    KeptBackLetters(LetterBook letters, Drafts drafts, @Value("${vest-coin.own-url}") String ownUrl) {
        this.letters = letters;
        this.drafts = drafts;
        this.ownUrl = ownUrl;
    }

    @EventListener
    void keptBack(KeptBack kept) {
        Setup setup = drafts.of(kept.shop()).document().setup();
        if (setup.shop().email().isBlank()) {
            return;
        }
        ZoneId zone = drafts.of(kept.shop()).document().compiled().zone();
        letters.owe(
                LetterBook.About.shop(kept.shop()),
                setup.shop(),
                "kept-back",
                "kept-back." + kept.shop() + "." + kept.what() + "." + kept.at(),
                setup.shop().email(),
                new SellerTexts(setup)
                        .keptBack(
                                kept,
                                DueTime.written(LocalDateTime.ofInstant(kept.at(), zone)),
                                ownUrl + "/desk/" + kept.shop() + "/opening"));
        letters.deliverWhatIsDue();
    }
}

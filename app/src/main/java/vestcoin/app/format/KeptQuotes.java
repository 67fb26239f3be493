package vestcoin.app.format;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;

/**
 * Quotes as orders keep them, read. What happens to an order asks for its quote several times in a row (papers,
 * letters, downloads, vouchers), and a quote with all its figures is long: the latest ones are read once.
 */
public final class KeptQuotes {
    private static final int LATEST = 64;
    private static final Cache<String, QuoteView> READ =
            Caffeine.newBuilder().maximumSize(LATEST).build();

    private KeptQuotes() {}

    /** A kept quote. @param json as it was written */
    public static QuoteView read(String json) {
        return READ.get(json, text -> Json.read(text, QuoteView.class));
    }
}

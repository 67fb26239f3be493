package vestcoin.core.setup;

import java.net.URI;
import java.net.URISyntaxException;

/** Addresses of pages, as they are typed into a setup. */
public final class WebAddress {
    private static final int LONGEST = 500;

    private WebAddress() {}

    /** Whether a text is a whole http or https address (RFC 3986), with a host and nobody's password in it. */
    public static boolean isOne(String text) {
        if (text == null || text.length() > LONGEST) {
            return false;
        }
        try {
            URI uri = new URI(text);
            boolean web = "https".equalsIgnoreCase(uri.getScheme()) || "http".equalsIgnoreCase(uri.getScheme());
            return web && uri.getHost() != null && uri.getUserInfo() == null;
        } catch (URISyntaxException e) {
            return false;
        }
    }
}

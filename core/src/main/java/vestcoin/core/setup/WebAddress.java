package vestcoin.core.setup;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.Locale;
import java.util.Optional;

/** Addresses of pages, as they are typed into a setup. */
public final class WebAddress {
    private static final int LONGEST = 500;

    private WebAddress() {}

    /** Scheme, host and port of a whole address, as browsers write an origin (RFC 6454); nothing where it is none. */
    public static Optional<String> origin(String text) {
        if (!isOne(text)) {
            return Optional.empty();
        }
        URI uri = URI.create(text);
        String scheme = uri.getScheme().toLowerCase(Locale.ROOT);
        int usual = scheme.equals("https") ? 443 : 80;
        return Optional.of(scheme + "://" + uri.getHost().toLowerCase(Locale.ROOT)
                + (uri.getPort() < 0 || uri.getPort() == usual ? "" : ":" + uri.getPort()));
    }

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

package vestcoin.app.access;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.springframework.security.web.header.HeaderWriter;
import vestcoin.app.setup.Editions;

/**
 * What a page may load, and who may show it within a page of theirs: nobody, but of a shop's counter the sites the shop
 * lists. Source: Content Security Policy Level 3, frame-ancestors.
 */
final class Framing implements HeaderWriter {
    private static final String COUNTER = "/counter/";

    private final Editions editions;
    private final String policy;

    /** @param services where the front end calls besides its own server */
    Framing(Editions editions, String services) {
        this.editions = editions;
        this.policy = "default-src 'self'; img-src 'self' data:; style-src 'self'; connect-src 'self' " + services
                + "; object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors ";
    }

    @Override
    public void writeHeaders(HttpServletRequest request, HttpServletResponse response) {
        if (response.containsHeader("Content-Security-Policy")) {
            return;
        }
        // Headers are written when the answer begins, which may be after the request was handed on.
        Object asked = request.getAttribute(RequestDispatcher.FORWARD_REQUEST_URI);
        List<String> sites = sites(asked instanceof String path ? path : request.getRequestURI());
        response.setHeader("Content-Security-Policy", policy + (sites.isEmpty() ? "'none'" : String.join(" ", sites)));
        if (sites.isEmpty()) {
            response.setHeader("X-Frame-Options", "DENY");
        }
    }

    private List<String> sites(String path) {
        if (!path.startsWith(COUNTER)) {
            return List.of();
        }
        String shop = path.substring(COUNTER.length()).split("/", 2)[0];
        return shop.matches("[a-z0-9-]{1,60}")
                ? editions.live(shop)
                        .map(edition -> edition.document().setup().shop().sites())
                        .orElse(List.of())
                : List.of();
    }
}

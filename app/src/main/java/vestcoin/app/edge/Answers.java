package vestcoin.app.edge;

import org.springframework.context.i18n.LocaleContextHolder;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import vestcoin.app.format.Phrases;

/** What the answer to a request is phrased with: by what the request asks for, unless a shop's own language holds. */
public final class Answers {
    private static final String PHRASES = Answers.class.getName();

    private Answers() {}

    /** From here on the answer to this request is phrased so. */
    public static void phrase(Phrases phrases) {
        RequestContextHolder.currentRequestAttributes().setAttribute(PHRASES, phrases, RequestAttributes.SCOPE_REQUEST);
    }

    public static Phrases phrases() {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        return request != null
                        && request.getAttribute(PHRASES, RequestAttributes.SCOPE_REQUEST) instanceof Phrases phrases
                ? phrases
                : Phrases.in(LocaleContextHolder.getLocale());
    }
}

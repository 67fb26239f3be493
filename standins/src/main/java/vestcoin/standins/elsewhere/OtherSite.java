package vestcoin.standins.elsewhere;

import java.io.IOException;
import java.util.Map;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Html;
import vestcoin.standins.shared.Service;

/** The simulated other site: shows whatever HTML is pasted into it, until it ends. */
public final class OtherSite extends Service {
    private static final int MOST = 100_000;
    private volatile String html = "<p>Nothing is pasted here yet.</p>";

    public OtherSite() {
        super("elsewhere", "Another site");
    }

    public void show(String pasted) {
        html = pasted;
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        switch (exchange.method() + " " + exchange.path()) {
            case "GET /page" ->
                exchange.page(Html.page("Notes from a windy shore", "<p>What I fly, and where to get it.</p>" + html));
            case "POST /v1/page" -> {
                show(limited(exchange.json().path("html").asString("")));
                exchange.answer(200, Map.of("page", url() + "/page"));
            }
            default -> throw new Refusal(404, "There is nothing here.");
        }
    }

    private static String limited(String pasted) {
        if (pasted.length() > MOST) {
            throw new Refusal(413, "That is too much for one page.");
        }
        return pasted;
    }

    @Override
    protected String controls() {
        return "<p><label>HTML to paste into the page<br><textarea name=html rows=14 style=\"width:100%;font:inherit\">"
                + Html.escape(html) + "</textarea></label></p><p><a href=\"" + url() + "/page\">The page</a></p>";
    }

    @Override
    protected void set(Map<String, String> form) {
        if (form.containsKey("html")) {
            show(limited(form.get("html")));
        }
    }
}

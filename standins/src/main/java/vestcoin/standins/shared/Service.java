package vestcoin.standins.shared;

import java.io.IOException;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import vestcoin.standins.shared.Exchange.Refusal;

/**
 * A simulated service below a path of its own: what it answers, and a page on which it can be told to be slow or to
 * fail.
 */
public abstract class Service implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Service.class);
    private static final long LONGEST_DELAY = 30_000;

    private final String id;
    private final String name;
    private final AtomicReference<String> root = new AtomicReference<>("");
    private volatile boolean outage;
    private volatile long delayMillis;

    /** @param id the path below which it answers, without slashes */
    protected Service(String id, String name) {
        this.id = id;
        this.name = name;
    }

    public final String id() {
        return id;
    }

    public final String name() {
        return name;
    }

    /** Where it answers, without a slash at the end. */
    public final String url() {
        return root.get() + "/" + id;
    }

    /** @param url of the server it is part of */
    final void at(String url) {
        root.set(url);
    }

    /** Switches an outage on or off: every call from shops answers 503. */
    public final void outage(boolean on) {
        outage = on;
    }

    /** Lets every call from shops wait. */
    public final void delay(long millis) {
        delayMillis = Math.min(Math.max(millis, 0), LONGEST_DELAY);
    }

    /** Answers a call below {@code /v1} or a page of its own. @throws Refusal for what it does not know */
    protected abstract void answer(Exchange exchange) throws IOException;

    /** What its page shows and lets one set besides outage and delay, as HTML within a form. */
    protected abstract String controls();

    /** What its page shows below the form, as HTML. */
    protected String below() {
        return "";
    }

    /** Takes in what was set on its page. */
    protected void set(Map<String, String> form) {}

    final void handle(Exchange exchange) {
        try {
            if (exchange.path().startsWith("/v1/")) {
                if (delayMillis > 0) {
                    Thread.sleep(delayMillis);
                }
                if (outage) {
                    throw new Refusal(
                            503, "The simulated " + name.toLowerCase(java.util.Locale.ROOT) + " is out of order.");
                }
            }
            switch (exchange.method() + " " + exchange.path()) {
                case "GET ", "GET /" -> exchange.page(page());
                case "POST /control" -> {
                    Map<String, String> form = exchange.form();
                    outage = form.containsKey("outage");
                    delay(Long.parseLong("0" + form.getOrDefault("delay", "0").replaceAll("\\D", "")));
                    set(form);
                    exchange.redirect(url() + "/");
                }
                default -> answer(exchange);
            }
        } catch (Refusal refusal) {
            refuse(exchange, refusal.status(), refusal.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (IOException | RuntimeException e) {
            LOG.warn("{}, simulated: {}", name, e.toString());
            refuse(exchange, 500, "The simulated service failed.");
        }
    }

    private String page() {
        return Html.page(
                name,
                "<p><a href=\"" + root.get() + "/\">All simulated services</a></p><form method=post action=\"" + url()
                        + "/control\"><p><label><input type=checkbox name=outage"
                        + (outage ? " checked" : "")
                        + "> Out of order: every call from shops fails</label></p><p><label>Delay of every answer "
                        + "<input name=delay size=6 value="
                        + delayMillis
                        + "> ms, at most " + LONGEST_DELAY + "</label></p>" + controls() + "<button>Set</button></form>"
                        + below());
    }

    private static void refuse(Exchange exchange, int status, String message) {
        try {
            exchange.answer(status, Map.of("error", message));
        } catch (IOException e) {
            LOG.debug("the caller has gone", e);
        }
    }

    @Override
    public void close() {}
}

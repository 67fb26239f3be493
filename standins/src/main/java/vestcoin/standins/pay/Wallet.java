package vestcoin.standins.pay;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import tools.jackson.databind.JsonNode;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Html;

/**
 * The simulated wallet: the buyer is sent to its page, approves or cancels, and comes back. At a basket it is asked for
 * name and address too, and approves of an order that is still to come, up to an amount.
 */
public final class Wallet extends Processor {
    public static final String TEST_SECRET = "secret-test-c3a95d7710fe4ab2864e";
    public static final String TEST_PUBLIC = "public-test-58b2e1fd94c04a7c9d16";
    public static final String LIVE_SECRET = "secret-live-0b7e44a9d3f14c5e92a8";
    public static final String LIVE_PUBLIC = "public-live-7c60f2b85ad94e1fb3d9";

    /** Who has this wallet: people there are not. */
    private record Person(
            String name, String email, String street, String postcode, String city, String region, String country) {
        Map<String, Object> view() {
            Map<String, Object> view = new LinkedHashMap<>(Map.of(
                    "name",
                    name,
                    "email",
                    email,
                    "lines",
                    List.of(street),
                    "postcode",
                    postcode,
                    "city",
                    city,
                    "country",
                    country));
            if (!region.isEmpty()) {
                view.put("region", region);
            }
            return view;
        }
    }

    private static final List<Person> PEOPLE = List.of(
            new Person("Nora Sample", "nora@buyers.example", "7 Payer Lane", "H91 X2A0", "Galway", "", "IE"),
            new Person("Jonas Muster", "jonas@buyers.example", "Probestraße 3", "10115", "Berlin", "", "DE"),
            new Person("Ada Instance", "ada@buyers.example", "12 Sample Road", "28801", "Asheville", "US-NC", "US"));

    /** What a shop asked for at a basket. @param state waiting, approved, refused or used */
    private record Share(
            String account, String shop, long most, String currency, String returnUrl, String state, int who) {
        Share in(String next, int person) {
            return new Share(account, shop, most, currency, returnUrl, next, person);
        }
    }

    private final Map<String, Share> shares = new ConcurrentHashMap<>();

    public Wallet(Path file, Clock clock) {
        super("wallet", "Wallet", file, clock);
        book.open(new Book.Account("purse", "test", TEST_SECRET, TEST_PUBLIC, true, "", "hook-" + UUID.randomUUID()));
        book.open(new Book.Account("pocket", "live", LIVE_SECRET, LIVE_PUBLIC, false, "", "hook-" + UUID.randomUUID()));
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        String[] path = exchange.path().split("/");
        boolean shared = path.length > 2 && path[1].equals("v1") && path[2].equals("shares");
        if (shared && exchange.method().equals("POST")) {
            ask(exchange);
        } else if (shared && path.length == 4) {
            Share share = shares.get(path[3]);
            if (share == null || !share.account().equals(shop(exchange).id())) {
                throw new Refusal(404, "Nothing was asked for under this name.");
            }
            exchange.answer(200, view(path[3], share));
        } else if (path.length == 3 && path[1].equals("share")) {
            answered(exchange, path[2]);
        } else {
            super.answer(exchange);
        }
    }

    private void ask(Exchange exchange) throws IOException {
        Book.Account account = shop(exchange);
        JsonNode asked = exchange.json();
        String id = "share-" + UUID.randomUUID();
        Share share = new Share(
                account.id(),
                asked.path("shop").asString(""),
                asked.path("most").asLong(0),
                asked.path("currency").asString(""),
                asked.path("returnUrl").asString(""),
                "waiting",
                0);
        if (share.most() <= 0 || share.returnUrl().isEmpty()) {
            throw new Refusal(422, "An amount above zero and a way back are needed.");
        }
        shares.put(id, share);
        exchange.answer(201, view(id, share));
    }

    private Map<String, Object> view(String id, Share share) {
        Map<String, Object> view = new LinkedHashMap<>(Map.of("id", id, "state", share.state()));
        view.put("action", share.state().equals("waiting") ? url() + "/share/" + id : "");
        if (share.state().equals("approved")) {
            view.put("person", PEOPLE.get(share.who()).view());
        }
        return view;
    }

    /** The page on which a buyer approves of an order to come. */
    private void answered(Exchange exchange, String id) throws IOException {
        Share share = shares.get(id);
        if (share == null) {
            throw new Refusal(404, "Nothing was asked for under this name.");
        }
        if (exchange.method().equals("GET")) {
            StringBuilder people = new StringBuilder();
            for (int i = 0; i < PEOPLE.size(); i++) {
                Person person = PEOPLE.get(i);
                people.append("<option value=")
                        .append(i)
                        .append('>')
                        .append(Html.escape(person.name() + ", " + person.city() + ", " + person.country()));
            }
            exchange.page(Html.page(
                    "Your wallet",
                    "<p><strong>" + Html.escape(share.shop())
                            + "</strong> asks for your name and address, and for up to "
                            + "<strong>" + money(share.currency(), share.most()) + "</strong>.</p>"
                            + "<form method=post><p><label>You are <select name=who>" + people
                            + "</select></label></p><button name=answer value=yes>Share and approve</button>"
                            + "<button name=answer value=no>Cancel</button></form>"));
            return;
        }
        Map<String, String> form = exchange.form();
        String who = form.getOrDefault("who", "0");
        int person = who.matches("[0-9]") ? Math.min(Integer.parseInt(who), PEOPLE.size() - 1) : 0;
        shares.computeIfPresent(
                id,
                (key, known) -> known.state().equals("waiting")
                        ? known.in(form.getOrDefault("answer", "").equals("yes") ? "approved" : "refused", person)
                        : known);
        exchange.redirect(share.returnUrl());
    }

    /** What was approved of at the basket is not asked again, as long as it comes to no more. */
    @Override
    Start start(JsonNode asked, Book.Account account) {
        String id = asked.path("shared").asString("");
        Share share = shares.get(id);
        boolean covered = share != null
                && share.state().equals("approved")
                && share.account().equals(account.id())
                && share.currency().equals(asked.path("currency").asString(""))
                && share.most() >= asked.path("amount").asLong(0)
                && shares.replace(id, share, share.in("used", share.who()));
        return new Start(covered ? "authorised" : "needs-buyer", "", "WALLET", false);
    }

    @Override
    String issuedIn(Book.Payment payment) {
        return "";
    }

    /** 2.6 % and 0.30. */
    @Override
    long fee(Book.Payment payment, long amount) {
        return share(amount, 26) + 30;
    }

    @Override
    String question(Book.Payment payment) {
        return Html.page(
                "Your wallet",
                "<p>Pay <strong>" + money(payment, payment.amount()) + "</strong> for order "
                        + Html.escape(payment.reference())
                        + " from your wallet?</p><form method=post><button name=answer "
                        + "value=yes>Approve</button><button name=answer value=no>Cancel</button></form>");
    }

    @Override
    String reasonOf(String answer, Book.Payment payment) {
        return answer.equals("yes") ? "" : "cancelled in the wallet";
    }
}

package vestcoin.standins.pay;

import java.nio.file.Path;
import java.time.Clock;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import vestcoin.standins.shared.Html;

/** The simulated wallet: the buyer is sent to its page, approves or cancels, and comes back. */
public final class Wallet extends Processor {
    public static final String TEST_SECRET = "secret-test-c3a95d7710fe4ab2864e";
    public static final String TEST_PUBLIC = "public-test-58b2e1fd94c04a7c9d16";
    public static final String LIVE_SECRET = "secret-live-0b7e44a9d3f14c5e92a8";
    public static final String LIVE_PUBLIC = "public-live-7c60f2b85ad94e1fb3d9";

    public Wallet(Path file, Clock clock) {
        super("wallet", "Wallet", file, clock);
        book.open(new Book.Account("purse", "test", TEST_SECRET, TEST_PUBLIC, true, "", "hook-" + UUID.randomUUID()));
        book.open(new Book.Account("pocket", "live", LIVE_SECRET, LIVE_PUBLIC, false, "", "hook-" + UUID.randomUUID()));
    }

    @Override
    Start start(JsonNode asked, Book.Account account) {
        return new Start("needs-buyer", "", "WALLET", false);
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

package vestcoin.standins.card;

import java.math.BigDecimal;
import java.util.Currency;

/** The processor's two pages, each saying plainly that it is a simulation. */
final class Pages {
    private static final String HEAD = """
            <!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
            <title>%s</title><style>
            body{font:16px/1.5 system-ui,sans-serif;max-width:60rem;margin:2rem auto;padding:0 1rem;color:#222a35;background:#f4f3ef}
            table{border-collapse:collapse;width:100%%}td,th{text-align:left;padding:.3rem .6rem;border-bottom:1px solid #ccc}
            button{font:inherit;padding:.6rem 1.2rem;margin:.3rem .3rem .3rem 0}code{font-size:1.05em}.note{border:2px dashed #8a6d1f;padding:.5rem 1rem}
            </style><body><p class="note"><strong>This is a simulation.</strong> No bank is asked and no money moves.</p><h1>%s</h1>
            """;

    private Pages() {}

    static String control(Book book, boolean outage, long delay) {
        StringBuilder html = new StringBuilder(HEAD.formatted("Card processor, simulated", "Card processor, simulated"));
        html.append("<form method=post action=/control><p><label><input type=checkbox name=outage").append(outage ? " checked" : "")
                .append("> Out of order: every call from shops fails</label></p><p><label>Delay of every answer <input name=delay size=6 value=")
                .append(delay).append("> ms, at most 30000</label></p>");
        for (Book.Account account : book.accounts()) {
            html.append("<p><label><input type=checkbox name=approved-").append(escape(account.id())).append(account.approved() ? " checked" : "")
                    .append("> Account “").append(escape(account.id())).append("” (").append(account.mode()).append(") is approved</label><br>publishable key <code>")
                    .append(escape(account.publicKey())).append("</code><br>secret key <code>").append(escape(account.secretKey())).append("</code></p>");
        }
        html.append("<button>Set</button></form><h2>Test cards</h2><table><tr><th>Number<th>What happens</tr>");
        for (TestCard card : TestCard.values()) {
            html.append("<tr><td><code>").append(card.number()).append("</code><td>").append(card.outcome()).append("</tr>");
        }
        html.append("</table><h2>Latest payments</h2><table><tr><th>Reference<th>State<th>Amount<th>Captured<th>Refunded</tr>");
        for (Book.Payment payment : book.latest()) {
            html.append("<tr><td>").append(escape(payment.reference())).append("<td>").append(escape(payment.state())).append("<td>")
                    .append(money(payment, payment.amount())).append("<td>").append(money(payment, payment.captured())).append("<td>")
                    .append(money(payment, payment.refunded())).append("</tr>");
        }
        return html.append("</table>").toString();
    }

    static String challenge(Book.Payment payment) {
        return HEAD.formatted("Your bank asks, simulated", "Your bank asks")
                + "<p>Do you want to pay <strong>" + money(payment, payment.amount()) + "</strong> for order " + escape(payment.reference()) + "?</p>"
                + "<form method=post><button name=answer value=yes>Yes, it is me</button><button name=answer value=no>No</button></form>";
    }

    private static String money(Book.Payment payment, long minor) {
        int digits = payment.currency().matches("[A-Z]{3}") ? Currency.getInstance(payment.currency()).getDefaultFractionDigits() : 2;
        return BigDecimal.valueOf(minor, digits).toPlainString() + " " + escape(payment.currency());
    }

    private static String escape(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;");
    }
}

package vestcoin.standins.bank;

import java.io.IOException;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Html;
import vestcoin.standins.shared.Service;

/**
 * The simulated bank: transfers are made on its page, and stand on a statement file in the XML form of ISO 20022,
 * camt.053.001.08, written from memory with what a statement of incoming transfers needs.
 */
public final class Bank extends Service {
    private record Transfer(
            String id, BigDecimal amount, String currency, String reference, String payer, LocalDate day) {}

    private final List<Transfer> transfers = new ArrayList<>();

    private final Clock clock;

    public Bank(Clock clock) {
        super("bank", "Bank");
        this.clock = clock;
    }

    /** Makes a transfer to the shop. @param reference as the payer wrote it */
    public synchronized void transfer(String amount, String currency, String reference, String payer) {
        transfers.add(new Transfer(
                "entry-" + (transfers.size() + 1) + "-" + Integer.toHexString(System.identityHashCode(this)),
                new BigDecimal(amount),
                currency,
                reference,
                payer,
                LocalDate.now(clock)));
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        if (exchange.method().equals("GET") && exchange.path().equals("/v1/statement.xml")) {
            exchange.text("application/xml", statement(exchange.query("iban").orElse("")));
        } else {
            throw new Refusal(404, "There is nothing here.");
        }
    }

    /** The statement of everything so far. */
    public synchronized String statement(String iban) {
        StringBuilder xml = new StringBuilder("""
                <?xml version="1.0" encoding="UTF-8"?>
                <Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08">\
                <BkToCstmrStmt><GrpHdr><MsgId>statement</MsgId></GrpHdr>\
                <Stmt><Id>1</Id><Acct><Id><IBAN>%s</IBAN></Id></Acct>
                """.formatted(Html.escape(iban)));
        for (Transfer transfer : transfers) {
            boolean structured = transfer.reference().replaceAll("\\s", "").matches("RF\\d\\d[A-Z0-9]{1,21}");
            String remittance = structured
                    ? "<Strd><CdtrRefInf><Ref>" + transfer.reference().replaceAll("\\s", "")
                            + "</Ref></CdtrRefInf></Strd>"
                    : "<Ustrd>" + Html.escape(transfer.reference()) + "</Ustrd>";
            xml.append("""
                    <Ntry><NtryRef>%s</NtryRef><Amt Ccy="%s">%s</Amt><CdtDbtInd>CRDT</CdtDbtInd>\
                    <Sts><Cd>BOOK</Cd></Sts>\
                    <BookgDt><Dt>%s</Dt></BookgDt><NtryDtls><TxDtls>\
                    <RltdPties><Dbtr><Pty><Nm>%s</Nm></Pty></Dbtr></RltdPties><RmtInf>%s</RmtInf>\
                    </TxDtls></NtryDtls></Ntry>
                    """.formatted(
                            transfer.id(),
                            Html.escape(transfer.currency()),
                            transfer.amount().toPlainString(),
                            transfer.day(),
                            Html.escape(transfer.payer()),
                            remittance));
        }
        return xml.append("</Stmt></BkToCstmrStmt></Document>\n").toString();
    }

    @Override
    protected String controls() {
        return "<h2>Make a transfer to the shop</h2><p><label>Amount <input name=amount size=8></label> "
                + "<label>Currency <input name=currency size=4 value=EUR></label> <label>Reference <input "
                + "name=reference size=26></label>"
                + " <label>Payer <input name=payer size=20 value=\"A Buyer\"></label></p>";
    }

    @Override
    protected void set(Map<String, String> form) {
        String amount = form.getOrDefault("amount", "").strip().replace(',', '.');
        if (amount.matches("[0-9]{1,9}(\\.[0-9]{1,4})?")
                && form.getOrDefault("currency", "").matches("[A-Z]{3}")) {
            transfer(amount, form.get("currency"), form.getOrDefault("reference", ""), form.getOrDefault("payer", ""));
        }
    }

    @Override
    protected synchronized String below() {
        StringBuilder html = new StringBuilder("<p><a href=\"")
                .append(url())
                .append("/v1/statement.xml\">The statement "
                        + "file</a></p><table><tr><th>Day<th>Amount<th>Reference<th>Payer</tr>");
        transfers.forEach(transfer -> html.append("<tr><td>")
                .append(transfer.day())
                .append("<td>")
                .append(transfer.amount().toPlainString())
                .append(" ")
                .append(Html.escape(transfer.currency()))
                .append("<td>")
                .append(Html.escape(transfer.reference()))
                .append("<td>")
                .append(Html.escape(transfer.payer()))
                .append("</tr>"));
        return html.append("</table>").toString();
    }
}

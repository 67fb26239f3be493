package vestcoin.app.statement;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.io.StringReader;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import vestcoin.app.format.FileText;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/**
 * A bank statement: ISO 20022 camt.053 (any version; the elements it needs are the same in all, from memory), or CSV
 * with the columns {@code date, amount, currency, reference, payer}. Only what came in is read.
 */
final class StatementFile {
    private static final int MOST_ENTRIES = 20_000;
    private static final List<String> COLUMNS = List.of("date", "amount", "currency", "reference", "payer");

    private StatementFile() {}

    /** @param id the bank's, or one made from what the entry says @param told everything the payer wrote */
    record Entry(String id, BigDecimal amount, String currency, LocalDate day, String payer, String told) {}

    /** @throws InvalidInput with what is wrong, where, and how to mend it */
    static List<Entry> parse(String text) {
        String file = FileText.withoutMark(text);
        List<Entry> entries = file.stripLeading().startsWith("<") ? xml(file) : csv(file);
        if (entries.size() > MOST_ENTRIES) {
            throw new InvalidInput(
                    "file",
                    Message.of("statement.statement-has-more-than-entries", "mostentries", MOST_ENTRIES),
                    Message.of("statement.ask-bank-for-shorter-time"));
        }
        return entries;
    }

    private static List<Entry> xml(String file) {
        Document document;
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultInstance();
            factory.setNamespaceAware(true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            var builder = factory.newDocumentBuilder();
            builder.setErrorHandler(null);
            document = builder.parse(new InputSource(new StringReader(file)));
        } catch (SAXException | IOException | ParserConfigurationException e) {
            throw new InvalidInput(
                    "file",
                    Message.of("statement.this-not-statement-that-can-read", "message", e.getMessage()),
                    Message.of("statement.save-again-at-bank-camt-053-or"));
        }
        NodeList found = document.getElementsByTagNameNS("*", "Ntry");
        if (document.getElementsByTagNameNS("*", "BkToCstmrStmt").getLength() == 0) {
            throw new InvalidInput(
                    "file",
                    Message.of("statement.this-xml-file-not-bank-statement"),
                    Message.of("statement.ask-bank-for-camt-053"));
        }
        List<Entry> entries = new ArrayList<>();
        for (int i = 0; i < found.getLength(); i++) {
            Element entry = (Element) found.item(i);
            if (first(entry, "CdtDbtInd").equals("CRDT")) {
                NodeList amounts = entry.getElementsByTagNameNS("*", "Amt");
                Element amount = (Element) amounts.item(0);
                String told = String.join(" ", all(entry, "Ref"), all(entry, "Ustrd"), all(entry, "EndToEndId"))
                        .strip();
                LocalDate day = day(
                        "file/Ntry/" + (i + 1),
                        first(entry, "Dt").isEmpty() ? first(entry, "DtTm") : first(entry, "Dt"));
                String id = first(entry, "NtryRef").isEmpty() ? first(entry, "AcctSvcrRef") : first(entry, "NtryRef");
                entries.add(entry(
                        "file/Ntry/" + (i + 1),
                        id,
                        amount == null ? "" : amount.getTextContent(),
                        amount == null ? "" : amount.getAttribute("Ccy"),
                        day,
                        first(entry, "Nm"),
                        told,
                        i));
            }
        }
        return entries;
    }

    private static String first(Element of, String name) {
        NodeList found = of.getElementsByTagNameNS("*", name);
        return found.getLength() == 0 ? "" : found.item(0).getTextContent().strip();
    }

    private static String all(Element of, String name) {
        StringBuilder all = new StringBuilder();
        NodeList found = of.getElementsByTagNameNS("*", name);
        for (int i = 0; i < found.getLength(); i++) {
            all.append(all.isEmpty() ? "" : " ")
                    .append(found.item(i).getTextContent().strip());
        }
        return all.toString();
    }

    private static List<Entry> csv(String file) {
        List<Entry> entries = new ArrayList<>();
        char separator = file.lines().findFirst().orElse("").contains(";") ? ';' : ',';
        try (CsvReader<NamedCsvRecord> reader = CsvReader.builder()
                .fieldSeparator(separator)
                .skipEmptyLines(true)
                .allowMissingFields(true)
                .allowExtraFields(true)
                .ofNamedCsvRecord(file)) {
            int place = 0;
            for (NamedCsvRecord row : reader) {
                List<String> header =
                        row.getHeader().stream().map(String::strip).toList();
                if (!header.containsAll(COLUMNS)) {
                    throw new InvalidInput(
                            "file/1",
                            Message.of("statement.first-line-does-not-name-columns"),
                            Message.of("statement.needs", "names", COLUMNS));
                }
                String line = "file/" + row.getStartingLineNumber();
                String amount = row.findField("amount").orElse("").strip();
                if (!amount.startsWith("-")) {
                    entries.add(entry(
                            line,
                            row.findField("id").orElse("").strip(),
                            amount.replace(',', '.'),
                            row.findField("currency").orElse("").strip(),
                            day(line, row.findField("date").orElse("").strip()),
                            row.findField("payer").orElse("").strip(),
                            row.findField("reference").orElse("").strip(),
                            place++));
                }
            }
            return entries;
        } catch (CsvParseException | IOException e) {
            throw new InvalidInput(
                    "file",
                    Message.of("statement.statement-cannot-read-table", "message", e.getMessage()),
                    Message.of("statement.save-again-csv"));
        }
    }

    /** @param place among entries that may be alike but for it */
    private static Entry entry(
            String path,
            String id,
            String amount,
            String currency,
            LocalDate day,
            String payer,
            String told,
            int place) {
        if (!amount.matches("[0-9]{1,12}(\\.[0-9]{1,4})?") || new BigDecimal(amount).signum() == 0) {
            throw new InvalidInput(
                    path,
                    Message.of("statement.not-amount-that-came-in", "amount", amount),
                    Message.of("statement.write-12-50"));
        }
        if (!currency.matches("[A-Z]{3}")) {
            throw new InvalidInput(
                    path,
                    Message.of("statement.not-currency", "currency", currency),
                    Message.of("statement.write-three-letters-by-iso-4217"));
        }
        String own = id.isEmpty()
                ? UUID.nameUUIDFromBytes((day + amount + currency + payer + told + place)
                                .getBytes(java.nio.charset.StandardCharsets.UTF_8))
                        .toString()
                : id;
        return new Entry(cut(own, 100), new BigDecimal(amount), currency, day, cut(payer, 200), cut(told, 500));
    }

    private static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most);
    }

    private static LocalDate day(String path, String text) {
        try {
            return LocalDate.parse(text.length() > 10 ? text.substring(0, 10) : text);
        } catch (DateTimeParseException e) {
            throw new InvalidInput(
                    path, Message.of("statement.not-day", "text", text), Message.of("statement.write-2026-11-25"));
        }
    }
}

package vestcoin.app.format;

import java.io.StringReader;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Map;
import java.util.TreeMap;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import vestcoin.core.message.Message;
import vestcoin.core.money.Currencies;
import vestcoin.core.money.Exchange;
import vestcoin.core.problem.InvalidInput;

/**
 * Reads exchange rates in the XML form in which the European Central Bank publishes its daily reference rates:
 * {@code Cube} elements, one with the day in {@code time}, and in it one a currency with {@code currency} and
 * {@code rate}, the price of one euro. The form is from memory. Of a file with several days the first, which is the
 * latest, counts.
 */
public final class RateFeed {
    public static final String BASE = "EUR";

    private RateFeed() {}

    /** @throws InvalidInput with what is wrong and how to mend it */
    public static Exchange parse(String xml) {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        LocalDate day = null;
        Map<String, BigDecimal> rates = new TreeMap<>();
        try {
            XMLStreamReader reader = factory.createXMLStreamReader(new StringReader(xml));
            while (reader.hasNext()) {
                if (reader.next() != XMLStreamConstants.START_ELEMENT
                        || !reader.getLocalName().equals("Cube")) {
                    continue;
                }
                String time = reader.getAttributeValue(null, "time");
                if (time != null && day != null) {
                    break;
                }
                day = time != null ? LocalDate.parse(time) : day;
                String currency = reader.getAttributeValue(null, "currency");
                if (currency != null) {
                    rates.put(currency, rate(currency, reader.getAttributeValue(null, "rate")));
                }
            }
        } catch (XMLStreamException e) {
            throw new InvalidInput(
                    "rates",
                    Message.of(
                            "format.this-not-xml-file-of-exchange-rates",
                            "location",
                            e.getLocation().getLineNumber()),
                    Message.of("format.save-file-again-was-published"));
        } catch (DateTimeParseException e) {
            throw new InvalidInput(
                    "rates/time",
                    Message.of("format.not-day", "parsedString", e.getParsedString()),
                    Message.of("format.write-2026-11-25"));
        }
        if (day == null || rates.isEmpty()) {
            throw new InvalidInput(
                    "rates",
                    Message.of("format.there-no-exchange-rates-in-this-file"),
                    Message.of("format.needs-cube-elements-with-time-currency-and"));
        }
        return new Exchange(BASE, day, rates);
    }

    private static BigDecimal rate(String currency, String text) {
        if (Currencies.of(currency).isEmpty()) {
            throw new InvalidInput(
                    "rates/" + currency,
                    Message.of("format.not-currency", "currency", currency),
                    Message.of("format.write-three-letters-by-iso-4217"));
        }
        if (text == null || !text.matches("[0-9]{1,9}(\\.[0-9]{1,9})?") || new BigDecimal(text).signum() == 0) {
            throw new InvalidInput(
                    "rates/" + currency,
                    Message.of("format.rate-of-not-number-above-zero", "currency", currency),
                    Message.of("format.write-0-9305"));
        }
        return new BigDecimal(text);
    }
}

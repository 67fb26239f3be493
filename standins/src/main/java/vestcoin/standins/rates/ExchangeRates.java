package vestcoin.standins.rates;

import java.io.IOException;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Map;
import java.util.TreeMap;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Html;
import vestcoin.standins.shared.Service;

/**
 * The simulated feed of exchange rates, in the XML form of the European Central Bank's daily reference rates. The rates
 * are invented.
 */
public final class ExchangeRates extends Service {
    private volatile Map<String, String> rates = new TreeMap<>(Map.of(
            "CHF", "0.9312", "GBP", "0.8437", "JPY", "171.05", "PLN", "4.2615", "SEK", "11.0240", "USD", "1.1586"));

    private final Clock clock;

    public ExchangeRates(Clock clock) {
        super("rates", "Exchange rates");
        this.clock = clock;
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        if (!exchange.path().equals("/v1/daily.xml")) {
            throw new Refusal(404, "There is nothing here.");
        }
        StringBuilder xml = new StringBuilder("""
                <?xml version="1.0" encoding="UTF-8"?>
                <gesmes:Envelope xmlns:gesmes="http://www.gesmes.org/xml/2002-08-01" \
                xmlns="http://www.ecb.int/vocabulary/2002-08-01/eurofxref">
                  <gesmes:subject>Reference rates</gesmes:subject>
                  <Cube><Cube time="%s">
                """.formatted(lastWorkingDay()));
        rates.forEach((currency, rate) -> xml.append("    <Cube currency=\"")
                .append(currency)
                .append("\" rate=\"")
                .append(rate)
                .append("\"/>\n"));
        exchange.text(
                "application/xml",
                xml.append("  </Cube></Cube>\n</gesmes:Envelope>\n").toString());
    }

    private LocalDate lastWorkingDay() {
        LocalDate day = LocalDate.now(clock);
        while (day.getDayOfWeek() == DayOfWeek.SATURDAY || day.getDayOfWeek() == DayOfWeek.SUNDAY) {
            day = day.minusDays(1);
        }
        return day;
    }

    @Override
    protected String controls() {
        StringBuilder html = new StringBuilder("<p>For one euro:</p>");
        rates.forEach((currency, rate) -> html.append("<p><label>")
                .append(currency)
                .append(" <input size=10 name=rate-")
                .append(currency)
                .append(" value=\"")
                .append(Html.escape(rate))
                .append("\"></label></p>"));
        return html.toString();
    }

    @Override
    protected void set(Map<String, String> form) {
        Map<String, String> next = new TreeMap<>(rates);
        next.replaceAll((currency, rate) -> {
            String typed = form.getOrDefault("rate-" + currency, rate);
            return typed.matches("[0-9]{1,6}(\\.[0-9]{1,6})?") ? typed : rate;
        });
        rates = next;
    }
}

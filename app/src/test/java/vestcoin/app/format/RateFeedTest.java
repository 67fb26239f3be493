package vestcoin.app.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.app.InEnglish;
import vestcoin.core.money.Exchange;
import vestcoin.core.problem.InvalidInput;

/** The form of the European Central Bank's daily reference rates, from memory; the figures are invented. */
class RateFeedTest {
    private static final String FEED = """
            <?xml version="1.0" encoding="UTF-8"?>
            <gesmes:Envelope xmlns:gesmes="http://www.gesmes.org/xml/2002-08-01" \
            xmlns="http://www.ecb.int/vocabulary/2002-08-01/eurofxref">
              <gesmes:subject>Reference rates</gesmes:subject>
              <Cube>
                <Cube time='2026-11-24'><Cube currency='USD' rate='1.1043'/><Cube currency='CHF' \
                rate='0.9305'/><Cube currency='JPY' rate='168.2'/></Cube>
                <Cube time='2026-11-23'><Cube currency='USD' rate='9.9999'/></Cube>
              </Cube>
            </gesmes:Envelope>
            """;

    @Test
    void the_latest_day_is_read_with_its_rates() {
        Exchange rates = RateFeed.parse(FEED);
        assertThat(rates.day()).isEqualTo(LocalDate.of(2026, 11, 24));
        assertThat(rates.of("USD")).contains(new BigDecimal("1.1043"));
        assertThat(rates.of("CHF")).contains(new BigDecimal("0.9305"));
        assertThat(rates.of("EUR")).contains(BigDecimal.ONE);
        assertThat(rates.of("GBP")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "rate='0.9305' | rate='0,9305' | rates/CHF | not a number above zero",
                "rate='0.9305' | rate='0' | rates/CHF | not a number above zero",
                "currency='CHF' | currency='CHFF' | rates/CHFF | not a currency",
                "time='2026-11-24' | time='yesterday' | rates/time | not a day",
                "</Cube> | </Cub> | rates | not an XML file",
                "currency= | curency= | rates | no exchange rates"
            })
    void a_broken_feed_is_refused_with_a_sentence(String whole, String broken, String path, String said) {
        assertThatThrownBy(() -> RateFeed.parse(FEED.replace(whole, broken)))
                .isInstanceOfSatisfying(InvalidInput.class, refused -> {
                    assertThat(refused.problems().get(0).path()).isEqualTo(path);
                    assertThat(InEnglish.of(refused.problems().get(0).sentence()))
                            .contains(said);
                });
    }

    @Test
    void a_document_type_is_not_followed() {
        String trick = "<!DOCTYPE x [<!ENTITY file SYSTEM \"file:///etc/hostname\">]><Cube time='2026-11-24'><Cube "
                + "currency='USD' rate='&file;'/></Cube>";
        assertThatThrownBy(() -> RateFeed.parse(trick)).isInstanceOf(InvalidInput.class);
    }
}

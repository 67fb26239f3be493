package vestcoin.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vestcoin.app.setup.Document;

/** A demo that begins on any day has something to show. */
class DemoDaysTest {
    private static List<LocalDate> ends(JsonNode of, String window) {
        return StreamSupport.stream(of.spliterator(), false)
                .map(each -> each.at(window + "/to"))
                .filter(JsonNode::isString)
                .map(to -> LocalDate.parse(to.asString()))
                .toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"2026-11-30", "2026-12-25", "2027-06-01", "2028-02-29"})
    void no_offer_of_the_demo_is_over(LocalDate today) {
        JsonNode setup =
                DemoDays.with(Document.parse(DemoShop.setupFile()), today).tree();
        assertThat(ends(setup.path("goods").path("products"), "/sale/window"))
                .isNotEmpty()
                .allMatch(today.plusDays(13)::isBefore);
        assertThat(ends(setup.path("discounts").path("rules"), "/conditions/window"))
                .isNotEmpty()
                .allMatch(today.plusDays(89)::isBefore);
    }
}

package vestcoin.core.tax;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;

class TaxBookFillingTest {
    private static final Destination IRELAND = Destination.of("IE");

    private static Tax book(Tax.PlaceRates... rows) {
        return new Tax(
                Tax.Prices.WITH_TAX,
                List.of(
                        new Tax.Category("gear", "Gear"),
                        new Tax.Category("repair", "Repair"),
                        new Tax.Category("books", "Books")),
                List.of(rows));
    }

    private static Tax.PlaceRates ireland() {
        return new Tax.PlaceRates(
                "ireland",
                "Ireland",
                List.of(Place.parse("IE")),
                List.of(),
                Map.of(
                        "gear",
                        Tax.Rate.of("VAT", "23"),
                        "repair",
                        Tax.Rate.of("VAT", "13.5"),
                        "books",
                        Tax.Rate.of("VAT", "0")),
                Optional.empty());
    }

    private static String rate(Tax.PlaceRates row, String category) {
        return row.rates().containsKey(category) ? RateCell.print(row.rates().get(category)) : "";
    }

    @Test
    void an_empty_book_gets_the_standard_rate_of_home_for_its_first_category() {
        List<Tax.PlaceRates> rows = TaxBookFilling.of(book(), IRELAND, List.of(Place.parse("IE")));
        assertThat(rows).hasSize(1);
        assertThat(rate(rows.get(0), "gear")).isEqualTo("23");
        assertThat(rate(rows.get(0), "repair")).as("only the seller knows").isEmpty();
        assertThat(rows.get(0).toConfirm()).isPresent();
        assertThat(rows.get(0).name()).isEqualTo("Ireland");
    }

    @Test
    void categories_get_the_kind_of_rate_they_bear_at_home_where_there_is_just_one() {
        Map<String, Tax.PlaceRates> rows = new java.util.HashMap<>();
        TaxBookFilling.of(book(ireland()), IRELAND, List.of(Place.parse("IE"), Place.parse("DE"), Place.parse("FR")))
                .forEach(row -> rows.put(row.id(), row));
        assertThat(rows).as("Ireland is in the book").containsOnlyKeys("de", "fr");
        assertThat(rate(rows.get("de"), "gear")).isEqualTo("19");
        assertThat(rate(rows.get("de"), "repair"))
                .as("Germany has one reduced rate")
                .isEqualTo("7");
        assertThat(rate(rows.get("fr"), "repair")).as("France has several").isEmpty();
    }

    @Test
    void the_union_is_taken_apart_and_the_world_is_not() {
        assertThat(TaxBookFilling.of(book(ireland()), IRELAND, List.of(Place.parse("EU"))))
                .as("and three places with rates of their own")
                .hasSize(26 + 3);
        assertThat(TaxBookFilling.of(book(), IRELAND, List.of(Place.parse("WORLD"))))
                .hasSize(1);
    }

    @Test
    void a_seller_in_a_state_gets_the_states_own_rate() {
        Tax.PlaceRates row = TaxBookFilling.of(
                        book(),
                        new Destination("US", Optional.of("US-NC"), Optional.empty()),
                        List.of(Place.parse("US")))
                .get(0);
        assertThat(row.places()).containsExactly(Place.parse("US-NC"));
        assertThat(rate(row, "gear")).isEqualTo("4.75");
    }

    @Test
    void ids_that_are_taken_get_a_number() {
        Tax.PlaceRates odd = new Tax.PlaceRates(
                "de", "Somewhere", List.of(Place.parse("AT")), List.of(), Map.of(), Optional.empty());
        assertThat(TaxBookFilling.of(book(odd), IRELAND, List.of(Place.parse("DE"))))
                .extracting(Tax.PlaceRates::id)
                .containsExactly("ie", "de-2");
    }
}

package vestcoin.core.goods;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.basket.Basket;
import vestcoin.core.invoice.Bill;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.setup.CompiledSetup;

/** What a buyer is asked besides the choices, and what answers add; and whether something can be had at all. */
class QuestionsTest {
    private static Question question(
            Question.Kind kind, boolean compulsory, String extra, String percent, String each) {
        return new Question(
                "q",
                "Name to sew on",
                kind,
                compulsory,
                kind == Question.Kind.TEXT ? Optional.of(12) : null,
                kind == Question.Kind.ONE_OF ? List.of(new Question.Answer("red", "Red thread")) : null,
                Optional.ofNullable(extra).map(BigDecimal::new),
                Optional.ofNullable(percent).map(BigDecimal::new),
                Optional.ofNullable(each).map(BigDecimal::new));
    }

    private static Quote quote(Thing kite, String answer) {
        return quote(kite, answer, "2026-12-01T10:00:00Z");
    }

    private static Quote quote(Thing kite, String answer, String at) {
        CompiledSetup setup = CompiledSetup.of(
                new Shops.Maker().taxes("IE", "s", "23").sells(kite.product()).setup());
        Line line = Line.of("kite", 2).answering(answer == null ? null : Map.of("q", answer));
        return Pricing.price(
                setup, Order.of(Instant.parse(at), Basket.of(List.of(line), Destination.of("IE")), Map.of()));
    }

    private static Thing kite(Question question) {
        return Thing.of("kite", "40.00", "s").asks(question);
    }

    @ParameterizedTest
    @CsvSource({
        // 40.00 + 3.00, twice
        "Finn, 3.00, , , 86.00",
        // 40.00 + 10 %, twice
        "Finn, , 10, , 88.00",
        // 40.00 + 4 × 0.75, twice
        "Finn, , , 0.75, 86.00",
        // White space is free: 8 characters of 9
        "Finn Mara, , , 0.75, 92.00",
        // All at once: 40 + 3 + 4 + 4 × 0.75
        "Finn, 3.00, 10, 0.75, 100.00",
    })
    void an_answer_adds_to_each(String answer, String extra, String percent, String each, String goods) {
        Quote quote = quote(kite(question(Question.Kind.TEXT, false, extra, percent, each)), answer);
        assertThat(quote.goods().value()).isEqualByComparingTo(goods);
        assertThat(quote(kite(question(Question.Kind.TEXT, false, extra, percent, each)), null)
                        .goods()
                        .value())
                .as("without an answer")
                .isEqualByComparingTo("80.00");
    }

    /**
     * What a reader counts as one is one. Source: Unicode Standard Annex #29, table 1a and rules GB3, GB9, GB11, GB12
     * and its examples of extended grapheme clusters; the texts themselves from memory.
     */
    @ParameterizedTest
    @CsvSource({
        "g\u0308, 1",
        "\u1100\u1161\u11A8, 1",
        "\u0BA8\u0BBF, 1",
        "\u0E33, 1",
        "\uD83C\uDDE9\uD83C\uDDEA\uD83C\uDDEE\uD83C\uDDEA, 2",
        "\uD83D\uDC69\u200D\uD83D\uDC69\u200D\uD83D\uDC66, 1",
        "\uD83D\uDC4D\uD83C\uDFFD, 1",
        "Zo\u0065\u0308, 3",
        "abc, 3",
    })
    void characters_are_what_a_reader_counts(String text, int characters) {
        assertThat(Question.characters(text)).isEqualTo(characters);
    }

    @Test
    void composed_and_decomposed_are_the_same_answer() {
        Line composed = Line.of("kite", 1).answering(Map.of("q", " Zo\u00eb "));
        Line decomposed = Line.of("kite", 1).answering(Map.of("q", "Zoe\u0308"));
        assertThat(composed).isEqualTo(decomposed);
        assertThat(Line.of("kite", 1).answering(Map.of("q", "  ")).answers()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "TEXT, Maximilian Alexander, at most 12 characters; 20 are",
        "NUMBER, twelve, is a number",
        "NUMBER, 12345678901234, is a number",
        "DAY, tomorrow, is a day",
        "DAY, 2026-02-30, is a day",
        "ONE_OF, blue, one of: Red thread",
        "TICK, no, ticked or left out",
    })
    void an_answer_of_another_kind_is_refused(Question.Kind kind, String answer, String sentence) {
        Thing kite = kite(question(kind, false, null, null, null));
        assertThatThrownBy(() -> quote(kite, answer))
                .extracting(English::told, STRING)
                .contains(sentence);
    }

    @Test
    void a_compulsory_question_wants_an_answer() {
        Thing kite = kite(question(Question.Kind.TEXT, true, null, null, null));
        assertThatThrownBy(() -> quote(kite, null))
                .extracting(English::told, STRING)
                .contains("Name to sew on");
    }

    @Test
    void an_answer_stands_on_the_bill_beside_what_is_bought() {
        Quote quote = quote(kite(question(Question.Kind.DAY, false, null, null, null)), "2026-12-24");
        Bill.Item item = Bill.of(quote, "IE").get(0).items().get(0);
        assertThat(item.answers()).singleElement().satisfies(said -> assertThat(English.of(said))
                .contains("Name to sew on")
                .contains("2026"));
    }

    @Test
    void what_is_not_sold_yet_says_from_when_and_what_is_sold_out_says_so() {
        Thing soon = kite(question(Question.Kind.TICK, false, null, null, null))
                .selling(Selling.State.ON_SALE, "2026-12-12");
        assertThat(quote(soon, null, "2026-12-11T23:30:00Z").missing())
                .anySatisfy(missing -> assertThat(English.of(missing)).contains("from 2026-12-12"));
        assertThat(quote(soon, null, "2026-12-12T00:30:00Z").missing())
                .noneSatisfy(missing -> assertThat(English.of(missing)).contains("2026-12"));
        Thing out = kite(question(Question.Kind.TICK, false, null, null, null)).selling(Selling.State.SOLD_OUT, null);
        assertThat(quote(out, null).missing())
                .anySatisfy(missing -> assertThat(English.of(missing)).contains("sold out"));
        Thing hidden =
                kite(question(Question.Kind.TICK, false, null, null, null)).selling(Selling.State.HIDDEN, null);
        assertThat(quote(hidden, null).missing())
                .noneSatisfy(missing -> assertThat(English.of(missing)).contains("kite"));
    }
}

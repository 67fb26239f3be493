package vestcoin.app.format;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.util.ULocale;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import vestcoin.app.subscription.Subscriptions;
import vestcoin.core.goods.Weight;
import vestcoin.core.life.PaymentState;
import vestcoin.core.message.Amount;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;

/** The catalogue: every code, in every language it has to be in, with the same arguments. */
class CatalogueTest {
    private static final Pattern CODE = Pattern.compile("Message\\.of\\(\\s*\"([a-z]+\\.[a-z0-9-]+)\"\\s*[,)]");
    private static final Pattern SENTENCE = Pattern.compile("\"[^\"\n]*[A-Za-z]+ [a-z]+ [a-z]+[^\"\n]*[.?]\"");

    private static Stream<Path> sources(String root) {
        try (Stream<Path> all = Files.walk(Path.of(root))) {
            return all.filter(file -> file.toString().endsWith(".java")).toList().stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void every_code_the_code_says_is_in_the_catalogue() {
        Set<String> said = new TreeSet<>();
        Stream.of("../core/src/main/java", "src/main/java")
                .flatMap(CatalogueTest::sources)
                .map(CatalogueTest::read)
                .map(CODE::matcher)
                .forEach(matcher -> {
                    while (matcher.find()) {
                        said.add(matcher.group(1));
                    }
                });
        assertThat(said).hasSizeGreaterThan(900);
        assertThat(Phrases.catalogue("en")).containsKeys(said.toArray(String[]::new));
    }

    /** States are told as codes and phrased by the desk; one without a phrase would be read as its code. */
    @ParameterizedTest
    @ValueSource(strings = {"en", "de"})
    void every_state_the_desk_is_told_has_its_phrase(String language) {
        Stream<String> payments = Arrays.stream(PaymentState.values()).map(state -> "desk.standing." + state.text());
        Stream<String> subscriptions = Arrays.stream(Subscriptions.State.values())
                .map(state -> "desk.subscribed." + state.name().toLowerCase(Locale.ROOT));
        Stream<String> happened =
                Arrays.stream(Subscriptions.Kind.values()).map(kind -> "desk.happened." + kind.text());
        assertThat(Phrases.catalogue(language))
                .containsKeys(Stream.of(payments, subscriptions, happened)
                        .flatMap(each -> each)
                        .toArray(String[]::new));
    }

    @Test
    void core_writes_no_sentence() {
        List<String> sentences = sources("../core/src/main/java")
                .flatMap(file -> SENTENCE.matcher(read(file).replaceAll("(?m)^\\s*(\\*|//).*$", ""))
                        .results()
                        .map(found -> file.getFileName() + ": " + found.group()))
                .toList();
        assertThat(sentences).isEmpty();
        assertThat(SENTENCE.matcher("\"This is a planted sentence.\"").find()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"de", "fr", "nl", "es", "it"})
    void what_buyers_meet_is_in_every_language_and_all_the_desk_says_in_german_with_the_same_arguments(
            String language) {
        Map<String, String> english = Phrases.catalogue("en");
        Map<String, String> there = Phrases.catalogue(language);
        assertThat(there.keySet())
                .containsExactlyInAnyOrderElementsOf(
                        Phrases.FOR_SELLERS.contains(language) ? english.keySet() : Phrases.forBuyers());
        Set<String> spoken = new TreeSet<>();
        for (String area : List.of("counter", "letter", "paper")) {
            Json.tree(read(Path.of("../catalogue/en/" + area + ".json")))
                    .properties()
                    .forEach(each -> spoken.add(each.getKey()));
        }
        assertThat(there).containsKeys(spoken.toArray(String[]::new));
        there.forEach((code, pattern) -> assertThat(arguments(pattern, language))
                .as(language + " " + code)
                .isEqualTo(arguments(english.get(code), "en")));
    }

    private static Set<String> arguments(String pattern, String language) {
        return new TreeSet<>(new MessageFormat(marked(pattern), ULocale.forLanguageTag(language)).getArgumentNames());
    }

    /** Without the marks that only the browser reads. */
    private static String marked(String pattern) {
        return pattern.replaceAll("</?[a-z]+>", "");
    }

    /** Unicode CLDR's formats, as ICU 79 has them; the expected texts are from memory. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "en | 1,234.50 | €1,234.50",
                "de | 1.234,50 | 1.234,50 €",
                "fr | 1 234,50 | 1 234,50 €",
                "nl | 1.234,50 | € 1.234,50",
                "es | 1234,50 | 1234,50 €",
                "it | 1234,50 | 1234,50 €"
            })
    void amounts_and_numbers_are_as_the_language_writes_them(String language, String number, String money) {
        Phrases phrases = Phrases.in(language);
        BigDecimal amount = new BigDecimal("1234.50");
        assertThat(plain(phrases.number(amount))).isEqualTo(number);
        assertThat(plain(phrases.money(amount, "EUR"))).isEqualTo(money);
    }

    private static String plain(String text) {
        return text.replaceAll("[\\u00a0\\u202f]", " ");
    }

    @Test
    void weights_and_countries_are_said_as_the_language_has_them() {
        assertThat(Phrases.in("de")
                        .say(Message.of(
                                "delivery.over-2",
                                "weightTo",
                                Weight.parse("limits", "2.5 kg").said())))
                .isEqualTo("Über 2,5 kg.");
        assertThat(Phrases.in("de")
                        .say(Message.of("finding.buyers-in-have-no-way-to-pay", "places", List.of(new Region("CA")))))
                .contains("Kanada");
        assertThat(Phrases.in("en").region("XI")).isEqualTo("Northern Ireland");
    }

    @Test
    void plurals_lists_days_and_countries_are_as_cldr_has_them() {
        assertThat(Phrases.in("fr").say("counter.workingDays", "days", 1)).isEqualTo("1 jour ouvré");
        assertThat(Phrases.in("fr").say("counter.workingDays", "days", 3)).isEqualTo("3 jours ouvrés");
        assertThat(Phrases.in("es").list(List.of("papel", "hilo", "ideas"))).isEqualTo("papel, hilo e ideas");
        assertThat(Phrases.in("nl").time(LocalDate.of(2026, 3, 8))).isEqualTo("8 maart 2026");
        assertThat(Phrases.in("it").region("DE")).isEqualTo("Germania");
        assertThat(Phrases.in("de-CH").money(new BigDecimal("1234.50"), "CHF")).containsPattern("1[’']234\\.50");
    }

    @Test
    void messages_are_kept_as_data_and_come_back_the_same() {
        Message message = Message.of(
                "quote.only-of-left",
                "count",
                new BigDecimal("2.50"),
                "where",
                new Region("IE"),
                "least",
                new Amount(new BigDecimal("12.00"), "EUR"),
                "why",
                Message.of("tax.outside-scope-of-tax"),
                "names",
                List.of("one", "two"),
                "many",
                3);
        assertThat(Json.read(Json.write(message), Message.class)).isEqualTo(message);
        assertThat(Json.read("\"as it was written before\"", Message.class))
                .isEqualTo(Message.name("as it was written before"));
    }

    @Test
    void a_made_up_language_stands_in_brackets() {
        assertThat(Phrases.in(Phrases.BRACKETED).say("paper.total")).isEqualTo("[Total]");
    }

    @Test
    void a_sellers_own_wording_comes_before_what_ships_and_before_the_shops_language() {
        Phrases polish = Phrases.in("pl").worded(Map.of("phrases.paper.total", "Razem"), "de");
        assertThat(polish.say("paper.total")).isEqualTo("Razem");
        assertThat(polish.say("paper.paid")).isEqualTo("Bezahlt");
    }
}

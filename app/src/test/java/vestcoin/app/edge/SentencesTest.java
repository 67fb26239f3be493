package vestcoin.app.edge;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/** What a German buyer is told is German, and every line of the list is a sentence that is said. */
@ExtendWith(RunningShop.class)
class SentencesTest {
    private static final Path MAIN = Path.of("src/main");
    private final RunningShop.Running shop;

    SentencesTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private static List<String[]> lines() throws IOException {
        return Files.readAllLines(MAIN.resolve("resources/counter/sentences.de.tsv")).stream()
                .map(line -> line.split("\t", -1))
                .toList();
    }

    /** A sentence that was changed where it arises would silently be English again. */
    @Test
    void every_line_is_a_sentence_that_stands_in_the_code() throws IOException {
        String code = Stream.of(
                        Path.of("../core/src/main/java"), MAIN.resolve("java"), Path.of("../standins/src/main/java"))
                .flatMap(SentencesTest::sources)
                .collect(Collectors.joining("\n"));
        for (String[] line : lines()) {
            assertThat(line).as(line[0]).hasSize(2);
            assertThat(Arrays.stream(line[0].split(Pattern.quote("{}"))).filter(part -> part.length() > 3))
                    .as(line[0])
                    .allMatch(part -> code.contains(part.strip()));
            long places = line[0].split(Pattern.quote("{}"), -1).length - 1;
            assertThat(Pattern.compile("\\{(\\d)[cs]?}")
                            .matcher(line[1])
                            .results()
                            .map(place -> Integer.parseInt(place.group(1)))
                            .allMatch(place -> place >= 1 && place <= places))
                    .as(line[1])
                    .isTrue();
        }
        assertThat(lines().stream().map(line -> line[0])).doesNotHaveDuplicates();
    }

    private static Stream<String> sources(Path folder) {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(file -> file.toString().endsWith(".java")).map(SentencesTest::read).toList().stream();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Only 1 of Kites You Can Build, book is left.|Von Kites You Can Build, book ist nur noch 1 da.",
                "Person in Germany, one-stop shop on: the rates of Germany.|Privatperson in Deutschland, über den "
                        + "One-Stop-Shop: die dortigen Sätze.",
                "“SPRING10” takes nothing off: Not on this day.|„SPRING10“ zieht nichts ab: Nicht an diesem Tag.",
                "The total has changed from 31.40 to 32.40 EUR since the page showed it.|Die Summe hat sich von "
                        + "31.40 auf 32.40 EUR geändert, seit die Seite sie gezeigt hat.",
                "Something nobody has put into German.|Something nobody has put into German."
            })
    void a_sentence_is_said_in_german_with_what_differs_in_its_place(String english, String german) {
        assertThat(Sentences.in("de-AT", english)).isEqualTo(german);
        assertThat(Sentences.in("fr", english)).isEqualTo(english);
    }

    private Map<String, Object> basket(Object... more) {
        Map<String, Object> basket = new HashMap<>(Caller.book());
        basket.put("language", "de");
        for (int i = 0; i < more.length; i += 2) {
            basket.put((String) more[i], more[i + 1]);
        }
        return basket;
    }

    private Caller.Answer asked(Object basket) {
        return shop.anybody()
                .call(
                        "POST",
                        Caller.COUNTER + "/quote",
                        vestcoin.app.format.Json.write(basket),
                        Map.of("Accept-Language", "de"));
    }

    @Test
    void a_german_buyer_is_told_in_german_what_is_missing_refused_and_why_it_is_taxed_so() {
        JsonNode german = asked(basket(
                        "to",
                        Map.of("country", "DE", "postcode", "10115"),
                        "codes",
                        List.of("NOSUCH", "OPENDAY"),
                        "delivery",
                        "tube",
                        "business",
                        true,
                        "taxNumber",
                        "12"))
                .json();
        assertThat(german.path("refusedCodes").toString())
                .contains("Diesen Code hat der Laden nicht.")
                .contains("Er steht allein, und andere ziehen ebenso viel oder mehr ab.");
        assertThat(asked(basket("to", Map.of("country", "US", "region", "US-NC", "postcode", "28801")))
                        .json()
                        .path("whose")
                        .toString())
                .contains("Ausfuhr, ohne Steuer (Vereinigte Staaten).");
        assertThat(german.path("taxNumber").asString()).startsWith("„12“ ist keine Steuernummer");
        assertThat(asked(basket("to", Map.of("country", "IE", "postcode", "nonsense")))
                        .sentence())
                .isEqualTo("„nonsense“ ist keine Postleitzahl in IE.");
        assertThat(asked(basket("to", Map.of("country", "KP")))
                        .json()
                        .path("missing")
                        .toString())
                .contains("Der Laden verkauft nicht an diesen Ort.");
        Caller.Answer placed = shop.anybody()
                .call(
                        "POST",
                        Caller.COUNTER + "/orders",
                        vestcoin.app.format.Json.write(Caller.placing("a-german-key-1", basket(), "30.00")),
                        Map.of("Accept-Language", "de-DE,de;q=0.9"));
        assertThat(placed.sentence())
                .isEqualTo("Die Summe hat sich von 30.00 auf 31.40 EUR geändert, seit die Seite sie gezeigt hat.");
        assertThat(shop.anybody()
                        .post(Caller.COUNTER + "/orders", Caller.placing("an-english-key-1", basket(), "30.00"))
                        .sentence())
                .as("whoever reads English")
                .startsWith("The total has changed");
    }
}

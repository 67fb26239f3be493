package vestcoin.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.Said;
import vestcoin.app.format.Json;

/** The commands on the documented files. */
class CommandsTest {
    private static final Path EXAMPLES = Path.of("..", "docs", "formats", "examples");
    private static final String SETUP =
            EXAMPLES.resolve("tern-and-tether.setup.json").toString();

    @TempDir
    Path folder;

    private String changed(String from, String to) throws IOException {
        String text = Files.readString(Path.of(SETUP));
        assertThat(text).contains(from);
        return Files.writeString(folder.resolve("changed.setup.json"), text.replace(from, to))
                .toString();
    }

    @Test
    void price_prints_a_quote() {
        Said said = Said.by(
                new PriceCommand(),
                "--setup",
                SETUP,
                "--order",
                EXAMPLES.resolve("cork-two-deltas-codes.order.json").toString());
        assertThat(said.status()).isZero();
        // 128.00 + 24.50, SPRING10 takes 12.80 off the kites, more than OPENDAY's 12.00; 9.40 to Cork
        assertThat(Json.tree(said.out()).path("payable").path("value").asString())
                .isEqualTo("149.10");
    }

    @Test
    void price_takes_exchange_rates_from_a_feed_unless_the_order_brings_its_own() throws IOException {
        Path feed = Files.writeString(
                folder.resolve("rates.xml"), "<Cube time='2026-11-24'><Cube currency='CHF' rate='0.9312'/></Cube>");
        Path zurich = EXAMPLES.resolve("zurich-francs.order.json");
        ObjectNode order = (ObjectNode) Json.tree(Files.readString(zurich));
        Said own = Said.by(new PriceCommand(), "--setup", SETUP, "--order", zurich.toString());
        Path bare = Files.writeString(folder.resolve("bare.order.json"), Json.write(order.without("outside")));
        assertThat(Said.by(new PriceCommand(), "--setup", SETUP, "--order", bare.toString())
                        .err())
                .contains("There is no exchange rate from EUR to CHF.");
        Said fed =
                Said.by(new PriceCommand(), "--setup", SETUP, "--order", bare.toString(), "--rates", feed.toString());
        assertThat(Json.tree(fed.out()).path("figures"))
                .isEqualTo(Json.tree(own.out()).path("figures"));
        Path broken = Files.writeString(folder.resolve("broken.xml"), "<Cube>");
        assertThat(Said.by(
                                new PriceCommand(),
                                "--setup",
                                SETUP,
                                "--order",
                                bare.toString(),
                                "--rates",
                                broken.toString())
                        .err())
                .contains("broken.xml, rates: This is not an XML file");
    }

    @Test
    void price_answers_bad_input_with_status_2_and_a_sentence() throws IOException {
        Path broken = Files.writeString(folder.resolve("broken.json"), "{\"format\": \"vest-coin/order/1\", ");
        Said said = Said.by(new PriceCommand(), "--setup", SETUP, "--order", broken.toString());
        assertThat(said.status()).isEqualTo(2);
        assertThat(said.err())
                .contains("broken.json")
                .contains("This cannot be read as a file Vest Coin wrote: at line 1")
                .doesNotContain("Exception");
        assertThat(Said.by(new PriceCommand(), "--setup", "nowhere.json", "--order", broken.toString())
                        .err())
                .contains("nowhere.json: the file cannot be read");
    }

    @Test
    void check_of_the_demo_blocks_nothing() {
        Said said = Said.by(new CheckCommand(), "--setup", SETUP);
        assertThat(said.status()).isZero();
        assertThat(said.out()).doesNotContain("blocks-opening");
    }

    /** Copies of the demo's setup with one fault planted in each. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"email\": \"hello@tern-and-tether.example\" | \"email\": \"\" | no address to write to | 0",
                "\"weight\": \"2.6 kg\", | | Box kite has no weight | 0",
                "\"sellsTo\": [ | \"sellsTo\": [ \"JP\", | no delivery zone holds it | 1",
                "\"BE\", | \"BE\", \"IE\", | both hold Ireland | 1",
                "\"on\": true | \"on\": false | No buyer can pay yet | 1",
                "\"price\": \"9.40\" | \"price\": \"6.40\" | the price drops to 6.40 | 0"
            })
    void check_reports_the_fault_that_was_planted(String from, String to, String finding, int status)
            throws IOException {
        Said said = Said.by(new CheckCommand(), "--setup", changed(from, to == null ? "" : to));
        assertThat(said.out()).contains(finding);
        assertThat(said.status()).isEqualTo(status);
    }

    @Test
    void compare_lists_what_moves_and_what_does_not() throws IOException {
        String after = changed("\"price\": \"9.40\"", "\"price\": \"9.90\"");
        Said said = Said.by(new CompareCommand(), "--before", SETUP, "--after", after, "--orders", EXAMPLES.toString());
        assertThat(said.status()).isZero();
        assertThat(said.out())
                .contains("cork-two-deltas\n")
                .containsPattern("to pay +161\\.90 +162\\.40 +\\+0\\.50")
                .doesNotContain("download-only")
                .containsPattern("\\d+ of \\d+ orders do not change");
        Said json = Said.by(
                new CompareCommand(), "--before", SETUP, "--after", after, "--orders", EXAMPLES.toString(), "--json");
        assertThat(Json.tree(json.out()).path(0).path("order").asString()).isNotEqualTo("asheville-workbench");
    }

    /** Directive 2006/112/EC, Art. 59c: over 10,000 euro the tax is that of where it goes. */
    @Test
    void compare_shows_what_passing_the_threshold_changes_for_who_is_taxed_at_home() throws IOException {
        // Without the one-stop shop, so that taxes are the home state's until then.
        String home = Files.writeString(
                        folder.resolve("home.setup.json"),
                        Files.readString(Path.of(SETUP))
                                .replaceAll("(?s),\\s*\\{\\s*\"id\": \"one-stop-shop\".*?\\}", ""))
                .toString();
        String[] asked = {"--before", home, "--after", home, "--orders", EXAMPLES.toString()};
        assertThat(Said.by(new CompareCommand(), asked).out()).doesNotContain("berlin-book\n");
        Said passed = Said.by(
                new CompareCommand(),
                Stream.concat(Stream.of(asked), Stream.of("--threshold-passed")).toArray(String[]::new));
        assertThat(passed.status()).isZero();
        assertThat(passed.out()).contains("berlin-book\n").doesNotContain("cork-two-deltas\n");
    }
}

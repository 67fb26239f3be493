package vestcoin.app.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import vestcoin.app.InEnglish;
import vestcoin.app.setup.Document;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.Setup;

/** The documented formats: what is written fits the schemas, what is read is what was written. */
public class FormatsTest {
    private static final Path FORMATS = Path.of("..", "docs", "formats");
    private static final Path SETUP = FORMATS.resolve("examples/tern-and-tether.setup.json");

    static List<Path> orders() throws IOException {
        return examples(".order.json");
    }

    static List<Path> setups() throws IOException {
        return examples(".setup.json");
    }

    private static List<Path> examples(String ending) throws IOException {
        try (Stream<Path> files = Files.list(FORMATS.resolve("examples"))) {
            return files.filter(file -> file.toString().endsWith(ending))
                    .sorted()
                    .toList();
        }
    }

    /** An example order's name says which of the three shops it is from. */
    public static Path shopOf(Path order) {
        String name = order.getFileName().toString();
        String shop = name.startsWith("sundials-")
                ? "ninth-street-sundials"
                : name.startsWith("basel-") || name.startsWith("freiburg-")
                        ? "blaumeise-puppenbuehne"
                        : "tern-and-tether";
        return FORMATS.resolve("examples/" + shop + ".setup.json");
    }

    private static List<Error> errors(String document, String json) throws IOException {
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(FORMATS.resolve(document + ".schema.json")));
        return schema.validate(json, InputFormat.JSON);
    }

    @ParameterizedTest
    @ValueSource(strings = {"setup", "order", "quote"})
    void the_schemas_in_docs_are_those_of_the_code(String document) throws IOException {
        assertThat(Files.readString(FORMATS.resolve(document + ".schema.json")))
                .as("run ./vest-coin contract")
                .isEqualTo(Schemas.document(document));
    }

    @ParameterizedTest
    @MethodSource("setups")
    void each_example_setup_fits_its_schema_and_is_written_as_it_is_read(Path file) throws IOException {
        assertThat(errors("setup", Files.readString(file))).isEmpty();
        Setup read = Document.parse(Files.readString(file)).setup();
        assertThat(Document.parse(Json.write(Document.of(read).tree())).setup()).isEqualTo(read);
    }

    @ParameterizedTest
    @MethodSource("orders")
    void each_example_order_fits_its_schema_and_its_quote_fits_the_quotes(Path file) throws IOException {
        assertThat(errors("order", Files.readString(file))).isEmpty();
        Order order = OrderFile.parse(Files.readString(file));
        assertThat(OrderFile.parse(Json.write(OrderFile.of(order)))).isEqualTo(order);
        Document shop = Document.parse(Files.readString(shopOf(file)));
        QuoteView quote = shop.quote(order);
        assertThat(quote.hash())
                .as("the same from the same")
                .isEqualTo(shop.quote(order).hash())
                .isNotEqualTo(shop.quote(order.withCodes("OTHER")).hash());
        assertThat(errors("quote", Json.prettyPhrased(quote))).isEmpty();
        assertThat(Json.read(Json.write(quote), QuoteView.class)).isEqualTo(quote);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"format\": \"vest-coin/setup/1\" | \"format\": \"vest-coin/setup/9\" | format | not a setup this "
                        + "version reads",
                "\"legalName\" | \"legalNam\" | shop/legalNam | no field “legalNam”",
                "\"price\": \"48.00\" | \"price\": 48.00 | goods/products/delta-kite/price | in quotes",
                "\"price\": \"48.00\" | \"price\": \"48,00\" | goods/products/delta-kite/price | not a decimal number",
                "\"weight\": \"2.1 kg\" | \"weight\": \"2.1\" | goods/products/delta-kite/weight | has no unit",
                "\"kind\": \"physical\" | \"kind\": \"liquid\" | goods/products/delta-kite/kind | not one of the words",
                "\"currency\": \"EUR\" | \"currency\": \"EURO\" | shop/currency | no currency known"
            })
    void a_broken_setup_is_refused_by_reader_and_schema_alike(String whole, String broken, String path, String said)
            throws IOException {
        String json = Files.readString(SETUP).replaceFirst(java.util.regex.Pattern.quote(whole), broken);
        assertThatThrownBy(() -> Document.parse(json)).isInstanceOfSatisfying(InvalidInput.class, refused -> {
            assertThat(refused.problems().get(0).path()).isEqualTo(path);
            assertThat(InEnglish.of(refused.problems().get(0).sentence())).contains(said);
        });
        if (!path.equals("shop/currency")) {
            assertThat(errors("setup", json)).isNotEmpty();
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"format\": \"vest-coin/order/1\" | \"format\": \"vest-coin/order/2\" | format | not an order this "
                        + "version reads",
                "\"quantity\": \"2\" | \"quantity\": 2 | lines/0/quantity | in quotes",
                "\"at\": \"2026-11-25T10:00:00Z\" | \"at\": \"yesterday\" | at | not an instant",
                "\"gateways\" | \"gatewais\" | gatewais | no field “gatewais”",
                "\"cards\": \"test\" | \"cards\": \"perhaps\" | gateways/cards | not one of the words"
            })
    void a_broken_order_is_refused_by_reader_and_schema_alike(String whole, String broken, String path, String said)
            throws IOException {
        String json = Files.readString(FORMATS.resolve("examples/cork-two-deltas.order.json"))
                .replaceFirst(java.util.regex.Pattern.quote(whole), broken);
        assertThatThrownBy(() -> OrderFile.parse(json)).isInstanceOfSatisfying(InvalidInput.class, refused -> {
            assertThat(refused.problems().get(0).path()).isEqualTo(path);
            assertThat(InEnglish.of(refused.problems().get(0).sentence())).contains(said);
        });
        assertThat(errors("order", json)).isNotEmpty();
    }
}

package vestcoin.app.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import vestcoin.app.InEnglish;
import vestcoin.app.setup.Document;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Pricing;
import vestcoin.core.setup.CompiledSetup;

/** Damaged files are priced or refused with a sentence; nothing else ever comes out. */
class DamagedInputTest {
    private static final Path EXAMPLES = Path.of("..", "docs", "formats", "examples");
    private static final int INPUTS = 20_000;

    private final Damage damage = new Damage(new Random(20_000));

    @Test
    void twenty_thousand_damaged_inputs_are_priced_or_refused_with_a_remedy() throws IOException {
        JsonNode setup = Json.tree(Files.readString(EXAMPLES.resolve("tern-and-tether.setup.json")));
        List<JsonNode> orders = new ArrayList<>();
        for (String name :
                List.of("cork-two-deltas-codes", "asheville-workbench", "galway-school", "donation-and-sale")) {
            orders.add(Json.tree(Files.readString(EXAMPLES.resolve(name + ".order.json"))));
        }
        CompiledSetup whole = Document.parse(Json.write(setup)).compiled();
        int priced = 0;
        int refused = 0;
        for (int i = 0; i < INPUTS; i++) {
            // Most damage goes to orders, which are cheap to read; every tenth input is a damaged setup.
            boolean damageSetup = i % 10 == 0;
            String order =
                    Json.write(damageSetup ? orders.get(i % orders.size()) : damage.of(orders.get(i % orders.size())));
            String text = damageSetup ? Json.write(damage.of(setup)) : "";
            try {
                CompiledSetup compiled = damageSetup ? Document.parse(text).compiled() : whole;
                QuoteView quote = QuoteView.of(Pricing.price(compiled, OrderFile.parse(order)));
                assertThat(quote.payable().value().signum()).isNotNegative();
                priced++;
            } catch (InvalidInput expected) {
                assertThat(expected.problems()).isNotEmpty().allSatisfy(problem -> {
                    assertThat(InEnglish.of(problem.sentence())).isNotBlank();
                    assertThat(InEnglish.of(problem.remedy())).isNotBlank();
                });
                refused++;
            } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
                throw new AssertionError("input " + i + ": " + (damageSetup ? text : order), e);
            }
        }
        System.out.println("damaged: " + priced + " priced, " + refused + " refused of " + INPUTS);
        assertThat(priced).as("some damage does not matter").isGreaterThan(100);
        assertThat(refused).as("most damage does").isGreaterThan(INPUTS / 2);
    }
}

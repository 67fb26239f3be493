package vestcoin.app.run;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import vestcoin.app.format.Json;
import vestcoin.app.setup.Document;
import vestcoin.core.quote.Order;

/** Prices one order file under one setup file and prints the quote. */
@Command(
        name = "price",
        description = "Prints the quote of an order under a setup as JSON; status 2 and a sentence on bad input.",
        mixinStandardHelpOptions = true)
public final class PriceCommand implements Callable<Integer> {
    @Option(names = "--setup", required = true)
    Path setup;

    @Option(names = "--order", required = true)
    Path order;

    @Option(
            names = "--rates",
            description =
                    "Exchange rates, as the European Central Bank publishes them; used unless the order brings its "
                            + "own.")
    Path rates;

    @Override
    public Integer call() {
        Inputs inputs = new Inputs();
        return inputs.run(() -> {
            Document document = inputs.setup(setup);
            Order asked = inputs.order(order);
            if (rates != null && asked.outside().exchange().isEmpty()) {
                asked = asked.given(asked.outside().with(inputs.rates(rates)));
            }
            System.out.print(Json.prettyPhrased(document.quote(asked)));
            return 0;
        });
    }
}

package vestcoin.app.run;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import vestcoin.app.format.Json;
import vestcoin.app.quote.QuoteView;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.setup.Compiled;

/** Prices one order file under one setup file and prints the quote. */
@Command(name = "price", description = "Prints the quote of an order under a setup as JSON; status 2 and a sentence on bad input.", mixinStandardHelpOptions = true)
public final class PriceCommand implements Callable<Integer> {
    @Option(names = "--setup", required = true)
    Path setup;

    @Option(names = "--order", required = true)
    Path order;

    @Option(names = "--rates", description = "Exchange rates, as the European Central Bank publishes them; used unless the order brings its own.")
    Path rates;

    @Override
    public Integer call() {
        Inputs inputs = new Inputs();
        return inputs.run(() -> {
            Compiled compiled = inputs.setup(setup).compiled();
            Order asked = inputs.order(order);
            if (rates != null && asked.outside().exchange().isEmpty()) {
                asked = asked.given(asked.outside().with(inputs.rates(rates)));
            }
            System.out.print(Json.pretty(QuoteView.of(Pricing.price(compiled, asked))));
            return 0;
        });
    }
}

package vestcoin.app.run;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.quote.QuoteView;
import vestcoin.app.setup.Document;
import vestcoin.core.problem.Problem;
import vestcoin.core.problem.Refused;
import vestcoin.core.quote.Pricing;

/** Prices one order file under one setup file and prints the quote. */
@Command(name = "price", description = "Prints the quote of an order under a setup as JSON; status 2 and a sentence on bad input.", mixinStandardHelpOptions = true)
public final class PriceCommand implements Callable<Integer> {
    private static final long MOST_BYTES = 64L * 1024 * 1024;

    @Option(names = "--setup", required = true)
    Path setup;

    @Option(names = "--order", required = true)
    Path order;

    @Override
    public Integer call() {
        Path reading = setup;
        try {
            Document document = Document.parse(text(setup));
            reading = order;
            System.out.print(Json.pretty(QuoteView.of(Pricing.price(document.compiled(), OrderFile.parse(text(order))))));
            return 0;
        } catch (Refused refused) {
            for (Problem problem : refused.problems()) {
                System.err.println(reading + (problem.path().isEmpty() ? "" : ", " + problem.path()) + ": " + problem.sentence() + " " + problem.remedy());
            }
        } catch (IOException e) {
            System.err.println(reading + ": the file cannot be read. Check its name.");
        }
        return 2;
    }

    private static String text(Path file) throws IOException {
        if (Files.size(file) > MOST_BYTES) {
            throw new Refused("", "The file is larger than 64 MB.", "Split it.");
        }
        return Files.readString(file);
    }
}

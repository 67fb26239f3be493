package vestcoin.app.run;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.Phrases;
import vestcoin.app.format.RateFeed;
import vestcoin.app.setup.Document;
import vestcoin.core.message.Message;
import vestcoin.core.money.Exchange;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.quote.Order;

/** Files given on the command line, and how what is wrong with them is told: on standard error, with status 2. */
final class Inputs {
    static final int BAD_INPUT = 2;
    private static final long MOST_BYTES = 64L * 1024 * 1024;

    private Path reading = Path.of("");

    Document setup(Path file) throws IOException {
        return Document.parse(text(file));
    }

    Order order(Path file) throws IOException {
        return OrderFile.parse(text(file));
    }

    Exchange rates(Path file) throws IOException {
        return RateFeed.parse(text(file));
    }

    private String text(Path file) throws IOException {
        reading = file;
        if (Files.size(file) > MOST_BYTES) {
            throw new InvalidInput("", Message.of("run.file-larger-than-64-mb"), Message.of("run.split"));
        }
        return Files.readString(file);
    }

    /** Runs a command; what it refuses is told with the file it was reading. */
    int run(Callable<Integer> command) {
        try {
            return command.call();
        } catch (InvalidInput refused) {
            for (Problem problem : refused.problems()) {
                System.err.println(reading + (problem.path().isEmpty() ? "" : ", " + problem.path()) + ": "
                        + Phrases.in("en").say(problem.sentence()) + " "
                        + Phrases.in("en").say(problem.remedy()));
            }
        } catch (IOException e) {
            System.err.println(reading + ": the file cannot be read. Check its name.");
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
        return BAD_INPUT;
    }
}

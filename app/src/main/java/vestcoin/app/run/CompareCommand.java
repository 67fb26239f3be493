package vestcoin.app.run;

import java.io.IOException;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import vestcoin.app.format.Json;
import vestcoin.app.format.Phrases;
import vestcoin.app.rehearsal.ChangesCsv;
import vestcoin.core.compare.Changes;
import vestcoin.core.compare.Comparison;
import vestcoin.core.compare.ThresholdPassed;
import vestcoin.core.message.Message;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.CompiledSetup;

/** Prices a folder of orders under two setups and prints every figure that differs. */
@Command(
        name = "compare",
        description = "Prints what a change of setup does to orders; a table, or JSON.",
        mixinStandardHelpOptions = true)
public final class CompareCommand implements Callable<Integer> {
    @Option(names = "--before", required = true)
    Path before;

    @Option(names = "--after", required = true)
    Path after;

    @Option(names = "--orders", required = true, description = "Folder with *.order.json files.")
    Path orders;

    @Option(names = "--json", description = "JSON instead of a table.")
    boolean json;

    @Option(
            names = "--csv",
            description = "Writes a row for each order that changes, with its cause, as the desk does.")
    Path csv;

    @Option(
            names = "--threshold-passed",
            description =
                    "The second setup as if 10,000 euro of sales to consumers in other member states were passed.")
    boolean thresholdPassed;

    @Override
    public Integer call() {
        Inputs inputs = new Inputs();
        return inputs.run(() -> {
            CompiledSetup was = inputs.setup(before).compiled();
            CompiledSetup typed = inputs.setup(after).compiled();
            CompiledSetup is = thresholdPassed ? CompiledSetup.of(ThresholdPassed.of(typed.setup()), typed) : typed;
            Map<String, Order> compared = orders(inputs);
            List<Comparison.Difference> differences = Comparison.of(was, is, compared);
            Changes changes = Changes.between(was, is);
            compared.forEach(changes::add);
            if (csv != null) {
                try (OutputStream out = Files.newOutputStream(csv)) {
                    ChangesCsv.write(changes.changed(), out);
                }
            }
            System.out.print(
                    json
                            ? Json.prettyPhrased(differences)
                            : table(differences) + (compared.size() - differences.size()) + " of " + compared.size()
                                    + " orders do not change.\n" + causes(changes));
            return 0;
        });
    }

    /** The groups by cause, with what buyers pay and what the seller keeps. */
    private static String causes(Changes changes) {
        StringBuilder text = new StringBuilder();
        for (Changes.Group group : changes.groups()) {
            String about = Stream.concat(
                            group.cause().names().stream(),
                            Stream.of(Phrases.in("en").say(group.cause().label())))
                    .collect(Collectors.joining(", "));
            text.append("%s %s: %d, to pay %s %s, you keep %s%n"
                    .formatted(
                            group.kind().name().toLowerCase(Locale.ROOT),
                            about,
                            group.orders(),
                            group.by().payable().toPlainString(),
                            group.currency(),
                            group.by().keep().toPlainString()));
        }
        return text.toString();
    }

    private Map<String, Order> orders(Inputs inputs) throws IOException {
        Map<String, Order> read = new TreeMap<>();
        try (Stream<Path> files = Files.list(orders)) {
            for (Path file : files.filter(each -> each.toString().endsWith(".order.json"))
                    .sorted()
                    .toList()) {
                read.put(file.getFileName().toString().replace(".order.json", ""), inputs.order(file));
            }
        }
        return read;
    }

    private static String said(List<Message> messages) {
        Phrases phrases = Phrases.in("en");
        return messages.stream().map(phrases::say).collect(Collectors.joining(" "));
    }

    private static String table(List<Comparison.Difference> differences) {
        StringBuilder text = new StringBuilder();
        for (Comparison.Difference difference : differences) {
            text.append(difference.order()).append('\n');
            for (Comparison.Row row : difference.rows()) {
                text.append("  %-48s %12s %12s %12s%n"
                        .formatted(
                                Phrases.in("en").say(row.what()),
                                plain(row.before()),
                                plain(row.after()),
                                change(row)));
            }
            if (!difference.before().equals(difference.after())) {
                text.append("  before: ")
                        .append(difference.before().isEmpty() ? "can be placed" : said(difference.before()))
                        .append('\n');
                text.append("  after:  ")
                        .append(difference.after().isEmpty() ? "can be placed" : said(difference.after()))
                        .append('\n');
            }
        }
        return text.toString();
    }

    private static String plain(Optional<BigDecimal> amount) {
        return amount.map(BigDecimal::toPlainString).orElse("–");
    }

    private static String change(Comparison.Row row) {
        if (row.before().isEmpty() || row.after().isEmpty()) {
            return "";
        }
        BigDecimal change = row.after().get().subtract(row.before().get());
        return (change.signum() > 0 ? "+" : "") + change.toPlainString();
    }
}

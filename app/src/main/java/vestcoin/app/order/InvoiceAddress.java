package vestcoin.app.order;

import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vestcoin.core.message.Message;
import vestcoin.core.place.Countries;
import vestcoin.core.problem.Problems;

/**
 * Where the invoice of an order goes, if not where its goods do. It changes no price: tax goes by where the goods go.
 *
 * @param name of who pays
 * @param country ISO 3166-1, two letters
 */
public record InvoiceAddress(String name, List<String> lines, String city, String postcode, String country) {
    private static final int LONGEST = 200;

    public InvoiceAddress {
        name = name == null ? "" : name.strip();
        lines = lines == null
                ? List.of()
                : lines.stream()
                        .map(String::strip)
                        .filter(line -> !line.isEmpty())
                        .toList();
        city = city == null ? "" : city.strip();
        postcode = postcode == null ? "" : postcode.strip();
        country = country == null ? "" : country.strip().toUpperCase(Locale.ROOT);
    }

    /** As it is read in one line. @param named a country's name */
    public String inOneLine(UnaryOperator<String> named) {
        return Stream.of(
                        Stream.of(name),
                        lines.stream(),
                        Stream.of((postcode + " " + city).strip(), named.apply(country)))
                .flatMap(parts -> parts)
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(", "));
    }

    void check(String path, Problems problems) {
        problems.when(
                name.isEmpty() || name.length() > LONGEST,
                path + "/name",
                Message.of("order.invoice-has-no-name"),
                Message.of("order.type-name"));
        problems.when(
                lines.isEmpty() || lines.size() > 4 || lines.stream().anyMatch(line -> line.length() > LONGEST),
                path + "/lines",
                Message.of("order.invoice-has-no-street"),
                Message.of("order.type-street"));
        problems.when(
                city.isEmpty() || city.length() > LONGEST || postcode.length() > 20,
                path + "/city",
                Message.of("order.invoice-has-no-town"),
                Message.of("order.type-town"));
        problems.when(
                !Countries.isCountry(country),
                path + "/country",
                Message.of("order.invoice-has-no-country"),
                Message.of("order.choose-country"));
    }
}

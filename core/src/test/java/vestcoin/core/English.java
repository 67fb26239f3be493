package vestcoin.core;

import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.util.ULocale;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import vestcoin.core.message.Amount;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.place.Countries;
import vestcoin.core.problem.InvalidInput;

/** What messages say in English, numbers and amounts plainly, so that tests read as sentences. */
public final class English {
    private static final Pattern ENTRY = Pattern.compile("^ {2}\"([^\"]+)\": \"(.*)\",?$");
    private static final Map<String, String> PATTERNS = patterns();

    private English() {}

    public static String of(Message message) {
        if (message.isName()) {
            return message.text();
        }
        Map<String, Object> args = new HashMap<>();
        message.args().forEach((name, value) -> args.put(name, plain(value)));
        String pattern = Objects.requireNonNull(PATTERNS.get(message.code()), message.code());
        return new MessageFormat(pattern, ULocale.ENGLISH).format(args);
    }

    /** What an exception says, of invalid input all its problems. */
    public static String told(Throwable thrown) {
        return thrown instanceof InvalidInput invalid
                ? invalid.problems().stream()
                        .map(problem -> problem.path() + ": " + of(problem.sentence()) + " " + of(problem.remedy()))
                        .collect(Collectors.joining(" "))
                : String.valueOf(thrown.getMessage());
    }

    public static List<String> of(Collection<Message> messages) {
        return messages.stream().map(English::of).toList();
    }

    private static Object plain(Object value) {
        return value instanceof Integer ? value : text(value);
    }

    private static String text(Object value) {
        if (value instanceof Message message) {
            return of(message);
        } else if (value instanceof Amount amount) {
            return amount.value().toPlainString();
        } else if (value instanceof BigDecimal number) {
            return number.toPlainString();
        } else if (value instanceof Region region) {
            return Countries.name(region.code());
        } else if (value instanceof List<?> list) {
            return list.stream().map(English::text).collect(Collectors.joining(", "));
        }
        if (value instanceof Optional) {
            throw new IllegalArgumentException("an argument may be missing: " + value);
        }
        return String.valueOf(value);
    }

    private static Map<String, String> patterns() {
        Map<String, String> patterns = new HashMap<>();
        try {
            for (String line : Files.readAllLines(Path.of("../catalogue/en/core.json"))) {
                Matcher matcher = ENTRY.matcher(line);
                if (matcher.matches()) {
                    patterns.put(matcher.group(1), matcher.group(2).replace("\\\"", "\""));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return patterns;
    }
}

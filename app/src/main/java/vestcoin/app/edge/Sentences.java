package vestcoin.app.edge;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vestcoin.core.place.Countries;
import vestcoin.core.problem.Problem;

/**
 * The application's own sentences in another language. They are made in English where they arise; those a buyer can
 * meet have a line in {@code counter/sentences.de.tsv}, the English with {@code {}} for what differs, and the German
 * with {@code {1}} for the first of it, {@code {1c}} where that is a country and {@code {1s}} where it is a sentence
 * itself. What has no line stays English.
 */
public final class Sentences {
    private record Line(Pattern english, String german) {}

    private static final Pattern PLACE = Pattern.compile("\\{(\\d)([cs]?)}");
    private static final List<Line> GERMAN = german();
    private static final Map<String, String> CODES = codes();

    private Sentences() {}

    /** @param language BCP 47 */
    public static String in(String language, String sentence) {
        if (!language.startsWith("de")) {
            return sentence;
        }
        for (Line line : GERMAN) {
            Matcher matcher = line.english().matcher(sentence);
            if (matcher.matches()) {
                return PLACE.matcher(line.german())
                        .replaceAll(place -> Matcher.quoteReplacement(
                                placed(matcher.group(Integer.parseInt(place.group(1))), place.group(2), language)));
            }
        }
        return sentence;
    }

    public static List<Problem> in(String language, List<Problem> problems) {
        return problems.stream()
                .map(problem ->
                        new Problem(problem.path(), in(language, problem.sentence()), in(language, problem.remedy())))
                .toList();
    }

    private static String placed(String part, String kind, String language) {
        return switch (kind) {
            case "c" ->
                CODES.containsKey(part)
                        ? new Locale.Builder()
                                .setRegion(CODES.get(part))
                                .build()
                                .getDisplayCountry(Locale.GERMAN)
                        : part;
            case "s" -> in(language, part);
            default -> part;
        };
    }

    private static Map<String, String> codes() {
        Map<String, String> codes = new HashMap<>();
        Countries.all().forEach(code -> codes.put(Countries.name(code), code));
        return codes;
    }

    private static List<Line> german() {
        List<Line> lines = new ArrayList<>();
        try (InputStream in = Objects.requireNonNull(Sentences.class.getResourceAsStream("/counter/sentences.de.tsv"));
                BufferedReader reader = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
            for (String line = reader.readLine(); line != null; line = reader.readLine()) {
                String[] columns = line.split("\t");
                lines.add(
                        new Line(Pattern.compile(Pattern.quote(columns[0]).replace("{}", "\\E(.+?)\\Q")), columns[1]));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return List.copyOf(lines);
    }
}

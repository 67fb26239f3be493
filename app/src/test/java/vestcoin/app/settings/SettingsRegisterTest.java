package vestcoin.app.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.format.Json;
import vestcoin.app.format.Schemas;

/**
 * The register of settings, docs/settings.md: every property of a setup, where it is felt, and the test that has seen
 * it there. Run with {@code -Dsettings.write=true} it is written anew.
 */
class SettingsRegisterTest {
    private static final Path REGISTER = Path.of("..", "docs", "settings.md");

    private record Seen(Set<Felt> felt, Set<String> tests) {}

    private static final Pattern WITNESS =
            Pattern.compile("@Witness\\(\\s*value = \"([^\"]+)\",\\s*felt = \\{?([^})]+)}?\\)", Pattern.DOTALL);

    private static final Map<String, Seen> WITNESSED = witnessed();

    /** Of the rows, and of the annotations in the tests of all modules, which are read as they are written. */
    private static Map<String, Seen> witnessed() {
        Map<String, Seen> all = new TreeMap<>();
        SettingRow.all().forEach(row -> add(all, row.property(), row.felt(), "SettingsTest"));
        for (String module : List.of("core", "app", "browser-tests")) {
            try (Stream<Path> files = Files.walk(Path.of("..", module, "src", "test", "java"))) {
                for (Path file : files.filter(each -> each.toString().endsWith("Test.java"))
                        .toList()) {
                    Matcher witness = WITNESS.matcher(Files.readString(file));
                    while (witness.find()) {
                        add(
                                all,
                                witness.group(1),
                                Arrays.stream(witness.group(2).split(","))
                                        .map(each -> Felt.valueOf(each.strip().replace("Felt.", "")))
                                        .collect(Collectors.toSet()),
                                file.getFileName().toString().replace(".java", ""));
                    }
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return all;
    }

    private static void add(Map<String, Seen> all, String property, Set<Felt> felt, String test) {
        Seen seen = all.computeIfAbsent(property, key -> new Seen(EnumSet.noneOf(Felt.class), new TreeSet<>()));
        seen.felt().addAll(felt);
        seen.tests().add(test);
    }

    /** Properties of which it is known that nothing follows from them yet. */
    private static List<String> lost() throws IOException {
        try (var in = Objects.requireNonNull(SettingsRegisterTest.class.getResourceAsStream("/settings-lost.txt"))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.isBlank() && !line.startsWith("#"))
                    .toList();
        }
    }

    private static List<String> unwitnessed(List<String> properties) {
        return properties.stream()
                .filter(property -> !WITNESSED.containsKey(property))
                .toList();
    }

    @Test
    void every_property_has_a_witness() throws IOException {
        assertThat(unwitnessed(SettingProperties.all()))
                .as("add a row to settings.tsv, or a @Witness to the test that sees what it does")
                .isEqualTo(lost());
    }

    @Test
    void a_witness_is_of_a_property_there_is() {
        assertThat(WITNESSED.keySet()).isSubsetOf(SettingProperties.all());
    }

    /** A property added to the schema and forgotten everywhere else is found. */
    @Test
    void a_property_nobody_has_seen_is_named() {
        JsonNode schema = Json.tree(Schemas.document("setup"));
        ((ObjectNode) schema.path("$defs").path("Shop").path("properties"))
                .putObject("motto")
                .put("type", "string");
        assertThat(unwitnessed(SettingProperties.of(schema))).contains("shop.motto");
    }

    @Test
    void the_register_is_as_the_tests_say() throws IOException {
        String register = written();
        if (Boolean.getBoolean("settings.write")) {
            Files.writeString(REGISTER, register);
        }
        assertThat(Files.readString(REGISTER))
                .as("write it anew: mvn -pl app test -Dtest=SettingsRegisterTest -Dsettings.write=true")
                .isEqualTo(register);
    }

    private static String written() throws IOException {
        StringBuilder text = new StringBuilder("""
                # The register of settings

                What is set is what happens: every property of a [setup](formats/setup.schema.json), where a person
                feels it, and the test that has seen it there. Written by `SettingsRegisterTest`, which fails for
                a property without a witness. `SettingsTest` changes the property by its row in
                [settings.tsv](../app/src/test/resources/settings.tsv) and compares what the places are drawn from.

                """);
        List<String> lost = lost();
        text.append("Of ").append(SettingProperties.all().size()).append(" properties ");
        text.append(
                lost.isEmpty() ? "none is without effect.\n" : lost.size() + " do nothing yet, named at the end.\n");
        String station = "";
        for (String property : SettingProperties.all()) {
            Seen seen = WITNESSED.get(property);
            if (seen == null) {
                continue;
            }
            String now = property.split("\\.")[0];
            if (!now.equals(station)) {
                station = now;
                text.append("\n## ")
                        .append(Character.toUpperCase(station.charAt(0)))
                        .append(station.substring(1))
                        .append("\n\n| property | felt | seen by |\n|---|---|---|\n");
            }
            text.append("| `%s` | %s | %s |\n"
                    .formatted(
                            property,
                            seen.felt().stream().map(Felt::text).collect(Collectors.joining(" · ")),
                            String.join(", ", seen.tests())));
        }
        if (!lost.isEmpty()) {
            text.append("\n## Nothing yet\n\n");
            lost.forEach(property -> text.append("- `").append(property).append("`\n"));
        }
        return text.toString();
    }
}

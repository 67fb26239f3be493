package vestcoin.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The list of rules names every rule of the code, and no class that is not there. */
class RulesTest {
    private static final Path LIST = Path.of("..", "docs", "rules.md");
    private static final Path CODE = Path.of("src", "main", "java", "vestcoin", "core");

    @Test
    void every_rule_a_figure_can_name_is_in_the_list_and_no_other() throws IOException {
        Set<String> inCode = new TreeSet<>();
        try (Stream<Path> files = Files.walk(CODE)) {
            for (Path file :
                    files.filter(each -> each.toString().endsWith(".java")).toList()) {
                inCode.addAll(found("\"(rule/[a-z-]+)\"", Files.readString(file)));
            }
        }
        assertThat(found("`(rule/[a-z-]+)`", Files.readString(LIST))).isEqualTo(inCode);
    }

    @Test
    void every_class_the_list_names_exists() throws IOException {
        for (String name : found("`([a-z]+/[A-Z][A-Za-z]+)`", Files.readString(LIST))) {
            assertThat(CODE.resolve(name + ".java")).exists();
        }
    }

    private static Set<String> found(String pattern, String text) {
        Set<String> found = new TreeSet<>();
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        while (matcher.find()) {
            found.add(matcher.group(1));
        }
        return found;
    }
}

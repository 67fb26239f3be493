package vestcoin.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class ArchitectureTest {
    private static final int COLUMNS = 120;

    /** Each package knows only those before it. */
    private static final List<String> ORDER = List.of(
            "message",
            "problem",
            "money",
            "why",
            "place",
            "calendar",
            "goods",
            "discount",
            "parcel",
            "delivery",
            "pickup",
            "tax",
            "payment",
            "terms",
            "basket",
            "setup",
            "quote",
            "invoice",
            "life",
            "finding",
            "rehearsal",
            "compare",
            "reach",
            "sample");

    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("vestcoin.core");

    @Test
    void each_package_knows_only_those_before_it() {
        for (int i = 0; i < ORDER.size() - 1; i++) {
            String[] later = ORDER.subList(i + 1, ORDER.size()).stream()
                    .map(name -> "vestcoin.core." + name)
                    .toArray(String[]::new);
            noClasses()
                    .that()
                    .resideInAPackage("vestcoin.core." + ORDER.get(i))
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(later)
                    .check(CORE);
        }
    }

    @Test
    void core_knows_no_framework_storage_format_or_clock() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework..",
                        "java.sql..",
                        "javax.sql..",
                        "com.fasterxml..",
                        "tools.jackson..",
                        "java.net.http..")
                .check(CORE);
        noClasses()
                .should()
                .callMethod(java.time.Instant.class, "now")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .check(CORE);
    }

    @Test
    void no_line_of_java_is_longer_than_120_columns() throws IOException {
        try (Stream<Path> files = Files.walk(Path.of(".."))) {
            assertThat(files.filter(file -> file.toString().endsWith(".java"))
                            .filter(file -> !file.toString().contains("/target/")
                                    && !file.toString().contains("/node_modules/"))
                            .flatMap(ArchitectureTest::tooLong))
                    .isEmpty();
        }
    }

    private static Stream<String> tooLong(Path file) {
        try {
            return Files.readAllLines(file).stream()
                    .filter(line -> line.length() > COLUMNS)
                    .map(line -> file + ": " + line);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

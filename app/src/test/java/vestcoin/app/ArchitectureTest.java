package vestcoin.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchRule;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The floors of the application, from the ground: each knows only those below it, rooms side by side know nobody. */
class ArchitectureTest {
    private static final List<Set<String>> FLOORS = List.of(
            Set.of("format"),
            Set.of("outside", "edge"),
            Set.of("service", "stock"),
            Set.of("setup"),
            Set.of("access"),
            Set.of("payment"),
            Set.of("order"),
            Set.of("paper"),
            Set.of("context"),
            Set.of("subscription", "download", "voucher", "picture"),
            Set.of("message"),
            Set.of(
                    "ticket",
                    "checkout",
                    "orderdesk",
                    "publishing",
                    "returns",
                    "buyer",
                    "booking",
                    "statement",
                    "sales",
                    "storefront",
                    "embedding",
                    "renewing",
                    "moving",
                    "wording",
                    "rehearsal"),
            Set.of("dressrehearsal"),
            Set.of("run"));

    private static final int MOST_COLLABORATORS = 8;
    private static final int WIDEST = 10;

    /** Forms of documents: setup, order, quote, papers, and what a page is told. */
    private static final Set<String> FORMS = Set.of(
            "Product",
            "Pickup$Spot",
            "Payment$Method",
            "Delivery$Limits",
            "Terms",
            "Asking",
            "Wishes",
            "Shop",
            "QuoteView",
            "QuoteView$Line",
            "OrderFile",
            "Paper",
            "Bill$Item",
            "ProductOnCounter",
            "BuyerQuote",
            "PlacedOrder",
            "CounterController$Counter",
            "OrderListController$OrderRow",
            "OrderController$Paid",
            "SubscriptionViews$SubscriptionPage",
            "SalesReport$Row",
            "OrderController$Whole");

    /** Rows as they are read from a table, which has as many columns as it has. */
    private static final Set<String> ROWS = Set.of(
            "Payouts$PayoutRow",
            "Payouts$Summed",
            "Vouchers$Voucher",
            "Orders$Order",
            "OrderList$Row",
            "PaymentBook$Payment",
            "Gateways$Row",
            "Subscriptions$Subscription",
            "Downloads$Download",
            "SoldVouchers$SoldVoucher",
            "SalesPapers$PaperOfOrder",
            "Bookings$Booking");

    /**
     * Tables with a second writer: a shop is begun by its setup and opened by who may; an order's standing follows its
     * payments in their own transaction.
     */
    private static final Map<String, Set<String>> SHARED =
            Map.of("shop", Set.of("access", "setup"), "orders", Set.of("order", "payment"));

    private static final JavaClasses APP = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("vestcoin.app");

    @Test
    void every_package_stands_on_one_floor() {
        Set<String> there = APP.stream()
                .map(JavaClass::getPackageName)
                .filter(name -> name.startsWith("vestcoin.app."))
                .map(name -> name.split("\\.")[2])
                .collect(Collectors.toCollection(TreeSet::new));
        assertThat(FLOORS.stream().flatMap(Set::stream)).containsExactlyInAnyOrderElementsOf(there);
    }

    @Test
    void each_floor_knows_only_those_below_it_and_rooms_side_by_side_know_nobody() {
        List<String> above = new ArrayList<>();
        for (int floor = FLOORS.size() - 1; floor >= 0; floor--) {
            for (String room : FLOORS.get(floor)) {
                List<String> forbidden = new ArrayList<>(above);
                FLOORS.get(floor).stream().filter(other -> !other.equals(room)).forEach(forbidden::add);
                noClasses()
                        .that()
                        .resideInAPackage("vestcoin.app." + room + "..")
                        .should()
                        .dependOnClassesThat()
                        .resideInAnyPackage(forbidden.stream()
                                .map(name -> "vestcoin.app." + name + "..")
                                .toArray(String[]::new))
                        .allowEmptyShould(true)
                        .check(APP);
            }
            above.addAll(FLOORS.get(floor));
        }
    }

    @Test
    void no_packages_form_a_circle() {
        withoutCircles("vestcoin.app").check(APP);
    }

    @Test
    void a_planted_circle_is_found() {
        JavaClasses planted = new ClassFileImporter().importPackages("vestcoin.app.planted");
        assertThatThrownBy(() -> withoutCircles("vestcoin.app.planted").check(planted))
                .isInstanceOf(AssertionError.class)
                .hasMessageContaining("Cycle detected");
    }

    @Test
    void no_service_has_too_many_collaborators() {
        assertThat(APP.stream()
                        .filter(type -> type.getConstructors().stream()
                                .anyMatch(constructor -> constructor.getRawParameterTypes().stream()
                                                .filter(parameter -> parameter
                                                        .getPackageName()
                                                        .startsWith("vestcoin"))
                                                .filter(parameter -> !parameter.isRecord())
                                                .count()
                                        > MOST_COLLABORATORS))
                        .filter(type -> !type.isRecord())
                        .map(JavaClass::getName))
                .isEmpty();
    }

    @Test
    void no_type_bears_a_name_the_glossary_has_retired() throws IOException {
        Set<String> retired = retired();
        assertThat(retired).contains("Told", "Whose", "Seen");
        JavaClasses all = new ClassFileImporter()
                .withImportOption(new ImportOption.DoNotIncludeTests())
                .importPackages("vestcoin.app", "vestcoin.core");
        assertThat(all.stream().map(JavaClass::getSimpleName).filter(retired::contains))
                .isEmpty();
        assertThat(new ClassFileImporter()
                        .importPackages("vestcoin.app.planted").stream()
                                .map(JavaClass::getSimpleName)
                                .filter(retired::contains))
                .containsExactly("Seen");
    }

    /** The names in code of the last part of the glossary. */
    private static Set<String> retired() throws IOException {
        String glossary = Files.readString(Path.of("../docs/glossary.md"));
        Set<String> names = new TreeSet<>();
        Matcher matcher = Pattern.compile("`([A-Z][A-Za-z]+)`").matcher(glossary.split("## Retired")[1]);
        while (matcher.find()) {
            names.add(matcher.group(1));
        }
        return names;
    }

    @Test
    void the_glossarys_walks_lead_through_at_most_twelve_files_that_are_there() throws IOException {
        String glossary = Files.readString(Path.of("../docs/glossary.md"));
        String[] walks = glossary.substring(glossary.indexOf("## Two walks")).split("\n\n");
        assertThat(walks).hasSize(2).allSatisfy(walk -> {
            List<String> files = Pattern.compile("`((?:web|app|core)/[^`]+)`")
                    .matcher(walk)
                    .results()
                    .map(found -> found.group(1))
                    .toList();
            assertThat(files).hasSizeBetween(8, 12).doesNotHaveDuplicates().allSatisfy(file -> {
                String half = file.substring(0, file.indexOf('/'));
                assertThat(Path.of(
                                half.equals("web")
                                        ? "../" + file
                                        : "../" + half + "/src/main/java/vestcoin/" + file + ".java"))
                        .exists();
            });
        });
    }

    @Test
    void no_record_is_wider_than_ten_unless_it_is_a_documents_form() {
        JavaClasses all = new ClassFileImporter()
                .withImportOption(new ImportOption.DoNotIncludeTests())
                .importPackages("vestcoin.app", "vestcoin.core");
        assertThat(all.stream()
                        .filter(JavaClass::isRecord)
                        .filter(type -> type.reflect().getRecordComponents().length > WIDEST)
                        .map(type -> type.getName().replaceAll(".*\\.", "")))
                .containsExactlyInAnyOrderElementsOf(
                        Stream.concat(FORMS.stream(), ROWS.stream()).toList());
    }

    /** A table has one owner: what is written to it is written in one package. */
    @Test
    void a_table_is_written_by_one_package() throws IOException {
        Pattern written = Pattern.compile("\\b(?:insert into|update|delete from|merge into)\\s+([a-z_]+)\\b");
        Map<String, Set<String>> writers = new TreeMap<>();
        Path app = Path.of("src", "main", "java", "vestcoin", "app");
        try (Stream<Path> files = Files.walk(app)) {
            for (Path file :
                    files.filter(each -> each.toString().endsWith(".java")).toList()) {
                Matcher found = written.matcher(Files.readString(file));
                while (found.find()) {
                    writers.computeIfAbsent(found.group(1), table -> new TreeSet<>())
                            .add(app.relativize(file).getName(0).toString());
                }
            }
        }
        assertThat(writers).hasSizeGreaterThan(25);
        SHARED.forEach((table, packages) -> assertThat(writers.remove(table)).isEqualTo(packages));
        assertThat(writers).allSatisfy((table, packages) -> assertThat(packages).hasSize(1));
    }

    @Test
    void controllers_speak_no_sql() {
        noClasses()
                .that()
                .haveSimpleNameEndingWith("Controller")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.springframework.jdbc..")
                .check(APP);
    }

    @Test
    void nothing_is_static_and_changes() {
        assertThat(APP.stream()
                        .flatMap(type -> type.getFields().stream())
                        .filter(field -> field.getModifiers().contains(JavaModifier.STATIC)
                                && !field.getModifiers().contains(JavaModifier.FINAL)
                                && !field.getModifiers().contains(JavaModifier.SYNTHETIC))
                        .map(field -> field.getFullName()))
                .isEmpty();
    }

    private static ArchRule withoutCircles(String root) {
        return slices().matching(root + ".(*)..").should().beFreeOfCycles();
    }
}

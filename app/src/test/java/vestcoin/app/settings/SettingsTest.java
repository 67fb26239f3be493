package vestcoin.app.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.RunningShop;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.run.DemoShop;
import vestcoin.app.setup.ChangedDocument;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;

/**
 * What is set is what happens: each row of {@code settings.tsv} changes one property of the demo's setup, and what the
 * places it is said to be felt at are drawn from must differ.
 */
@ExtendWith(RunningShop.class)
class SettingsTest {
    /** The order a row is looked at with where it names none. */
    private static final OrderFile CORK = read("{'lines':[{'product':'delta-kite','quantity':'1','options':{'size':"
            + "'large'}},{'product':'kites-you-can-build','quantity':'1'}],'to':{'country':'IE','postcode':'T12 X2A0'},"
            + "'delivery':'tube','method':'card'}");

    private final Drafts drafts;
    private final Faces faces;
    private final Map<String, Set<Felt>> lookedAt = SettingRow.all().stream()
            .collect(Collectors.groupingBy(
                    SettingsTest::key,
                    Collectors.flatMapping(
                            row -> row.felt().stream(), Collectors.toCollection(() -> EnumSet.noneOf(Felt.class)))));
    private final Map<String, Map<Felt, String>> before = new HashMap<>();

    SettingsTest(RunningShop.Running shop) throws Exception {
        this.drafts = shop.context().getBean(Drafts.class);
        this.faces = new Faces(shop);
    }

    private static OrderFile read(String json) {
        String whole = "{'format':'vest-coin/order/1','gateways':{'cards':'test','purse':'test'},"
                + (json.contains("'at':") ? "" : "'at':'2026-11-25T10:00:00Z',")
                + json.strip().substring(1);
        return Json.read(whole.replace('\'', '"'), OrderFile.class);
    }

    @Test
    void where_nothing_was_changed_nothing_is_felt() throws Exception {
        Document same = drafts.of(DemoShop.SHOP).document();
        Set<Felt> everywhere = EnumSet.allOf(Felt.class);
        Map<Felt, String> once = faces.of(same, List.of(CORK), everywhere);
        Map<Felt, String> again = faces.of(same, List.of(CORK), everywhere);
        assertThat(everywhere.stream()
                        .filter(felt -> !once.get(felt).equals(again.get(felt)))
                        .map(felt -> felt + ": " + difference(once.get(felt), again.get(felt))))
                .isEmpty();
    }

    /** A little of where two texts begin to differ. */
    private static String difference(String one, String other) {
        int at = 0;
        while (at < one.length() && at < other.length() && one.charAt(at) == other.charAt(at)) {
            at++;
        }
        return one.substring(Math.max(0, at - 60), Math.min(one.length(), at + 60));
    }

    @TestFactory
    Stream<DynamicTest> what_is_set_is_felt_where_it_is_said_to_be() {
        return SettingRow.all().stream()
                .map(row -> DynamicTest.dynamicTest(row.property() + " " + row.felt(), () -> felt(row)));
    }

    /** What rows begin with is looked at once for all that begin so. */
    private static String key(SettingRow row) {
        return row.first() + row.basket();
    }

    private void felt(SettingRow row) throws Exception {
        List<OrderFile> baskets = List.of(row.basket().equals("cork") ? CORK : read(row.basket()));
        Document from = changed(drafts.of(DemoShop.SHOP).document(), row.first());
        Document to = changed(from, row.change());
        Map<Felt, String> was = before.computeIfAbsent(key(row), key -> seen(from, baskets, lookedAt.get(key)));
        Map<Felt, String> now = seen(to, baskets, row.felt());
        if (System.getProperty("observe") != null) {
            System.out.println("OBSERVED\t" + row.property() + "\t"
                    + row.felt().stream()
                            .filter(f -> !was.get(f).equals(now.get(f)))
                            .map(Felt::text)
                            .collect(Collectors.joining(",")));
            return;
        }
        assertThat(row.felt().stream().filter(felt -> was.get(felt).equals(now.get(felt))))
                .as("%s changes nothing there", row.property())
                .isEmpty();
    }

    private Map<Felt, String> seen(Document document, List<OrderFile> baskets, Set<Felt> felt) {
        try {
            return faces.of(document, baskets, felt);
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    private Document changed(Document document, String edits) {
        Map<String, Optional<JsonNode>> values = new LinkedHashMap<>();
        for (String edit : edits.isBlank() ? new String[0] : edits.split(" ;; ")) {
            String[] parts = edit.split("=", 2);
            values.put(parts[0].strip(), Faces.value(parts[1].strip().replace('\'', '"')));
        }
        return values.isEmpty() ? document : ChangedDocument.of(document, values);
    }
}

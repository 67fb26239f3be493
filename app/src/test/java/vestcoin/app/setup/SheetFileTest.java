package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.InEnglish;
import vestcoin.app.RunningShop;
import vestcoin.app.measure.Measured;
import vestcoin.app.run.DemoShop;
import vestcoin.core.problem.InvalidInput;

@Tag("alone")
@ExtendWith(RunningShop.class)
class SheetFileTest {
    private static final Document DEMO = Document.parse(DemoShop.setupFile());

    private static SheetFile.Preview preview(String sheet, String csv) {
        return SheetFile.of(DEMO, sheet).read(csv).preview();
    }

    @ParameterizedTest
    @ValueSource(strings = {"goods", "rates", "taxes"})
    void a_sheet_written_and_read_back_changes_nothing(String sheet) {
        SheetFile.Read read =
                SheetFile.of(DEMO, sheet).read(SheetFile.of(DEMO, sheet).written());
        assertThat(read.edit()).isEmpty();
        assertThat(read.preview().rows()).isPositive();
        assertThat(read.preview().bad()).isEmpty();
    }

    @Test
    void new_changed_and_bad_rows_are_told_apart_and_every_bad_one_is_named() {
        SheetFile.Preview preview = preview("goods", """
                code;name;price;weight;category
                delta-kite;Delta kite;52.00;2.1 kg;gear
                box-kite;Box kite;eighty;2.6 kg;gear
                new-one;A new kite;19.00;0.4 kg;gear
                other;;12.00;0.4;gear
                odd;Odd;12.00;0.4 kg;unknown
                new-one;Again;1.00;0.4 kg;gear
                short;Short
                """);
        assertThat(preview.rows()).isEqualTo(7);
        assertThat(preview.added()).containsExactly("A new kite");
        assertThat(preview.changes())
                .extracting(
                        SheetFile.Change::code, SheetFile.Change::column, SheetFile.Change::was, SheetFile.Change::now)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("delta-kite", "price", "48.00", "52.00"));
        assertThat(preview.bad()).extracting(SheetFile.Bad::line).containsExactly(3L, 5L, 6L, 7L, 8L);
        assertThat(preview.bad())
                .extracting(SheetFile.Bad::column)
                .containsExactly("price", "weight", "category", "code", "");
        assertThat(preview.bad())
                .extracting(each -> vestcoin.app.InEnglish.of(each.remedy()))
                .doesNotContain("");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "rates | code,tube¶ireland,to 1 kg 7.00 | ireland | tube",
                "rates | code,tube cost¶ireland,to 1 kg 3.15 | ireland | tube cost",
                "goods | code,cost¶delta-kite,19.75 | delta-kite | cost",
                "taxes | code→gear¶ireland→21 | ireland | gear",
                "goods | code,preparation¶delta-kite,3 | delta-kite | preparation"
            })
    void each_sheet_takes_commas_semicolons_and_tabs(String sheet, String csv, String code, String column) {
        assertThat(preview(sheet, csv.replace("¶", "\n").replace("→", "\t")).changes())
                .extracting(SheetFile.Change::code, SheetFile.Change::column)
                .containsExactly(org.assertj.core.groups.Tuple.tuple(code, column));
    }

    @Test
    void a_file_without_a_code_or_with_an_unknown_column_is_refused_as_a_whole() {
        assertThatThrownBy(() -> preview("goods", "name,price\nA,1.00"))
                .isInstanceOf(InvalidInput.class)
                .extracting(InEnglish::told, as(STRING))
                .contains("no column “code”");
        assertThatThrownBy(() -> preview("goods", "code,colour\na,red"))
                .isInstanceOf(InvalidInput.class)
                .extracting(InEnglish::told, as(STRING))
                .contains("no column “colour”");
        assertThatThrownBy(() -> preview("stamps", "code\na"))
                .isInstanceOf(InvalidInput.class)
                .extracting(InEnglish::told, as(STRING))
                .contains("no sheet “stamps”");
    }

    @Test
    void a_text_a_spreadsheet_would_compute_is_written_with_a_quote_and_read_without() {
        Document tricky = DEMO.with(List.of(new Edit(
                "goods/products/delta-kite/name",
                Edits.at(DEMO.tree(), "goods/products/delta-kite/name"),
                java.util.Optional.of(vestcoin.app.format.Json.tree("\"=1+1\"")))));
        String csv = SheetFile.of(tricky, "goods").written();
        assertThat(csv).contains("delta-kite,'=1+1,");
        assertThat(SheetFile.of(tricky, "goods").read(csv).edit()).isEmpty();
    }

    @Test
    void taking_a_file_is_one_change_that_one_undo_takes_back(RunningShop.Running shop) {
        Caller owner = shop.owner();
        JsonNode before = owner.get(Caller.SHOP + "/draft").json().path("document");
        Map<String, String> csv = Map.of("Content-Type", "text/csv");
        String body = "code,price\ndelta-kite,52.00\nbox-kite,wrong\n";
        assertThat(owner.call("POST", Caller.SHOP + "/draft/files/goods", body, csv)
                        .json()
                        .path("changed")
                        .asInt())
                .isEqualTo(1);
        assertThat(owner.get(Caller.SHOP + "/draft").json().path("document"))
                .as("looking writes nothing")
                .isEqualTo(before);
        assertThat(owner.call("PUT", Caller.SHOP + "/draft/files/goods", body, csv)
                        .status())
                .isEqualTo(200);
        JsonNode after = owner.get(Caller.SHOP + "/draft").json().path("document");
        assertThat(Edits.at(after, "goods/products/delta-kite/price")
                        .orElseThrow()
                        .asString())
                .isEqualTo("52.00");
        assertThat(Edits.at(after, "goods/products/box-kite/price"))
                .isEqualTo(Edits.at(before, "goods/products/box-kite/price"));
        assertThat(owner.post(Caller.SHOP + "/draft/undo", Map.of()).json().path("document"))
                .isEqualTo(before);
        assertThat(owner.get(Caller.SHOP + "/draft/files/goods").text()).startsWith("code,name,kind,price");
        assertThat(shop.anybody().get(Caller.SHOP + "/draft/files/goods").status())
                .as("not for strangers")
                .isIn(401, 403);
    }

    @Test
    void fifty_thousand_rows_are_looked_at_within_three_seconds() {
        StringBuilder csv = new StringBuilder("code,name,price,weight,category\n");
        for (int i = 0; i < 50_000; i++) {
            csv.append("item-")
                    .append(i)
                    .append(",Item ")
                    .append(i)
                    .append(',')
                    .append(i % 97 == 0 ? "x" : "9.50")
                    .append(",0.3 kg,gear\n");
        }
        preview("goods", csv.substring(0, 60_000));
        long took = Measured.shortest(3, 3_000, () -> {
            SheetFile.Preview preview = preview("goods", csv.toString());
            assertThat(preview.rows()).isEqualTo(50_000);
            assertThat(preview.bad()).hasSize(516);
            return preview;
        });
        System.out.println("50,000 rows looked at: " + took + " ms");
        assertThat(took).isLessThanOrEqualTo(3_000);
    }

    /** The page sees how far it is, and can stop it; nothing is written either way. */
    @Test
    void a_long_file_is_watched_and_can_be_stopped(RunningShop.Running shop) throws Exception {
        Caller owner = shop.owner();
        long version = owner.get(Caller.SHOP + "/draft").json().path("version").asLong();
        StringBuilder csv = new StringBuilder("code,name,kind,price,category,weight\n");
        for (int i = 0; i < 40_000; i++) {
            csv.append("long-").append(i).append(",Kite ").append(i).append(",physical,10.00,gear,1 kg\n");
        }
        String key = UUID.randomUUID().toString();
        CompletableFuture<Caller.Answer> looked = CompletableFuture.supplyAsync(() -> owner.call(
                "POST",
                Caller.SHOP + "/draft/files/goods?watch=" + key,
                csv.toString(),
                Map.of("Content-Type", "text/csv")));
        Caller watching = shop.owner();
        int rows = 0;
        for (int i = 0; i < 500 && rows == 0 && !looked.isDone(); i++) {
            rows = watching.get(Caller.SHOP + "/draft/files/watched/" + key)
                    .json()
                    .path("rows")
                    .asInt();
        }
        watching.delete(Caller.SHOP + "/draft/files/watched/" + key);
        assertThat(rows).isEqualTo(40_000);
        assertThat(looked.join().status()).isEqualTo(409);
        assertThat(looked.join().sentence()).isEqualTo("Looking at the file was stopped.");
        assertThat(owner.get(Caller.SHOP + "/draft").json().path("version").asLong())
                .isEqualTo(version);
    }
}

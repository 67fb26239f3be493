package vestcoin.app.moving;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/**
 * Goods files of foreign habits, all made up: matched, corrected at most twice, taken in; the rest named row by row.
 */
@ExtendWith(RunningShop.class)
class MovingTest {
    private static final String MOVING = Caller.SHOP + "/draft/files/moving";

    private final RunningShop.Running shop;

    MovingTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private Caller.Answer send(String method, byte[] file, List<String> means) {
        String query = means.isEmpty() ? "" : "?means=" + String.join(",", means);
        return shop.owner()
                .sent(HttpRequest.newBuilder(URI.create(shop.url() + MOVING + query))
                        .header("Content-Type", "application/octet-stream")
                        .method(method, HttpRequest.BodyPublishers.ofByteArray(file))
                        .build());
    }

    private JsonNode look(byte[] file) {
        Caller.Answer answer = send("POST", file, List.of());
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    private static List<String> meanings(JsonNode look) {
        return look.path("columns")
                .valueStream()
                .map(column -> column.path("meaning").asString())
                .collect(Collectors.toCollection(ArrayList::new));
    }

    private JsonNode product(String id) {
        return StreamSupport.stream(
                        shop.owner()
                                .get(Caller.SHOP + "/draft")
                                .json()
                                .path("document")
                                .path("goods")
                                .path("products")
                                .spliterator(),
                        false)
                .filter(product -> product.path("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode taken(byte[] file, List<String> means) {
        Caller.Answer answer = send("PUT", file, means);
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.json();
    }

    /** German, Windows-1252, semicolons, commas before decimals, all options in one column, grams in the heading. */
    @Test
    void options_in_one_column() {
        String rows = IntStream.range(0, 40)
                .mapToObj(i -> "L-" + i + ";Laterne Größe " + i + ";<p>Papier und Draht</p>;1." + (100 + i)
                        + ",90;" + (i % 4 == 0 ? "999,50;1.12.2026;24.12.2026" : ";;") + ";" + (250 + i) + ";" + i
                        + ";Haus > Laternen;\"Größe: S|M|L; Farbe: rot, blau\"")
                .collect(Collectors.joining("\r\n"));
        byte[] file = ("Artikelnummer;Bezeichnung;Beschreibung;Preis (EUR);Aktionspreis;Aktion von;Aktion bis;"
                        + "Gewicht (g);Bestand;Warengruppe;Auswahl\r\n" + rows)
                .getBytes(Charset.forName("windows-1252"));
        JsonNode look = look(file);
        assertThat(meanings(look))
                .as("no correction at all")
                .containsExactly(
                        "code",
                        "name",
                        "sentence",
                        "price",
                        "sale-price",
                        "sale-from",
                        "sale-to",
                        "weight",
                        "stock",
                        "group",
                        "options");
        assertThat(look.path("columns").path(1).path("samples").path(0).asString())
                .isEqualTo("Laterne Größe 0");
        JsonNode done = taken(file, List.of());
        assertThat(done.path("refused").isEmpty()).as(done.toString()).isTrue();
        assertThat(done.path("addedCount").asInt()).isEqualTo(40);
        JsonNode lantern = product("l-4");
        assertThat(lantern.path("price").asString()).isEqualTo("1104.90");
        assertThat(lantern.path("weight").asString()).isEqualTo("254 g");
        assertThat(lantern.path("sale").path("price").asString()).isEqualTo("999.50");
        assertThat(lantern.path("sale").path("window").path("to").asString()).isEqualTo("2026-12-24");
        assertThat(lantern.path("group").asString()).isEqualTo("laternen");
        assertThat(lantern.path("options")
                        .valueStream()
                        .map(option -> option.path("name").asString() + " "
                                + option.path("choices").size()))
                .containsExactly("Größe 3", "Farbe 2");
        assertThat(shop.owner().get(Caller.SHOP + "/stock/l-4").json().toString())
                .contains("4");
        // Once more: it is what is there already.
        JsonNode again = look(file);
        assertThat(again.path("addedCount").asInt()).isZero();
        assertThat(again.path("changed").asInt()).isZero();
    }

    /** English, commas, a byte-order mark, a column for each option, and two columns that both look like the price. */
    @Test
    void options_in_several_columns_and_two_prices() {
        String rows = IntStream.range(0, 200)
                .mapToObj(i -> "MUG-" + i + ",\"Mug, no. " + i + "\",$1" + i + ".50,$2" + i + ".00,$" + i
                        + ".20,S|M|L,red|blue,0.5 lb,3.90")
                .collect(Collectors.joining("\n"));
        byte[] file = ("\uFEFFItem no.,Title,Shop price,List price,Cost price,Sizes,Colour,Weight,Shipping cost\n"
                        + rows)
                .getBytes(StandardCharsets.UTF_8);
        JsonNode look = look(file);
        assertThat(meanings(look))
                .containsExactly("code", "name", "price", "nothing", "cost", "option", "option", "weight", "nothing");
        assertThat(look.path("columns").path(2).path("doubted").asBoolean()).isTrue();
        assertThat(look.path("columns").path(3).path("doubted").asBoolean()).isTrue();
        assertThat(look.path("columns").path(4).path("doubted").asBoolean()).isFalse();
        taken(file, List.of());
        JsonNode mug = product("mug-7");
        assertThat(mug.path("price").asString()).isEqualTo("17.50");
        assertThat(mug.path("cost").asString()).isEqualTo("7.20");
        assertThat(mug.path("weight").asString()).isEqualTo("0.5 lb");
        assertThat(mug.path("options")
                        .path(1)
                        .path("choices")
                        .path(0)
                        .path("name")
                        .asString())
                .isEqualTo("red");
    }

    /** One amount alone is the price, whatever the seller calls it. */
    @Test
    void the_only_amount_is_the_price() {
        byte[] file = "Name,Cost\nA rope,12.00\nA hook,3.50\n".getBytes(StandardCharsets.UTF_8);
        assertThat(meanings(look(file))).containsExactly("name", "price");
    }

    /** Tabs, a row for each variation, American days, ounces; one heading says nothing and is corrected by hand. */
    @Test
    void a_row_each() {
        StringBuilder rows = new StringBuilder();
        for (int i = 0; i < 400; i++) {
            for (int size = 0; size < 5; size++) {
                rows.append("SCARF-" + i + "-" + size + "\tSC" + i + "\t" + (size == 0 ? "Scarf " + i : "") + "\t"
                        + (20 + size) + ".00\t12/24/2026\t" + (4 + size) + " oz\t" + size + "\tW" + size + "\t18.00\n");
            }
        }
        byte[] file = ("Code\tParent\tName\tPrice\tSale until\tWeight\tOn hand\tWidth\tSale\n" + rows)
                .getBytes(StandardCharsets.UTF_8);
        JsonNode look = look(file);
        List<String> means = meanings(look);
        assertThat(means)
                .containsExactly(
                        "code", "belongs-to", "name", "price", "sale-to", "weight", "stock", "nothing", "sale-price");
        means.set(7, "option");
        JsonNode done = taken(file, means);
        assertThat(done.path("rows").asInt()).isEqualTo(2000);
        assertThat(done.path("addedCount").asInt()).isEqualTo(400);
        assertThat(done.path("counted").asInt()).isEqualTo(2000);
        JsonNode scarf = product("sc3");
        assertThat(scarf.path("price").asString()).isEqualTo("20.00");
        assertThat(scarf.path("options").path(0).path("choices").size()).isEqualTo(5);
        assertThat(scarf.path("variations").path(4).path("price").asString()).isEqualTo("24.00");
        assertThat(scarf.path("variations").path(4).path("weight").asString()).isEqualTo("8 oz");
        assertThat(scarf.path("sale").path("window").path("to").asString()).isEqualTo("2026-12-24");
        assertThat(meanings(look(file)).get(7)).as("remembered").isEqualTo("option");
    }

    @Test
    void what_cannot_be_taken_is_named_row_by_row_and_the_rest_goes_in() {
        byte[] file = """
                Code,Name,Price,Weight
                A1,Anvil,12.00,3 kg
                A2,,9.00,1 kg
                A3,Awl,cheap,1 kg
                A4,Axe,7.505,1 kg
                A1,Again,5.00,1 kg
                A5,Adze,8.00,heavy 2 x
                A6,Awl,8.00,1 kg,black
                """.getBytes(StandardCharsets.UTF_8);
        List<String> means = List.of("code", "name", "price", "weight");
        JsonNode done = taken(file, means);
        assertThat(done.path("refused")
                        .valueStream()
                        .map(each -> each.path("line").asInt() + " "
                                + each.path("sentence").asString()))
                .containsExactlyInAnyOrder(
                        "3 There is no name, or one of more than 200 characters.",
                        "4 “cheap” cannot be read here.",
                        "5 “7.505” cannot be read here.",
                        "6 “a1” is there twice.",
                        "8 The row has more cells than there are headings; a cell with the separating sign in it stands"
                                + " in quotes.");
        assertThat(done.path("addedCount").asInt()).isEqualTo(2);
        assertThat(product("a1").path("name").asString()).isEqualTo("Anvil");
    }

    @ParameterizedTest
    @CsvSource({
        "'', no rows",
        "'Name,Price', no rows",
        "'Name,Price\nBox,4.00\n\"Kite,3.00\nReel,5.00', near line 3 does not close",
    })
    void what_is_no_table_is_refused_with_a_sentence(String text, String sentence) {
        Caller.Answer answer = send("POST", text.getBytes(StandardCharsets.UTF_8), List.of());
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.sentence()).contains(sentence);
    }

    @Test
    void a_file_of_more_than_50_000_rows_is_refused() {
        byte[] file = ("Name,Price\n" + "Kite,1.00\n".repeat(50_001)).getBytes(StandardCharsets.UTF_8);
        Caller.Answer answer = send("POST", file, List.of());
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.sentence()).contains("50,000 rows");
    }

    @Test
    void utf_16_with_its_mark_is_read() {
        byte[] file = "\uFEFFName;Preis\nKäse;3,50\n".getBytes(StandardCharsets.UTF_16LE);
        JsonNode look = look(file);
        assertThat(look.path("added").path(0).asString()).isEqualTo("Käse");
    }

    /** Nobody can take in a meaning that there is none of. */
    @Test
    void an_unknown_meaning_is_refused() {
        byte[] file = "Name,Price\nKite,1.00\n".getBytes(StandardCharsets.UTF_8);
        assertThat(send("POST", file, List.of("name", "riddle")).status()).isEqualTo(422);
    }
}

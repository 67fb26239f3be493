package vestcoin.app.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.format.FileText;

/** Words go out for a translator and come back: what can be taken is taken, what cannot is named by its row. */
@ExtendWith(RunningShop.class)
class WordFilesTest {
    private static final String WORDS = Caller.SHOP + "/draft/words";
    private final RunningShop.Running shop;

    WordFilesTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private Caller.Answer sent(String method, String file) {
        return shop.owner().call(method, WORDS, file, Map.of("Content-Type", "application/octet-stream"));
    }

    private String said(String language, String key) {
        return shop.owner()
                .get(Caller.SHOP + "/draft")
                .json()
                .path("document")
                .path("terms")
                .path("words")
                .path(language)
                .path(key)
                .asString("");
    }

    @Test
    void what_went_out_changes_nothing_when_it_comes_back() {
        for (String file : List.of(
                shop.owner().get(WORDS).text(),
                shop.owner().get(WORDS + "?language=de").text())) {
            Caller.Answer look = sent("POST", file);
            assertThat(look.json().path("changes").size()).as(look.text()).isZero();
            assertThat(look.json().path("notTaken").size()).as(look.text()).isZero();
        }
    }

    /** XLIFF 2.1 (OASIS): the elements and attributes of its core, from memory. */
    @Test
    void a_translators_file_is_xliff_with_a_unit_for_each_text_and_comes_back_filled() throws Exception {
        String file = shop.owner().get(WORDS + "?language=de").text();
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        Document xml =
                factory.newDocumentBuilder().parse(new ByteArrayInputStream(file.getBytes(StandardCharsets.UTF_8)));
        Element root = xml.getDocumentElement();
        assertThat(root.getNamespaceURI()).isEqualTo("urn:oasis:names:tc:xliff:document:2.0");
        assertThat(root.getAttribute("version")).isEqualTo("2.1");
        assertThat(root.getAttribute("srcLang")).isEqualTo("en-IE");
        assertThat(root.getAttribute("trgLang")).isEqualTo("de");
        assertThat(xml.getElementsByTagNameNS("*", "unit").getLength()).isGreaterThan(30);
        assertThat(xml.getElementsByTagNameNS("*", "source").getLength())
                .isEqualTo(xml.getElementsByTagNameNS("*", "unit").getLength());
        String back = file.replaceFirst(
                "(<unit id=\"goods\\.products\\.box-kite\\.name\">.*?<target[^>]*>)[^<]*(</target>)",
                "$1Kastendrachen &amp; Co$2");
        assertThat(back).isNotEqualTo(file);
        assertThat(sent("POST", back)
                        .json()
                        .path("changes")
                        .path(0)
                        .path("changed")
                        .asInt())
                .isEqualTo(1);
        assertThat(sent("PUT", back).status()).isEqualTo(204);
        assertThat(said("de", "goods.products.box-kite.name")).isEqualTo("Kastendrachen & Co");
        shop.owner().post(Caller.SHOP + "/draft/undo", Map.of());
        assertThat(said("de", "goods.products.box-kite.name")).isNotEqualTo("Kastendrachen & Co");
    }

    @Test
    void a_table_is_taken_as_far_as_it_can_be_and_the_rest_is_named_by_row() {
        String table = "\uFEFFkey;text;de;pt\r\n"
                + "goods.products.box-kite.name;Box kite;Kasten;Papagaio\r\n"
                + "goods.products.gone.name;Gone;Weg;\r\n"
                + "phrases.counter.use;Use;Nehmen {;\r\n"
                + "phrases.counter.choose;Choose;bitte wählen;\r\n"
                + "phrases.counter.total;Total;" + "x".repeat(501) + ";\r\n";
        Caller.Answer look = sent("POST", table);
        assertThat(look.status()).as(look.text()).isEqualTo(200);
        assertThat(look.json().path("notTaken").size()).as(look.text()).isEqualTo(4);
        assertThat(look.text())
                .contains("“pt” is no language of this shop")
                .contains("“3”")
                .contains("“4”");
        assertThat(sent("PUT", table).status()).isEqualTo(204);
        assertThat(said("de", "goods.products.box-kite.name")).isEqualTo("Kasten");
        assertThat(said("de", "phrases.counter.choose")).isEqualTo("bitte wählen");
        assertThat(said("de", "phrases.counter.use")).isEmpty();
        shop.owner().post(Caller.SHOP + "/draft/undo", Map.of());
    }

    @Test
    void a_table_saved_by_an_old_spreadsheet_keeps_its_letters() {
        byte[] western =
                "key;de\r\ngoods.products.box-kite.name;Kästchendrachen\r\n".getBytes(Charset.forName("windows-1252"));
        assertThat(FileText.of(western)).contains("Kästchendrachen");
        assertThat(WordFile.read(western)).extracting(WordFile.Said::text).containsExactly("Kästchendrachen");
        byte[] wide = ("<?xml version=\"1.0\" encoding=\"UTF-16\"?><xliff trgLang=\"de\"><file><unit id=\"a\"><segment>"
                        + "<target>Größe</target></segment></unit></file></xliff>")
                .getBytes(StandardCharsets.UTF_16);
        assertThat(WordFile.read(wide)).extracting(WordFile.Said::text).containsExactly("Größe");
    }

    @Test
    void what_is_no_sheet_of_words_is_said_and_nothing_outside_of_a_file_is_read() {
        String bomb = "<?xml version=\"1.0\"?><!DOCTYPE x [<!ENTITY a SYSTEM \"file:///etc/hostname\">]>"
                + "<xliff xmlns=\"urn:oasis:names:tc:xliff:document:2.0\" version=\"2.1\" srcLang=\"en\""
                + " trgLang=\"de\">"
                + "<file id=\"w\"><unit id=\"goods.products.box-kite.name\"><segment><source>x</source>"
                + "<target>&a;</target></segment></unit></file></xliff>";
        for (String wrong : List.of("", "hello", "<xliff><file>", "key,text,de\n\"a,b\n", bomb)) {
            Caller.Answer answer = sent("POST", wrong);
            assertThat(answer.status()).as(wrong + answer.text()).isIn(200, 400, 422);
            if (answer.status() == 200) {
                assertThat(answer.json().path("changes").size()).as(wrong).isZero();
            } else {
                assertThat(answer.text()).contains("cannot be read as a table of words");
            }
        }
        assertThat(shop.owner().get(WORDS + "?language=xx").status()).isEqualTo(404);
    }
}

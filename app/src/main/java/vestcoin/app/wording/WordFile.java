package vestcoin.app.wording;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.ByteArrayInputStream;
import java.io.StringReader;
import java.io.StringWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.XMLStreamWriter;
import vestcoin.app.format.FileText;
import vestcoin.app.format.SpreadsheetText;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/** The sheet of words as a file: CSV (RFC 4180) of all languages, XLIFF 2.1 (OASIS) of one. */
final class WordFile {
    private static final String KEY = "key";
    private static final String TEXT = "text";
    private static final String XLIFF = "urn:oasis:names:tc:xliff:document:2.0";

    private WordFile() {}

    /** One text of a file. @param where its row or unit, for what is wrong with it */
    record Said(String where, String key, String language, String text) {}

    static String csv(WordSheet sheet) {
        StringWriter out = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(out)) {
            csv.writeRecord(Stream.concat(Stream.of(KEY, TEXT), sheet.languages().stream())
                    .toList());
            sheet.rows()
                    .forEach(row -> csv.writeRecord(Stream.concat(
                                    Stream.of(row.key(), row.text()),
                                    sheet.languages().stream()
                                            .map(tag -> row.said().getOrDefault(tag, "")))
                            .map(SpreadsheetText::written)
                            .toList()));
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return out.toString();
    }

    /** For a translator into one language; a phrase that ships in it and was not worded is left out. */
    static String xliff(WordSheet sheet, String language) {
        StringWriter out = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newFactory().createXMLStreamWriter(out);
            xml.writeStartDocument("UTF-8", "1.0");
            xml.writeStartElement("xliff");
            xml.writeDefaultNamespace(XLIFF);
            xml.writeAttribute("version", "2.1");
            xml.writeAttribute("srcLang", sheet.source());
            xml.writeAttribute("trgLang", language);
            xml.writeStartElement("file");
            xml.writeAttribute("id", "words");
            for (WordSheet.Row row : sheet.rows()) {
                if (row.said().containsKey(language) || !row.ships().contains(language)) {
                    unit(xml, row, row.said().get(language));
                }
            }
            xml.writeEndElement();
            xml.writeEndElement();
            xml.writeEndDocument();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
        return out.toString();
    }

    private static void unit(XMLStreamWriter xml, WordSheet.Row row, String said) throws XMLStreamException {
        xml.writeStartElement("unit");
        xml.writeAttribute("id", row.key());
        xml.writeStartElement("segment");
        xml.writeAttribute("state", said == null ? "initial" : "translated");
        text(xml, "source", row.text());
        if (said != null) {
            text(xml, "target", said);
        }
        xml.writeEndElement();
        xml.writeEndElement();
    }

    private static void text(XMLStreamWriter xml, String element, String text) throws XMLStreamException {
        xml.writeStartElement(element);
        xml.writeAttribute("xml", "http://www.w3.org/XML/1998/namespace", "space", "preserve");
        xml.writeCharacters(text);
        xml.writeEndElement();
    }

    /** What a file of either kind says. @throws InvalidInput if it is neither, or broken off */
    static List<Said> read(byte[] file) {
        String content = FileText.of(file);
        return content.stripLeading().startsWith("<") ? readXliff(file) : readCsv(content);
    }

    private static List<Said> readCsv(String content) {
        List<Said> said = new ArrayList<>();
        int semicolons = content.indexOf(';');
        int comma = content.indexOf(',');
        char separator = semicolons >= 0 && (comma < 0 || semicolons < comma) ? ';' : ',';
        try (CsvReader<NamedCsvRecord> rows =
                CsvReader.builder().fieldSeparator(separator).ofNamedCsvRecord(new StringReader(content))) {
            for (NamedCsvRecord row : rows) {
                if (!row.getHeader().contains(KEY)) {
                    break;
                }
                for (String column : row.getHeader()) {
                    String typed = row.findField(column).orElse("");
                    if (!column.equals(KEY) && !column.equals(TEXT) && !typed.isBlank()) {
                        said.add(new Said(
                                String.valueOf(row.getStartingLineNumber()),
                                row.getField(KEY),
                                column.strip(),
                                SpreadsheetText.read(typed)));
                    }
                }
            }
        } catch (CsvParseException e) {
            throw unreadable();
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        if (said.isEmpty() && !content.toLowerCase(Locale.ROOT).startsWith(KEY)) {
            throw unreadable();
        }
        return said;
    }

    /** An XML file says itself how it is encoded. */
    private static List<Said> readXliff(byte[] file) {
        XMLInputFactory factory = XMLInputFactory.newFactory();
        // Nothing outside of the file is read for it.
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, true);
        List<Said> said = new ArrayList<>();
        String language = "";
        String unit = "";
        StringBuilder target = null;
        try {
            XMLStreamReader xml = factory.createXMLStreamReader(new ByteArrayInputStream(file));
            while (xml.hasNext()) {
                switch (xml.next()) {
                    case XMLStreamConstants.START_ELEMENT -> {
                        switch (xml.getLocalName()) {
                            case "xliff" -> language = attribute(xml, "trgLang");
                            case "unit" -> unit = attribute(xml, "id");
                            case "target" -> target = new StringBuilder();
                            default -> {}
                        }
                    }
                    case XMLStreamConstants.CHARACTERS, XMLStreamConstants.SPACE, XMLStreamConstants.CDATA -> {
                        if (target != null) {
                            target.append(xml.getText());
                        }
                    }
                    case XMLStreamConstants.END_ELEMENT -> {
                        if (xml.getLocalName().equals("target") && target != null) {
                            if (!target.toString().isBlank()) {
                                said.add(new Said(unit, unit, language, target.toString()));
                            }
                            target = null;
                        }
                    }
                    default -> {}
                }
            }
        } catch (XMLStreamException e) {
            throw unreadable();
        }
        return said;
    }

    private static String attribute(XMLStreamReader xml, String name) {
        String value = xml.getAttributeValue(null, name);
        return value == null ? "" : value;
    }

    private static InvalidInput unreadable() {
        return new InvalidInput(
                "file", Message.of("wording.file-cannot-be-read"), Message.of("wording.choose-file-as-it-went-out"));
    }
}

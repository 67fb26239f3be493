package vestcoin.app.run;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import vestcoin.app.format.Json;
import vestcoin.app.format.Phrases;
import vestcoin.core.rehearsal.Pins;
import vestcoin.core.setup.Rehearsal;

/** Pinned figures as test cases, in the XML that build servers read as results of JUnit. */
final class PinReport {
    private PinReport() {}

    static void write(Rehearsal rehearsal, List<Pins.MovedPin> moved, Path file) throws IOException {
        Map<String, Pins.MovedPin> failed =
                moved.stream().collect(Collectors.toMap(each -> each.pin().id(), each -> each));
        Map<String, String> baskets = rehearsal.baskets().stream()
                .collect(Collectors.toMap(Rehearsal.SampleOrder::id, Rehearsal.SampleOrder::name));
        try (OutputStream out = Files.newOutputStream(file)) {
            XMLStreamWriter xml =
                    XMLOutputFactory.newFactory().createXMLStreamWriter(out, StandardCharsets.UTF_8.name());
            xml.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
            xml.writeStartElement("testsuite");
            xml.writeAttribute("name", "pinned figures");
            xml.writeAttribute("tests", String.valueOf(rehearsal.pins().size()));
            xml.writeAttribute("failures", String.valueOf(moved.size()));
            for (Rehearsal.Pin pin : rehearsal.pins()) {
                xml.writeStartElement("testcase");
                xml.writeAttribute("classname", "rehearsal." + pin.basket());
                xml.writeAttribute(
                        "name",
                        baskets.get(pin.basket()) + ", " + pin.to().country()
                                + pin.to().postcode().map(code -> " " + code).orElse("") + ", "
                                + Json.named(pin.figure()));
                if (failed.containsKey(pin.id())) {
                    String said = Phrases.in("en").say(failed.get(pin.id()).sentence());
                    xml.writeStartElement("failure");
                    xml.writeAttribute("message", said);
                    xml.writeCharacters(pin.reason());
                    xml.writeEndElement();
                }
                xml.writeEndElement();
            }
            xml.writeEndElement();
            xml.writeEndDocument();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IOException(e);
        }
    }
}

package vestcoin.app.format;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Supplier;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import vestcoin.core.finding.Finding;
import vestcoin.core.message.Amount;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.problem.Problem;

/** Messages in JSON: as data where they are kept, as sentences where they are read. */
final class MessageJson {
    private MessageJson() {}

    /** Code and arguments; words that are not ours are a text. */
    static final class Kept extends ValueSerializer<Message> {
        @Override
        public void serialize(Message message, JsonGenerator out, SerializationContext context) {
            write(message, out);
        }

        static void write(Object value, JsonGenerator out) {
            if (value instanceof Message message && message.isName()) {
                out.writeString(message.text());
            } else if (value instanceof Message message) {
                out.writeStartObject();
                out.writeStringProperty("code", message.code());
                if (!message.args().isEmpty()) {
                    out.writeName("args");
                    out.writeStartObject();
                    new TreeMap<>(message.args()).forEach((name, arg) -> {
                        out.writeName(name);
                        write(arg, out);
                    });
                    out.writeEndObject();
                }
                out.writeEndObject();
            } else if (value instanceof Amount amount) {
                out.writeStartObject();
                out.writeStringProperty("amount", amount.value().toPlainString());
                out.writeStringProperty("currency", amount.currency());
                out.writeEndObject();
            } else if (value instanceof Region region) {
                single("region", region.code(), out);
            } else if (value instanceof BigDecimal number) {
                single("number", number.toPlainString(), out);
            } else if (value instanceof LocalDate day) {
                single("day", day.toString(), out);
            } else if (value instanceof Integer || value instanceof Long) {
                out.writeNumber(((Number) value).longValue());
            } else if (value instanceof List<?> list) {
                out.writeStartArray();
                list.forEach(each -> write(each, out));
                out.writeEndArray();
            } else {
                out.writeString(String.valueOf(value));
            }
        }

        private static void single(String name, String text, JsonGenerator out) {
            out.writeStartObject();
            out.writeStringProperty(name, text);
            out.writeEndObject();
        }
    }

    /** In the language of whoever reads. */
    static final class Phrased extends ValueSerializer<Message> {
        private final Supplier<Phrases> phrases;

        Phrased(Supplier<Phrases> phrases) {
            this.phrases = phrases;
        }

        @Override
        public void serialize(Message message, JsonGenerator out, SerializationContext context) {
            out.writeString(phrases.get().say(message));
        }
    }

    private static void coded(Message sentence, JsonGenerator out) {
        out.writeStringProperty("code", sentence.code());
        if (!sentence.args().isEmpty()) {
            out.writeName("args");
            out.writeStartObject();
            new TreeMap<>(sentence.args()).forEach((name, arg) -> {
                out.writeName(name);
                Kept.write(arg, out);
            });
            out.writeEndObject();
        }
    }

    /** A problem as sentences, with the code and arguments of the first. */
    static final class CodedProblem extends ValueSerializer<Problem> {
        private final Supplier<Phrases> phrases;

        CodedProblem(Supplier<Phrases> phrases) {
            this.phrases = phrases;
        }

        @Override
        public void serialize(Problem problem, JsonGenerator out, SerializationContext context) {
            out.writeStartObject();
            out.writeStringProperty("path", problem.path());
            out.writeStringProperty("sentence", phrases.get().say(problem.sentence()));
            out.writeStringProperty("remedy", phrases.get().say(problem.remedy()));
            coded(problem.sentence(), out);
            out.writeEndObject();
        }
    }

    /** A finding as sentences, with the code and arguments of the first. */
    static final class CodedFinding extends ValueSerializer<Finding> {
        private final Supplier<Phrases> phrases;

        CodedFinding(Supplier<Phrases> phrases) {
            this.phrases = phrases;
        }

        @Override
        public void serialize(Finding finding, JsonGenerator out, SerializationContext context) {
            out.writeStartObject();
            out.writeStringProperty("id", finding.id());
            out.writeStringProperty("severity", Json.named(finding.severity()));
            out.writeStringProperty("station", Json.named(finding.station()));
            out.writeStringProperty("path", finding.path());
            out.writeStringProperty("sentence", phrases.get().say(finding.sentence()));
            out.writeStringProperty("remedy", phrases.get().say(finding.remedy()));
            coded(finding.sentence(), out);
            out.writeEndObject();
        }
    }

    /** What {@link Kept} wrote; a text alone, as documents had it before, is words that stand as they are. */
    static final class Reader extends ValueDeserializer<Message> {
        @Override
        public Message deserialize(JsonParser in, DeserializationContext context) {
            return message(context.readTree(in));
        }

        private static Message message(JsonNode node) {
            if (!node.isObject()) {
                return Message.name(node.asString(""));
            }
            Map<String, Object> args = new TreeMap<>();
            node.path("args").properties().forEach(arg -> args.put(arg.getKey(), value(arg.getValue())));
            return new Message(node.path("code").asString(""), args);
        }

        private static Object value(JsonNode node) {
            if (node.isIntegralNumber()) {
                return node.canConvertToInt() ? (Object) node.intValue() : node.longValue();
            } else if (node.isArray()) {
                List<Object> all = new ArrayList<>();
                node.forEach(each -> all.add(value(each)));
                return all;
            } else if (!node.isObject()) {
                return node.asString("");
            } else if (node.has("amount")) {
                return new Amount(
                        new BigDecimal(node.path("amount").asString()),
                        node.path("currency").asString());
            } else if (node.has("region")) {
                return new Region(node.path("region").asString());
            } else if (node.has("number")) {
                return new BigDecimal(node.path("number").asString());
            } else if (node.has("day")) {
                return LocalDate.parse(node.path("day").asString());
            }
            return message(node);
        }
    }
}

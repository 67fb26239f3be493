package vestcoin.app.format;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.Nulls;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.BeanDescription;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.DeserializationConfig;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JavaType;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.deser.ValueDeserializerModifier;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.finding.Finding;
import vestcoin.core.goods.Length;
import vestcoin.core.goods.Size;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.place.Place;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.tax.TaxLiability;
import vestcoin.core.why.Op;

/**
 * The one JSON of the house, for files, storage and HTTP: amounts and other decimals as strings, places and weights as
 * short texts, names of fixed choices in small letters with hyphens, unknown fields refused by name.
 */
public final class Json {
    /** Decimal numbers. Unrounded figures have many digits after the point. */
    static final Pattern DECIMAL = Pattern.compile("^-?[0-9]{1,20}(\\.[0-9]{1,40})?$");

    /** How a value of a plain type is written. */
    private static final Map<Class<?>, String> FORMS = Map.of(
            Instant.class,
            "an instant, as 2026-11-25T10:00:00Z",
            LocalDate.class,
            "a day, as 2026-11-25",
            LocalTime.class,
            "a time of day, as 14:00",
            LocalDateTime.class,
            "a day and time, as 2026-11-25T14:00",
            int.class,
            "a whole number",
            Integer.class,
            "a whole number",
            boolean.class,
            "true or false",
            Boolean.class,
            "true or false",
            List.class,
            "a list");

    /** Said of a value of another form than a document has there. */
    public static final String WRONG_FORM = "format.value-here-has-wrong-form-expected";

    public static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(60)
                            .maxNumberLength(40)
                            .build())
                    .build())
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .changeDefaultPropertyInclusion(include -> include.withValueInclusion(JsonInclude.Include.NON_ABSENT)
                    .withContentInclusion(JsonInclude.Include.NON_ABSENT))
            .changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL))
            .addModule(module())
            .addMixIn(PriceRule.Basis.class, BasisKinds.class)
            .addMixIn(Op.class, OpKinds.class)
            .build();

    private static final JsonMapper ENGLISH = phrased(() -> Phrases.in("en"));

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = PriceRule.Fixed.class, name = "fixed"),
        @JsonSubTypes.Type(value = PriceRule.Bands.class, name = "bands"),
        @JsonSubTypes.Type(value = PriceRule.BasePlus.class, name = "base-plus"),
        @JsonSubTypes.Type(value = PriceRule.ByProduct.class, name = "by-product"),
        @JsonSubTypes.Type(value = PriceRule.CarrierQuote.class, name = "carrier-quote")
    })
    interface BasisKinds {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Op.Given.class, name = "given"),
        @JsonSubTypes.Type(value = Op.Sum.class, name = "sum"),
        @JsonSubTypes.Type(value = Op.Less.class, name = "less"),
        @JsonSubTypes.Type(value = Op.Smallest.class, name = "smallest"),
        @JsonSubTypes.Type(value = Op.Largest.class, name = "largest"),
        @JsonSubTypes.Type(value = Op.Product.class, name = "product"),
        @JsonSubTypes.Type(value = Op.Ratio.class, name = "ratio"),
        @JsonSubTypes.Type(value = Op.StartedSteps.class, name = "started-steps"),
        @JsonSubTypes.Type(value = Op.Share.class, name = "share"),
        @JsonSubTypes.Type(value = Op.Rounded.class, name = "rounded"),
        @JsonSubTypes.Type(value = Op.Ended.class, name = "ended"),
        @JsonSubTypes.Type(value = Op.Nearest.class, name = "nearest"),
        @JsonSubTypes.Type(value = Op.RaisedToStep.class, name = "raised-to-step"),
        @JsonSubTypes.Type(value = Op.Quotient.class, name = "quotient")
    })
    interface OpKinds {}

    private Json() {}

    /** The members of a sealed family by the {@code kind} they are written with. */
    static Map<String, Class<?>> kinds(Class<?> family) {
        JsonSubTypes kinds = (family == Op.class ? OpKinds.class : BasisKinds.class).getAnnotation(JsonSubTypes.class);
        Map<String, Class<?>> members = new LinkedHashMap<>();
        for (JsonSubTypes.Type kind : kinds.value()) {
            members.put(kind.name(), kind.value());
        }
        return members;
    }

    /** Reads a document. @throws InvalidInput with the place, what is wrong there and how to mend it */
    public static <T> T read(String json, Class<T> type) {
        try {
            return MAPPER.readValue(json, type);
        } catch (JacksonException e) {
            throw refused(e);
        }
    }

    /**
     * Reads a part of a document. @param path of that part, put before the paths of problems @throws InvalidInput as
     * {@link #read}
     */
    public static <T> T read(JsonNode node, Class<T> type, String path) {
        try {
            return MAPPER.treeToValue(node, type);
        } catch (JacksonException e) {
            throw under(path, refused(e));
        }
    }

    public static JsonNode tree(String json) {
        try {
            return MAPPER.readTree(json);
        } catch (JacksonException e) {
            throw refused(e);
        }
    }

    public static JsonNode tree(Object value) {
        return MAPPER.valueToTree(value);
    }

    /** This JSON with messages as sentences, in the language asked for at each. */
    public static JsonMapper phrased(Supplier<Phrases> phrases) {
        SimpleModule said = new SimpleModule("phrased");
        said.addSerializer(Message.class, new MessageJson.Phrased(phrases));
        said.addSerializer(Problem.class, new MessageJson.CodedProblem(phrases));
        said.addSerializer(Finding.class, new MessageJson.CodedFinding(phrases));
        return MAPPER.rebuild().addModule(said).build();
    }

    /** What is written out for people and other programs: sentences in English, indented. */
    public static String prettyPhrased(Object value) {
        return ENGLISH.writerWithDefaultPrettyPrinter().writeValueAsString(value) + "\n";
    }

    public static String write(Object value) {
        return MAPPER.writeValueAsString(value);
    }

    public static String pretty(Object value) {
        return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(value) + "\n";
    }

    private static InvalidInput under(String path, InvalidInput refused) {
        return new InvalidInput(refused.problems().stream()
                .map(p -> new Problem(p.path().isEmpty() ? path : path + "/" + p.path(), p.sentence(), p.remedy()))
                .toList());
    }

    /** What a reader's failure means to a person. */
    public static InvalidInput refused(JacksonException e) {
        for (Throwable cause = e; cause != null; cause = cause.getCause()) {
            if (cause instanceof InvalidInput refused) {
                return e instanceof DatabindException databind ? under(pathOf(databind), refused) : refused;
            }
        }
        if (e instanceof UnrecognizedPropertyException unknown) {
            return new InvalidInput(
                    pathOf(unknown),
                    Message.of("format.there-no-field-here", "propertyName", unknown.getPropertyName()),
                    Message.of("format.remove-or-check-spelling"));
        }
        if (e instanceof StreamReadException) {
            return new InvalidInput(
                    "",
                    e.getLocation() == null
                            ? Message.of("format.this-not-json")
                            : Message.of(
                                    "format.this-not-json-at",
                                    "line",
                                    String.valueOf(e.getLocation().getLineNr()),
                                    "column",
                                    String.valueOf(e.getLocation().getColumnNr())),
                    Message.of("format.check-for-missing-comma-quote-or-bracket"));
        }
        if (e instanceof DatabindException databind) {
            Class<?> wanted =
                    databind instanceof MismatchedInputException mismatched ? mismatched.getTargetType() : null;
            return wanted != null && FORMS.containsKey(wanted)
                    ? new InvalidInput(
                            pathOf(databind),
                            Message.of("format.this-not", "form", FORMS.get(wanted)),
                            Message.of("format.write-so"))
                    : new InvalidInput(
                            pathOf(databind),
                            Message.of("format.value-here-has-wrong-form-expected", "form", form(databind)),
                            Message.of("format.write-so-or-take-out"));
        }
        return new InvalidInput(
                "", Message.of("format.document-cannot-read"), Message.of("format.take-one-that-was-saved-by-vest"));
    }

    /** What belongs where something else was found. */
    private static String form(DatabindException e) {
        Class<?> wanted = e instanceof MismatchedInputException mismatched ? mismatched.getTargetType() : null;
        if (wanted != null && wanted.isRecord()) {
            return "an object with the fields "
                    + Arrays.stream(wanted.getRecordComponents())
                            .map(java.lang.reflect.RecordComponent::getName)
                            .collect(Collectors.joining(", "));
        }
        return wanted != null && java.util.Map.class.isAssignableFrom(wanted)
                ? "an object with a field for each"
                : "another kind of value";
    }

    private static String pathOf(DatabindException e) {
        return e.getPath().stream()
                .map(step -> step.getPropertyName() != null ? step.getPropertyName() : String.valueOf(step.getIndex()))
                .collect(Collectors.joining("/"));
    }

    private static SimpleModule module() {
        SimpleModule module = new SimpleModule("vest-coin");
        module.addSerializer(BigDecimal.class, text(BigDecimal::toPlainString));
        module.addDeserializer(
                BigDecimal.class,
                fromText(
                        text -> {
                            if (!DECIMAL.matcher(text).matches()) {
                                throw new InvalidInput(
                                        "",
                                        Message.of("format.not-decimal-number", "shortened", shortened(text)),
                                        Message.of("format.write-digits-with-point-6-90"));
                            }
                            return new BigDecimal(text);
                        },
                        Message.of("format.number-has-to-stand-in-quotes-so"),
                        Message.of("format.write-6-90")));
        module.addSerializer(Message.class, new MessageJson.Kept());
        module.addDeserializer(Message.class, new MessageJson.Reader());
        module.addSerializer(Weight.class, text(Weight::text));
        module.addDeserializer(
                Weight.class,
                fromText(
                        text -> Weight.parse("", text),
                        Message.of("format.weight-has-to-text-with-unit"),
                        Message.of("format.write-1-2-kg")));
        module.addSerializer(Length.class, text(Length::text));
        module.addDeserializer(
                Length.class,
                fromText(
                        text -> Length.parse("", text),
                        Message.of("format.length-has-to-text-with-unit"),
                        Message.of("format.write-120-cm")));
        module.addSerializer(Size.class, text(Size::text));
        module.addDeserializer(
                Size.class,
                fromText(
                        text -> Size.parse("", text),
                        Message.of("format.size-has-to-text-with-unit"),
                        Message.of("format.write-120-15-15-cm")));
        module.addSerializer(Place.class, text(Place::text));
        module.addDeserializer(
                Place.class,
                fromText(
                        Place::parse,
                        Message.of("format.place-has-to-text"),
                        Message.of("format.write-ie-us-nc-or-gb-bt")));
        module.addSerializer(Enum.class, text(Json::named));
        module.setDeserializerModifier(new ValueDeserializerModifier() {
            @Override
            public ValueDeserializer<?> modifyEnumDeserializer(
                    DeserializationConfig config,
                    JavaType type,
                    BeanDescription.Supplier bean,
                    ValueDeserializer<?> usual) {
                return fromText(
                        text -> choice(type.getRawClass(), text),
                        Message.of("format.one-of-few-words-expected-here"),
                        Message.of("format.write-one-of", "words", words(type.getRawClass())));
            }
        });
        return module;
    }

    /** A fixed choice as it is written: {@code WITH_TAX} is {@code with-tax}; codes of a standard stay as they are. */
    public static String named(Enum<?> value) {
        return value instanceof TaxLiability.Code
                ? value.name()
                : value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static Object choice(Class<?> type, String text) {
        for (Object constant : type.getEnumConstants()) {
            if (named((Enum<?>) constant).equals(text)) {
                return constant;
            }
        }
        throw new InvalidInput(
                "",
                Message.of("format.not-one-of-words-that-can-stand", "shortened", shortened(text)),
                Message.of("format.write-one-of", "words", words(type)));
    }

    private static String words(Class<?> type) {
        return Arrays.stream(type.getEnumConstants())
                .map(c -> named((Enum<?>) c))
                .collect(Collectors.joining(", "));
    }

    private static String shortened(String text) {
        return text.length() <= 40 ? text : text.substring(0, 40) + "…";
    }

    private static <T> ValueSerializer<T> text(Function<T, String> printed) {
        return new ValueSerializer<>() {
            @Override
            public void serialize(T value, JsonGenerator out, SerializationContext context) {
                out.writeString(printed.apply(value));
            }
        };
    }

    private static <T> ValueDeserializer<T> fromText(Function<String, T> read, Message otherwise, Message remedy) {
        return new ValueDeserializer<>() {
            @Override
            public T deserialize(JsonParser in, DeserializationContext context) {
                if (in.currentToken() != JsonToken.VALUE_STRING) {
                    throw databind(in, new InvalidInput("", otherwise, remedy));
                }
                try {
                    return read.apply(in.getString());
                } catch (InvalidInput refused) {
                    throw databind(in, refused);
                }
            }
        };
    }

    private static DatabindException databind(JsonParser in, InvalidInput refused) {
        return DatabindException.from(in, refused.getMessage(), refused);
    }
}

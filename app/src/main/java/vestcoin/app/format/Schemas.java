package vestcoin.app.format;

import com.fasterxml.classmate.ResolvedType;
import com.github.victools.jsonschema.generator.CustomDefinition;
import com.github.victools.jsonschema.generator.CustomDefinitionProviderV2;
import com.github.victools.jsonschema.generator.Option;
import com.github.victools.jsonschema.generator.OptionPreset;
import com.github.victools.jsonschema.generator.SchemaBuilder;
import com.github.victools.jsonschema.generator.SchemaGenerationContext;
import com.github.victools.jsonschema.generator.SchemaGenerator;
import com.github.victools.jsonschema.generator.SchemaGeneratorConfig;
import com.github.victools.jsonschema.generator.SchemaGeneratorConfigBuilder;
import com.github.victools.jsonschema.generator.SchemaKeyword;
import com.github.victools.jsonschema.generator.SchemaVersion;
import java.lang.reflect.Constructor;
import java.lang.reflect.Field;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.finding.Finding;
import vestcoin.core.goods.Length;
import vestcoin.core.goods.Size;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.place.Place;
import vestcoin.core.problem.Problem;
import vestcoin.core.setup.Setup;
import vestcoin.core.why.Op;

/** JSON Schemas (2020-12) of what {@link Json} reads and writes, made from the records themselves. */
public final class Schemas {
    /** The documents that are files, by name. */
    public static final Map<String, Class<?>> DOCUMENTS =
            Map.of("setup", Setup.class, "order", OrderFile.class, "quote", QuoteView.class);

    private static final SchemaGeneratorConfig WRITTEN = config(true);
    /** What a reader takes: a list or map that is left out is empty, a yes or no is no. */
    private static final SchemaGeneratorConfig READ = config(false);

    private Schemas() {}

    /** The schema of a document file. */
    public static String document(String name) {
        SchemaBuilder builder =
                new SchemaGenerator(name.equals("quote") ? WRITTEN : READ).buildMultipleSchemaDefinitions();
        Class<?> type = DOCUMENTS.get(name);
        JsonNode reference = builder.createSchemaReference(type);
        ObjectNode schema = Json.MAPPER.createObjectNode();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.put("$id", "urn:vest-coin:" + name + ":1");
        schema.put("title", "Vest Coin " + name);
        ObjectNode definitions = (ObjectNode) builder.collectDefinitions("$defs");
        ObjectNode root = (ObjectNode) definitions.remove(type.getSimpleName());
        if (root == null) {
            throw new IllegalStateException("no definition for " + reference);
        }
        root.properties().forEach(field -> schema.set(field.getKey(), field.getValue()));
        if (type == Setup.class) {
            ((ObjectNode) schema.get("properties")).putObject("format").put("const", "vest-coin/setup/1");
            ((tools.jackson.databind.node.ArrayNode) schema.get("required")).insert(0, "format");
        } else {
            ((ObjectNode) schema.get("properties").get("format")).removeAll().put("const", "vest-coin/" + name + "/1");
        }
        schema.set("$defs", definitions);
        return Json.pretty(schema);
    }

    /**
     * Schemas of several types and of the setup for the description of the HTTP API, by name, referring to each other
     * there.
     */
    public static Map<String, JsonNode> forApi(List<Type> types) {
        SchemaBuilder builder = new SchemaGenerator(WRITTEN).buildMultipleSchemaDefinitions();
        types.forEach(builder::createSchemaReference);
        builder.createSchemaReference(Setup.class);
        Map<String, JsonNode> all = new java.util.TreeMap<>();
        builder.collectDefinitions("components/schemas")
                .properties()
                .forEach(field -> all.put(field.getKey(), field.getValue()));
        return all;
    }

    private static SchemaGeneratorConfig config(boolean listsRequired) {
        SchemaGeneratorConfigBuilder builder = new SchemaGeneratorConfigBuilder(
                        Json.MAPPER, SchemaVersion.DRAFT_2020_12, OptionPreset.PLAIN_JSON)
                .with(
                        Option.FORBIDDEN_ADDITIONAL_PROPERTIES_BY_DEFAULT,
                        Option.DEFINITIONS_FOR_ALL_OBJECTS,
                        Option.FLATTENED_OPTIONALS,
                        Option.MAP_VALUES_AS_ADDITIONAL_PROPERTIES)
                .without(Option.SCHEMA_VERSION_INDICATOR, Option.NULLABLE_METHOD_RETURN_VALUES_BY_DEFAULT);
        builder.forFields()
                .withNullableCheck(field -> false)
                .withRequiredCheck(field -> required(field.getRawMember(), listsRequired));
        builder.forTypesInGeneral()
                .withCustomDefinitionProvider(texts())
                .withCustomDefinitionProvider(kinds())
                .withCustomDefinitionProvider(coded())
                .withDefinitionNamingStrategy(
                        (key, context) -> nameOf(key.getType().getErasedType()));
        return builder.build();
    }

    private static boolean required(Field field, boolean written) {
        if (field.getType() == Optional.class) {
            return false;
        }
        return written || field.getType() != boolean.class && !fillsIn(field);
    }

    /**
     * Whether a record fills the field in by itself, so that a file may leave it out: it is made with nothing to see.
     */
    private static boolean fillsIn(Field field) {
        if (!field.getDeclaringClass().isRecord() || field.getType().isPrimitive()) {
            return false;
        }
        RecordComponent[] components = field.getDeclaringClass().getRecordComponents();
        try {
            Constructor<?> canonical = field.getDeclaringClass()
                    .getDeclaredConstructor(Arrays.stream(components)
                            .map(RecordComponent::getType)
                            .toArray(Class<?>[]::new));
            canonical.setAccessible(true);
            Object made = canonical.newInstance(Arrays.stream(components)
                    .map(component -> component.getType() == boolean.class
                            ? (Object) false
                            : component.getType() == int.class ? 0 : null)
                    .toArray());
            field.setAccessible(true);
            return field.get(made) != null;
        } catch (ReflectiveOperationException e) {
            return false;
        }
    }

    /** The name of a type's schema. */
    public static String nameOf(Class<?> raw) {
        Class<?> outer = raw.getEnclosingClass();
        boolean plain = outer == null
                || outer.getSimpleName().endsWith("Controller")
                || raw.getSimpleName().startsWith(outer.getSimpleName());
        return plain ? raw.getSimpleName() : outer.getSimpleName() + raw.getSimpleName();
    }

    /** Types that are written as a text, and maps by name. */
    private static CustomDefinitionProviderV2 texts() {
        return (type, context) -> {
            Class<?> raw = type.getErasedType();
            ObjectNode schema = context.getGeneratorConfig().createObjectNode();
            if (raw == BigDecimal.class) {
                schema.put("type", "string").put("pattern", Json.DECIMAL.pattern());
            } else if (raw == Weight.class) {
                schema.put("type", "string").put("pattern", "^[0-9]+(\\.[0-9]+)? ?(kg|g|lb|oz)$");
            } else if (raw == Length.class) {
                schema.put("type", "string").put("pattern", "^[0-9]+(\\.[0-9]+)? ?(mm|cm|m|in|ft)$");
            } else if (raw == Size.class) {
                schema.put("type", "string")
                        .put(
                                "pattern",
                                "^[0-9]+(\\.[0-9]+)? ?[x×*] ?[0-9]+(\\.[0-9]+)? ?[x×*] ?[0-9]+(\\.[0-9]+)? "
                                        + "?(mm|cm|m|in|ft)$");
            } else if (raw == Message.class) {
                schema.put("type", "string");
            } else if (raw == Place.class) {
                schema.put("type", "string").put("minLength", 2);
            } else if (raw == Instant.class) {
                schema.put("type", "string")
                        .put("format", "date-time")
                        .put("pattern", "^[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9:.]{5,18}(Z|[+-][0-9]{2}:[0-9]{2})$");
            } else if (raw == LocalDate.class) {
                schema.put("type", "string").put("pattern", "^[0-9]{4}-[0-9]{2}-[0-9]{2}$");
            } else if (raw == LocalTime.class) {
                schema.put("type", "string").put("pattern", "^[0-9]{2}:[0-9]{2}(:[0-9]{2})?$");
            } else if (raw == LocalDateTime.class) {
                schema.put("type", "string")
                        .put("pattern", "^[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{2}:[0-9]{2}(:[0-9]{2})?$");
            } else if (JsonNode.class.isAssignableFrom(raw)) {
                return new CustomDefinition(
                        schema, CustomDefinition.DefinitionType.INLINE, CustomDefinition.AttributeInclusion.NO);
            } else if (raw == Map.class) {
                schema.put("type", "object");
                schema.set(
                        "additionalProperties",
                        context.createDefinitionReference(
                                type.typeParametersFor(Map.class).get(1)));
            } else if (raw.isEnum()) {
                schema.put("type", "string");
                Arrays.stream(raw.getEnumConstants())
                        .forEach(constant -> schema.withArray("enum").add(Json.named((Enum<?>) constant)));
            } else {
                return null;
            }
            return new CustomDefinition(
                    schema, CustomDefinition.DefinitionType.INLINE, CustomDefinition.AttributeInclusion.NO);
        };
    }

    /** What is said as a sentence gains the sentence's code and arguments. */
    private static CustomDefinitionProviderV2 coded() {
        return new CustomDefinitionProviderV2() {
            @Override
            public CustomDefinition provideCustomSchemaDefinition(ResolvedType type, SchemaGenerationContext context) {
                Class<?> raw = type.getErasedType();
                if (raw != Problem.class && raw != Finding.class) {
                    return null;
                }
                ObjectNode schema = (ObjectNode) context.createStandardDefinition(type, this);
                ObjectNode properties = (ObjectNode) schema.get("properties");
                properties.putObject("code").put("type", "string");
                properties.putObject("args").put("type", "object");
                return new CustomDefinition(
                        schema, CustomDefinition.DefinitionType.STANDARD, CustomDefinition.AttributeInclusion.NO);
            }
        };
    }

    /** Sealed families: one of their members, told apart by {@code kind}. */
    private static CustomDefinitionProviderV2 kinds() {
        return (type, context) -> {
            Class<?> raw = type.getErasedType();
            if (raw != Op.class && raw != PriceRule.Basis.class) {
                return null;
            }
            ObjectNode schema = context.getGeneratorConfig().createObjectNode();
            Json.kinds(raw).forEach((kind, member) -> {
                ObjectNode one = (ObjectNode) context.createStandardDefinition(
                        context.getTypeContext().resolve(member), null);
                if (!(one.get("properties") instanceof ObjectNode)) {
                    one.putObject("properties");
                    one.put("type", "object").put("additionalProperties", false);
                }
                ((ObjectNode) one.get("properties")).putObject("kind").put("const", kind);
                one.withArray("required").insert(0, "kind");
                schema.withArray(context.getKeyword(SchemaKeyword.TAG_ONEOF)).add(one);
            });
            return new CustomDefinition(
                    schema, CustomDefinition.DefinitionType.STANDARD, CustomDefinition.AttributeInclusion.NO);
        };
    }
}

package vestcoin.app.edge;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.Type;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.format.Json;
import vestcoin.app.format.Schemas;

/** The description of the HTTP API, with the same schemas as the files. */
@Configuration
@ConditionalOnProperty("springdoc.api-docs.enabled")
class ApiDescription {
    @Bean
    OpenAPI api() {
        return new OpenAPI().info(new Info().title("Vest Coin").version("1")).servers(List.of(new Server().url("/")));
    }

    /** Describes the house's own types by the house's own schemas, and leaves all others to the library. */
    @Bean
    ModelConverter houseTypes() {
        return new ModelConverter() {
            @Override
            public Schema<?> resolve(
                    AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
                Class<?> raw = raw(type.getType());
                if (raw != null && raw.getName().startsWith("vestcoin.")) {
                    Map<String, JsonNode> schemas = Schemas.forApi(List.of(raw));
                    schemas.forEach((name, schema) -> context.defineModel(name, parsed(schema)));
                    return new JsonSchema().$ref("#/components/schemas/" + Schemas.nameOf(raw));
                }
                if (raw != null && JsonNode.class.isAssignableFrom(raw)) {
                    return new JsonSchema().types(Set.of("object"));
                }
                return chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
            }
        };
    }

    private static Class<?> raw(Type type) {
        if (type instanceof Class<?> known) {
            return known;
        }
        return type instanceof JavaType java ? java.getRawClass() : null;
    }

    /**
     * The library's reader does not take {@code additionalProperties}; those of maps are set by hand, the rest left
     * out.
     */
    private static Schema<?> parsed(JsonNode schema) {
        try {
            Schema<?> read = Json31.mapper().readValue(Json.write(without(schema)), JsonSchema.class);
            schema.path("properties").properties().forEach(property -> {
                if (property.getValue().path("additionalProperties").isObject()) {
                    read.getProperties()
                            .get(property.getKey())
                            .setAdditionalProperties(parsed(property.getValue().path("additionalProperties")));
                }
            });
            return read;
        } catch (com.fasterxml.jackson.core.JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static JsonNode without(JsonNode schema) {
        JsonNode copy = schema.deepCopy();
        copy.findParents("additionalProperties")
                .forEach(parent -> ((ObjectNode) parent).remove("additionalProperties"));
        return copy;
    }
}

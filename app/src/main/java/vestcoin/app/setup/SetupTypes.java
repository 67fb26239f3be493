package vestcoin.app.setup;

import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.lang.reflect.WildcardType;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import vestcoin.core.setup.Setup;

/** What stands at a path of a setup, by the records it is made of: names of components, and ids in lists. */
final class SetupTypes {
    /** Stands in a path for a step that is not known; where it would be a component, anything may follow. */
    static final String ANY = "*";

    private static final ClassValue<Map<String, Type>> COMPONENTS = new ClassValue<>() {
        @Override
        protected Map<String, Type> computeValue(Class<?> raw) {
            return Arrays.stream(raw.getRecordComponents())
                    .collect(Collectors.toMap(RecordComponent::getName, RecordComponent::getGenericType));
        }
    };

    private SetupTypes() {}

    /** The type at a path, without what makes it optional; nothing where the path leads nowhere. */
    static Optional<Type> at(String path) {
        return at(Setup.class, List.of(path.split("/")));
    }

    /** The type at the end of steps from another. */
    static Optional<Type> at(Type from, List<String> steps) {
        if (from instanceof WildcardType wild) {
            return at(wild.getUpperBounds()[0], steps);
        }
        if (from instanceof ParameterizedType generic && generic.getRawType() == Optional.class) {
            return at(generic.getActualTypeArguments()[0], steps);
        }
        if (steps.isEmpty()) {
            return Optional.of(from);
        }
        List<String> rest = steps.subList(1, steps.size());
        if (from instanceof ParameterizedType generic) {
            Class<?> raw = (Class<?>) generic.getRawType();
            Type[] of = generic.getActualTypeArguments();
            return Collection.class.isAssignableFrom(raw)
                    ? at(of[0], rest)
                    : Map.class.isAssignableFrom(raw) ? at(of[1], rest) : Optional.empty();
        }
        Class<?> raw = (Class<?>) from;
        if (raw.isSealed()) {
            return Arrays.stream(raw.getPermittedSubclasses())
                    .map(one -> at(one, steps).orElse(null))
                    .filter(Objects::nonNull)
                    .findFirst();
        }
        if (!raw.isRecord()) {
            return Optional.empty();
        }
        if (steps.get(0).equals(ANY)) {
            return Optional.of(Object.class);
        }
        return Optional.ofNullable(COMPONENTS.get(raw).get(steps.get(0))).flatMap(part -> at(part, rest));
    }
}

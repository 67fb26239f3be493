package vestcoin.core.quote;

import java.util.Objects;
import java.util.function.Supplier;

/**
 * A part of a quote that is computed when it is first read. It depends on nothing but what the quote was made of, so it
 * is the same whenever that is; read at once from two threads it may be computed twice, to the same value.
 */
final class Part<T> implements Supplier<T> {
    private volatile T value;
    private final Supplier<T> computation;

    private Part(T value, Supplier<T> computation) {
        this.value = value;
        this.computation = computation;
    }

    /** @param computation pure, and never giving null */
    static <T> Part<T> of(Supplier<T> computation) {
        return new Part<>(null, Objects.requireNonNull(computation));
    }

    /** A part that is there already. */
    static <T> Part<T> known(T value) {
        return new Part<>(Objects.requireNonNull(value), () -> value);
    }

    @Override
    public T get() {
        T known = value;
        if (known == null) {
            known = Objects.requireNonNull(computation.get());
            value = known;
        }
        return known;
    }
}

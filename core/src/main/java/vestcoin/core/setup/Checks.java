package vestcoin.core.setup;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import vestcoin.core.calendar.Window;
import vestcoin.core.message.Message;
import vestcoin.core.place.Place;
import vestcoin.core.problem.Problems;

/** The checks that stations have in common. */
final class Checks {
    private static final Pattern ID = Pattern.compile("[a-z0-9]+(-[a-z0-9]+)*");
    /** Above any real price, and small enough that an order's total fits a 64-bit count of minor units. */
    private static final BigDecimal MOST = new BigDecimal("1000000000");

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    final Problems problems = new Problems();
    private final Set<Object> sound = Collections.newSetFromMap(new IdentityHashMap<>());
    private String currency = "";
    private int digits = 2;

    /** Things of a list that were found possible before, in circumstances that are the same. */
    void sound(Collection<?> things) {
        sound.addAll(things);
    }

    boolean isSound(Object thing) {
        return sound.contains(thing);
    }

    void currency(String code, int minorDigits) {
        currency = code;
        digits = minorDigits;
    }

    String currency() {
        return currency;
    }

    boolean required(Object value, String path) {
        if (value == null) {
            problems.add(
                    path,
                    Message.of("setup.missing", "substring", path.substring(path.lastIndexOf('/') + 1)),
                    Message.of("setup.add"));
        }
        return value != null;
    }

    void percent(BigDecimal percent, String path) {
        problems.when(
                percent == null || percent.signum() < 0 || percent.compareTo(HUNDRED) > 0,
                path,
                Message.of("setup.rate-has-to-from-0-to-100"),
                Message.of("setup.write-percentage-23-for-23"));
    }

    void anyPercent(BigDecimal percent, String path) {
        problems.when(
                percent.abs().compareTo(MOST) > 0,
                path,
                Message.of("setup.percentage-too-large"),
                Message.of("setup.write-smaller-one"));
    }

    void amount(BigDecimal amount, String path, boolean mayBeNegative) {
        amount(amount, path, mayBeNegative, currency, digits);
    }

    void amount(BigDecimal amount, String path, boolean mayBeNegative, String code, int minorDigits) {
        if (!required(amount, path)) {
            return;
        }
        problems.when(
                amount.signum() < 0 && !mayBeNegative,
                path,
                Message.of("setup.amount-here-cannot-below-zero"),
                Message.of("setup.write-without-minus-sign"));
        problems.when(
                amount.abs().compareTo(MOST) >= 0,
                path,
                Message.of("setup.amount-too-large"),
                Message.of("setup.write-one-below-1-000-000-000"));
        if (amount.scale() > minorDigits && amount.stripTrailingZeros().scale() > minorDigits) {
            problems.add(
                    path,
                    Message.of("setup.has-more-decimals-than-has", "amount", amount, "code", code),
                    Message.of("setup.write-at-most-decimals", "minorDigits", minorDigits));
        }
    }

    /** A whole number within bounds. */
    void whole(int number, int least, int most, String path, Message what) {
        problems.when(
                number < least || number > most,
                path,
                Message.of("setup.has-to-from-to", "what", what, "least", least, "most", most),
                Message.of("setup.write-number-within"));
    }

    void named(String name, String path) {
        if (name == null || name.isBlank()) {
            problems.add(path + "/name", Message.of("setup.has-no-name"), Message.of("setup.type-name"));
        }
    }

    void places(List<Place> places, String path) {
        places.forEach(place -> Place.check(place, path, problems));
    }

    void window(Window window, String path) {
        problems.when(
                window.backwards(),
                path,
                Message.of("setup.days-run-backwards"),
                Message.of("setup.write-earlier-day-first"));
    }

    /** That every id is one of those known. */
    void known(Collection<String> ids, Set<String> known, String path, Message what) {
        for (String id : ids) {
            if (!known.contains(id)) {
                problems.add(
                        path,
                        Message.of("setup.there-no", "what", what, "id", id),
                        Message.of("setup.add-or-take-out-here"));
            }
        }
    }

    <T> void ids(List<T> things, Function<T, String> id, String path) {
        Set<String> seen = new HashSet<>();
        for (T thing : things) {
            String given = id.apply(thing);
            if (given == null || !ID.matcher(given).matches()) {
                problems.add(
                        path,
                        Message.of("setup.cannot-id", "given", given),
                        Message.of("setup.use-small-letters-digits-and-single-hyphens"));
            } else if (!seen.add(given)) {
                problems.add(
                        path + "/" + given,
                        Message.of("setup.id-used-twice", "given", given),
                        Message.of("setup.give-one-of-them-another-id"));
            }
        }
    }
}

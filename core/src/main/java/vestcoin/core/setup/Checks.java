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
            problems.add(path, "“" + path.substring(path.lastIndexOf('/') + 1) + "” is missing.", "Add it.");
        }
        return value != null;
    }

    void percent(BigDecimal percent, String path) {
        problems.when(
                percent == null || percent.signum() < 0 || percent.compareTo(HUNDRED) > 0,
                path,
                "A rate has to be from 0 to 100 %.",
                "Write it as a percentage, 23 for 23 %.");
    }

    void anyPercent(BigDecimal percent, String path) {
        problems.when(percent.abs().compareTo(MOST) > 0, path, "The percentage is too large.", "Write a smaller one.");
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
                "An amount here cannot be below zero.",
                "Write it without the minus sign.");
        problems.when(
                amount.abs().compareTo(MOST) >= 0, path, "The amount is too large.", "Write one below 1,000,000,000.");
        if (amount.scale() > minorDigits && amount.stripTrailingZeros().scale() > minorDigits) {
            problems.add(
                    path,
                    amount.toPlainString() + " has more decimals than " + code + " has.",
                    "Write at most " + minorDigits + " decimals.");
        }
    }

    /** A whole number within bounds. */
    void whole(int number, int least, int most, String path, String what) {
        problems.when(
                number < least || number > most,
                path,
                what + " has to be from " + least + " to " + most + ".",
                "Write a number within.");
    }

    void named(String name, String path) {
        if (name == null || name.isBlank()) {
            problems.add(path + "/name", "It has no name.", "Type a name.");
        }
    }

    void places(List<Place> places, String path) {
        places.forEach(place -> Place.check(place, path, problems));
    }

    void window(Window window, String path) {
        problems.when(window.backwards(), path, "The days run backwards.", "Write the earlier day first.");
    }

    /** That every id is one of those known. */
    void known(Collection<String> ids, Set<String> known, String path, String what) {
        for (String id : ids) {
            if (!known.contains(id)) {
                problems.add(path, "There is no " + what + " “" + id + "”.", "Add it, or take it out here.");
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
                        "“" + given + "” cannot be an id.",
                        "Use small letters, digits and single hyphens, as delta-kite.");
            } else if (!seen.add(given)) {
                problems.add(
                        path + "/" + given, "The id “" + given + "” is used twice.", "Give one of them another id.");
            }
        }
    }
}

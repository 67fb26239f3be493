package vestcoin.app.moving;

import java.util.HashSet;
import java.util.Set;

/** Codes made of names: small letters, digits and hyphens. */
final class Ids {
    private static final int LONGEST = 60;

    private final Set<String> given = new HashSet<>();

    static String of(String name) {
        String id = String.join("-", ColumnGuess.words(name));
        String whole = id.isEmpty() ? "new" : id;
        return whole.length() <= LONGEST ? whole : whole.substring(0, LONGEST).replaceAll("-$", "");
    }

    /** One that this has not given yet. */
    String next(String name) {
        String id = of(name);
        for (int n = 2; !given.add(id); n++) {
            id = of(name) + "-" + n;
        }
        return id;
    }
}

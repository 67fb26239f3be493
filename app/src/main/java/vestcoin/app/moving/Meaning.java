package vestcoin.app.moving;

import java.util.Arrays;
import vestcoin.app.format.Json;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/** What a column of a goods file holds. */
public enum Meaning {
    NOTHING,
    CODE,
    NAME,
    SENTENCE,
    PRICE,
    SALE_PRICE,
    SALE_FROM,
    SALE_TO,
    /** What a piece costs the seller. */
    COST,
    WEIGHT,
    STOCK,
    GROUP,
    /** The code or name of the product that a row is a variation of. */
    BELONGS_TO,
    /** One choice or several, of an option called as the column is. */
    OPTION,
    /** Several options with their choices, as "Size: S, M; Colour: red". */
    OPTIONS;

    /** @throws InvalidInput if there is none of this name */
    static Meaning named(String name) {
        return Arrays.stream(values())
                .filter(each -> Json.named(each).equals(name))
                .findFirst()
                .orElseThrow(() -> new InvalidInput(
                        "means",
                        Message.of("moving.no-column-holds-that", "name", name),
                        Message.of("moving.choose-what-it-holds")));
    }
}

package vestcoin.app.moving;

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
    WEIGHT,
    STOCK,
    GROUP,
    /** The code or name of the product that a row is a variation of. */
    BELONGS_TO,
    /** One choice or several, of an option called as the column is. */
    OPTION,
    /** Several options with their choices, as "Size: S, M; Colour: red". */
    OPTIONS
}

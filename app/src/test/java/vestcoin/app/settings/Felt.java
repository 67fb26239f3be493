package vestcoin.app.settings;

/** Where a person meets what a seller has set. */
public enum Felt {
    PRICE("price"),
    COUNTER("counter"),
    ORDER_PAGE("order page"),
    LETTER("letter"),
    PAPER("paper"),
    DESK("desk"),
    FILE("file"),
    FINDING("finding"),
    /** It cannot be set there: the type it stands in is shared with a place where it can. */
    REFUSED("refused");

    private final String text;

    Felt(String text) {
        this.text = text;
    }

    public String text() {
        return text;
    }
}

package vestcoin.app.order;

/** Who called an order off. */
public enum CalledOffBy {
    SHOP,
    BUYER,
    /** Its money did not come in its time. */
    TIME
}

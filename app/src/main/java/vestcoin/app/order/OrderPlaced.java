package vestcoin.app.order;

/**
 * An order was placed; published inside the transaction that places it.
 *
 * @param order its id
 * @param email of the buyer, as typed
 */
public record OrderPlaced(String shop, long order, String email) {}

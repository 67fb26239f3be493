package vestcoin.app.order;

/**
 * An order whose money is taken is about to be changed: told within the transaction that does it, while it still is as
 * it was.
 */
public record OrderChanging(long order) {}

package vestcoin.app.order;

/**
 * An order is about to be called off; published before anything of it is undone, so that whoever cannot have it says
 * so.
 *
 * @param order its id
 */
public record OrderCalledOff(long order) {}

package vestcoin.core.quote;

import vestcoin.core.delivery.Delivery;
import vestcoin.core.why.Figure;

/**
 * How far an order is from free delivery. @param reduced whether it becomes cheaper rather than free @param more goods
 * at list that reach it
 */
public record Distance(Delivery.Option option, boolean reduced, Figure more) {}

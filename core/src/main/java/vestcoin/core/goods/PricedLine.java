package vestcoin.core.goods;

import java.util.List;
import vestcoin.core.why.Figure;

/**
 * A line with its price.
 *
 * @param index   place in the order, from 0
 * @param product what it is
 * @param chosen  names of the choices made, in the product's order of options
 * @param unit    price of one, after options
 * @param amount  unit price × quantity
 * @param weight  of the whole line in kg
 */
public record PricedLine(
        int index, Line line, Product product, List<String> chosen, Figure unit, Figure amount, Figure weight) {}

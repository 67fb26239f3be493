package vestcoin.core.compare;

import java.util.List;
import vestcoin.core.message.Message;

/**
 * What made an order differ: the first figure typed into the setup that differs, in the order an order is computed in.
 *
 * @param path of the field; the station alone where no typed figure differs, only what it is decided by
 * @param names of what the field belongs to, in the path's order: {@code Ireland}, {@code Tube parcel}
 * @param label what the field is, in a few words
 */
public record Cause(String path, List<String> names, Message label) {}

package vestcoin.core.finding;

import vestcoin.core.message.Message;

/**
 * One thing to know about a setup.
 *
 * @param id the kind of finding, such as {@code zone-without-option}
 * @param path the very field to mend
 * @param sentence what is wrong
 * @param remedy what to do
 */
public record Finding(String id, Severity severity, Station station, String path, Message sentence, Message remedy) {

    public enum Severity {
        BLOCKS_OPENING,
        LOOK_AT_THIS,
        NOTE,
        /** To be looked at, and the seller has said that it is meant so. */
        MEANT
    }

    public enum Station {
        SHOP,
        GOODS,
        DELIVERY,
        PICKUP,
        TAX,
        PAYMENT,
        TERMS
    }
}

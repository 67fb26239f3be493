package vestcoin.app.message;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * What the letter about a basket says.
 *
 * @param name of the buyer, as far as it was typed
 * @param things what lies in it
 * @param gift a code of its own
 * @param link back to the basket
 * @param never a link that ends such letters
 */
public record ReminderOf(String name, List<String> things, Optional<Gift> gift, String link, String never) {
    /** @param discount name of what it takes off @param until the last day it holds */
    public record Gift(String code, String discount, LocalDate until) {}
}

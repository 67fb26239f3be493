package vestcoin.app.run;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.format.Json;
import vestcoin.app.setup.Document;
import vestcoin.app.stock.StockBook;

/**
 * What goes by the day in the demo, whenever it begins: the Saturdays of its workshop, the next few, with some seats
 * each; and its offers, which are not over yet.
 */
final class DemoDays {
    private static final String PRODUCT = "saturday-workshop";
    private static final int SATURDAYS = 4;
    private static final int SEATS = 8;
    /** How long a sale goes on at least. */
    private static final int SALE_DAYS = 14;
    /** And a code, so that it can be seen on what is charged again. */
    private static final int CODE_DAYS = 90;

    private static final DateTimeFormatter NAMED = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.UK);

    private static final DateTimeFormatter GERMAN = DateTimeFormatter.ofPattern("d. MMM yyyy", Locale.GERMANY);

    private DemoDays() {}

    /** A setup in which the workshop takes place on the Saturdays after a day, and offers go on beyond it. */
    static Document with(Document setup, LocalDate today) {
        ObjectNode tree = (ObjectNode) setup.tree().deepCopy();
        for (JsonNode each : tree.path("discounts").path("rules")) {
            goOn(each.path("conditions").path("window"), today.plusDays(CODE_DAYS));
        }
        for (JsonNode each : tree.path("goods").path("products")) {
            goOn(each.path("sale").path("window"), today.plusDays(SALE_DAYS));
            if (each.path("id").asString().equals(PRODUCT)) {
                ObjectNode product = (ObjectNode) each;
                ObjectNode option = product.putArray("options").addObject();
                option.put("id", "session").put("name", "Which day");
                ArrayNode choices = option.putArray("choices");
                ArrayNode variations = product.putArray("variations");
                saturdays(today).forEach(day -> {
                    ObjectNode choice = choices.addObject();
                    choice.put("id", day.toString()).put("name", NAMED.format(day));
                    choice.putObject("when").put("starts", day + "T10:00").put("ends", day + "T13:00");
                    variations
                            .addObject()
                            .put("id", day.toString())
                            .putObject("options")
                            .put("session", day.toString());
                });
            }
        }
        ObjectNode german = (ObjectNode) tree.path("terms").path("words").path("de");
        String path = "goods.products." + PRODUCT + ".options.session.";
        german.put(path + "name", "Welcher Tag");
        saturdays(today).forEach(day -> german.put(path + "choices." + day + ".name", GERMAN.format(day)));
        return Document.parse(Json.write(tree));
    }

    /** @param least the first day a window may end */
    private static void goOn(JsonNode window, LocalDate least) {
        if (window.path("to").isString()
                && LocalDate.parse(window.path("to").asString()).isBefore(least)) {
            ((ObjectNode) window).put("to", least.toString());
        }
    }

    /** Counts the seats. */
    static void seat(StockBook stock, LocalDate today) {
        saturdays(today)
                .forEach(day -> stock.count(
                        DemoShop.SHOP, PRODUCT + "/" + day, Optional.empty(), Optional.of(BigDecimal.valueOf(SEATS))));
    }

    private static List<LocalDate> saturdays(LocalDate today) {
        LocalDate first = today.with(TemporalAdjusters.next(DayOfWeek.SATURDAY));
        return IntStream.range(0, SATURDAYS).mapToObj(first::plusWeeks).toList();
    }
}

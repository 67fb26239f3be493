package vestcoin.core.setup;

import java.util.LinkedHashMap;
import java.util.Map;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Question;

/** The names and sentences of a setup that buyers read, which another language needs too. */
public final class BuyerTexts {
    private final Map<String, String> texts = new LinkedHashMap<>();

    private BuyerTexts() {}

    /** Texts in the shop's own language by their place, dots between its steps; empty ones are left out. */
    public static Map<String, String> of(Setup setup) {
        BuyerTexts all = new BuyerTexts();
        setup.goods().products().forEach(all::product);
        if (setup.goods().groups().size() > 1) {
            // Headings of the list of goods.
            setup.goods().groups().forEach(group -> all.put("goods.groups." + group.id() + ".name", group.name()));
        }
        setup.goods()
                .buyerGroups()
                .forEach(group -> all.put("goods.buyerGroups." + group.id() + ".name", group.name()));
        setup.discounts().rules().forEach(rule -> all.put("discounts.rules." + rule.id() + ".name", rule.name()));
        setup.delivery()
                .options()
                .forEach(option ->
                        all.both("delivery.options." + option.id(), "name", option.name(), option.sentence()));
        setup.pickup().places().forEach(spot -> {
            all.put("pickup.places." + spot.id() + ".name", spot.name());
            all.put("pickup.places." + spot.id() + ".bring", spot.bring());
        });
        setup.pickup().local().ifPresent(local -> all.both("pickup.local", "name", local.name(), local.sentence()));
        setup.payment()
                .methods()
                .forEach(method ->
                        all.both("payment.methods." + method.id(), "title", method.title(), method.sentence()));
        setup.terms()
                .asking()
                .extras()
                .forEach(extra -> all.question("terms.asking.extras." + extra.id(), extra.question()));
        return all.texts;
    }

    private void product(Product product) {
        String place = "goods.products." + product.id();
        put(place + ".name", product.name());
        for (Product.Option option : product.options()) {
            put(place + ".options." + option.id() + ".name", option.name());
            option.choices()
                    .forEach(choice -> put(
                            place + ".options." + option.id() + ".choices." + choice.id() + ".name", choice.name()));
        }
        product.questions().forEach(question -> question(place + ".questions." + question.id(), question));
        product.perUnit().forEach(each -> put(place + ".perUnit." + each.id() + ".name", each.name()));
        product.shown().flatMap(Product.Shown::sentence).ifPresent(said -> put(place + ".shown.sentence", said));
    }

    private void question(String place, Question question) {
        put(place + ".name", question.name());
        question.answers().forEach(answer -> put(place + ".answers." + answer.id() + ".name", answer.name()));
    }

    private void both(String place, String name, String title, String sentence) {
        put(place + "." + name, title);
        put(place + ".sentence", sentence);
    }

    private void put(String place, String text) {
        if (text != null && !text.isBlank()) {
            texts.put(place, text);
        }
    }
}

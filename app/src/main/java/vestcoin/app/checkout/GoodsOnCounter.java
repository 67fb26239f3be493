package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import vestcoin.app.context.PricingContexts;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Product;
import vestcoin.core.money.Exchange;
import vestcoin.core.quote.Pricing;

/** The goods as they are listed for one buyer: under the headings of their groups, a page at a time. */
@Service
class GoodsOnCounter {
    /** So many of a page: what a phone shows in a few screens. */
    static final int PAGE = 48;

    private static final Pattern MARKS = Pattern.compile("\\p{M}");
    private static final Pattern SPACE = Pattern.compile("\\s+");

    /** More goods named at once are none of a basket. */
    private static final int NAMED = 200;

    /**
     * For whom, and in what.
     *
     * @param group id of the buyer group who looks belongs to, if any
     * @param rates needed in another currency than the shop's
     */
    record Reader(Optional<String> group, String currency, Optional<Exchange> rates) {}

    /**
     * Which of them.
     *
     * @param find words that all have to be in name or sentence; empty for any
     * @param heading id of the group, or empty for any
     * @param from how many come before
     * @param with ids of goods that are wanted in any case, such as those in a basket, listed or not
     */
    record ListQuery(String find, String heading, int from, List<String> with) {
        static ListQuery of(
                Optional<String> find, Optional<String> heading, Optional<Integer> from, List<String> with) {
            return new ListQuery(
                    find.orElse(""),
                    heading.orElse(""),
                    Math.max(0, from.orElse(0)),
                    with == null ? List.of() : with.subList(0, Math.min(NAMED, with.size())));
        }

        /** The same with more goods wanted in any case. */
        ListQuery and(List<String> more) {
            return new ListQuery(
                    find,
                    heading,
                    from,
                    Stream.concat(with.stream(), more.stream()).distinct().toList());
        }
    }

    /** A group of goods that some are listed under. @param id empty for what is in no group */
    record Heading(String id, String name, int count) {}

    /**
     * Some of the goods.
     *
     * @param listed how many of the products, from the first, are of the list; the rest was named
     * @param prices of products by id, in the currency asked for: a bundle's the sum of its parts, of an amount the
     *     buyer chooses the least
     * @param reduced of those, what is lower for some days
     * @param left how many there are of what is counted, by product, or product and variation
     * @param begun choices whose day has come, each as product/option/choice
     * @param found how many there are in all of those that were asked for
     */
    record Page(
            List<ProductOnCounter> products,
            int listed,
            Map<String, BigDecimal> prices,
            Map<String, Reductions.Reduction> reduced,
            Map<String, BigDecimal> left,
            Set<String> begun,
            int found) {}

    private final PricingContexts circumstances;
    private final Reductions reductions;
    private final Clock clock;

    GoodsOnCounter(PricingContexts circumstances, Reductions reductions, Clock clock) {
        this.circumstances = circumstances;
        this.reductions = reductions;
        this.clock = clock;
    }

    /** The headings that have something listed, in the order of their first goods. One alone is none. */
    List<Heading> headings(Document document, Optional<String> group) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        Goods goods = document.setup().goods();
        goods.products().stream()
                .filter(product -> listed(product, group))
                .forEach(product -> counts.merge(heading(goods, product), 1, Integer::sum));
        Map<String, String> names = new HashMap<>();
        goods.groups().forEach(each -> names.put(each.id(), each.name()));
        return counts.size() < 2
                ? List.of()
                : counts.entrySet().stream()
                        .map(each -> new Heading(each.getKey(), names.getOrDefault(each.getKey(), ""), each.getValue()))
                        .toList();
    }

    Page page(Editions.Edition edition, Document document, Reader reader, ListQuery wanted) {
        Goods goods = document.setup().goods();
        List<Product> found = found(goods, reader, wanted);
        List<Product> shown = new ArrayList<>(
                found.subList(Math.min(wanted.from(), found.size()), Math.min(wanted.from() + PAGE, found.size())));
        int listed = shown.size();
        Set<String> there = new TreeSet<>(shown.stream().map(Product::id).toList());
        Set<String> named = new TreeSet<>(wanted.with());
        shown.forEach(product -> product.parts().from().forEach(part -> named.add(part.product())));
        goods.products().stream()
                .filter(product ->
                        named.contains(product.id()) && product.soldTo(reader.group()) && there.add(product.id()))
                .forEach(shown::add);
        Map<String, BigDecimal> prices =
                Pricing.shelf(document.compiled(), there, reader.group(), reader.currency(), reader.rates());
        Map<String, Reductions.Reduction> reduced = reductions.of(edition, document, shown, reader);
        // What a group pays anyway is no reduction.
        reduced.entrySet().removeIf(each -> each.getValue().now().compareTo(prices.get(each.getKey())) >= 0);
        LocalDate today =
                LocalDate.ofInstant(clock.instant(), document.compiled().zone());
        return new Page(
                shown.stream()
                        .map(product -> ProductOnCounter.of(product, heading(goods, product), today))
                        .toList(),
                listed,
                prices,
                reduced,
                circumstances.left(edition.shop(), counted(shown)),
                begun(document, shown),
                found.size());
    }

    /** What is asked for of the list, group by group. */
    private static List<Product> found(Goods goods, Reader reader, ListQuery wanted) {
        Map<String, List<Product>> byHeading = new LinkedHashMap<>();
        List<String> words = wanted.find().isBlank()
                ? List.of()
                : List.of(plain(wanted.find()).split(" "));
        goods.products().stream()
                .filter(product -> listed(product, reader.group()) && says(product, words))
                .forEach(product -> byHeading
                        .computeIfAbsent(heading(goods, product), id -> new ArrayList<>())
                        .add(product));
        List<Product> found = new ArrayList<>();
        byHeading.forEach((heading, products) -> {
            if (wanted.heading().isEmpty()
                    || wanted.heading().equals(heading)
                    || wanted.heading().equals(NO_GROUP) && heading.isEmpty()) {
                found.addAll(products);
            }
        });
        return found;
    }

    /** Asked for as a heading: what is in no group. */
    static final String NO_GROUP = "-";

    private static boolean listed(Product product, Optional<String> group) {
        return product.soldTo(group) && product.sold().listed();
    }

    private static boolean says(Product product, List<String> words) {
        if (words.isEmpty()) {
            return true;
        }
        String text = plain(product.name() + " "
                + product.shown().flatMap(Product.Shown::sentence).orElse(""));
        return words.stream().allMatch(text::contains);
    }

    /** Without capitals and accents. */
    private static String plain(String text) {
        String bare =
                MARKS.matcher(Normalizer.normalize(text, Normalizer.Form.NFD)).replaceAll("");
        return SPACE.matcher(bare.toLowerCase(Locale.ROOT).strip()).replaceAll(" ");
    }

    private static String heading(Goods goods, Product product) {
        return product.group().or(goods::defaultGroup).orElse("");
    }

    /** What may be counted of some products: each of them, and each of its variations. */
    private static List<String> counted(List<Product> products) {
        return products.stream()
                .flatMap(product -> Stream.concat(
                        Stream.of(product.id()),
                        product.variations().stream().map(variation -> product.id() + "/" + variation.id())))
                .toList();
    }

    private Set<String> begun(Document document, List<Product> products) {
        Set<String> begun = new TreeSet<>();
        for (Product product : products) {
            for (Product.Option option : product.options()) {
                option.choices().stream()
                        .filter(choice -> choice.when()
                                .filter(when -> when.begun(
                                        clock.instant(), document.compiled().zone()))
                                .isPresent())
                        .forEach(choice -> begun.add(product.id() + "/" + option.id() + "/" + choice.id()));
            }
        }
        return begun;
    }
}

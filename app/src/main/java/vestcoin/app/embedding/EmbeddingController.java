package vestcoin.app.embedding;

import java.math.BigDecimal;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.access.CounterEntrance;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.Vault;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.basket.Basket;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Amount;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problem;

/** Making links for another site, and opening the counter by one. */
@RestController
class EmbeddingController {
    /**
     * @param product of which the buyer chooses options, number or amount on the other site; or nothing @param basket
     *     id of one of the sample baskets, taken as it is; of neither it is the whole counter
     */
    record SnippetRequest(Optional<String> product, Optional<String> basket, List<String> codes) {
        SnippetRequest {
            product = product == null ? Optional.empty() : product;
            basket = basket == null ? Optional.empty() : basket;
            codes = codes == null ? List.of() : List.copyOf(codes);
        }
    }

    /** @param fields what the buyer chose on the other site, by the names of the form */
    record Followed(String take, Map<String, String> fields) {
        Followed {
            fields = fields == null ? Map.of() : Map.copyOf(fields);
        }
    }

    /** @param changed what is not as the other site said */
    record IntoBasket(Basket basket, List<Problem> changed) {}

    private final Editions editions;
    private final CounterEntrance entrance;
    private final Vault vault;
    private final Clock clock;
    private final Snippets snippets;

    EmbeddingController(Editions editions, CounterEntrance entrance, Vault vault, Clock clock, Snippets snippets) {
        this.editions = editions;
        this.entrance = entrance;
        this.vault = vault;
        this.clock = clock;
        this.snippets = snippets;
    }

    @PostMapping("/api/shops/{shop}/elsewhere")
    Snippets.Snippet offer(@PathVariable String shop, @RequestBody SnippetRequest offered) {
        Document document = editions.live(shop)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "shop",
                        Message.of("embedding.nothing-published-yet-so-link-would-lead"),
                        Message.of("embedding.publish-draft-first")))
                .document();
        if (offered.basket().isEmpty() && offered.product().isEmpty()) {
            return snippets.counter(shop, document);
        }
        if (offered.basket().isPresent()) {
            return document.setup().rehearsal().baskets().stream()
                    .filter(basket -> basket.id().equals(offered.basket().get()))
                    .findFirst()
                    .map(basket -> snippets.bundle(
                            shop, document, basket.name(), basket.order().lines(), offered.codes()))
                    .orElseThrow(() -> new ApiProblem(
                            HttpStatus.NOT_FOUND,
                            "basket",
                            Message.of("embedding.live-edition-has-no-such-basket"),
                            Message.of("embedding.publish-draft-or-choose-another")));
        }
        return document.setup().goods().products().stream()
                .filter(product ->
                        offered.product().filter(product.id()::equals).isPresent())
                .findFirst()
                .map(product -> snippets.form(shop, document, product, offered.codes()))
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "product",
                        Message.of("embedding.live-edition-does-not-sell-this"),
                        Message.of("embedding.publish-draft-or-choose-another")));
    }

    /** What a link puts into the basket, read and completed by what the buyer chose. */
    @PostMapping("/api/counter/{shop}/take")
    IntoBasket follow(@PathVariable String shop, @RequestBody Followed followed) {
        Document document = entrance.into(shop).document();
        BasketLink take = BasketLink.read(shop, followed.take(), vault);
        Map<String, Product> sold =
                document.setup().goods().products().stream().collect(Collectors.toMap(Product::id, product -> product));
        List<Problem> changed = new ArrayList<>();
        List<Line> lines = new ArrayList<>();
        for (Line line : take.basket().lines()) {
            Product product = sold.get(line.product());
            Line whole = completed(line, take.open(), followed.fields());
            if (product == null) {
                changed.add(new Problem(
                        "take",
                        Message.of("embedding.shop-does-not-sell-any-more", "product", line.product()),
                        Message.of("embedding.choose-something-else-below")));
            } else if (product.options().stream()
                            .anyMatch(option -> option.choices().stream().noneMatch(choice -> choice.id()
                                    .equals(whole.options().get(option.id()))))
                    || product.kind() == Product.Kind.DONATION && whole.amount().isEmpty()) {
                changed.add(new Problem(
                        "take",
                        Message.of("embedding.choice-still-to-made", "product", product.name()),
                        Message.of("embedding.make-below")));
            } else {
                lines.add(whole);
            }
        }
        if (take.open().isEmpty() && changed.isEmpty()) {
            Optional<BigDecimal> now = Snippets.goods(document, lines, clock.instant());
            take.shown()
                    .filter(shown ->
                            now.filter(price -> price.compareTo(shown) != 0).isPresent())
                    .ifPresent(shown -> changed.add(new Problem(
                            "take",
                            Message.of(
                                    "embedding.page-you-came-from-said-now",
                                    "shown",
                                    new Amount(shown, take.currency()),
                                    "now",
                                    new Amount(now.get(), take.currency())),
                            Message.of("embedding.look-at-basket-before-you-go-on"))));
        }
        return new IntoBasket(take.basket().withLines(lines), changed);
    }

    /** A line with what the link left open; what it did not leave open is not looked at. */
    private static Line completed(Line line, List<BasketLink.Open> open, Map<String, String> fields) {
        Map<String, String> options = new LinkedHashMap<>(line.options());
        if (open.contains(BasketLink.Open.OPTIONS)) {
            fields.forEach((name, value) -> {
                if (name.startsWith(Snippets.OPTION)) {
                    options.put(name.substring(Snippets.OPTION.length()), value);
                }
            });
        }
        Optional<BigDecimal> quantity =
                open.contains(BasketLink.Open.QUANTITY) ? number(fields.get("quantity")) : Optional.empty();
        Optional<BigDecimal> amount =
                open.contains(BasketLink.Open.AMOUNT) ? number(fields.get("amount")) : Optional.empty();
        return new Line(
                line.product(),
                quantity.orElse(line.quantity()),
                options,
                amount.or(line::amount),
                line.answers(),
                line.contents());
    }

    private static Optional<BigDecimal> number(String typed) {
        return Optional.ofNullable(typed)
                .map(text -> text.strip().replace(',', '.'))
                .filter(text -> text.matches("\\d{1,9}(\\.\\d{1,4})?"))
                .map(BigDecimal::new)
                .filter(number -> number.signum() > 0);
    }
}

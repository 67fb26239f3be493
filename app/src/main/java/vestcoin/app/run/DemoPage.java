package vestcoin.app.run;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import vestcoin.app.embedding.Snippets;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Product;

/** The page of another site that sells what the demo shop makes. */
@Component
public class DemoPage {
    private final Editions editions;
    private final Snippets snippets;

    DemoPage(Editions editions, Snippets snippets) {
        this.editions = editions;
        this.snippets = snippets;
    }

    /**
     * What somebody who writes about kites would paste into a page of their own: a product to choose from, an amount to
     * choose, a bundle.
     */
    public Optional<String> html() {
        return editions.live(DemoShop.SHOP).map(edition -> {
            Document document = edition.document();
            String forms = document.setup().goods().products().stream()
                    .filter(product -> product.id().equals("delta-kite") || product.kind() == Product.Kind.DONATION)
                    .map(product -> snippets.form(DemoShop.SHOP, document, product, List.of())
                            .html())
                    .collect(Collectors.joining("\n"));
            String bundles = document.setup().rehearsal().baskets().stream()
                    .limit(1)
                    .map(basket -> "<p>"
                            + snippets.bundle(
                                            DemoShop.SHOP,
                                            document,
                                            basket.name(),
                                            basket.order().lines(),
                                            List.of())
                                    .html()
                            + "</p>")
                    .collect(Collectors.joining("\n"));
            return forms + "\n" + bundles + "\n"
                    + snippets.counter(DemoShop.SHOP, document).script();
        });
    }
}

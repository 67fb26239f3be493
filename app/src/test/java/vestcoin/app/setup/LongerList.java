package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/** An edit that makes a list of a draft longer. */
public final class LongerList {
    private LongerList() {}

    /**
     * @param size how long the list is to be
     * @param one what stands at a place, counted from 0
     */
    public static Edit of(JsonNode document, String path, int size, IntFunction<ObjectNode> one) {
        JsonNode was = Edits.at(document, path).orElseThrow();
        ArrayNode now = ((ArrayNode) was).deepCopy();
        for (int i = now.size(); i < size; i++) {
            now.add(one.apply(i));
        }
        return new Edit(path, Optional.of(was), Optional.of(now));
    }

    /** Gives the demo so many goods, all but its own like its second, and publishes that. */
    public static void goods(RunningShop.Running shop, int size) {
        JsonNode document = shop.owner().get(Caller.SHOP + "/draft").json().path("document");
        Edit longer = of(document, "goods/products", size, i -> {
            ObjectNode product =
                    (ObjectNode) document.path("goods").path("products").get(1).deepCopy();
            return product.put("id", "more-" + i).put("name", "Kite number " + i);
        });
        shop.context().getBean(Drafts.class).edit(DemoShop.SHOP, List.of(longer), "the test");
        assertThat(shop.owner().post(Caller.SHOP + "/draft/publish", "").status())
                .isEqualTo(200);
    }
}

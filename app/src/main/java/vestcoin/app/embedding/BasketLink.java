package vestcoin.app.embedding;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import vestcoin.app.format.FlatBasket;
import vestcoin.app.format.Json;
import vestcoin.app.outside.Vault;
import vestcoin.core.basket.Basket;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/**
 * What a link puts into the basket, as it is signed.
 *
 * @param basket goods, and the codes they come with
 * @param open what the buyer may still choose on the other site; of one line alone
 * @param shown what the goods cost when the link was made, in {@code currency}; the buyer is told where that has
 *     changed
 */
record BasketLink(Basket basket, List<Open> open, Optional<BigDecimal> shown, String currency) {
    enum Open {
        OPTIONS,
        QUANTITY,
        AMOUNT
    }

    static final int MOST_LINES = 50;
    static final int LONGEST = 8000;

    BasketLink {
        basket = basket == null ? Basket.EMPTY : basket;
        open = open == null ? List.of() : List.copyOf(open);
        shown = shown == null ? Optional.empty() : shown;
    }

    /** Base64url of the JSON, a dot, and the mark of this installation for it and the shop. */
    String signed(String shop, Vault vault) {
        String content = Base64.getUrlEncoder()
                .withoutPadding()
                .encodeToString(Json.write(this).getBytes(StandardCharsets.UTF_8));
        return content + "." + vault.mark(about(shop, content));
    }

    /** @throws InvalidInput if the link was not made here, for this shop, or was changed since */
    static BasketLink read(String shop, String signed, Vault vault) {
        String[] parts = signed == null ? new String[0] : signed.split("\\.", -1);
        if (parts.length != 2
                || signed.length() > LONGEST
                || !MessageDigest.isEqual(
                        vault.mark(about(shop, parts[0])).getBytes(StandardCharsets.UTF_8),
                        parts[1].getBytes(StandardCharsets.UTF_8))) {
            throw new InvalidInput(
                    "take",
                    Message.of("embedding.link-you-followed-was-changed-after-shop"),
                    Message.of("embedding.choose-here-instead-or-ask-shop-for"));
        }
        String content = new String(Base64.getUrlDecoder().decode(parts[0]), StandardCharsets.UTF_8);
        return Json.read(FlatBasket.nested(Json.tree(content), "basket"), BasketLink.class, "take");
    }

    private static String about(String shop, String content) {
        return "take " + shop + " " + content;
    }
}

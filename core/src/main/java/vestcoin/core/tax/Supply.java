package vestcoin.core.tax;

import vestcoin.core.goods.Product;

/** What is supplied, as far as the place of taxation depends on it. */
public enum Supply {
    GOODS,
    DIGITAL,
    SERVICE_AT_THE_SHOP,
    REMOTE_SERVICE,
    OUTSIDE;

    public static Supply of(Product product) {
        return switch (product.kind()) {
            case PHYSICAL, BUNDLE, BOX -> GOODS;
            case DIGITAL -> DIGITAL;
            case SERVICE -> SERVICE_AT_THE_SHOP;
            case REMOTE_SERVICE -> REMOTE_SERVICE;
            case DONATION -> OUTSIDE;
            // What it buys is taxed here, whichever it will be (Directive 2006/112/EC, Art. 30b(1)).
            case VOUCHER -> product.untaxed() ? OUTSIDE : SERVICE_AT_THE_SHOP;
        };
    }

    boolean goods() {
        return this == GOODS;
    }
}

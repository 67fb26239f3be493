package vestcoin.app.run;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import org.springframework.stereotype.Component;
import vestcoin.app.download.ProductFiles;
import vestcoin.app.payment.Vouchers;

/** What the demo sells that lies beside its setup: files, and a voucher somebody has. */
@Component
class DemoGoods {
    private static final long VOUCHER_CENTS = 5000;

    private final ProductFiles files;
    private final Vouchers vouchers;

    DemoGoods(ProductFiles files, Vouchers vouchers) {
        this.files = files;
        this.vouchers = vouchers;
    }

    void put() throws IOException {
        byte[] plans = DemoPlans.pdf();
        files.add(
                DemoShop.SHOP,
                "plans-to-print",
                "box-kite-plans.pdf",
                "application/pdf",
                new ByteArrayInputStream(plans),
                plans.length);
        vouchers.issue(DemoShop.SHOP, "GIFT-KITE-2026", "EUR", VOUCHER_CENTS, "test");
    }
}

package vestcoin.app.run;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.download.ProductFiles;
import vestcoin.app.format.Json;
import vestcoin.app.payment.Vouchers;
import vestcoin.app.setup.Document;
import vestcoin.app.stock.StockBook;
import vestcoin.core.setup.WebAddress;

/** What the demo sells that lies beside its setup: files, and a voucher somebody has. */
@Component
class DemoGoods {
    private static final long VOUCHER_CENTS = 5000;

    private final ProductFiles files;
    private final Vouchers vouchers;
    private final StockBook stock;
    private final Clock clock;
    private final String services;

    DemoGoods(
            ProductFiles files,
            Vouchers vouchers,
            StockBook stock,
            Clock clock,
            @Value("${vest-coin.services}") String services) {
        this.services = services;
        this.files = files;
        this.vouchers = vouchers;
        this.stock = stock;
        this.clock = clock;
    }

    /** The demo's setup, its workshop on the Saturdays to come. */
    Document setup() {
        Document file = Document.parse(DemoShop.setupFile());
        return sold(DemoDays.with(file, today(file)));
    }

    /** Sold from the simulated other site too, by either of its names. */
    private Document sold(Document setup) {
        ObjectNode tree = (ObjectNode) setup.tree().deepCopy();
        ArrayNode sites = ((ObjectNode) tree.path("shop")).putArray("sites");
        WebAddress.origin(services)
                .ifPresent(origin -> sites.add(origin).add(origin.replace("127.0.0.1", "localhost")));
        return Document.parse(Json.write(tree));
    }

    private LocalDate today(Document setup) {
        return LocalDate.ofInstant(clock.instant(), setup.compiled().zone());
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
        DemoDays.seat(stock, today(Document.parse(DemoShop.setupFile())));
        vouchers.issue(DemoShop.SHOP, "GIFT-KITE-2026", "EUR", VOUCHER_CENTS, "test");
    }
}

package vestcoin.browser;

import java.io.IOException;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import vestcoin.app.RunningShop;
import vestcoin.app.run.DemoShop;

/** Tests that begin at the desk of the demo shop, its owner signed in, in a window of their own. */
@ExtendWith(RunningShop.class)
abstract class AtDesk {
    static final String DESK = "/desk/" + DemoShop.SHOP;

    final RunningShop.Running shop;
    Browser browser;

    AtDesk(RunningShop.Running shop) {
        this.shop = shop;
    }

    @BeforeEach
    void open() throws IOException {
        browser = Browser.atDesk(shop);
    }

    @AfterEach
    void close() {
        browser.close();
    }

    /** Goes to a station. */
    void at(String station) {
        browser.go(shop.url() + DESK + "/" + station);
    }

    String text(String css) {
        return browser.see(css).getText();
    }
}

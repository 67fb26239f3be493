package vestcoin.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import vestcoin.core.payment.Gateway;
import vestcoin.core.quote.Shops;
import vestcoin.core.setup.Compiled;

class CheckTest {
    private static List<String> ids(Shops.Maker shop, Gateway gateway) {
        return Check.of(Compiled.of(shop.setup()), Map.of("cards", gateway)).stream().map(Finding::id).filter(id -> !id.equals("no-email")).toList();
    }

    private static Shops.Maker whole() {
        return new Shops.Maker().taxes("IE", "s", "23").sells("p", "10.00", "s", "1 kg").delivers("WORLD", "post", "to 5 kg 4.00, then +1.00/kg");
    }

    @Test
    void a_whole_shop_has_nothing_to_say() {
        assertThat(ids(whole(), Gateway.TEST)).isEmpty();
    }

    @Test
    void each_fault_is_found_once_and_alone() {
        assertThat(ids(whole(), Gateway.KEYS_ENTERED)).containsExactly("no-way-to-pay", "method-not-seen");
        assertThat(ids(whole().delivers("IE", "post", "to 5 kg 4.00"), Gateway.TEST)).containsExactly("nothing-above-last-band");
        assertThat(ids(whole().delivers("IE", "post", "to 5 kg 4.00, to 9 kg 3.00, then +1/kg"), Gateway.TEST)).containsExactly("price-drops");
        assertThat(ids(whole().delivers("IE FR", "post", "4.00").delivers("FR", "post", "5.00"), Gateway.TEST)).containsExactly("zones-overlap");
        assertThat(ids(whole().taxes("FR", "r", "5.5").sells("q", "1.00", "r", "1 kg"), Gateway.TEST)).containsExactly("category-without-home-rate");
        assertThat(ids(new Shops.Maker().taxes("IE", "s", "23").sells("p", "10.00", "s", "1 kg").delivers("EU", "post", "4.00"), Gateway.TEST)).containsExactly("place-without-zone");
    }
}

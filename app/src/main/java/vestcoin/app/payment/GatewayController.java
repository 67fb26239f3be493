package vestcoin.app.payment;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.outside.AccountConsent;
import vestcoin.app.setup.Drafts;

/** The accounts with providers, at the Payment station. */
@RestController
class GatewayController {
    /** Where to send the seller. */
    record ConsentPage(String url) {}

    /** What the provider's page brought back. */
    record Joined(Gateways.With provider, String code, String state) {
        Joined {
            provider = provider == null ? Gateways.With.CARDS : provider;
        }

        @Override
        public String toString() {
            return "Joined[]";
        }
    }

    private final Gateways gateways;
    private final Drafts drafts;

    GatewayController(Gateways gateways, Drafts drafts) {
        this.gateways = gateways;
        this.drafts = drafts;
    }

    @GetMapping("/api/shops/{shop}/gateways")
    List<Gateways.GatewayView> list(@PathVariable String shop) {
        return gateways.list(shop);
    }

    @PutMapping("/api/shops/{shop}/gateways/{gateway}")
    Gateways.GatewayView connect(
            @PathVariable String shop, @PathVariable String gateway, @RequestBody Gateways.Keys keys) {
        return gateways.connect(shop, gateway, keys);
    }

    /** Asks the provider anew how the account stands. */
    @PostMapping("/api/shops/{shop}/gateways/{gateway}/ask")
    Gateways.GatewayView ask(@PathVariable String shop, @PathVariable String gateway) {
        return gateways.ask(shop, gateway);
    }

    /** The provider's own page, on which the seller picks the account the shop is to use. */
    @GetMapping("/api/shops/{shop}/gateways/{gateway}/consent")
    ConsentPage consent(@PathVariable String shop, @PathVariable String gateway, @RequestParam String provider) {
        String name = drafts.of(shop).document().setup().shop().name();
        return new ConsentPage(gateways.consentAt(shop, gateway, Gateways.With.of(provider), name));
    }

    /** Back from that page. */
    @PostMapping("/api/shops/{shop}/gateways/{gateway}/consent")
    Gateways.GatewayView joined(@PathVariable String shop, @PathVariable String gateway, @RequestBody Joined joined) {
        return gateways.joined(
                shop, gateway, joined.provider(), new AccountConsent.Return(joined.code(), joined.state()));
    }
}

package vestcoin.app.payment;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The accounts with providers, at the Payment station. */
@RestController
class GatewayController {
    private final Gateways gateways;

    GatewayController(Gateways gateways) {
        this.gateways = gateways;
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
}

package vestcoin.app.checkout;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.access.CounterEntrance;
import vestcoin.app.edge.RateLimits;
import vestcoin.app.service.AddressProposals;
import vestcoin.app.service.ParcelShop;
import vestcoin.app.service.ParcelShops;
import vestcoin.app.service.PlaceFinder.FoundAddress;

/** Proposes addresses at the counter as a buyer types, while a finder answers. */
@RestController
class AddressController {
    private final CounterEntrance entrance;
    private final AddressProposals proposals;
    private final ParcelShops parcelShops;
    private final RateLimits pace;

    AddressController(CounterEntrance entrance, AddressProposals proposals, ParcelShops parcelShops, RateLimits pace) {
        this.entrance = entrance;
        this.proposals = proposals;
        this.parcelShops = parcelShops;
        this.pace = pace;
    }

    /** Where a parcel can be fetched near a place, for the ways of delivery that go to such shops. */
    @GetMapping("/api/counter/{shop}/parcel-shops")
    List<ParcelShop> parcelShops(
            @PathVariable String shop,
            @RequestParam String country,
            @RequestParam String postcode,
            HttpServletRequest request) {
        entrance.into(shop);
        return pace.wait(RateLimits.Of.ADDRESSES_BY_CLIENT, request.getRemoteAddr())
                        .isPresent()
                ? List.of()
                : parcelShops.near(shop, country, postcode);
    }

    /** @param text as much as was typed of the street */
    @GetMapping("/api/counter/{shop}/addresses")
    List<FoundAddress> addresses(
            @PathVariable String shop,
            @RequestParam String country,
            @RequestParam String text,
            HttpServletRequest request) {
        entrance.into(shop);
        return pace.wait(RateLimits.Of.ADDRESSES_BY_CLIENT, request.getRemoteAddr())
                        .isPresent()
                ? List.of()
                : proposals.of(country, text);
    }
}

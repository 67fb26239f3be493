package vestcoin.app.setup;

import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Answers;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.service.PlaceFinder;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;

/** Where an address lies, asked of the address finder while a shop is set up. */
@RestController
class AddressPointController {
    /** @param reason why there is none, and what to do instead */
    record AddressPoint(Optional<Point> point, Optional<String> reason) {}

    private final PlaceFinder finder;

    AddressPointController(PlaceFinder finder) {
        this.finder = finder;
    }

    @GetMapping("/api/shops/{shop}/address-point")
    AddressPoint find(
            @PathVariable String shop, @RequestParam String country, @RequestParam Optional<String> postcode) {
        Optional<String> given = postcode.filter(text -> !text.isBlank());
        String code = CountryNames.countryOr("shop/address/country", country);
        if (given.isEmpty()) {
            return none("setup.address-needs-postcode-to-be-found");
        }
        try {
            Point point = finder.point(new Destination(code, Optional.empty(), given));
            return point.exists()
                    ? new AddressPoint(Optional.of(point), Optional.empty())
                    : none("setup.address-was-not-found");
        } catch (ProviderTimeout e) {
            return none("setup.no-address-finder-answers");
        } catch (ProviderRejection e) {
            return none("setup.address-was-not-found");
        }
    }

    private static AddressPoint none(String code) {
        return new AddressPoint(Optional.empty(), Optional.of(Answers.phrases().say(Message.of(code))));
    }
}

package vestcoin.app.setup;

import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.service.ServiceConnections;
import vestcoin.app.service.TaxRateService;
import vestcoin.core.message.Message;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;

/**
 * Tax rates asked of a service, for sellers who would rather ask than type. It only answers; what is taken from it is
 * typed into the tax book.
 */
@RestController
class TaxRateController {
    /** @param secret written, never read */
    record TaxKey(String secret) {
        @Override
        public String toString() {
            return "TaxKey[]";
        }
    }

    record TaxLink(Optional<ServiceConnections.Connected> connected) {}

    private final ServiceConnections links;
    private final TaxRateService service;

    TaxRateController(ServiceConnections links, TaxRateService service) {
        this.links = links;
        this.service = service;
    }

    @GetMapping("/api/shops/{shop}/tax-rates/link")
    TaxLink link(@PathVariable String shop) {
        return new TaxLink(links.connected(shop, ServiceConnections.Kind.TAX_RATES));
    }

    /** Connects the service after a real call has shown that the key opens an account. */
    @PutMapping("/api/shops/{shop}/tax-rates/link")
    TaxLink connect(@PathVariable String shop, @RequestBody TaxKey key) {
        if (key.secret() == null || key.secret().isBlank() || key.secret().length() > 200) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "secret",
                    Message.of("setup.key-missing"),
                    Message.of("setup.paste-key-of-account-with-service"));
        }
        ServiceAccess access =
                links.candidate(ServiceConnections.Kind.TAX_RATES, key.secret().strip());
        try {
            service.rates(access, Destination.of("DE", "10115"));
        } catch (ProviderRejection.NotFound e) {
            // The key opens an account; whether this place is known is another matter.
        } catch (ProviderRejection e) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "secret",
                    Message.of("setup.service-does-not-know-this-key"),
                    Message.of("setup.copy-again-whole-and-without-spaces"));
        } catch (ProviderTimeout e) {
            throw silent();
        }
        links.connect(shop, ServiceConnections.Kind.TAX_RATES, access);
        return link(shop);
    }

    @DeleteMapping("/api/shops/{shop}/tax-rates/link")
    TaxLink disconnect(@PathVariable String shop) {
        links.disconnect(shop, ServiceConnections.Kind.TAX_RATES);
        return link(shop);
    }

    @GetMapping("/api/shops/{shop}/tax-rates")
    TaxRateService.RatesThere rates(
            @PathVariable String shop,
            @RequestParam String country,
            @RequestParam Optional<String> region,
            @RequestParam Optional<String> postcode) {
        if (!Countries.isCountry(country)) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "country",
                    Message.of("setup.not-country-code", "country", country),
                    Message.of("setup.write-two-letters"));
        }
        ServiceAccess access = links.access(shop, ServiceConnections.Kind.TAX_RATES)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "secret",
                        Message.of("setup.no-tax-rate-service-connected"),
                        Message.of("setup.paste-key-of-account-first")));
        try {
            return service.rates(
                    access,
                    new Destination(
                            country, region.filter(text -> !text.isBlank()), postcode.filter(text -> !text.isBlank())));
        } catch (ProviderRejection.NotFound e) {
            throw new ApiProblem(
                    HttpStatus.NOT_FOUND,
                    "country",
                    Message.of("setup.service-knows-nothing-of-this-place"),
                    Message.of("setup.type-rates-or-fill-them-from-reference"));
        } catch (ProviderRejection e) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "secret",
                    Message.of("setup.service-no-longer-takes-key"),
                    Message.of("setup.paste-new-one"));
        } catch (ProviderTimeout e) {
            throw silent();
        }
    }

    private static ApiProblem silent() {
        return new ApiProblem(
                HttpStatus.BAD_GATEWAY,
                "secret",
                Message.of("setup.tax-rate-service-not-answering"),
                Message.of("setup.nothing-was-changed-try-again-in-few"));
    }
}

package vestcoin.app.setup;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Answers;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.AccountConsent;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.service.CarrierService;
import vestcoin.app.service.Carriers;
import vestcoin.app.service.ExchangeRates;
import vestcoin.app.service.ServiceConnections;
import vestcoin.core.message.Message;
import vestcoin.core.money.Exchange;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;

/** The carrier and the exchange rates at the desk. */
@RestController
class ServiceConnectionController {
    private static final int STEPS = 16;
    private static final BigDecimal HEAVIEST = BigDecimal.valueOf(1000);

    /** @param trouble why it answers nothing at present */
    record CarrierLink(
            Optional<ServiceConnections.Connected> connected,
            List<CarrierService.Service> services,
            Optional<String> trouble) {}

    /** @param secret written, never read */
    record Key(String secret) {
        @Override
        public String toString() {
            return "Key[]";
        }
    }

    /** @param rates units of a currency for one of the base */
    record Rates(String base, Optional<LocalDate> day, Map<String, BigDecimal> rates) {}

    /** Where to send the seller. */
    record ConsentPage(String url) {}

    private final ServiceConnections links;
    private final AccountConsent consent;
    private final CarrierService carrier;
    private final Carriers carriers;
    private final ExchangeRates exchange;
    private final Drafts drafts;

    ServiceConnectionController(
            ServiceConnections links,
            AccountConsent consent,
            CarrierService carrier,
            Carriers carriers,
            ExchangeRates exchange,
            Drafts drafts) {
        this.links = links;
        this.consent = consent;
        this.carrier = carrier;
        this.carriers = carriers;
        this.exchange = exchange;
        this.drafts = drafts;
    }

    @GetMapping("/api/shops/{shop}/carrier")
    CarrierLink carrier(@PathVariable String shop) {
        Optional<ServiceAccess> access = links.access(shop, ServiceConnections.Kind.CARRIER);
        Optional<ServiceConnections.Connected> connected = links.connected(shop, ServiceConnections.Kind.CARRIER);
        if (access.isEmpty()) {
            return new CarrierLink(connected, List.of(), Optional.empty());
        }
        try {
            return new CarrierLink(connected, carrier.services(access.get()), Optional.empty());
        } catch (ProviderTimeout e) {
            return new CarrierLink(connected, List.of(), Optional.of(said("setup.carrier-does-not-answer-for-now")));
        } catch (ProviderRejection e) {
            return new CarrierLink(connected, List.of(), Optional.of(said("setup.carrier-takes-the-key-no-longer")));
        }
    }

    private static String said(String code) {
        return Answers.phrases().say(Message.of(code));
    }

    /** The carrier's own page, on which the seller lets the shop use an account. */
    @GetMapping("/api/shops/{shop}/carrier/consent")
    ConsentPage consent(@PathVariable String shop) {
        String name = drafts.of(shop).document().setup().shop().name();
        return new ConsentPage(consent.address(
                links.serviceUrl(ServiceConnections.Kind.CARRIER),
                subject(shop),
                name,
                "/desk/" + shop + "/delivery?joined=carrier"));
    }

    /** Back from that page. */
    @PostMapping("/api/shops/{shop}/carrier/consent")
    CarrierLink joined(@PathVariable String shop, @RequestBody AccountConsent.Return back) {
        try {
            if (!back.code().isEmpty()) {
                return connect(
                        shop,
                        new Key(consent.keys(links.serviceUrl(ServiceConnections.Kind.CARRIER), subject(shop), back)
                                .path("secretKey")
                                .asString("")));
            }
            throw new AccountConsent.NotBegunHere();
        } catch (AccountConsent.NotBegunHere | ProviderRejection e) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "account",
                    Message.of("setup.no-carrier-was-connected"),
                    Message.of("setup.go-to-the-carrier-again"));
        } catch (ProviderTimeout e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "account",
                    Message.of("setup.carrier-not-answering-so-key-could-not"),
                    Message.of("setup.try-again-in-few-minutes-nothing-was"));
        }
    }

    private static String subject(String shop) {
        return shop + "\ncarrier";
    }

    /** Connects a carrier after a real call has shown that the key opens an account. */
    @PutMapping("/api/shops/{shop}/carrier")
    CarrierLink connect(@PathVariable String shop, @RequestBody Key key) {
        if (key.secret() == null || key.secret().isBlank() || key.secret().length() > 200) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "secret",
                    Message.of("setup.key-missing"),
                    Message.of("setup.paste-key-of-account-with-carrier"));
        }
        ServiceAccess access =
                links.candidate(ServiceConnections.Kind.CARRIER, key.secret().strip());
        try {
            carrier.services(access);
        } catch (ProviderRejection e) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "secret",
                    Message.of("setup.carrier-does-not-know-this-key"),
                    Message.of("setup.copy-again-whole-and-without-spaces"));
        } catch (ProviderTimeout e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "secret",
                    Message.of("setup.carrier-not-answering-so-key-could-not"),
                    Message.of("setup.try-again-in-few-minutes-nothing-was"));
        }
        links.connect(shop, ServiceConnections.Kind.CARRIER, access);
        carriers.forget(shop);
        return carrier(shop);
    }

    @DeleteMapping("/api/shops/{shop}/carrier")
    CarrierLink disconnect(@PathVariable String shop) {
        links.disconnect(shop, ServiceConnections.Kind.CARRIER);
        carriers.forget(shop);
        return carrier(shop);
    }

    /**
     * What the carrier asks for one parcel of growing weight to a place, by service: the cost line of the rate curve.
     */
    @GetMapping("/api/shops/{shop}/carrier/costs")
    Map<String, List<Carriers.Cost>> costs(
            @PathVariable String shop,
            @RequestParam String country,
            @RequestParam Optional<String> postcode,
            @RequestParam BigDecimal upTo) {
        if (!country.matches("[A-Z]{2}") || upTo.signum() <= 0 || upTo.compareTo(HEAVIEST) > 0) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "upTo",
                    Message.of("setup.this-no-weight-to-ask-carrier-about"),
                    Message.of("setup.ask-for-up-to-1000-kg-to"));
        }
        return carriers.costs(
                shop,
                drafts.of(shop).document().compiled().home(),
                new Destination(country, Optional.empty(), postcode),
                upTo,
                STEPS);
    }

    @GetMapping("/api/shops/{shop}/rates")
    Rates rates(@PathVariable String shop) {
        return exchange.latest()
                .map(ServiceConnectionController::rates)
                .orElse(new Rates("EUR", Optional.empty(), Map.of()));
    }

    @PostMapping("/api/shops/{shop}/rates")
    Rates fetched(@PathVariable String shop) {
        try {
            return rates(exchange.fetch());
        } catch (ProviderTimeout | ProviderRejection e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "rates",
                    Message.of("setup.feed-of-exchange-rates-not-answering"),
                    Message.of("setup.last-rates-stand-try-again-later"));
        } catch (InvalidInput e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "rates",
                    Message.of("setup.feed-of-exchange-rates-sent-something-that"),
                    Message.of("setup.last-rates-stand-try-again-later"));
        }
    }

    private static Rates rates(Exchange exchange) {
        return new Rates(exchange.base(), Optional.of(exchange.day()), exchange.rates());
    }
}

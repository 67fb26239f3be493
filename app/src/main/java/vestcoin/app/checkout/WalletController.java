package vestcoin.app.checkout;

import jakarta.servlet.http.HttpServletRequest;
import java.math.BigDecimal;
import java.time.Duration;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.access.CounterEntrance;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.edge.RateLimits;
import vestcoin.app.payment.Provider;
import vestcoin.app.payment.WalletApprovals;
import vestcoin.app.setup.Editions;
import vestcoin.core.message.Message;
import vestcoin.core.money.Currencies;
import vestcoin.core.payment.Payment;
import vestcoin.core.setup.Shop;

/** The button of a wallet at the basket: the wallet gives name and address, and approves of what is ordered then. */
@RestController
class WalletController {
    /**
     * @param method the way to pay
     * @param amount what the basket comes to, as the page shows it
     * @param page of another site the counter is open on, to come back to
     */
    record AtBasket(String method, BigDecimal amount, String currency, Optional<String> page) {
        AtBasket {
            page = page == null ? Optional.empty() : page;
        }
    }

    /** @param person nobody where the wallet was cancelled, or its answer is over */
    record WhoPays(Optional<Provider.Person> person) {}

    /** The place is known only once the wallet has told it, so delivery and tax may add to what was shown. */
    private static final BigDecimal ROOM = new BigDecimal("1.5");

    private static final int LONGEST = 12;

    private final CounterEntrance entrance;
    private final WalletApprovals approvals;
    private final RateLimits pace;
    private final String ownUrl;

    WalletController(
            CounterEntrance entrance,
            WalletApprovals approvals,
            RateLimits pace,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.entrance = entrance;
        this.approvals = approvals;
        this.pace = pace;
        this.ownUrl = ownUrl;
    }

    @PostMapping("/api/counter/{shop}/wallet")
    WalletApprovals.Asked ask(@PathVariable String shop, @RequestBody AtBasket asked, HttpServletRequest request) {
        Editions.Edition edition = entrance.into(shop);
        Shop own = edition.document().setup().shop();
        String gateway = edition.document().setup().payment().methods().stream()
                .filter(way -> way.on()
                        && way.kind() == Payment.Kind.WALLET
                        && way.id().equals(asked.method()))
                .findFirst()
                .flatMap(Payment.Method::gateway)
                .orElseThrow(() -> refused(
                        "method",
                        Message.of("checkout.this-way-of-paying-not-open-to"),
                        Message.of("checkout.choose-another")));
        Optional<CurrencyUnit> unit = Currencies.of(asked.currency() == null ? "" : asked.currency());
        if (unit.isEmpty()
                || asked.amount() == null
                || asked.amount().signum() <= 0
                || asked.amount().precision() > LONGEST
                || asked.amount().scale() > unit.get().getDecimalPlaces()) {
            throw refused(
                    "amount", Message.of("checkout.basket-comes-to-nothing"), Message.of("order.load-page-again"));
        }
        pace.wait(RateLimits.Of.WALLETS_BY_CLIENT, request.getRemoteAddr()).ifPresent(WalletController::tooMany);
        return approvals.ask(
                shop,
                gateway,
                new Provider.BasketApproval(
                        asked.amount()
                                .movePointRight(unit.get().getDecimalPlaces())
                                .multiply(ROOM)
                                .longValue(),
                        unit.get().getCode(),
                        own.name(),
                        asked.page().filter(own::lists).orElse(ownUrl + "/counter/" + shop)));
    }

    private static void tooMany(Duration wait) {
        throw new ApiProblem(
                HttpStatus.TOO_MANY_REQUESTS,
                "method",
                Message.of("checkout.wallet-asked-too-often"),
                Message.of("checkout.again-in-seconds", "max", Math.max(1, wait.toSeconds())));
    }

    @GetMapping("/api/counter/{shop}/wallet/{id}")
    WhoPays answered(@PathVariable String shop, @PathVariable String id) {
        return new WhoPays(approvals.person(entrance.into(shop).shop(), id));
    }

    private static ApiProblem refused(String path, Message sentence, Message remedy) {
        return new ApiProblem(HttpStatus.UNPROCESSABLE_CONTENT, path, sentence, remedy);
    }
}

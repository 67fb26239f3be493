package vestcoin.app.publishing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentReasons;
import vestcoin.app.payment.Provider;
import vestcoin.app.setup.Drafts;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;

/**
 * A true payment of the smallest amount through an account, step by step: authorised, captured and given back. It
 * belongs to no order. A live account moves real money there and back.
 */
@RestController
class TrialController {
    private static final long SMALLEST = 100;

    /**
     * @param key of a trial already begun, when the buyer's part of it is done @param cardToken from the processor's
     *     own form
     */
    record Trial(Optional<String> key, Optional<String> cardToken) {
        Trial {
            key = key == null ? Optional.empty() : key;
            cardToken = cardToken == null ? Optional.empty() : cardToken;
        }
    }

    /** @param done what the provider confirmed, in words */
    record TrialStep(Message done, boolean well) {}

    /** @param action a page the buyer would be sent to; the trial goes on with its key after it */
    record TrialSteps(String key, List<TrialStep> steps, Optional<String> action, boolean whole) {}

    private final Gateways gateways;
    private final Provider provider;
    private final Drafts drafts;
    private final String ownUrl;

    TrialController(Gateways gateways, Provider provider, Drafts drafts, @Value("${vest-coin.own-url}") String ownUrl) {
        this.gateways = gateways;
        this.provider = provider;
        this.drafts = drafts;
        this.ownUrl = ownUrl;
    }

    @PostMapping("/api/shops/{shop}/gateways/{gateway}/trial")
    TrialSteps trial(@PathVariable String shop, @PathVariable String gateway, @RequestBody Trial trial) {
        Gateways.GatewayView account = gateways.of(shop, gateway)
                .filter(known -> known.state() == Gateway.TEST || known.state() == Gateway.LIVE)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "gateway",
                        Message.of("publishing.account-not-connected-so-cannot-tried"),
                        Message.of("publishing.enter-keys-one-that-waits-for-approval")));
        ServiceAccess access = gateways.access(shop, gateway);
        String key = trial.key()
                .filter(given -> given.matches("trial-[0-9a-f-]{36}"))
                .orElseGet(() -> "trial-" + UUID.randomUUID());
        List<TrialStep> steps = new ArrayList<>();
        try {
            Provider.View view = trial.key().isPresent()
                    ? provider.find(access, key).orElseThrow(() -> new ProviderRejection(ServiceReasons.NO_SUCH_TRIAL))
                    : provider.authorise(
                            access,
                            key,
                            new Provider.Charge(
                                    SMALLEST,
                                    drafts.of(shop).document().setup().shop().currency(),
                                    Provider.Means.card(trial.cardToken().orElse(""), false),
                                    "trial",
                                    account.statement(),
                                    ownUrl + "/desk/" + shop + "/payment"));
            if (view.state().equals("needs-buyer")) {
                steps.add(new TrialStep(Message.of("payment.trial-asks-buyer"), true));
                return new TrialSteps(key, steps, Optional.of(view.action()), false);
            }
            if (!view.state().equals("authorised")) {
                steps.add(new TrialStep(
                        Message.of(
                                "payment.trial-not-authorised",
                                "reason",
                                PaymentReasons.of(view.reason().isEmpty() ? view.state() : view.reason())),
                        false));
                return new TrialSteps(key, steps, Optional.empty(), false);
            }
            steps.add(new TrialStep(Message.of("payment.trial-authorised"), true));
            provider.move(access, view.ref(), Provider.Kind.CAPTURE, key + "-capture", SMALLEST);
            steps.add(new TrialStep(
                    Message.of(
                            account.state() == Gateway.LIVE ? "payment.trial-captured-live" : "payment.trial-captured"),
                    true));
            provider.move(access, view.ref(), Provider.Kind.REFUND, key + "-refund", SMALLEST);
            steps.add(new TrialStep(Message.of("payment.trial-given-back"), true));
            gateways.tried(shop, gateway);
            return new TrialSteps(key, steps, Optional.empty(), true);
        } catch (ProviderRejection e) {
            steps.add(new TrialStep(
                    Message.of("payment.trial-refused", "reason", ServiceReasons.of(e.getMessage())), false));
        } catch (ProviderTimeout e) {
            steps.add(new TrialStep(
                    Message.of(account.state() == Gateway.LIVE ? "payment.trial-silent-live" : "payment.trial-silent"),
                    false));
        }
        return new TrialSteps(key, steps, Optional.empty(), false);
    }
}

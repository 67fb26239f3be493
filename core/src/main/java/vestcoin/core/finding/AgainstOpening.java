package vestcoin.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.ShopFacts;
import vestcoin.core.terms.Facts;

/**
 * What stands against opening a shop to the public: what blocks it in its setup, and accounts in test mode behind ways
 * to pay that are on. Test keys left in, and no payment ever tried, are the two usual slips; common practice, no
 * source.
 */
public final class AgainstOpening {
    /** The goods a new shop begins with, by id. */
    private static final Set<String> SAMPLES = Set.of("thing", "download", "service");

    private AgainstOpening() {}

    /**
     * What a new shop begins with and nobody has looked at since: no address, sample goods as they came, texts whose
     * facts are not set.
     */
    private static void bare(Setup setup, Set<String> samples, List<Finding> against) {
        if (setup.shop().address().lines().stream().allMatch(String::isBlank)
                || setup.shop().address().city().isBlank()) {
            against.add(new Finding(
                    "no-address",
                    Finding.Severity.BLOCKS_OPENING,
                    Finding.Station.SHOP,
                    "shop/address/lines",
                    Message.of("finding.shop-has-no-address-stands-on-every"),
                    Message.of("finding.type-street-and-town-at-shop")));
        }
        setup.goods().products().stream()
                .filter(product -> SAMPLES.contains(product.id()) && samples.contains(product.name()))
                .forEach(product -> against.add(new Finding(
                        "sample-untouched",
                        Finding.Severity.BLOCKS_OPENING,
                        Finding.Station.GOODS,
                        "goods/products/" + product.id() + "/name",
                        Message.of("finding.still-sample-shop-began-with", "product", product.name()),
                        Message.of("finding.make-thing-you-sell-or-remove"))));
        against.addAll(unsetFacts(setup));
    }

    /** Texts that would show a fact in braces to buyers, since it is not set. */
    public static List<Finding> unsetFacts(Setup setup) {
        List<Finding> against = new ArrayList<>();
        setup.terms()
                .texts()
                .forEach((kind, texts) -> texts.forEach((language, text) -> {
                    Set<String> open = Facts.unset(text, setup.terms(), ShopFacts.of(setup));
                    if (!open.isEmpty()) {
                        against.add(new Finding(
                                "fact-unset",
                                Finding.Severity.BLOCKS_OPENING,
                                Finding.Station.TERMS,
                                "terms/texts/" + kind,
                                Message.of(
                                        "finding.text-would-show-to-buyers-these-facts",
                                        "text",
                                        kind.replace('-', ' '),
                                        "language",
                                        language,
                                        "facts",
                                        String.join("}, {", open)),
                                Message.of("finding.set-them-at-left-of-terms-or")));
                    }
                }));
        return against;
    }

    public static List<Finding> of(CompiledSetup compiled, FindingContext known) {
        List<Finding> against = new ArrayList<>(Check.of(compiled, known).stream()
                .filter(finding -> finding.severity() == Finding.Severity.BLOCKS_OPENING)
                .toList());
        compiled.setup().payment().methods().stream()
                .filter(Payment.Method::on)
                .map(Payment.Method::gateway)
                .flatMap(Optional::stream)
                .distinct()
                .filter(account -> known.gateways().get(account) == Gateway.TEST)
                .forEach(account -> against.add(new Finding(
                        "account-in-test-mode",
                        Finding.Severity.BLOCKS_OPENING,
                        Finding.Station.PAYMENT,
                        "payment/methods",
                        Message.of("finding.account-in-test-mode-so-no-buyer", "account", account),
                        Message.of("finding.enter-live-keys-or-switch-off-ways"))));
        bare(compiled.setup(), known.samples(), against);
        return List.copyOf(against);
    }
}

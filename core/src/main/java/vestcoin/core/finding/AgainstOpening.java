package vestcoin.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.terms.Facts;

/**
 * What stands against opening a shop to the public: what blocks it in its setup, and accounts in test mode behind ways
 * to pay that are on. Test keys left in, and no payment ever tried, are the two usual slips; common practice, no
 * source.
 */
public final class AgainstOpening {
    /** The goods a new shop begins with, by id. */
    private static final Map<String, String> SAMPLES =
            Map.of("thing", "First thing", "download", "First download", "service", "First service");

    private AgainstOpening() {}

    /**
     * What a new shop begins with and nobody has looked at since: no address, sample goods as they came, texts whose
     * facts are not set.
     */
    private static void bare(Setup setup, List<Finding> against) {
        if (setup.shop().address().lines().stream().allMatch(String::isBlank)
                || setup.shop().address().city().isBlank()) {
            against.add(new Finding(
                    "no-address",
                    Finding.Severity.BLOCKS_OPENING,
                    Finding.Station.SHOP,
                    "shop/address/lines",
                    "The shop has no address; it stands on every paper, and things are sent back to it.",
                    "Type street and town at Shop."));
        }
        setup.goods().products().stream()
                .filter(product -> SAMPLES.getOrDefault(product.id(), "").equals(product.name()))
                .forEach(product -> against.add(new Finding(
                        "sample-untouched",
                        Finding.Severity.BLOCKS_OPENING,
                        Finding.Station.GOODS,
                        "goods/products/" + product.id() + "/name",
                        "“" + product.name() + "” is still the sample the shop began with.",
                        "Make it a thing you sell, or remove it.")));
        setup.terms()
                .texts()
                .forEach((kind, texts) -> texts.forEach((language, text) -> {
                    Set<String> open = Facts.unset(text, setup.terms());
                    if (!open.isEmpty()) {
                        against.add(new Finding(
                                "fact-unset",
                                Finding.Severity.BLOCKS_OPENING,
                                Finding.Station.TERMS,
                                "terms/texts/" + kind,
                                "The text “" + kind.replace('-', ' ') + "” (" + language + ") would show {"
                                        + String.join("}, {", open) + "} to buyers: these facts are not set.",
                                "Set them at the left of Terms, or take the braces out of the text."));
                    }
                }));
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
                        "The account “" + account + "” is in test mode, so no buyer could pay with real money.",
                        "Enter its live keys, or switch off the ways to pay that use it.")));
        bare(compiled.setup(), against);
        return List.copyOf(against);
    }
}

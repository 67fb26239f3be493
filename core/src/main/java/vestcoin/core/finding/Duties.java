package vestcoin.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.place.Groups;
import vestcoin.core.setup.Setup;
import vestcoin.core.terms.Terms;

/**
 * What the law of the shop's place asks of what it says to consumers, one by one, and whether a setup does it. Known
 * for shops in the European Union, and for those of {@link NationalDuties}. It is no legal advice, and it is not whole.
 */
public final class Duties {
    /**
     * @param name what is asked
     * @param source where it is written
     * @param path the field that decides
     * @param met whether the setup does it
     * @param how what does it, or what is missing
     */
    public record Duty(Message name, String source, String path, boolean met, Message how) {}

    private final Setup setup;
    private final Set<String> found;
    private final List<Duty> duties = new ArrayList<>();

    private Duties(Setup setup, List<Finding> findings) {
        this.setup = setup;
        this.found = findings.stream().map(Finding::id).collect(Collectors.toSet());
    }

    /** @param findings of the same setup @return nothing where no list is known for the place */
    public static List<Duty> of(Setup setup, List<Finding> findings) {
        String country = setup.shop().address().country();
        if (NationalDuties.KNOWN.contains(country)) {
            return NationalDuties.of(setup, country);
        }
        if (!Groups.EU.contains(country)) {
            return List.of();
        }
        Duties all = new Duties(setup, findings);
        all.union();
        return List.copyOf(all.duties);
    }

    private void union() {
        Terms terms = setup.terms();
        add(
                Message.of("duty.14-days-to-withdraw"),
                "Directive 2011/83/EU, Art. 9",
                "terms/withdrawalDays",
                !found.contains("withdrawal-too-short"),
                terms.withdrawalDays()
                        .map(days -> Message.of("duty.days-are-set", "days", days))
                        .orElse(Message.of("duty.no-days-are-set")));
        add(
                Message.of("duty.goods-and-standard-delivery-given-back-on"),
                "Directive 2011/83/EU, Art. 13",
                "terms/refundsDelivery",
                terms.refundsDelivery(),
                terms.refundsDelivery()
                        ? Message.of("duty.refund-filled-in-with-both")
                        : Message.of("duty.delivery-kept"));
        excluded(terms);
        add(
                Message.of("duty.model-form-can-found"),
                "Directive 2011/83/EU, Art. 6(1)(h) and Annex I(B)",
                "terms/texts/returns",
                true,
                Message.of("duty.stands-on-shops-own-page-under-returns"));
        add(
                Message.of("duty.function-to-withdraw-online"),
                "Directive 2011/83/EU, Art. 11a",
                "terms/onlineWithdrawal",
                terms.onlineWithdrawal(),
                terms.onlineWithdrawal()
                        ? Message.of("duty.each-orders-own-page-has")
                        : Message.of("duty.switched-off"));
        add(
                Message.of("duty.order-button-says-that-costs-money"),
                "Directive 2011/83/EU, Art. 8(2)",
                "terms/orderButton",
                !found.contains("button-without-cost"),
                found.contains("button-without-cost")
                        ? Message.of("duty.in-one-language-does-not")
                        : Message.of("duty.in-every-language"));
        add(
                Message.of("duty.who-sells-and-how-to-reach-them"),
                "Directive 2000/31/EC, Art. 5",
                "terms/texts/" + Terms.LEGAL_NOTICE,
                !found.contains("no-legal-notice"),
                found.contains("no-legal-notice")
                        ? Message.of("duty.there-no-legal-notice")
                        : Message.of("duty.legal-notice-shown-at-foot-of-every"));
        add(
                Message.of("duty.what-happens-with-buyers-data"),
                "Regulation (EU) 2016/679, Art. 13",
                "terms/texts/" + Terms.PRIVACY,
                terms.texts().containsKey(Terms.PRIVACY),
                terms.texts().containsKey(Terms.PRIVACY)
                        ? Message.of("duty.privacy-notice-shown-at-foot-of-every")
                        : Message.of("duty.there-no-privacy-notice"));
        boolean sales = setup.goods().products().stream()
                .anyMatch(product -> product.sale().isPresent());
        add(
                Message.of("duty.lowest-price-of-30-days-stands-beside"),
                "Directive 98/6/EC, Art. 6a",
                "terms/prior",
                terms.prior() || !sales,
                terms.prior()
                        ? Message.of("duty.shown-by-itself")
                        : (sales
                                ? Message.of("duty.something-reduced-and-not-shown")
                                : Message.of("duty.nothing-reduced")));
    }

    private void excluded(Terms terms) {
        boolean doubtful = setup.goods().products().stream()
                .anyMatch(product -> product.kind() == Product.Kind.DIGITAL || product.kind() == Product.Kind.SERVICE);
        add(
                Message.of("duty.buyers-told-what-they-cannot-withdraw-from"),
                "Directive 2011/83/EU, Art. 6(1)(k) and 16",
                "terms/exceptions",
                !terms.exceptions().isEmpty() || !doubtful,
                !terms.exceptions().isEmpty()
                        ? (terms.exceptions().size() == 1
                                ? Message.of(
                                        "duty.said-for-group",
                                        "exceptions",
                                        terms.exceptions().size())
                                : Message.of(
                                        "duty.said-for-groups",
                                        "exceptions",
                                        terms.exceptions().size()))
                        : (doubtful
                                ? Message.of("duty.downloads-or-dated-services-sold-and-no")
                                : Message.of("duty.nothing-sold-of-usual-kinds")));
    }

    private void add(Message name, String source, String path, boolean met, Message how) {
        duties.add(new Duty(name, source, path, met, how));
    }
}

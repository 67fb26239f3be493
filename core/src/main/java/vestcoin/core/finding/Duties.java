package vestcoin.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import vestcoin.core.goods.Product;
import vestcoin.core.place.Groups;
import vestcoin.core.setup.Setup;
import vestcoin.core.terms.Terms;

/**
 * What the law of the shop's place asks of what it says to consumers, one by one, and whether a setup does it. Known
 * for shops in the European Union. It is no legal advice, and it is not whole.
 */
public final class Duties {
    /**
     * @param name what is asked
     * @param source where it is written
     * @param path the field that decides
     * @param met whether the setup does it
     * @param how what does it, or what is missing
     */
    public record Duty(String name, String source, String path, boolean met, String how) {}

    private final Setup setup;
    private final Set<String> found;
    private final List<Duty> duties = new ArrayList<>();

    private Duties(Setup setup, List<Finding> findings) {
        this.setup = setup;
        this.found = findings.stream().map(Finding::id).collect(Collectors.toSet());
    }

    /** @param findings of the same setup @return nothing where no list is known for the place */
    public static List<Duty> of(Setup setup, List<Finding> findings) {
        if (!Groups.EU.contains(setup.shop().address().country())) {
            return List.of();
        }
        Duties all = new Duties(setup, findings);
        all.union();
        return List.copyOf(all.duties);
    }

    private void union() {
        Terms terms = setup.terms();
        add(
                "14 days to withdraw",
                "Directive 2011/83/EU, Art. 9",
                "terms/withdrawalDays",
                !found.contains("withdrawal-too-short"),
                terms.withdrawalDays().map(days -> days + " days are set.").orElse("No days are set."));
        add(
                "Goods and standard delivery are given back on withdrawal",
                "Directive 2011/83/EU, Art. 13",
                "terms/refundsDelivery",
                terms.refundsDelivery(),
                terms.refundsDelivery() ? "A refund is filled in with both." : "Delivery is kept.");
        excluded(terms);
        add(
                "The model form can be found",
                "Directive 2011/83/EU, Art. 6(1)(h) and Annex I(B)",
                "terms/texts/returns",
                true,
                "It stands on the shop's own page, under the returns.");
        add(
                "A function to withdraw online",
                "Directive 2011/83/EU, Art. 11a",
                "terms/onlineWithdrawal",
                terms.onlineWithdrawal(),
                terms.onlineWithdrawal() ? "Each order's own page has it." : "It is switched off.");
        add(
                "The order button says that it costs money",
                "Directive 2011/83/EU, Art. 8(2)",
                "terms/orderButton",
                !found.contains("button-without-cost"),
                found.contains("button-without-cost") ? "In one language it does not." : "In every language.");
        add(
                "Who sells, and how to reach them",
                "Directive 2000/31/EC, Art. 5",
                "terms/texts/" + Terms.LEGAL_NOTICE,
                !found.contains("no-legal-notice"),
                found.contains("no-legal-notice")
                        ? "There is no legal notice."
                        : "The legal notice is shown at the foot of every page.");
        add(
                "What happens with buyers' data",
                "Regulation (EU) 2016/679, Art. 13",
                "terms/texts/" + Terms.PRIVACY,
                terms.texts().containsKey(Terms.PRIVACY),
                terms.texts().containsKey(Terms.PRIVACY)
                        ? "The privacy notice is shown at the foot of every page."
                        : "There is no privacy notice.");
        boolean sales = setup.goods().products().stream()
                .anyMatch(product -> product.sale().isPresent());
        add(
                "The lowest price of 30 days stands beside a reduction",
                "Directive 98/6/EC, Art. 6a",
                "terms/prior",
                terms.prior() || !sales,
                terms.prior()
                        ? "It is shown by itself."
                        : sales ? "Something is reduced, and it is not shown." : "Nothing is reduced.");
    }

    private void excluded(Terms terms) {
        boolean doubtful = setup.goods().products().stream()
                .anyMatch(product -> product.kind() == Product.Kind.DIGITAL || product.kind() == Product.Kind.SERVICE);
        add(
                "Buyers are told what they cannot withdraw from",
                "Directive 2011/83/EU, Art. 6(1)(k) and 16",
                "terms/exceptions",
                !terms.exceptions().isEmpty() || !doubtful,
                !terms.exceptions().isEmpty()
                        ? "Said for " + terms.exceptions().size()
                                + (terms.exceptions().size() == 1 ? " group." : " groups.")
                        : doubtful
                                ? "Downloads or dated services are sold, and no group says so."
                                : "Nothing sold is of the usual kinds.");
    }

    private void add(String name, String source, String path, boolean met, String how) {
        duties.add(new Duty(name, source, path, met, how));
    }
}

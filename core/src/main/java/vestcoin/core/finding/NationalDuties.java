package vestcoin.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Terms;

/**
 * What the law of a single country asks of a shop there, one by one: the United Kingdom, Switzerland, the United
 * States, Australia. The sources are named from memory. It is no legal advice, and it is not whole.
 */
final class NationalDuties {
    static final Set<String> KNOWN = Set.of("GB", "CH", "US", "AU");

    private static final int DAYS_TO_CANCEL = 14;

    private final Setup setup;
    private final Terms terms;
    private final List<Duties.Duty> duties = new ArrayList<>();

    private NationalDuties(Setup setup) {
        this.setup = setup;
        this.terms = setup.terms();
    }

    /** @param country one of those known */
    static List<Duties.Duty> of(Setup setup, String country) {
        NationalDuties all = new NationalDuties(setup);
        switch (country) {
            case "GB" -> all.unitedKingdom();
            case "CH" -> all.switzerland();
            case "US" -> all.unitedStates();
            case "AU" -> all.australia();
            default -> throw new IllegalArgumentException(country);
        }
        return List.copyOf(all.duties);
    }

    private void unitedKingdom() {
        String cancelling = "Consumer Contracts (Information, Cancellation and Additional Charges) Regulations 2013, ";
        add(
                Message.of("duty.14-days-to-withdraw"),
                cancelling + "reg. 30",
                "terms/withdrawalDays",
                terms.withdrawalDays().orElse(0) >= DAYS_TO_CANCEL,
                terms.withdrawalDays()
                        .map(days -> Message.of("duty.days-are-set", "days", days))
                        .orElse(Message.of("duty.no-days-are-set")));
        add(
                Message.of("duty.goods-and-standard-delivery-given-back-on"),
                cancelling + "reg. 34",
                "terms/refundsDelivery",
                terms.refundsDelivery(),
                Message.of(terms.refundsDelivery() ? "duty.refund-filled-in-with-both" : "duty.delivery-kept"));
        notice("Electronic Commerce (EC Directive) Regulations 2002, reg. 6");
        priced("Price Marking Order 2004, art. 4");
        privacy("UK GDPR, Art. 13");
    }

    private void switzerland() {
        notice("Federal Act against Unfair Competition, Art. 3(1)(s)");
        priced("Price Indication Ordinance, Art. 3 and 4");
        add(
                Message.of("duty.order-confirmed-at-once"),
                "Federal Act against Unfair Competition, Art. 3(1)(s)",
                "terms/letters",
                true,
                Message.of("duty.letter-leaves-by-itself"));
        privacy("Federal Act on Data Protection, Art. 19");
    }

    private void unitedStates() {
        List<String> open = setup.delivery().options().stream()
                .filter(option -> option.days().isEmpty())
                .map(Delivery.Option::name)
                .toList();
        add(
                Message.of("duty.when-goods-leave-is-said"),
                "Mail, Internet, or Telephone Order Merchandise Rule, 16 CFR Part 435",
                "delivery/options",
                open.isEmpty(),
                open.isEmpty()
                        ? Message.of("duty.every-way-promises-days")
                        : Message.of("duty.these-ways-promise-no-days", "options", open));
        returns("California Civil Code, section 1723, and other states");
        boolean renewing =
                setup.goods().products().stream().map(Product::renews).anyMatch(renews -> renews.isPresent());
        add(
                Message.of("duty.what-is-charged-again-is-agreed-to"),
                "Restore Online Shoppers' Confidence Act, 15 USC 8403",
                "goods/products",
                true,
                Message.of(renewing ? "duty.asked-before-paying-and-stopped-online" : "duty.nothing-is-charged-again"));
        privacy("California Business and Professions Code, section 22575, and other states");
    }

    private void australia() {
        boolean numbered = !setup.shop().numbers().isEmpty()
                || setup.tax().registrations().stream()
                        .anyMatch(registration -> !registration.number().isBlank());
        add(
                Message.of("duty.business-number-on-papers"),
                "A New Tax System (Goods and Services Tax) Act 1999, section 29-70",
                "shop/numbers",
                numbered,
                Message.of(numbered ? "duty.stands-on-every-paper" : "duty.no-number-is-filled-in"));
        priced("Australian Consumer Law, section 48");
        returns("Australian Consumer Law, sections 54 to 64");
        privacy("Privacy Act 1988, Australian Privacy Principle 5");
    }

    private void notice(String source) {
        text(
                Terms.LEGAL_NOTICE,
                "duty.who-sells-and-how-to-reach-them",
                "duty.legal-notice-shown-at-foot-of-every",
                "duty.there-no-legal-notice",
                source);
    }

    private void privacy(String source) {
        text(
                Terms.PRIVACY,
                "duty.what-happens-with-buyers-data",
                "duty.privacy-notice-shown-at-foot-of-every",
                "duty.there-no-privacy-notice",
                source);
    }

    private void returns(String source) {
        text(
                "returns",
                "duty.what-can-be-returned-is-said",
                "duty.returns-shown",
                "duty.there-is-no-text-on-returns",
                source);
    }

    /** That a text of a kind is there. */
    private void text(String kind, String name, String shown, String lacking, String source) {
        boolean there = terms.texts().containsKey(kind);
        add(Message.of(name), source, "terms/texts/" + kind, there, Message.of(there ? shown : lacking));
    }

    private void priced(String source) {
        boolean whole = setup.tax().prices() == Tax.Prices.WITH_TAX;
        add(
                Message.of("duty.prices-are-what-is-paid"),
                source,
                "tax/prices",
                whole,
                Message.of(whole ? "duty.prices-are-with-tax" : "duty.prices-are-without-tax"));
    }

    private void add(Message name, String source, String path, boolean met, Message how) {
        duties.add(new Duties.Duty(name, source, path, met, how));
    }
}

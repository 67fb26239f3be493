package vestcoin.core.finding;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.apache.commons.validator.routines.IBANValidator;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.payment.AccountForm;
import vestcoin.core.payment.EpcPayload;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Groups;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Buyer;

/** What a seller should know about the ways to pay. */
final class PaymentFindings {
    private final Setup setup;
    private final FindingContext known;
    private final Findings.At at;
    private final List<Payment.Method> on;

    PaymentFindings(CompiledSetup compiled, FindingContext known, Findings.At at) {
        this.setup = compiled.setup();
        this.known = known;
        this.at = at;
        this.on = setup.payment().methods().stream().filter(Payment.Method::on).toList();
    }

    void add() {
        List<Payment.Method> seen = new ArrayList<>();
        for (Payment.Method method : on) {
            Gateway gateway = method.gateway()
                    .map(id -> known.gateways().getOrDefault(id, Gateway.NOT_CONNECTED))
                    .orElse(Gateway.NOT_CONNECTED);
            if (method.kind().throughProvider() && !gateway.usable()) {
                at.look(
                        "method-not-seen",
                        path(method),
                        Message.of(
                                "finding.no-buyer-sees",
                                "method",
                                method.title(),
                                "trouble",
                                gateway.trouble().orElseThrow()),
                        Message.of("finding.enter-keys-of-account-and-check-them"));
            } else {
                seen.add(method);
            }
            method(method);
        }
        if (seen.isEmpty()) {
            at.blocks(
                    "no-way-to-pay",
                    "payment/methods",
                    Message.of("finding.no-buyer-can-pay-yet"),
                    Message.of("finding.switch-method-on-and-connect-account"));
        } else {
            places(seen);
        }
        bank();
    }

    private static String path(Payment.Method method) {
        return "payment/methods/" + method.id();
    }

    private void method(Payment.Method method) {
        Payment.Conditions when = method.conditions();
        Set<String> soldTo = SalesArea.countries(setup);
        boolean amounts = when.least().isPresent()
                && when.most().isPresent()
                && when.least().get().compareTo(when.most().get()) > 0;
        boolean nowhere = !when.places().isEmpty()
                && when.places().stream().noneMatch(place -> SalesArea.countriesOf(place).stream()
                        .anyMatch(soldTo::contains));
        if (amounts || nowhere) {
            at.look(
                    "method-nobody-sees",
                    path(method) + "/conditions",
                    amounts
                            ? Message.of("finding.no-buyer-can-see-least-amount-above", "method", method.title())
                            : Message.of("finding.no-buyer-can-see-for-places-shop", "method", method.title()),
                    Message.of("finding.loosen-conditions"));
        }
        if (method.kind() == Payment.Kind.CASH_ON_DELIVERY
                && (setup.delivery().options().isEmpty()
                        || setup.goods().products().stream().noneMatch(Product::physical))) {
            at.look(
                    "cash-without-handover",
                    path(method),
                    Message.of("finding.nothing-of-this-shop-handed-over-at", "method", method.title()),
                    Message.of("finding.switch-off-or-offer-delivery"));
        }
        if (method.kind() == Payment.Kind.CASH_AT_PICKUP
                && setup.pickup().places().isEmpty()) {
            at.look(
                    "cash-without-handover",
                    path(method),
                    Message.of("finding.there-no-place-to-collect-at-who", "method", method.title()),
                    Message.of("finding.add-pickup-place-or-switch-off"));
        }
        account(method);
        charge(method);
        if (!when.places().isEmpty()
                && Groups.EU.contains(setup.shop().address().country())
                && method.kind() != Payment.Kind.CASH_ON_DELIVERY) {
            List<String> hidden = soldTo.stream()
                    .filter(Groups.EU::contains)
                    .filter(country -> when.places().stream()
                            .noneMatch(place -> SalesArea.countriesOf(place).contains(country)))
                    .toList();
            if (!hidden.isEmpty()) {
                at.look(
                        "hidden-in-the-union",
                        path(method) + "/conditions/places",
                        Message.of(
                                "finding.hidden-from-buyers-in", "method", method.title(), "places", regions(hidden)),
                        Message.of("finding.accept-method-in-all-of-union-alike"));
            }
        }
    }

    private void account(Payment.Method method) {
        Optional<Payment.Account> account = method.gateway().flatMap(id -> setup.payment().accounts().stream()
                .filter(each -> id.equals(each.id()))
                .findFirst());
        account.flatMap(Payment.Account::smallest).ifPresent(smallest -> {
            BigDecimal least = setup.shop().smallest().orElse(BigDecimal.ZERO);
            Optional<BigDecimal> from = method.conditions().least();
            if (smallest.compareTo(least) > 0
                    && from.filter(own -> own.compareTo(smallest) >= 0).isEmpty()) {
                at.look(
                        "gateway-above-smallest-order",
                        path(method),
                        Message.of(
                                "finding.cannot-charge-less-than-but-order-may",
                                "method",
                                method.title(),
                                "smallest",
                                smallest),
                        Message.of("finding.show-only-from-that-amount-or-raise"));
            }
        });
        account.flatMap(Payment.Account::authorisationDays)
                .filter(days -> method.capture() == Payment.Capture.AT_DISPATCH)
                .ifPresent(days -> {
                    int longest = setup.goods().products().stream()
                            .filter(Product::physical)
                            .mapToInt(product -> product.sending().preparation().orElse(0))
                            .max()
                            .orElse(0);
                    longest = Math.max(
                            longest,
                            setup.delivery().dispatch().stream()
                                    .mapToInt(place -> place.preparation().orElse(0))
                                    .max()
                                    .orElse(0));
                    // working days run slower than calendar days: five to a week
                    if (longest * 7 > days * 5) {
                        at.look(
                                "capture-after-authorisation",
                                path(method) + "/capture",
                                Message.of(
                                        "finding.captured-at-dispatch-but-preparing-takes-up",
                                        "method",
                                        method.title(),
                                        "longest",
                                        longest,
                                        "days",
                                        days),
                                Message.of("finding.capture-at-once-or-shorten-preparation"));
                    }
                });
        if (method.gateway().filter(known.untried()::contains).isPresent()) {
            at.blocks(
                    "gateway-untried",
                    path(method),
                    Message.of("finding.no-payment-was-tried-with-since-account", "method", method.title()),
                    Message.of("finding.use-try-once"));
        }
    }

    /** Extra charges on consumers' cards, euro transfers and direct debits are not allowed in the Union. */
    private void charge(Payment.Method method) {
        boolean surcharged = method.charge()
                .filter(charge ->
                        charge.percent().signum() > 0 || charge.amount().signum() > 0)
                .isPresent();
        boolean covered = method.kind() == Payment.Kind.CARD || method.kind() == Payment.Kind.TRANSFER;
        boolean consumers = method.conditions()
                .buyers()
                .filter(kind -> kind == Buyer.Kind.BUSINESS)
                .isEmpty();
        if (surcharged
                && covered
                && consumers
                && Groups.EU.contains(setup.shop().address().country())) {
            at.look(
                    "charge-on-consumers",
                    path(method) + "/charge",
                    Message.of("finding.costs-consumers-extra", "method", method.title()),
                    Message.of("finding.take-charge-away-or-show-method-to"));
        }
    }

    private void places(List<Payment.Method> seen) {
        Set<String> without = new TreeSet<>();
        for (String country : SalesArea.countries(setup)) {
            if (seen.stream()
                    .noneMatch(method -> method.conditions().places().isEmpty()
                            || method.conditions().places().stream().anyMatch(place -> SalesArea.countriesOf(place)
                                    .contains(country)))) {
                without.add(country);
            }
        }
        if (!without.isEmpty()) {
            at.blocks(
                    "place-without-payment",
                    "payment/methods",
                    Message.of("finding.buyers-in-have-no-way-to-pay", "places", regions(without)),
                    Message.of("finding.open-method-to-them-or-stop-selling"));
        }
    }

    private static List<Region> regions(Collection<String> codes) {
        return codes.stream().map(Region::new).toList();
    }

    private void bank() {
        Optional<Payment.BankAccount> account = setup.payment().account();
        boolean transfers = on.stream().anyMatch(method -> method.kind() == Payment.Kind.TRANSFER);
        account.filter(given -> given.iban().isBlank() && !given.number().isEmpty())
                .filter(given ->
                        !AccountForm.of(setup.shop().address().country()).fits(given))
                .ifPresent(given -> at.blocks(
                        "bad-account",
                        "payment/account/number",
                        Message.of(
                                "finding.not-account-there", "number", (given.branch() + " " + given.number()).strip()),
                        Message.of("finding.compare-with-accounts-papers-digit-may-wrong")));
        if (transfers
                && account.filter(given ->
                                !given.iban().isBlank() || !given.number().isEmpty())
                        .isEmpty()) {
            at.blocks(
                    "no-account",
                    "payment/account",
                    Message.of("finding.buyers-may-pay-by-transfer-but-no"),
                    Message.of("finding.enter-iban-and-holder"));
            return;
        }
        account.filter(given -> !given.iban().isBlank()).ifPresent(given -> {
            if (!IBANValidator.getInstance()
                    .isValid(given.iban().replaceAll("\\s", "").toUpperCase(Locale.ROOT))) {
                at.blocks(
                        "bad-iban",
                        "payment/account/iban",
                        Message.of("finding.not-iban", "iban", given.iban()),
                        Message.of("finding.compare-with-accounts-papers-digit-may-wrong"));
            }
            String payee = given.payee().isBlank() ? given.holder() : given.payee();
            if (transfers && !EpcPayload.fits(payee, given.iban())) {
                at.look(
                        "payee-too-long",
                        "payment/account/" + (given.payee().isBlank() ? "holder" : "payee"),
                        Message.of("finding.longer-than-code-for-transfers-takes-at", "payee", payee),
                        Message.of("finding.write-shorter-name-payee-without-buyers-get"));
            }
            if (!given.payee().isBlank() && !alike(given.payee(), given.holder())) {
                at.look(
                        "payee-unlike-holder",
                        "payment/account/payee",
                        Message.of(
                                "finding.buyers-told-to-pay-but-account-held",
                                "payee",
                                given.payee(),
                                "holder",
                                given.holder()),
                        Message.of("finding.write-holder-bank-knows-regulation-eu-2024"));
            }
        });
    }

    private static boolean alike(String one, String other) {
        return plain(one).equals(plain(other));
    }

    private static String plain(String name) {
        return name.toUpperCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
    }
}

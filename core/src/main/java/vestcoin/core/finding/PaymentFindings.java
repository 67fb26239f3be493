package vestcoin.core.finding;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.apache.commons.validator.routines.IBANValidator;
import vestcoin.core.goods.Product;
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
                        "No buyer sees " + method.title() + ": " + gateway.trouble() + ".",
                        "Enter the keys of the account and check them.");
            } else {
                seen.add(method);
            }
            method(method);
        }
        if (seen.isEmpty()) {
            at.blocks(
                    "no-way-to-pay",
                    "payment/methods",
                    "No buyer can pay yet.",
                    "Switch a method on and connect its account.");
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
                    "No buyer can see " + method.title() + ": "
                            + (amounts
                                    ? "its least amount is above its most."
                                    : "it is for places the shop does not sell to."),
                    "Loosen its conditions.");
        }
        if (method.kind() == Payment.Kind.CASH_ON_DELIVERY
                && (setup.delivery().options().isEmpty()
                        || setup.goods().products().stream().noneMatch(Product::physical))) {
            at.look(
                    "cash-without-handover",
                    path(method),
                    method.title() + ": nothing of this shop is handed over at a door. Who takes the money?",
                    "Switch it off, or offer a delivery.");
        }
        if (method.kind() == Payment.Kind.CASH_AT_PICKUP
                && setup.pickup().places().isEmpty()) {
            at.look(
                    "cash-without-handover",
                    path(method),
                    method.title() + ": there is no place to collect at. Who takes the money?",
                    "Add a pickup place, or switch it off.");
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
                        method.title() + " is hidden from buyers in " + Findings.named(hidden) + ".",
                        "Accept a method in all of the Union alike (Regulation (EU) 2018/302, Art. 5).");
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
                        method.title() + " cannot charge less than " + smallest.toPlainString()
                                + ", but an order may be smaller.",
                        "Show it only from that amount, or raise the smallest order.");
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
                                method.title() + " is captured at dispatch, but preparing takes up to " + longest
                                        + " working days and an authorisation lapses after " + days + " days.",
                                "Capture at once, or shorten the preparation.");
                    }
                });
        if (method.gateway().filter(known.untried()::contains).isPresent()) {
            at.blocks(
                    "gateway-untried",
                    path(method),
                    "No payment was tried with " + method.title() + " since its account changed.",
                    "Use “try it” once.");
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
                    method.title() + " costs consumers extra.",
                    "Take the charge away, or show the method to businesses only (Directive (EU) 2015/2366, Art. "
                            + "62(4)).");
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
                    "Buyers in " + Findings.named(List.copyOf(without)) + " have no way to pay.",
                    "Open a method to them, or stop selling there.");
        }
    }

    private void bank() {
        Optional<Payment.BankAccount> account = setup.payment().account();
        boolean transfers = on.stream().anyMatch(method -> method.kind() == Payment.Kind.TRANSFER);
        if (transfers && account.filter(given -> !given.iban().isBlank()).isEmpty()) {
            at.blocks(
                    "no-account",
                    "payment/account",
                    "Buyers may pay by transfer, but no account is entered.",
                    "Enter its IBAN and holder.");
            return;
        }
        account.filter(given -> !given.iban().isBlank()).ifPresent(given -> {
            if (!IBANValidator.getInstance()
                    .isValid(given.iban().replaceAll("\\s", "").toUpperCase(Locale.ROOT))) {
                at.blocks(
                        "bad-iban",
                        "payment/account/iban",
                        "“" + given.iban() + "” is not an IBAN.",
                        "Compare it with the account's papers; a digit may be wrong (ISO 13616).");
            }
            String payee = given.payee().isBlank() ? given.holder() : given.payee();
            if (transfers && !EpcPayload.fits(payee, given.iban())) {
                at.look(
                        "payee-too-long",
                        "payment/account/" + (given.payee().isBlank() ? "holder" : "payee"),
                        "“" + payee
                                + "” is longer than the code for transfers takes: at most 70 characters, and no "
                                + "more bytes than leave room for the rest.",
                        "Write a shorter name as the payee; without it buyers get no code to scan (EPC069-12).");
            }
            if (!given.payee().isBlank() && !alike(given.payee(), given.holder())) {
                at.look(
                        "payee-unlike-holder",
                        "payment/account/payee",
                        "Buyers are told to pay “" + given.payee() + "”, but the account is held by “" + given.holder()
                                + "”; their banks will warn them.",
                        "Write the holder as the bank knows it (Regulation (EU) 2024/886).");
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

package vestcoin.app.paper;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import vestcoin.core.invoice.Bill;
import vestcoin.core.payment.CreditorReference;
import vestcoin.core.payment.Payment;
import vestcoin.core.payment.SwissPayload;
import vestcoin.core.place.Groups;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.tax.Tax;

/**
 * Draws up the papers of one order.
 *
 * @param number of the order
 * @param method id of the way it is paid beside vouchers
 * @param sent whether all of it has left
 * @param period of a renewal, what it is for
 * @param language BCP 47, of what the papers say
 */
record Drawing(
        Setup setup,
        Order asked,
        String number,
        Buyer from,
        String method,
        boolean test,
        boolean sent,
        String language,
        Optional<Paper.Period> period) {
    /**
     * @param party with its address, as the order has it, without a number
     * @param reference their own number of the order, or empty
     * @param goesTo where the goods go, if not there
     */
    record Buyer(Paper.Party party, String reference, Optional<Paper.Party> goesTo) {}

    /** @param paid of it so far @param rounding in cash, part of what is paid */
    Paper invoice(Papers.Numbered numbered, Bill bill, BigDecimal paid, BigDecimal rounding) {
        return new Paper(
                bill.vouchers() ? Paper.Kind.RECEIPT : Paper.Kind.INVOICE,
                numbered.number(),
                numbered.issued(),
                seller(bill),
                buyer(bill),
                number,
                Optional.empty(),
                bill,
                asked.currency().orElse(setup.shop().currency()),
                paid,
                rounding,
                means(),
                Optional.of(numbered.issued()
                        .plusDays(
                                onAccount()
                                        ? way().flatMap(Payment.Method::terms)
                                                .map(Payment.Terms::days)
                                                .orElse(Payment.Terms.USUAL_DAYS)
                                        : 0)),
                delivered(bill, numbered.issued()),
                test,
                homeTax(bill.tax()),
                language,
                from.reference(),
                from.goesTo(),
                period);
    }

    /** What is given back of an invoice, which stays as it is. */
    static Paper credit(Papers.Numbered numbered, Paper invoice, Bill given, BigDecimal rounding) {
        return new Paper(
                given.vouchers() ? Paper.Kind.RECEIPT_BACK : Paper.Kind.CREDIT,
                numbered.number(),
                numbered.issued(),
                invoice.seller(),
                invoice.buyer(),
                invoice.order(),
                Optional.of(new Paper.Credits(invoice.number(), invoice.issued())),
                given,
                invoice.currency(),
                given.gross().add(rounding),
                rounding,
                invoice.means(),
                Optional.of(numbered.issued()),
                invoice.delivered(),
                invoice.test(),
                invoice.homeTax().map(home -> home.of(given.tax())),
                invoice.language(),
                invoice.reference(),
                invoice.goesTo(),
                invoice.period());
    }

    /** The tax in the shop's own currency, of an order in another. */
    private Optional<Paper.HomeTax> homeTax(BigDecimal tax) {
        String home = setup.shop().currency();
        String currency = asked.currency().orElse(home);
        if (currency.equals(home) || tax.signum() == 0) {
            return Optional.empty();
        }
        return asked.outside().exchange().flatMap(rates -> rates.of(home)
                .flatMap(from -> rates.of(currency).map(to -> Paper.HomeTax.of(tax, home, from, to, rates.day()))));
    }

    boolean onAccount() {
        return way().filter(way -> way.kind() == Payment.Kind.ON_ACCOUNT).isPresent();
    }

    private Optional<Payment.Method> way() {
        return setup.payment().methods().stream()
                .filter(each -> each.id().equals(method))
                .findFirst();
    }

    private Paper.Party seller(Bill bill) {
        Shop shop = setup.shop();
        List<String> all = numbers(setup, bill.country());
        Optional<String> vat = all.stream()
                .filter(each -> each.matches("[A-Z]{2}[0-9A-Z+*]{2,13}"))
                .findFirst();
        Paper.Party seller = Paper.Party.of(
                shop,
                vat,
                all.stream().filter(each -> vat.filter(each::equals).isEmpty()).toList());
        return bill.country().isEmpty() ? seller.withoutVat() : seller;
    }

    /**
     * The seller's numbers, those of the registrations first: the one for the country whose tax a bill states, then the
     * one at home; of other countries none. A VAT number has its country's letters (EL for Greece), whether they were
     * typed or not.
     *
     * @param taxed the country whose tax is stated
     */
    static List<String> numbers(Setup setup, Optional<String> taxed) {
        String home = setup.shop().address().country();
        List<String> numbers = new ArrayList<>();
        for (String country : Stream.of(taxed.orElse(home), home).distinct().toList()) {
            setup.tax().registrations().stream()
                    .filter(each -> each.scheme() == Tax.Scheme.ORDINARY
                            && !each.number().isBlank())
                    .filter(each -> each.authority().equals(country)
                            || each.authority().startsWith(country + "-")
                            || country.equals("GB") && each.authority().equals("XI"))
                    .map(each -> printed(each.authority(), each.number()))
                    .forEach(numbers::add);
        }
        numbers.addAll(setup.shop().numbers());
        return numbers.stream().distinct().toList();
    }

    private static String printed(String authority, String number) {
        String letters = authority.equals("GR") ? "EL" : authority;
        String plain = number.replaceAll("[\\s.-]", "").toUpperCase(Locale.ROOT);
        boolean union = Groups.EU.contains(authority) || authority.equals("XI") || authority.equals("GB");
        return !union ? number.strip() : plain.startsWith(letters) ? plain : letters + plain;
    }

    private Paper.Party buyer(Bill bill) {
        Optional<String> vat = bill.country().isEmpty()
                ? Optional.empty()
                : asked.buyer()
                        .number()
                        .map(given -> given.number().startsWith(given.country())
                                ? given.number()
                                : given.country() + given.number());
        return vat.map(from.party()::with).orElse(from.party());
    }

    private Optional<LocalDate> delivered(Bill bill, LocalDate today) {
        return bill.intraCommunity() || sent ? Optional.of(today) : Optional.empty();
    }

    private Paper.Means means() {
        Optional<Payment.Kind> kind = way().map(Payment.Method::kind);
        boolean transfer = kind.filter(each -> each == Payment.Kind.TRANSFER || each == Payment.Kind.ON_ACCOUNT)
                .isPresent();
        Optional<Payment.BankAccount> account = transfer ? setup.payment().account() : Optional.empty();
        return new Paper.Means(
                kind,
                account.map(own -> own.iban().isBlank() ? own.number() : own.iban())
                        .filter(number -> !number.isBlank()),
                account.map(Payment.BankAccount::holder).filter(holder -> !holder.isBlank()),
                transfer
                        ? Optional.of(setup.payment()
                                .account()
                                .map(own -> SwissPayload.reference(own.iban(), number))
                                .orElseGet(() -> CreditorReference.of(number)))
                        : Optional.empty(),
                account.filter(own -> own.iban().isBlank() && !own.number().isEmpty())
                        .map(own -> own.parts(setup.shop().address().country()))
                        .orElse(List.of()));
    }
}

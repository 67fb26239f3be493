package vestcoin.app.paper;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import vestcoin.core.invoice.Bill;
import vestcoin.core.money.Currencies;
import vestcoin.core.payment.AccountForm;
import vestcoin.core.payment.Payment;
import vestcoin.core.setup.Shop;

/**
 * An invoice, a credit note or a receipt of vouchers with all it states, kept as it was issued.
 *
 * @param number without gaps within shop, mode, kind and year
 * @param credits number of the invoice a credit note is of, and its day
 * @param order number of the order
 * @param bill what is stated; of a credit note, what is given back
 * @param paid of it so far, gross and rounding together
 * @param rounding in cash
 * @param due by when the rest is to be paid
 * @param delivered day and place of delivery, for what is invoiced when goods leave
 * @param test whether no money moved
 * @param language BCP 47, of what it says; papers issued before there was a choice are English
 * @param reference the buyer's own number of the order (BT-13 of EN 16931), empty without one
 * @param goesTo where its goods go, if not to the buyer's address (BG-15)
 * @param period of a renewal, what it is for (BT-73, BT-74)
 * @param homeTax its tax in the seller's own currency, where the paper is in another
 */
public record Paper(
        Kind kind,
        String number,
        LocalDate issued,
        Party seller,
        Party buyer,
        String order,
        Optional<Credits> credits,
        Bill bill,
        String currency,
        BigDecimal paid,
        BigDecimal rounding,
        Means means,
        Optional<LocalDate> due,
        Optional<LocalDate> delivered,
        boolean test,
        Optional<HomeTax> homeTax,
        String language,
        String reference,
        Optional<Party> goesTo,
        Optional<Period> period) {
    public Paper {
        goesTo = goesTo == null ? Optional.empty() : goesTo;
        period = period == null ? Optional.empty() : period;
        reference = reference == null ? "" : reference;
        homeTax = homeTax == null ? Optional.empty() : homeTax;
        language = language == null ? "en" : language;
    }

    /** Each is a series of its own. */
    public enum Kind {
        INVOICE(""),
        CREDIT("C"),
        /** Of vouchers sold, which are not invoiced: nothing is supplied before they are used. */
        RECEIPT("V"),
        /** Vouchers sold that were given back. */
        RECEIPT_BACK("VC");

        private final String letters;

        Kind(String letters) {
            this.letters = letters;
        }

        /** What its numbers begin with. */
        String letters() {
            return letters;
        }

        /** Whether it is of what was given back. */
        boolean back() {
            return this == CREDIT || this == RECEIPT_BACK;
        }
    }

    /** @param vat VAT number with its country's letters @param numbers other registration numbers, as printed */
    public record Party(
            String name,
            List<String> lines,
            String city,
            String postcode,
            String country,
            Optional<String> vat,
            List<String> numbers,
            String email) {
        public Party {
            lines = List.copyOf(lines);
            numbers = List.copyOf(numbers);
        }

        /** The seller. @param vat with its country's letters @param numbers others */
        static Party of(Shop shop, Optional<String> vat, List<String> numbers) {
            return new Party(
                    shop.legally(),
                    shop.address().lines(),
                    shop.address().city(),
                    shop.address().postcode(),
                    shop.address().country(),
                    vat,
                    numbers,
                    shop.email());
        }

        /** The same, with a VAT number. */
        Party with(String number) {
            return new Party(name, lines, city, postcode, country, Optional.of(number), numbers, email);
        }

        /** Without numbers of a tax register, as an invoice of what is outside of tax has to be. */
        Party withoutVat() {
            return new Party(name, lines, city, postcode, country, Optional.empty(), numbers, email);
        }
    }

    /** Days, both of them in it. */
    public record Period(LocalDate from, LocalDate until) {}

    public record Credits(String number, LocalDate issued) {}

    /**
     * @param iban where a transfer goes, or the number of an account without one
     * @param reference it is found by
     * @param parts of an account without an IBAN, each as it is called
     */
    public record Means(
            Optional<Payment.Kind> kind,
            Optional<String> iban,
            Optional<String> holder,
            Optional<String> reference,
            List<AccountForm.Part> parts) {
        public Means {
            parts = parts == null ? List.of() : List.copyOf(parts);
        }
    }

    /**
     * Tax in the seller's own currency, as Directive 2006/112/EC, Article 230, asks: tax × from ÷ to, half up.
     *
     * @param from units of the seller's currency for one of the rates' base
     * @param to units of the paper's currency for one of the rates' base
     * @param day of the rates
     */
    public record HomeTax(String currency, BigDecimal amount, BigDecimal from, BigDecimal to, LocalDate day) {
        static HomeTax of(BigDecimal tax, String currency, BigDecimal from, BigDecimal to, LocalDate day) {
            return new HomeTax(
                    currency,
                    tax.multiply(from)
                            .divide(to, Currencies.of(currency).orElseThrow().getDecimalPlaces(), RoundingMode.HALF_UP),
                    from,
                    to,
                    day);
        }

        /** The same for another amount of tax, at the same rates. */
        HomeTax of(BigDecimal tax) {
            return of(tax, currency, from, to, day);
        }
    }

    /** What is still to be paid of it. */
    public BigDecimal open() {
        return bill.gross().add(rounding).subtract(paid);
    }
}

package vestcoin.core.payment;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * The text of the Swiss QR-bill's square code, version 0200 with structured addresses. Source: Swiss Implementation
 * Guidelines for the QR-bill 2.3 (SIX), from memory: accounts in CH and LI, francs or euro, 0.01 to 999 999 999.99; a
 * QR-IBAN (institution 30000 to 31999) takes a QR reference of 27 digits, any other IBAN a creditor reference of ISO
 * 11649.
 */
public final class SwissPayload {
    private static final BigDecimal LEAST = new BigDecimal("0.01");
    private static final BigDecimal MOST = new BigDecimal("999999999.99");
    private static final Set<String> CURRENCIES = Set.of("CHF", "EUR");
    private static final Pattern IBAN = Pattern.compile("(?:CH|LI)[0-9]{7}[0-9A-Z]{12}");
    private static final int LONGEST_NAME = 70;
    private static final int LONGEST_STREET = 70;
    private static final int LONGEST_POSTCODE = 16;
    private static final int LONGEST_TOWN = 35;
    private static final int DIGITS = 26;
    /** Carries of the check digit modulo 10, recursive. */
    private static final int[] CARRY = {0, 9, 4, 6, 8, 2, 7, 1, 3, 5};

    private SwissPayload() {}

    /** Who is paid. @param street with the number of the house */
    public record Creditor(String name, String street, String postcode, String town, String country) {}

    /**
     * The payload, or nothing where a bill cannot be written this way.
     *
     * @param iban with or without spaces
     * @param reference as {@link #reference} gives it for the account
     */
    public static Optional<String> of(
            Creditor creditor, String iban, BigDecimal amount, String currency, String reference) {
        String account = plain(iban);
        boolean fits = IBAN.matcher(account).matches()
                && CURRENCIES.contains(currency)
                && amount.compareTo(LEAST) >= 0
                && amount.compareTo(MOST) <= 0
                && within(creditor.name(), 1, LONGEST_NAME)
                && within(creditor.street(), 0, LONGEST_STREET)
                && within(creditor.postcode(), 1, LONGEST_POSTCODE)
                && within(creditor.town(), 1, LONGEST_TOWN)
                && creditor.country().matches("[A-Z]{2}")
                && (isQrIban(account) ? holds(reference) : CreditorReference.holds(reference));
        if (!fits) {
            return Optional.empty();
        }
        List<String> lines = new ArrayList<>(List.of("SPC", "0200", "1", account));
        lines.addAll(List.of(
                "S",
                creditor.name().strip(),
                creditor.street().strip(),
                "",
                creditor.postcode().strip(),
                creditor.town().strip(),
                creditor.country()));
        lines.addAll(List.of("", "", "", "", "", "", ""));
        lines.addAll(List.of(amount.setScale(2).toPlainString(), currency));
        // The buyer, who may be left out.
        lines.addAll(List.of("", "", "", "", "", "", ""));
        lines.addAll(List.of(isQrIban(account) ? "QRR" : "SCOR", plain(reference), "", "EPD"));
        return Optional.of(String.join("\n", lines));
    }

    private static boolean within(String text, int least, int most) {
        return text.strip().length() >= least
                && text.strip().length() <= most
                && text.lines().count() <= 1;
    }

    /** The reference an account asks for. @param order number of the order, letters and digits */
    public static String reference(String iban, String order) {
        return isQrIban(plain(iban)) ? qrReference(order) : CreditorReference.of(order);
    }

    /** Whether an IBAN is one for QR references. */
    public static boolean isQrIban(String iban) {
        String account = plain(iban);
        return IBAN.matcher(account).matches()
                && account.substring(4, 9).compareTo("30000") >= 0
                && account.substring(4, 9).compareTo("31999") <= 0;
    }

    private static String qrReference(String order) {
        String digits = order.replaceAll("[^0-9]", "");
        String padded = "0".repeat(DIGITS - digits.length()) + digits;
        return padded + checkDigit(padded);
    }

    /** Whether a QR reference has 27 digits, the last of which checks. */
    public static boolean holds(String reference) {
        String digits = plain(reference);
        return digits.matches("[0-9]{27}") && digits.charAt(DIGITS) - '0' == checkDigit(digits.substring(0, DIGITS));
    }

    private static int checkDigit(String digits) {
        int carry = 0;
        for (int i = 0; i < digits.length(); i++) {
            carry = CARRY[(carry + digits.charAt(i) - '0') % 10];
        }
        return (10 - carry) % 10;
    }

    private static String plain(String text) {
        return text.replaceAll("\\s", "").toUpperCase(Locale.ROOT);
    }
}

package vestcoin.core.payment;

import java.math.BigInteger;
import java.util.Locale;

/**
 * The reference a buyer writes on a transfer, so that the payment finds its order. Source: ISO 11649 (RF creditor
 * reference), with check digits by ISO 7064 MOD 97-10.
 */
public final class CreditorReference {
    private static final BigInteger MODULUS = BigInteger.valueOf(97);
    private static final int LONGEST = 21;

    private CreditorReference() {}

    /**
     * The reference of an order number or the like: RF, two check digits, and the text itself.
     *
     * @param text 1 to 21 letters and digits
     * @throws IllegalArgumentException for any other text
     */
    public static String of(String text) {
        String plain = text.toUpperCase(Locale.ROOT);
        if (!plain.matches("[A-Z0-9]{1," + LONGEST + "}")) {
            throw new IllegalArgumentException("not 1 to 21 letters and digits: " + text);
        }
        int check = 98 - number(plain + "RF00").mod(MODULUS).intValue();
        return "RF" + (check < 10 ? "0" : "") + check + plain;
    }

    /** Whether a reference, with or without spaces, is whole. */
    public static boolean holds(String reference) {
        String plain = reference.toUpperCase(Locale.ROOT).replaceAll("\\s", "");
        return plain.matches("RF\\d{2}[A-Z0-9]{1," + LONGEST + "}")
                && number(plain.substring(4) + plain.substring(0, 4))
                        .mod(MODULUS)
                        .equals(BigInteger.ONE);
    }

    /** Letters as two digits, A being 10. */
    private static BigInteger number(String text) {
        StringBuilder digits = new StringBuilder();
        text.chars().forEach(c -> digits.append(Character.getNumericValue(c)));
        return new BigInteger(digits.toString());
    }
}

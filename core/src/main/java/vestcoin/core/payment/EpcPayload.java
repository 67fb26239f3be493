package vestcoin.core.payment;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The text of the square code for a transfer in euro that bank apps read. Source: European Payments Council, EPC069-12,
 * version 002, UTF-8, from memory: at most 331 bytes, a name of at most 70 characters, 0.01 to 999 999 999.99 euro.
 */
public final class EpcPayload {
    private static final BigDecimal LEAST = new BigDecimal("0.01");
    private static final BigDecimal MOST = new BigDecimal("999999999.99");
    private static final int LONGEST_NAME = 70;
    private static final int MOST_BYTES = 331;

    private static final int LONGEST_REFERENCE = 25;

    private EpcPayload() {}

    /** Whether a name, in characters and in bytes, leaves room for any amount and any reference. */
    public static boolean fits(String name, String iban) {
        int rest = text("", plain(iban), MOST, "").length() + LONGEST_REFERENCE;
        return name.strip().length() <= LONGEST_NAME
                && name.strip().getBytes(StandardCharsets.UTF_8).length + rest <= MOST_BYTES;
    }

    /**
     * The payload, or nothing where a transfer cannot be written this way.
     *
     * @param name of the account's holder
     * @param iban with or without spaces
     * @param amount in euro
     * @param reference creditor reference of ISO 11649
     */
    public static Optional<String> of(String name, String iban, BigDecimal amount, String reference) {
        String plain = plain(iban);
        if (name.isBlank()
                || name.length() > LONGEST_NAME
                || name.lines().count() != 1
                || plain.isEmpty()
                || amount.compareTo(LEAST) < 0
                || amount.compareTo(MOST) > 0
                || !CreditorReference.holds(reference)) {
            return Optional.empty();
        }
        String payload = text(name.strip(), plain, amount, reference);
        return payload.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES ? Optional.empty() : Optional.of(payload);
    }

    private static String plain(String iban) {
        return iban.replaceAll("\\s", "").toUpperCase(Locale.ROOT);
    }

    /**
     * Service tag, version, character set 1 (UTF-8), SEPA credit transfer, BIC (may be empty within version 002), name,
     * IBAN, amount, purpose, reference.
     */
    private static String text(String name, String iban, BigDecimal amount, String reference) {
        return String.join(
                "\n",
                List.of(
                        "BCD",
                        "002",
                        "1",
                        "SCT",
                        "",
                        name,
                        iban,
                        "EUR" + amount.setScale(2).toPlainString(),
                        "",
                        reference));
    }
}

package vestcoin.standins.pay;

import java.util.Arrays;
import java.util.Optional;

/**
 * Cards of our own invention, one for each outcome. They pass the Luhn check (ISO/IEC 7812-1) and begin with 9, which
 * that standard leaves to national bodies, so none is a card of a network.
 */
public enum TestCard {
    APPROVED("9810000000000001", "approved"),
    DECLINED("9810000000000019", "declined by the bank"),
    INSUFFICIENT_FUNDS("9810000000000027", "not enough money on the card"),
    EXPIRED("9810000000000035", "the card has expired"),
    ASKED_AND_PASSED("9810000000000043", "the bank asks the buyer, who passes"),
    ASKED_AND_FAILED("9810000000000050", "the bank asks the buyer, who fails"),
    SILENT("9810000000000068", "the bank never answers"),
    DECLINED_LATER("9810000000000076", "approved, and declined whenever it is charged again"),
    OF_THE_EEA("9810000000000084", "approved, a card of Norway", "NO"),
    FROM_OVERSEAS("9810000000000092", "approved, a card of Brazil", "BR");

    private final String number;
    private final String outcome;
    private final String country;

    TestCard(String number, String outcome) {
        this(number, outcome, "");
    }

    TestCard(String number, String outcome, String country) {
        this.number = number;
        this.outcome = outcome;
        this.country = country;
    }

    /** Where it was issued, ISO 3166-1; empty where the shop is at home. */
    public String country() {
        return country;
    }

    public String number() {
        return number;
    }

    public String outcome() {
        return outcome;
    }

    public static Optional<TestCard> of(String number) {
        return Arrays.stream(values())
                .filter(card -> card.number.equals(number))
                .findFirst();
    }

    /** Whether a number passes the Luhn check of ISO/IEC 7812-1, annex B. */
    public static boolean luhn(String number) {
        int sum = 0;
        for (int i = 0; i < number.length(); i++) {
            int digit = number.charAt(number.length() - 1 - i) - '0';
            int counted = i % 2 == 0 ? digit : digit * 2 > 9 ? digit * 2 - 9 : digit * 2;
            sum += counted;
        }
        return number.length() >= 12 && sum % 10 == 0;
    }
}

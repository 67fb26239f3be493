package vestcoin.core.payment;

import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import vestcoin.core.message.Message;

/**
 * How accounts are written in a country whose banks have no IBAN. Lengths and check digits: ABA routing numbers
 * (weights 3, 7, 1, modulo 10), Australian BSB, Canadian transit and institution, New Zealand's one number, Indian
 * IFSC, South African branch codes; from memory. Elsewhere any text is taken.
 *
 * @param branch code of what names the bank; empty where the account's number does
 * @param branchFits whether a text can be one
 * @param numberFits whether a text can be an account's number
 */
public record AccountForm(String branch, Predicate<String> branchFits, Predicate<String> numberFits) {
    /** One part of an account, as it is called there. */
    public record Part(Message name, String value) {}

    private static final int LONGEST = 40;
    private static final AccountForm ELSEWHERE =
            new AccountForm("bank-code", text -> text.length() <= LONGEST, text -> text.length() <= LONGEST);
    private static final Map<String, AccountForm> FORMS = Map.of(
            "US", new AccountForm("routing-number", AccountForm::routingNumber, matching("[0-9]{4,17}")),
            "CA", new AccountForm("transit-and-institution", matching("[0-9]{8}"), matching("[0-9]{7,12}")),
            "AU", new AccountForm("bsb", matching("[0-9]{6}"), matching("[0-9]{5,9}")),
            "NZ", new AccountForm("", String::isEmpty, matching("[0-9]{15,16}")),
            "IN", new AccountForm("ifsc", matching("[A-Z]{4}0[A-Z0-9]{6}"), matching("[0-9]{9,18}")),
            "ZA", new AccountForm("branch-code", matching("[0-9]{6}"), matching("[0-9]{7,11}")));

    /** @param country ISO 3166-1 */
    public static AccountForm of(String country) {
        return FORMS.getOrDefault(country, ELSEWHERE);
    }

    /** What a transfer is made out to: the IBAN in groups of four, else what there is. */
    List<Part> parts(Payment.BankAccount account) {
        if (!account.iban().isBlank()) {
            return List.of(new Part(
                    Message.of("account.iban"),
                    account.iban().replaceAll("\\s", "").replaceAll("(.{4})(?=.)", "$1 ")));
        }
        Part number = new Part(Message.of("account.number"), account.number());
        return account.branch().isEmpty()
                ? List.of(number)
                : List.of(
                        new Part(Message.of("account." + (branch.isEmpty() ? "bank-code" : branch)), account.branch()),
                        number);
    }

    /** Whether both parts can be right together. */
    public boolean fits(Payment.BankAccount account) {
        return branchFits.test(plain(account.branch())) && numberFits.test(plain(account.number()));
    }

    private static String plain(String text) {
        return text.replaceAll("[\\s-]", "");
    }

    private static Predicate<String> matching(String regex) {
        return Pattern.compile(regex).asMatchPredicate();
    }

    /** The American Bankers Association's check: 3, 7, 1 times the digits add up to a multiple of ten. */
    private static boolean routingNumber(String text) {
        if (!text.matches("[0-9]{9}")) {
            return false;
        }
        int[] weights = {3, 7, 1};
        int sum = 0;
        for (int i = 0; i < text.length(); i++) {
            sum += weights[i % weights.length] * (text.charAt(i) - '0');
        }
        return sum > 0 && sum % 10 == 0;
    }
}

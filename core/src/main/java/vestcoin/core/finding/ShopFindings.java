package vestcoin.core.finding;

import com.google.i18n.phonenumbers.NumberParseException;
import com.google.i18n.phonenumbers.PhoneNumberUtil;
import org.apache.commons.validator.routines.EmailValidator;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;

/** What a seller should know about who and where the shop is. */
final class ShopFindings {
    private ShopFindings() {}

    static void add(Setup setup, Findings.At at) {
        Shop shop = setup.shop();
        if (shop.sellsTo().isEmpty()) {
            at.blocks(
                    "sells-nowhere",
                    "shop/sellsTo",
                    "The shop sells to no place yet.",
                    "Add the countries or groups it sells to.");
        }
        if (shop.email().isBlank()) {
            at.look("no-email", "shop/email", "Buyers have no address to write to.", "Add the shop's e-mail.");
        } else if (!isEmail(shop.email())) {
            at.look(
                    "bad-email",
                    "shop/email",
                    "“" + shop.email() + "” is not an e-mail address.",
                    "Write it as hello@my-shop.example.");
        }
        if (!shop.phone().isBlank() && !isPhone(shop)) {
            at.look(
                    "bad-phone",
                    "shop/phone",
                    "“" + shop.phone() + "” is not a telephone number.",
                    "Write it with its country code, as +353 1 234 5678.");
        }
        for (String number : shop.numbers()) {
            if (VatNumber.looksLikeOne(number) && !VatNumber.hasForm(number)) {
                at.look(
                        "bad-vat-number",
                        "shop/numbers",
                        "“" + number + "” does not have the form of a VAT number.",
                        "Compare it with the certificate.");
            }
        }
    }

    /** Domains kept for examples (RFC 2606, RFC 6761) are addresses too. */
    private static boolean isEmail(String email) {
        return EmailValidator.getInstance().isValid(email.strip().replaceAll("\\.(example|test)$", ".com"));
    }

    /** Whether it has the length and digits of a number somewhere; numbers kept for fiction pass. */
    private static boolean isPhone(Shop shop) {
        PhoneNumberUtil numbers = PhoneNumberUtil.getInstance();
        try {
            return numbers.isPossibleNumber(
                    numbers.parse(shop.phone(), shop.address().country()));
        } catch (NumberParseException e) {
            return false;
        }
    }
}

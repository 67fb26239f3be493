package vestcoin.core.finding;

import java.util.Locale;
import vestcoin.core.message.Message;
import vestcoin.core.place.PhoneNumber;
import vestcoin.core.setup.MailForm;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;

/** What a seller should know about who and where the shop is. */
final class ShopFindings {
    private ShopFindings() {}

    private static String plain(String number) {
        return number.replaceAll("[^0-9A-Za-z]", "").toUpperCase(Locale.ROOT);
    }

    static void add(Setup setup, Findings.At at) {
        Shop shop = setup.shop();
        if (shop.sellsTo().isEmpty()) {
            at.blocks(
                    "sells-nowhere",
                    "shop/sellsTo",
                    Message.of("finding.shop-sells-to-no-place-yet"),
                    Message.of("finding.add-countries-or-groups-sells-to"));
        }
        if (shop.email().isBlank()) {
            at.look(
                    "no-email",
                    "shop/email",
                    Message.of("finding.buyers-have-no-address-to-write-to"),
                    Message.of("finding.add-shops-e-mail"));
        } else if (!MailForm.fits(shop.email())) {
            at.look(
                    "bad-email",
                    "shop/email",
                    Message.of("finding.not-e-mail-address", "email", shop.email()),
                    Message.of("finding.write-hello-my-shop-example"));
        }
        if (shop.address().region().isPresent() && shop.home().region().isEmpty()) {
            at.look(
                    "postcode-of-another-region",
                    "shop/address/postcode",
                    Message.of(
                            "finding.shops-postcode-lies-in-another-region",
                            "postcode",
                            shop.address().postcode()),
                    Message.of("place.choose-region-postcode-lies-in-or-mend"));
        }
        if (!shop.phone().isBlank()
                && PhoneNumber.international(shop.phone(), shop.address().country())
                        .isEmpty()) {
            at.look(
                    "bad-phone",
                    "shop/phone",
                    Message.of("finding.not-telephone-number", "phone", shop.phone()),
                    Message.of("finding.write-with-country-code-353-1-234"));
        }
        for (String number : shop.numbers()) {
            if (VatNumber.looksLikeOne(number) && !VatNumber.hasForm(number)) {
                at.look(
                        "bad-vat-number",
                        "shop/numbers",
                        Message.of("finding.does-not-have-form-of-vat-number", "number", number),
                        Message.of("finding.compare-with-certificate"));
            } else if (VatNumber.looksLikeOne(number)) {
                String plain = plain(number);
                at.look(
                        "vat-number-apart",
                        "shop/numbers",
                        setup.tax().registrations().stream()
                                        .anyMatch(each -> plain.endsWith(plain(each.number()))
                                                && !each.number().isBlank())
                                ? Message.of("finding.vat-number-stands-with-registrations", "number", number)
                                : Message.of("finding.vat-number-belongs-with-registrations", "number", number),
                        Message.of("finding.keep-vat-numbers-with-registrations"));
            }
        }
    }

    /** Domains kept for examples (RFC 2606, RFC 6761) are addresses too. */
}

package vestcoin.core.place;

import com.google.i18n.phonenumbers.NumberParseException;
import com.google.i18n.phonenumbers.PhoneNumberUtil;
import com.google.i18n.phonenumbers.Phonenumber;
import java.util.Optional;

/** Telephone numbers as people type them. Lengths and prefixes are those of libphonenumber. */
public final class PhoneNumber {
    private PhoneNumber() {}

    /**
     * A number by ITU-T E.164, with its plus; nothing where it has not the length and digits of a number somewhere.
     * Numbers kept for fiction pass.
     *
     * @param country whose number it is where it names none itself
     */
    public static Optional<String> international(String typed, String country) {
        PhoneNumberUtil numbers = PhoneNumberUtil.getInstance();
        try {
            Phonenumber.PhoneNumber number = numbers.parse(typed, country);
            return numbers.isPossibleNumber(number)
                    ? Optional.of(numbers.format(number, PhoneNumberUtil.PhoneNumberFormat.E164))
                    : Optional.empty();
        } catch (NumberParseException e) {
            return Optional.empty();
        }
    }

    /** A number of a country as people write it there, made up by libphonenumber to show how one looks. */
    public static Optional<String> example(String country) {
        PhoneNumberUtil numbers = PhoneNumberUtil.getInstance();
        return Optional.ofNullable(numbers.getExampleNumber(country))
                .map(number -> numbers.format(number, PhoneNumberUtil.PhoneNumberFormat.INTERNATIONAL));
    }
}

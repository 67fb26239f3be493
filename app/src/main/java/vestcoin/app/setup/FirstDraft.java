package vestcoin.app.setup;

import com.ibm.icu.text.Transliterator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import vestcoin.app.format.Phrases;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Goods;
import vestcoin.core.message.Message;
import vestcoin.core.money.Rounding;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Place;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.setup.Rehearsal;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.tax.Tax;

/** The draft a new shop begins with: who and where it is, and nothing switched on. */
public final class FirstDraft {
    /** Any script in plain Latin letters: Nørd is Nord. */
    private static final Transliterator LATIN = Transliterator.getInstance("Any-Latin; Latin-ASCII");

    private FirstDraft() {}

    /** The names goods of a new shop begin with, in every language buyers read. */
    public static Set<String> sampleNames() {
        return FirstSheets.sampleNames();
    }

    /** An id from a name. @throws InvalidInput if the name has no letter or digit to make one of */
    public static String idFor(String name) {
        String plain = LATIN.transliterate(name == null ? "" : name)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
        if (plain.isEmpty() || plain.length() > 60) {
            throw new InvalidInput(
                    "shopName",
                    Message.of("setup.shop-needs-name-of-1-to-60"),
                    Message.of("setup.type-name-buyers-know-by"));
        }
        return plain;
    }

    /**
     * @param typed the currency; without one that of the country @throws InvalidInput if the country or currency does
     *     not exist
     */
    public static Document of(String name, String typedCountry, String typed) {
        String country = CountryNames.countryOr("country", typedCountry);
        String currency = typed == null || typed.isBlank()
                ? FirstAnswers.currencyOf(country)
                : CountryNames.currencyOr("currency", typed);
        Shop shop = new Shop(
                name,
                "",
                new Shop.Address(List.of(), "", Optional.empty(), "", country),
                "",
                "",
                currency,
                "en",
                "UTC",
                "kg",
                Rounding.HALF_UP,
                List.of(new Place.Country(country)));
        return Document.of(new Setup(
                shop,
                new Goods(List.of()),
                new Discounts(List.of()),
                new Delivery(List.of(), List.of()),
                new Tax(
                        Tax.Prices.WITH_TAX,
                        List.of(new Tax.Category(
                                "standard",
                                Phrases.in(FirstAnswers.languageOf(country)).say("setup.most-goods"))),
                        List.of()),
                new Payment(List.of()),
                new Rehearsal(List.of())));
    }
}

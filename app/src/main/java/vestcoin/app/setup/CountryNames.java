package vestcoin.app.setup;

import com.ibm.icu.text.LocaleDisplayNames;
import com.ibm.icu.util.Currency;
import com.ibm.icu.util.ULocale;
import java.text.Normalizer;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.message.Message;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Groups;
import vestcoin.core.problem.InvalidInput;

/**
 * Countries and currencies by their names: those of CLDR in the languages a seller is likely to write, the short names
 * people use, and the codes of ISO 3166-1 and ISO 4217. Nothing is guessed: what is not known is refused, with the
 * names nearest to it.
 */
public final class CountryNames {
    private static final List<ULocale> LANGUAGES = List.of(
            ULocale.ENGLISH,
            ULocale.GERMAN,
            ULocale.FRENCH,
            new ULocale("nl"),
            new ULocale("es"),
            new ULocale("it"),
            new ULocale("pt"),
            new ULocale("pl"));
    /** Short names in common use that CLDR has not. Common practice, no source. */
    private static final Map<String, String> SHORT = Map.ofEntries(
            Map.entry("uk", "GB"),
            Map.entry("great britain", "GB"),
            Map.entry("britain", "GB"),
            Map.entry("england", "GB"),
            Map.entry("scotland", "GB"),
            Map.entry("wales", "GB"),
            Map.entry("northern ireland", "GB"),
            Map.entry("usa", "US"),
            Map.entry("america", "US"),
            Map.entry("the states", "US"),
            Map.entry("holland", "NL"),
            Map.entry("the netherlands", "NL"),
            Map.entry("republic of ireland", "IE"),
            Map.entry("eire", "IE"),
            Map.entry("korea", "KR"),
            Map.entry("czech republic", "CZ"),
            Map.entry("turkey", "TR"),
            Map.entry("russia", "RU"),
            Map.entry("uae", "AE"),
            Map.entry("emirates", "AE"),
            Map.entry("vatican", "VA"),
            Map.entry("macedonia", "MK"),
            Map.entry("bosnia", "BA"),
            Map.entry("ivory coast", "CI"));

    /** What people call their money, where one country comes to mind. Common practice, no source. */
    private static final Map<String, String> SHORT_MONEY = Map.ofEntries(
            Map.entry("dollar", "USD"),
            Map.entry("dollars", "USD"),
            Map.entry("pound", "GBP"),
            Map.entry("pounds", "GBP"),
            Map.entry("franc", "CHF"),
            Map.entry("francs", "CHF"),
            Map.entry("yen", "JPY"),
            Map.entry("won", "KRW"),
            Map.entry("zloty", "PLN"),
            Map.entry("yuan", "CNY"),
            Map.entry("forint", "HUF"),
            Map.entry("euros", "EUR"));

    private static final Map<String, String> COUNTRIES = countries();
    private static final Map<String, String> CURRENCIES = currencies();

    private CountryNames() {}

    /** The country of a name or code, if it is one. */
    static Optional<String> country(String typed) {
        String text = typed.strip();
        String code = text.toUpperCase(Locale.ROOT);
        if (code.length() == 2 && Countries.isCountry(code)) {
            return Optional.of(code);
        }
        return Optional.ofNullable(COUNTRIES.get(plain(text)));
    }

    /** @param path of the field, for the refusal @throws InvalidInput if it is no country's name or code */
    public static String countryOr(String path, String typed) {
        String text = typed == null ? "" : typed;
        return country(text)
                .orElseThrow(() -> new InvalidInput(
                        path,
                        text.isBlank()
                                ? Message.of("setup.country-missing")
                                : Message.of("setup.no-country-known-here", "text", text.strip()),
                        Message.of("setup.write-name", "like", like(text))));
    }

    /** A place asked for, its country by any name. @throws InvalidInput as {@link #countryOr}, also if there is none */
    public static Destination destination(String path, Destination asked) {
        return asked == null
                ? Destination.of(countryOr(path, null))
                : new Destination(countryOr(path, asked.country()), asked.region(), asked.postcode());
    }

    /** The currency of a name or code, if it is one. */
    static Optional<String> currency(String typed) {
        String code = typed.strip().toUpperCase(Locale.ROOT);
        return vestcoin.core.money.Currencies.of(code).isPresent()
                ? Optional.of(code)
                : Optional.ofNullable(CURRENCIES.get(plain(typed)));
    }

    /** @throws InvalidInput as {@link #countryOr} */
    static String currencyOr(String path, String typed) {
        return currency(typed)
                .orElseThrow(() -> new InvalidInput(
                        path,
                        Message.of("setup.no-currency-known-here", "text", typed.strip()),
                        Message.of("setup.write-name-euro-or-us-dollar-or")));
    }

    /** A place as a setup writes it: a country by any name, or what is written already. */
    static Optional<String> place(String typed) {
        String text = typed.strip();
        String upper = text.toUpperCase(Locale.ROOT);
        if (text.contains(":") || Groups.isGroup(upper) || upper.matches("[A-Z]{2}-[A-Z0-9]{1,3}")) {
            return Optional.of(upper);
        }
        return switch (plain(text)) {
            case "everywhere", "the world", "world", "uberall", "welt" -> Optional.of("WORLD");
            case "european union", "the eu", "europaische union" -> Optional.of("EU");
            default -> country(text);
        };
    }

    private static String like(String text) {
        String wanted = plain(text);
        List<String> near = wanted.length() < 3
                ? List.of()
                : COUNTRIES.keySet().stream()
                        .filter(name -> name.startsWith(wanted.substring(0, 3)))
                        .sorted(Comparator.comparingInt(name -> Math.abs(name.length() - wanted.length())))
                        .map(COUNTRIES::get)
                        .distinct()
                        .limit(3)
                        .map(Countries::name)
                        .toList();
        return near.isEmpty() ? ", as Ireland, or its two letters" : ", as " + String.join(" or ", near);
    }

    private static String plain(String text) {
        return Normalizer.normalize(text.strip().toLowerCase(Locale.ROOT), Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .replace("&", "and")
                .replaceAll("[^\\p{L}\\p{N}]+", " ")
                .strip();
    }

    private static Map<String, String> countries() {
        Map<String, String> names = new HashMap<>();
        for (ULocale language : LANGUAGES) {
            LocaleDisplayNames known = LocaleDisplayNames.getInstance(language);
            Countries.all().forEach(code -> names.putIfAbsent(plain(known.regionDisplayName(code)), code));
        }
        Countries.all()
                .forEach(code -> names.putIfAbsent(
                        new Locale.Builder()
                                .setRegion(code)
                                .build()
                                .getISO3Country()
                                .toLowerCase(Locale.ROOT),
                        code));
        names.putAll(SHORT);
        return names;
    }

    private static Map<String, String> currencies() {
        Map<String, String> names = new HashMap<>();
        for (ULocale language : LANGUAGES) {
            for (Currency currency : Currency.getAvailableCurrencies()) {
                if (vestcoin.core.money.Currencies.of(currency.getCurrencyCode())
                        .isPresent()) {
                    names.putIfAbsent(
                            plain(currency.getName(language, Currency.LONG_NAME, null)), currency.getCurrencyCode());
                    names.putIfAbsent(
                            plain(currency.getName(language, Currency.PLURAL_LONG_NAME, "other", null)),
                            currency.getCurrencyCode());
                }
            }
        }
        SHORT_MONEY.forEach(names::put);
        return names;
    }
}

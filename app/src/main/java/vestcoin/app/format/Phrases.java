package vestcoin.app.format;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.ibm.icu.number.LocalizedNumberFormatter;
import com.ibm.icu.number.NumberFormatter;
import com.ibm.icu.number.Precision;
import com.ibm.icu.text.DateFormat;
import com.ibm.icu.text.ListFormatter;
import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.text.NumberFormat;
import com.ibm.icu.util.Currency;
import com.ibm.icu.util.TimeZone;
import com.ibm.icu.util.ULocale;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.temporal.TemporalAccessor;
import java.util.ArrayList;
import java.util.Date;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import tools.jackson.databind.JsonNode;
import vestcoin.core.message.Amount;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.place.Countries;

/**
 * The catalogue in one language: phrases messages, with money, numbers, dates, lists and plurals as CLDR has them. A
 * code that a language lacks is phrased in English.
 */
public final class Phrases {
    /** Languages that letters, papers and the counter speak. */
    public static final List<String> FOR_BUYERS = List.of("en", "de", "fr", "nl", "es", "it");

    /** Languages the desk speaks. */
    public static final List<String> FOR_SELLERS = List.of("en", "de");

    /**
     * A made-up language whose every phrase stands in brackets, so that a test sees what is not phrased. ISO 639-2
     * keeps the code for local use.
     */
    public static final String BRACKETED = "qaa";

    /** As what its tax numbers begin with. */
    private static final String NORTHERN_IRELAND = "XI";

    private static final List<String> AREAS = List.of("core", "app", "letter", "paper", "counter", "desk");
    private static final String FALLBACK = "en";
    /** English where no country is named: days before months. */
    private static final String WORLD_ENGLISH = "en-001";

    private static final int MOST_LISTED = 6;
    private static final int KEPT_DECIMALS = 6;
    private static final int MOST_LANGUAGES = 200;
    private static final int LONGEST_TAG = 35;
    private static final Map<String, Map<String, String>> CATALOGUES = new ConcurrentHashMap<>();
    private static final Cache<String, Phrases> KNOWN =
            Caffeine.newBuilder().maximumSize(MOST_LANGUAGES).build();

    /** Before a code, the place of a seller's own wording among the texts of a language. */
    public static final String PREFIX = "phrases.";

    private final String tag;
    private final ULocale locale;
    private final String language;
    private final Map<String, String> patterns;
    private final Map<String, String> english;
    /** A seller's own wording, before anything that ships. */
    private final Map<String, String> own;

    private final Map<String, MessageFormat> parsed = new ConcurrentHashMap<>();
    private final Map<String, String> countries = new ConcurrentHashMap<>();
    private final Map<NumberForm, LocalizedNumberFormatter> forms = new ConcurrentHashMap<>();

    /** How a number is written. @param currency of an amount, or empty */
    private record NumberForm(String currency, int decimals) {
        LocalizedNumberFormatter in(ULocale locale) {
            LocalizedNumberFormatter plain =
                    NumberFormatter.withLocale(locale).precision(Precision.fixedFraction(decimals));
            return currency.isEmpty() ? plain : plain.unit(Currency.getInstance(currency));
        }
    }

    private Phrases(String tag) {
        this(tag, Map.of(), FALLBACK);
    }

    private Phrases(String tag, Map<String, String> own, String fallback) {
        this.tag = tag;
        this.own = own;
        this.language = Locale.forLanguageTag(tag).getLanguage();
        this.locale = ULocale.forLanguageTag(language.equals(BRACKETED) || tag.equals(FALLBACK) ? WORLD_ENGLISH : tag);
        this.patterns = language.equals(BRACKETED) ? Map.of() : catalogue(language);
        this.english = catalogue(fallback).isEmpty() ? catalogue(FALLBACK) : catalogue(fallback);
    }

    public static Phrases in(Locale locale) {
        return in(locale.toLanguageTag());
    }

    /** @param tag BCP 47, such as {@code de-CH}: German words, the numbers of Switzerland */
    public static Phrases in(String tag) {
        String known = tag.isEmpty() || tag.length() > LONGEST_TAG ? FALLBACK : tag;
        return KNOWN.get(known, Phrases::new);
    }

    /**
     * This language with a seller's own wording.
     *
     * @param own patterns by {@link #PREFIX} and code
     * @param shop the shop's language, in which stands what this one lacks
     */
    public Phrases worded(Map<String, String> own, String shop) {
        Map<String, String> phrases = new HashMap<>();
        own.forEach((place, text) -> {
            if (place.startsWith(PREFIX) && !text.isBlank()) {
                phrases.put(place.substring(PREFIX.length()), text);
            }
        });
        String fallback = Locale.forLanguageTag(shop).getLanguage();
        return phrases.isEmpty() && (!patterns.isEmpty() || language.equals(BRACKETED))
                ? this
                : new Phrases(tag, Map.copyOf(phrases), fallback);
    }

    /** The seller's own patterns by code. */
    public Map<String, String> own() {
        return own;
    }

    /** The patterns of a language by code; empty where it has none. */
    public static Map<String, String> catalogue(String language) {
        return CATALOGUES.computeIfAbsent(language, Phrases::load);
    }

    private static Map<String, String> load(String language) {
        Map<String, String> all = new HashMap<>();
        if (!language.matches("[a-z]{2,3}")) {
            return all;
        }
        for (String area : AREAS) {
            try (InputStream in = Phrases.class.getResourceAsStream("/catalogue/" + language + "/" + area + ".json")) {
                if (in != null) {
                    for (Map.Entry<String, JsonNode> each : Json.tree(
                                    new String(in.readAllBytes(), StandardCharsets.UTF_8))
                            .properties()) {
                        all.put(each.getKey(), each.getValue().asString());
                    }
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return Map.copyOf(all);
    }

    /** Codes that buyers meet: all of counter, letters and papers, and what else the shipped languages word. */
    public static Set<String> forBuyers() {
        return catalogue("fr").keySet();
    }

    /** Whether the language itself has the code. */
    public boolean has(String code) {
        return patterns.containsKey(code);
    }

    public String say(String code, Object... namesAndValues) {
        return say(Message.of(code, namesAndValues));
    }

    public String say(Message message) {
        if (message.isName()) {
            return message.text();
        }
        String pattern =
                own.getOrDefault(message.code(), patterns.getOrDefault(message.code(), english.get(message.code())));
        if (pattern == null) {
            return message.code();
        }
        String said = message.args().isEmpty() && pattern.indexOf('{') < 0 ? pattern : formatted(message, pattern);
        return language.equals(BRACKETED) ? "[" + said + "]" : said;
    }

    private String formatted(Message message, String pattern) {
        MessageFormat format =
                (MessageFormat) parsed.computeIfAbsent(message.code(), code -> new MessageFormat(pattern, locale))
                        .clone();
        Map<String, Object> values = new HashMap<>();
        message.args().forEach((name, value) -> values.put(name, value(value)));
        return format.format(values);
    }

    /** Whole numbers stay numbers, for plurals; everything else becomes text. */
    private Object value(Object value) {
        return value instanceof Integer || value instanceof Long ? value : text(value);
    }

    private String text(Object value) {
        if (value instanceof Message message) {
            return say(message);
        } else if (value instanceof Amount amount) {
            return money(amount.value(), amount.currency());
        } else if (value instanceof Region region) {
            return region(region.code());
        } else if (value instanceof BigDecimal number) {
            return number(number);
        } else if (value instanceof List<?> list) {
            return list(list.stream().map(this::text).toList());
        } else if (value instanceof TemporalAccessor time) {
            return time(time);
        }
        return value instanceof Integer || value instanceof Long
                ? NumberFormat.getIntegerInstance(locale).format(value)
                : String.valueOf(value);
    }

    /** With the decimals it has. */
    public String number(BigDecimal number) {
        return written(number, "");
    }

    /** With ISO 4217's decimals, which are those the amount has. */
    public String money(BigDecimal amount, String currency) {
        return written(amount, currency);
    }

    private String written(BigDecimal number, String currency) {
        NumberForm form = new NumberForm(currency, Math.max(0, number.scale()));
        LocalizedNumberFormatter known = forms.get(form);
        if (known == null) {
            known = form.in(locale);
            // More decimals than money has are rare, and may be anything.
            if (form.decimals() <= KEPT_DECIMALS) {
                forms.put(form, known);
            }
        }
        return known.format(number).toString();
    }

    /** The name of a country in this language; a part of one by its own name. */
    public String region(String code) {
        if (code.equals(NORTHERN_IRELAND)) {
            return Countries.name("GB-NIR");
        }
        if (code.length() != 2) {
            return Countries.name(code);
        }
        return Countries.isCountry(code) ? countries.computeIfAbsent(code, this::country) : country(code);
    }

    private String country(String code) {
        return ULocale.getDisplayCountry("und-" + code, locale);
    }

    /** Some names and how many more there are. */
    public String list(List<String> names) {
        List<String> listed = names;
        if (names.size() > MOST_LISTED) {
            listed = new ArrayList<>(names.subList(0, MOST_LISTED - 1));
            listed.add(say("list.more", "count", names.size() - MOST_LISTED + 1));
        }
        return ListFormatter.getInstance(locale).format(listed);
    }

    /** A day, a time of day, or both, by the clock they are given in. */
    public String time(TemporalAccessor time) {
        if (time instanceof LocalDate day) {
            return date(DateFormat.getDateInstance(DateFormat.LONG, locale), day.atStartOfDay());
        } else if (time instanceof LocalDateTime at) {
            return date(DateFormat.getDateTimeInstance(DateFormat.LONG, DateFormat.SHORT, locale), at);
        } else if (time instanceof LocalTime at) {
            return date(DateFormat.getTimeInstance(DateFormat.SHORT, locale), at.atDate(LocalDate.EPOCH));
        }
        return String.valueOf(time);
    }

    /** A day with its weekday. */
    public String weekday(LocalDate day) {
        return date(DateFormat.getDateInstance(DateFormat.FULL, locale), day.atStartOfDay());
    }

    private static String date(DateFormat format, LocalDateTime at) {
        format.setTimeZone(TimeZone.GMT_ZONE);
        return format.format(Date.from(at.toInstant(ZoneOffset.UTC)));
    }

    /** The language's subtag, as {@code de}. */
    public String language() {
        return language;
    }
}

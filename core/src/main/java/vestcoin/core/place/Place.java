package vestcoin.core.place;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problems;

/** A place a rule is about. Written in the setup as text; {@link #text()} gives the text back. */
public sealed interface Place {

    boolean contains(Destination destination);

    /** Whether any part of a country is in it. */
    boolean reaches(String country);

    String text();

    /** A country of ISO 3166-1: {@code IE}. */
    record Country(String code) implements Place {
        @Override
        public boolean contains(Destination destination) {
            return code.equals(destination.country());
        }

        @Override
        public boolean reaches(String country) {
            return code.equals(country);
        }

        @Override
        public String text() {
            return code;
        }
    }

    /** A subdivision of ISO 3166-2 with all below it: {@code US-NC}. */
    record Subdivision(String code) implements Place {
        @Override
        public boolean contains(Destination destination) {
            return destination.regions().contains(code);
        }

        @Override
        public boolean reaches(String country) {
            return code.startsWith(country + "-");
        }

        @Override
        public String text() {
            return code;
        }
    }

    /** Postcodes of one country: {@code GB:BT}, {@code IE:H91,D01..D24}. */
    record Postcodes(String country, List<PostcodeRule> rules) implements Place {
        public Postcodes {
            rules = List.copyOf(rules);
        }

        @Override
        public boolean contains(Destination destination) {
            return country.equals(destination.country())
                    && destination
                            .code()
                            .filter(code -> rules.stream().anyMatch(rule -> rule.matches(code)))
                            .isPresent();
        }

        @Override
        public boolean reaches(String other) {
            return country.equals(other);
        }

        @Override
        public String text() {
            return country + ":" + rules.stream().map(PostcodeRule::text).collect(Collectors.joining(","));
        }
    }

    /** A named group of countries: {@code EU}, {@code WORLD}. */
    record Group(String name) implements Place {
        @Override
        public boolean contains(Destination destination) {
            return reaches(destination.country());
        }

        @Override
        public boolean reaches(String country) {
            return Groups.countriesOf(name).contains(country);
        }

        @Override
        public String text() {
            return name;
        }
    }

    /**
     * Reads a place. The text decides which kind it is; whether the country or group exists is told by {@link #check},
     * so that a setup with several unknown places is refused with all of them.
     */
    static Place parse(String written) {
        String text = written.strip().toUpperCase(Locale.ROOT);
        int colon = text.indexOf(':');
        if (colon > 0) {
            String country = text.substring(0, colon).strip();
            return new Postcodes(
                    country,
                    Arrays.stream(text.substring(colon + 1).split(","))
                            .map(String::strip)
                            .filter(s -> !s.isEmpty())
                            .map(rule -> PostcodeRule.parse(country.isEmpty() ? "??" : country, rule))
                            .toList());
        }
        if (Groups.isGroup(text)) {
            return new Group(text);
        }
        return text.indexOf('-') == 2 ? new Subdivision(text) : new Country(text);
    }

    /**
     * Destinations that stand for a place: each country of a group, a subdivision, the beginning of each postcode rule.
     */
    static List<Destination> samples(Place place) {
        if (place instanceof Group group) {
            return Groups.countriesOf(group.name).stream()
                    .sorted()
                    .map(Destination::of)
                    .toList();
        }
        if (place instanceof Subdivision subdivision) {
            return List.of(
                    new Destination(subdivision.code.substring(0, 2), Optional.of(subdivision.code), Optional.empty()));
        }
        if (place instanceof Postcodes postcodes) {
            return postcodes.rules.stream()
                    .map(rule -> Destination.of(
                            postcodes.country,
                            rule instanceof PostcodeRule.Range range
                                    ? range.from()
                                    : rule instanceof PostcodeRule.UkArea
                                            ? rule.text() + "1 1AA"
                                            : rule instanceof PostcodeRule.UkOutward
                                                    ? rule.text() + " 1AA"
                                                    : rule.text()))
                    .toList();
        }
        return List.of(Destination.of(((Country) place).code));
    }

    /** Adds a problem for every part of the place that does not exist. */
    static void check(Place place, String path, Problems problems) {
        if (place instanceof Country country) {
            problems.when(
                    !Countries.isCountry(country.code),
                    path,
                    Message.of("place.not-country-code-2", "code", country.code),
                    Message.of("place.write-two-letters-of-iso-3166-1"));
        } else if (place instanceof Subdivision subdivision) {
            problems.when(
                    !Countries.isSubdivision(subdivision.code),
                    path,
                    Message.of("place.not-region-code", "code", subdivision.code),
                    Message.of("place.write-code-of-iso-3166-2-us"));
        } else if (place instanceof Postcodes postcodes) {
            if (!problems.when(
                    !Countries.isCountry(postcodes.country),
                    path,
                    Message.of("place.not-country-code", "country", postcodes.country),
                    Message.of("place.write-country-before-colon-gb-bt"))) {
                problems.when(
                        postcodes.rules.isEmpty(),
                        path,
                        Message.of("place.no-postcode-follows", "country", postcodes.country),
                        Message.of("place.write-beginnings-or-ranges-after-colon-gb"));
                for (PostcodeRule rule : postcodes.rules) {
                    checkRule(rule, path, problems);
                }
            }
        }
    }

    private static void checkRule(PostcodeRule rule, String path, Problems problems) {
        problems.when(
                !rule.text().matches("[A-Z0-9]+(\\.\\.[A-Z0-9]+)?"),
                path,
                Message.of("place.not-postcode", "rule", rule.text()),
                Message.of("place.use-letters-and-digits-range-has-two"));
        problems.when(
                rule instanceof PostcodeRule.Range range && !range.inOrder(),
                path,
                Message.of("place.range-runs-backwards", "rule", rule.text()),
                Message.of("place.write-lower-postcode-first"));
    }
}

package vestcoin.core.place;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vestcoin.core.message.Message;
import vestcoin.core.message.Region;
import vestcoin.core.problem.Problems;

/**
 * Where an order goes, as far as it is known.
 *
 * @param country ISO 3166-1 alpha-2
 * @param region ISO 3166-2, if known
 * @param postcode as typed, if known
 */
public record Destination(String country, Optional<String> region, Optional<String> postcode) {
    public Destination {
        region = region == null ? Optional.empty() : region.filter(text -> !text.isBlank());
        postcode = postcode == null ? Optional.empty() : postcode.filter(text -> !text.isBlank());
    }

    public static Destination of(String country) {
        return new Destination(country, Optional.empty(), Optional.empty());
    }

    public static Destination of(String country, String postcode) {
        return new Destination(country, Optional.empty(), Optional.of(postcode));
    }

    /** The postcode as rules compare it. */
    Optional<String> code() {
        return postcode.map(typed -> PostcodeRule.normal(country, typed));
    }

    /** The region its postcode lies in, in countries whose postcodes tell. */
    public Optional<String> regionOfPostcode() {
        return code().flatMap(known -> PostcodeRegions.of(country, known));
    }

    /**
     * The region and those that hold it, the deepest first; where no region is named, that of the postcode if it tells.
     */
    public List<String> regions() {
        List<String> regions = new ArrayList<>();
        Optional<String> next = region.or(this::regionOfPostcode);
        while (next.isPresent()) {
            regions.add(next.get());
            next = Countries.parentOf(next.get());
        }
        return regions;
    }

    /** Whether such a place can be: the beginning of a postcode stands for many places, and is none itself. */
    public boolean whole() {
        Problems problems = new Problems();
        check("", problems);
        return problems.list().isEmpty();
    }

    /** Adds what does not exist, or does not fit its country. */
    public void check(String path, Problems problems) {
        if (country == null || !Countries.isCountry(country)) {
            problems.add(
                    path + "/country",
                    Message.of("place.not-country-code", "country", country),
                    Message.of("place.choose-country-from-list-or-write-two"));
            return;
        }
        region.ifPresent(code -> problems.when(
                !Countries.isSubdivision(code) || !code.startsWith(country + "-"),
                path + "/region",
                Message.of("place.not-region-of", "code", code, "country", new Region(country)),
                Message.of("place.write-iso-3166-2-code-us-nc")));
        if (postcode.isPresent() && !Countries.fits(country, postcode.get())) {
            problems.add(
                    path + "/postcode",
                    Message.of("place.not-postcode-of", "postcode", postcode.get(), "country", new Region(country)),
                    Message.of("place.check-postcode-and-country-one-of-them"));
            return;
        }
        if (region.isPresent() && postcode.isPresent()) {
            regionOfPostcode()
                    .filter(other -> !regions().contains(other))
                    .ifPresent(other -> problems.add(
                            path + "/postcode",
                            Message.of(
                                    "place.postcode-of-not-of",
                                    "postcode",
                                    postcode.get(),
                                    "country",
                                    new Region(other),
                                    "country2",
                                    new Region(region.get())),
                            Message.of("place.choose-region-postcode-lies-in-or-mend")));
        }
    }
}

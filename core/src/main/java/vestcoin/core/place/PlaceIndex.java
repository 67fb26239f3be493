package vestcoin.core.place;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;

/**
 * Finds, of many rules about places, the one that holds for a destination: a postcode wins over a subdivision, a deeper
 * subdivision over a shallower, then country, then group; within a level the rule that covers fewer codes. A place
 * taken out of a rule falls to the next less specific one. Looking up costs the length of a postcode, not the number of
 * rules, and of a place asked about lately nothing.
 *
 * @param <T> what a rule is about
 */
public final class PlaceIndex<T> {
    /** So many destinations are remembered: one order asks about the same few again and again. */
    private static final int REMEMBERED = 250;

    /**
     * A rule about places.
     *
     * @param id decides between rules that tie: the smaller wins
     * @param except places taken out
     */
    public record Entry<T>(String id, T value, List<Place> places, List<Place> except) {
        boolean takesOut(Destination destination) {
            for (Place place : except) {
                if (place.contains(destination)) {
                    return true;
                }
            }
            return false;
        }
    }

    /**
     * The rule that holds.
     *
     * @param by the place that decided
     * @param tied ids of other rules that hold just as specifically; the setup is undecided there
     */
    public record Match<T>(T value, Place by, List<String> tied) {}

    /** @param countries how many countries a group leaves, after exceptions; 1 for any other place */
    private record Candidate<T>(Entry<T> entry, Place by, PostcodeRule.Coverage coverage, int countries) {
        Candidate(Entry<T> entry, Place by, PostcodeRule.Coverage coverage) {
            this(entry, by, coverage, by instanceof Place.Group group ? countriesLeft(group, entry.except()) : 1);
        }
    }

    private static final class Land<T> {
        final Map<String, List<Candidate<T>>> prefixes = new HashMap<>();
        final Map<String, List<Candidate<T>>> areas = new HashMap<>();
        final Map<String, List<Candidate<T>>> outwards = new HashMap<>();
        final Map<String, List<Candidate<T>>> ranges = new HashMap<>();
        final List<Candidate<T>> whole = new ArrayList<>();
        int longest;
    }

    private final Map<String, Land<T>> lands = new HashMap<>();
    private final Map<String, List<Candidate<T>>> subdivisions = new HashMap<>();
    private final Map<String, List<Candidate<T>>> groups = new HashMap<>();
    private final Map<Destination, Rules<T>> remembered = new ConcurrentHashMap<>();

    private PlaceIndex() {}

    public static <T> PlaceIndex<T> of(Collection<Entry<T>> entries) {
        PlaceIndex<T> index = new PlaceIndex<>();
        for (Entry<T> entry : entries) {
            for (Place place : entry.places()) {
                index.add(entry, place);
            }
        }
        index.groups.values().forEach(list -> list.sort(Comparator.comparingInt(Candidate::countries)));
        return index;
    }

    private static int countriesLeft(Place.Group of, List<Place> except) {
        Set<String> countries = new LinkedHashSet<>(Groups.countriesOf(of.name()));
        for (Place taken : except) {
            if (taken instanceof Place.Country country) {
                countries.remove(country.code());
            } else if (taken instanceof Place.Group group) {
                countries.removeAll(Groups.countriesOf(group.name()));
            }
        }
        return countries.size();
    }

    private void add(Entry<T> entry, Place place) {
        if (place instanceof Place.Country country) {
            land(country.code()).whole.add(new Candidate<>(entry, place, PostcodeRule.Coverage.EVERYTHING));
        } else if (place instanceof Place.Subdivision subdivision) {
            subdivisions
                    .computeIfAbsent(subdivision.code(), k -> new ArrayList<>())
                    .add(new Candidate<>(entry, place, PostcodeRule.Coverage.EVERYTHING));
        } else if (place instanceof Place.Group group) {
            Candidate<T> candidate = new Candidate<>(entry, place, PostcodeRule.Coverage.EVERYTHING);
            for (String country : Groups.countriesOf(group.name())) {
                groups.computeIfAbsent(country, k -> new ArrayList<>()).add(candidate);
            }
        } else if (place instanceof Place.Postcodes postcodes) {
            Land<T> land = land(postcodes.country());
            for (PostcodeRule rule : postcodes.rules()) {
                addRule(land, rule, new Candidate<>(entry, place, rule.coverage()));
            }
        }
    }

    private void addRule(Land<T> land, PostcodeRule rule, Candidate<T> candidate) {
        Map<String, List<Candidate<T>>> map;
        String key = rule.text();
        if (rule instanceof PostcodeRule.UkArea) {
            map = land.areas;
        } else if (rule instanceof PostcodeRule.UkOutward) {
            map = land.outwards;
        } else if (rule instanceof PostcodeRule.Range range) {
            map = land.ranges;
            key = commonStart(range.from(), range.to());
        } else {
            map = land.prefixes;
        }
        land.longest = Math.max(land.longest, key.length());
        map.computeIfAbsent(key, k -> new ArrayList<>()).add(candidate);
    }

    /**
     * Ranges are filed under the characters both bounds begin with, if the bounds are of one length, else under none.
     */
    private static String commonStart(String from, String to) {
        int n = 0;
        while (from.length() == to.length() && n < from.length() && from.charAt(n) == to.charAt(n)) {
            n++;
        }
        return from.substring(0, n);
    }

    private Land<T> land(String country) {
        return lands.computeIfAbsent(country, k -> new Land<>());
    }

    /** The rule that holds for this destination, or nothing when none does. */
    public Optional<Match<T>> find(Destination destination) {
        return at(destination).find();
    }

    /** The rule that holds for this destination among those in force, or nothing when none does. */
    public Optional<Match<T>> find(Destination destination, Predicate<T> inForce) {
        return at(destination).find(inForce);
    }

    /** The rules about one destination, found once to be asked several times. */
    public Rules<T> at(Destination destination) {
        Rules<T> known = remembered.get(destination);
        if (known == null) {
            known = rules(destination);
            if (remembered.size() >= REMEMBERED) {
                remembered.clear();
            }
            remembered.put(destination, known);
        }
        return known;
    }

    private Rules<T> rules(Destination destination) {
        Land<T> land = lands.get(destination.country());
        List<List<Candidate<T>>> levels = new ArrayList<>();
        if (land != null && destination.postcode().isPresent()) {
            levels.add(byPostcode(land, destination));
        }
        if (!subdivisions.isEmpty()) {
            for (String region : destination.regions()) {
                levels.add(subdivisions.getOrDefault(region, List.of()));
            }
        }
        if (land != null) {
            levels.add(land.whole);
        }
        return new Rules<>(destination, levels, groups.getOrDefault(destination.country(), List.of()));
    }

    /** What an index has about one destination. */
    public static final class Rules<T> {
        private final Destination destination;
        /** The more specific first. */
        private final List<List<Candidate<T>>> levels;

        private final List<Candidate<T>> groups;
        private volatile Optional<Match<T>> first;

        private Rules(Destination destination, List<List<Candidate<T>>> levels, List<Candidate<T>> groups) {
            this.destination = destination;
            this.levels = levels;
            this.groups = groups;
        }

        /** The rule that holds, or nothing when none does. */
        public Optional<Match<T>> find() {
            Optional<Match<T>> known = first;
            if (known == null) {
                known = find(all -> true);
                first = known;
            }
            return known;
        }

        /** The rule that holds among those in force, or nothing when none does. */
        public Optional<Match<T>> find(Predicate<T> inForce) {
            for (List<Candidate<T>> level : levels) {
                Optional<Match<T>> match = best(level, destination, inForce);
                if (match.isPresent()) {
                    return match;
                }
            }
            return smallestGroup(groups, destination, inForce);
        }
    }

    private List<Candidate<T>> byPostcode(Land<T> land, Destination destination) {
        String code = destination.code().orElseThrow();
        List<Candidate<T>> found = new ArrayList<>();
        for (int n = Math.min(code.length(), land.longest); n >= 0; n--) {
            String start = code.substring(0, n);
            List<Candidate<T>> starting = land.prefixes.get(start);
            if (starting != null) {
                found.addAll(starting);
            }
            for (Candidate<T> candidate : land.ranges.getOrDefault(start, List.of())) {
                if (candidate.by().contains(destination)) {
                    found.add(candidate);
                }
            }
        }
        if (!land.areas.isEmpty() || !land.outwards.isEmpty()) {
            String outward = PostcodeRule.outward(code);
            found.addAll(land.outwards.getOrDefault(outward, List.of()));
            if (outward.length() > 2 && Character.isLetter(outward.charAt(outward.length() - 1))) {
                found.addAll(land.outwards.getOrDefault(outward.substring(0, outward.length() - 1), List.of()));
            }
            found.addAll(land.areas.getOrDefault(outward.replaceAll("[0-9].*", ""), List.of()));
        }
        return found;
    }

    private static <T> Optional<Match<T>> best(
            List<Candidate<T>> candidates, Destination destination, Predicate<T> inForce) {
        if (candidates.isEmpty()) {
            return Optional.empty();
        }
        List<Candidate<T>> best = new ArrayList<>();
        for (Candidate<T> candidate : candidates) {
            if (!holds(candidate, destination, inForce)) {
                continue;
            }
            int order = best.isEmpty()
                    ? 0
                    : candidate.coverage().compareTo(best.get(0).coverage());
            if (order < 0) {
                best.clear();
            }
            if (order <= 0) {
                best.add(candidate);
            }
        }
        return match(best);
    }

    private static <T> Optional<Match<T>> smallestGroup(
            List<Candidate<T>> groups, Destination destination, Predicate<T> inForce) {
        List<Candidate<T>> best = new ArrayList<>();
        for (Candidate<T> candidate : groups) {
            if (!holds(candidate, destination, inForce)) {
                continue;
            }
            if (!best.isEmpty() && candidate.countries() > best.get(0).countries()) {
                break;
            }
            best.add(candidate);
        }
        return match(best);
    }

    private static <T> boolean holds(Candidate<T> candidate, Destination destination, Predicate<T> inForce) {
        return !candidate.entry().takesOut(destination)
                && inForce.test(candidate.entry().value());
    }

    private static <T> Optional<Match<T>> match(List<Candidate<T>> best) {
        if (best.isEmpty()) {
            return Optional.empty();
        }
        if (best.size() == 1) {
            return Optional.of(
                    new Match<>(best.get(0).entry().value(), best.get(0).by(), List.of()));
        }
        best.sort(Comparator.comparing(candidate -> candidate.entry().id()));
        Candidate<T> first = best.get(0);
        List<String> tied = best.stream()
                .map(c -> c.entry().id())
                .distinct()
                .filter(id -> !id.equals(first.entry().id()))
                .toList();
        return Optional.of(new Match<>(first.entry().value(), first.by(), tied));
    }
}

package vestcoin.core.place;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A set of postcodes in one country. Codes are compared in upper case without spaces and hyphens. */
public sealed interface PostcodeRule {
    Pattern UK_OUTWARD = Pattern.compile("[A-Z]{1,2}[0-9][0-9A-Z]?");
    Pattern RUN = Pattern.compile("[A-Z]+|[0-9]+");

    boolean matches(String code);

    /** What part of all codes of this length and make it covers: the smaller part is the more specific rule. */
    Coverage coverage();

    String text();

    /** A code as it is compared: upper case, no spaces or hyphens, no leading country letter before digits. */
    static String normal(String country, String typed) {
        String code = compact(typed);
        if (code.startsWith(country) && (digitsFrom(code, 2) || code.startsWith("0", 2))) {
            return code.substring(2);
        }
        boolean letterFirst = code.length() > 4 && code.charAt(0) == country.charAt(0) && digitsFrom(code, 1);
        return letterFirst && !country.equals("GB") && !country.equals("IE") ? code.substring(1) : code;
    }

    private static String compact(String typed) {
        StringBuilder code = new StringBuilder(typed.length());
        for (char c : typed.toUpperCase(Locale.ROOT).toCharArray()) {
            if (c != '-' && !Character.isWhitespace(c)) {
                code.append(c);
            }
        }
        return code.toString();
    }

    /** Whether there is a digit from this place on, and nothing but digits. */
    private static boolean digitsFrom(String code, int from) {
        for (int i = from; i < code.length(); i++) {
            if (code.charAt(i) < '0' || code.charAt(i) > '9') {
                return false;
            }
        }
        return code.length() > from;
    }

    /** Reads {@code H91} or {@code 10000..12999}. */
    static PostcodeRule parse(String country, String text) {
        int dots = text.indexOf("..");
        if (dots >= 0) {
            return new Range(
                    country, normal(country, text.substring(0, dots)), normal(country, text.substring(dots + 2)));
        }
        String code = normal(country, text);
        if (country.equals("GB")) {
            if (!code.matches(".*[0-9].*")) {
                return new UkArea(code);
            }
            if (UK_OUTWARD.matcher(code).matches()) {
                return new UkOutward(code);
            }
        }
        return new Prefix(code);
    }

    /** The outward part of a full UK code: all but its last three characters. */
    static String outward(String code) {
        return code.length() > 4 ? code.substring(0, code.length() - 3) : code;
    }

    /** Codes that begin with these characters; five US digits match nine. */
    record Prefix(String text) implements PostcodeRule {
        @Override
        public boolean matches(String code) {
            return code.startsWith(text);
        }

        @Override
        public Coverage coverage() {
            return Coverage.of(BigInteger.ONE, text);
        }
    }

    /** A UK postcode area: the codes whose leading letters are exactly these, so {@code B} is not {@code BT}. */
    record UkArea(String text) implements PostcodeRule {
        @Override
        public boolean matches(String code) {
            return code.startsWith(text)
                    && code.length() > text.length()
                    && Character.isDigit(code.charAt(text.length()));
        }

        @Override
        public Coverage coverage() {
            return Coverage.of(BigInteger.ONE, text);
        }
    }

    /** A UK outward code, also with one letter more: {@code W1} covers {@code W1A}, {@code E1} is not {@code E10}. */
    record UkOutward(String text) implements PostcodeRule {
        @Override
        public boolean matches(String code) {
            String outward = outward(code);
            return outward.equals(text)
                    || outward.length() == text.length() + 1
                            && outward.startsWith(text)
                            && Character.isLetter(outward.charAt(text.length()));
        }

        @Override
        public Coverage coverage() {
            return Coverage.of(BigInteger.ONE, text);
        }
    }

    /** Codes between two bounds, both included; letter runs compare as text and digit runs as numbers. */
    record Range(String country, String from, String to) implements PostcodeRule {
        @Override
        public boolean matches(String code) {
            String compared = comparable(code);
            return compare(compared, from) >= 0 && compare(compared, to) <= 0;
        }

        private String comparable(String code) {
            return country.equals("GB") ? outward(code) : code;
        }

        /** A bound of digits alone that is shorter than the code stands for all codes that begin with it. */
        private static int compare(String whole, String bound) {
            String code = whole.length() > bound.length() && digitsFrom(bound, 0) && digitsFrom(whole, 0)
                    ? whole.substring(0, bound.length())
                    : whole;
            List<String> left = runs(code);
            List<String> right = runs(bound);
            for (int i = 0; i < right.size(); i++) {
                if (i >= left.size()) {
                    return -1;
                }
                int order = compareRun(left.get(i), right.get(i));
                if (order != 0) {
                    return order;
                }
            }
            return 0;
        }

        private static int compareRun(String a, String b) {
            if (Character.isDigit(a.charAt(0)) && Character.isDigit(b.charAt(0))) {
                return new BigInteger(a).compareTo(new BigInteger(b));
            }
            return a.compareTo(b);
        }

        /** Whether the first bound is not above the second. */
        boolean inOrder() {
            return compare(from, to) <= 0;
        }

        @Override
        public Coverage coverage() {
            List<String> low = runs(from);
            List<String> high = runs(to);
            String last = low.isEmpty() ? "" : low.get(low.size() - 1);
            boolean counted = low.size() == high.size()
                    && !last.isEmpty()
                    && Character.isDigit(last.charAt(0))
                    && low.subList(0, low.size() - 1).equals(high.subList(0, high.size() - 1));
            BigInteger width = counted
                    ? new BigInteger(high.get(high.size() - 1))
                            .subtract(new BigInteger(last))
                            .add(BigInteger.ONE)
                    : BigInteger.valueOf(26);
            return Coverage.of(width.max(BigInteger.ONE), from);
        }

        @Override
        public String text() {
            return from + ".." + to;
        }
    }

    private static List<String> runs(String code) {
        List<String> runs = new ArrayList<>();
        Matcher matcher = RUN.matcher(code);
        while (matcher.find()) {
            runs.add(matcher.group());
        }
        return runs;
    }

    /** A part of all codes of one make, as a fraction. */
    record Coverage(BigInteger part, BigInteger all) implements Comparable<Coverage> {
        static final Coverage EVERYTHING = new Coverage(BigInteger.ONE, BigInteger.ONE);

        static Coverage of(BigInteger part, String make) {
            BigInteger all = BigInteger.ONE;
            for (char c : make.toCharArray()) {
                all = all.multiply(BigInteger.valueOf(Character.isDigit(c) ? 10 : 26));
            }
            return new Coverage(part, all);
        }

        @Override
        public int compareTo(Coverage other) {
            return part.multiply(other.all).compareTo(other.part.multiply(all));
        }
    }
}

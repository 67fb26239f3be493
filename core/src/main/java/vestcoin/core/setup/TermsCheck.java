package vestcoin.core.setup;

import com.ibm.icu.text.MessageFormat;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problems;
import vestcoin.core.terms.Asking;
import vestcoin.core.terms.CallOff;
import vestcoin.core.terms.Facts;
import vestcoin.core.terms.SellerNotice;
import vestcoin.core.terms.Terms;
import vestcoin.core.terms.Terms.Letter;

/** What cannot be said to a buyer: letters without a subject, names in braces that mean nothing. */
final class TermsCheck {
    /** Before a code, the place of a seller\'s own wording of a phrase of ours. */
    private static final String PHRASES = "phrases.";

    private static final Pattern BRACES = Pattern.compile("\\{([^{}]*)}");
    private static final int LONGEST_WORDS = 500;
    private static final int LONGEST_TEXT = 50_000;
    private static final int MOST_HOURS = 720;

    private TermsCheck() {}

    static void check(Setup setup, Checks checks) {
        Problems problems = checks.problems;
        Terms terms = setup.terms();
        Set<String> groups =
                setup.goods().groups().stream().map(group -> group.id()).collect(Collectors.toSet());
        terms.callOff()
                .flatMap(CallOff::hours)
                .ifPresent(hours -> problems.when(
                        hours < 1 || hours > MOST_HOURS,
                        "terms/callOff/hours",
                        Message.of(
                                "setup.has-to-from-to",
                                "what",
                                Message.of("setup.hours-to-call-off"),
                                "least",
                                1,
                                "most",
                                MOST_HOURS),
                        Message.of("setup.write-number-within")));
        notices(terms, problems);
        terms.exceptions()
                .keySet()
                .forEach(group -> problems.when(
                        !groups.contains(group),
                        "terms/exceptions/" + group,
                        Message.of("setup.there-no-group", "group", group),
                        Message.of("setup.choose-one-of-goods-groups")));
        Set<String> coded = setup.discounts().rules().stream()
                .filter(rule -> rule.code().isPresent())
                .map(Discounts.Rule::id)
                .collect(Collectors.toSet());
        asking(terms.asking(), setup.ways(), coded, problems);
        extras(terms.asking(), checks);
        offered(setup, checks);
        terms.letters().forEach((occasion, byLanguage) -> {
            String path = "terms/letters/" + occasion;
            if (!problems.when(
                    !Letter.OCCASIONS.contains(occasion),
                    path,
                    Message.of("setup.there-no-letter", "occasion", occasion),
                    Message.of("setup.choose-one-of", "names", Letter.OCCASIONS))) {
                byLanguage.forEach((language, letter) -> letter(letter, path + "/" + language, problems));
            }
        });
        terms.texts()
                .forEach((kind, byLanguage) -> byLanguage.forEach(
                        (language, text) -> text(text, "terms/texts/" + kind + "/" + language, problems)));
        terms.words()
                .forEach((language, words) -> words.forEach((place, text) -> problems.when(
                        text == null || text.length() > LONGEST_WORDS,
                        "terms/words/" + language + "/" + place,
                        Message.of("setup.text-longer-than-characters", "longestwords", LONGEST_WORDS),
                        Message.of("setup.shorten"))));
        terms.words()
                .forEach((language, words) -> words.forEach((place, text) -> {
                    if (text != null && place.startsWith(PHRASES)) {
                        phrase("terms/words/" + language + "/" + place, text, problems);
                    }
                }));
    }

    /** A phrase's places stand in braces (ICU MessageFormat). */
    private static void phrase(String path, String text, Problems problems) {
        try {
            new MessageFormat(text);
        } catch (IllegalArgumentException e) {
            problems.add(
                    path,
                    Message.of("setup.braces-of-this-phrase-do-not-fit"),
                    Message.of("setup.keep-names-in-braces-as-in-the-original"));
        }
    }

    private static void notices(Terms terms, Problems problems) {
        problems.when(
                terms.notices().size() > SellerNotice.MOST,
                "terms/notices",
                Message.of("setup.more-notices-than", "most", SellerNotice.MOST),
                Message.of("setup.take-some-away"));
        Set<String> ids = new HashSet<>();
        for (SellerNotice notice : terms.notices()) {
            String path = "terms/notices/" + notice.id();
            problems.when(
                    notice.id() == null || !notice.id().matches("[a-z0-9]+(-[a-z0-9]+)*"),
                    path,
                    Message.of("setup.cannot-id-2", "extra", notice.id()),
                    Message.of("setup.use-small-letters-digits-and-hyphens"));
            problems.when(
                    !ids.add(notice.id()),
                    path,
                    Message.of("setup.two-fields-have-id", "extra", notice.id()),
                    Message.of("setup.rename-one"));
            problems.when(
                    !MailForm.fits(notice.email()),
                    path + "/email",
                    Message.of("finding.not-e-mail-address", "email", notice.email()),
                    Message.of("finding.write-hello-my-shop-example"));
        }
    }

    private static void known(List<String> named, Set<String> ways, String path, Problems problems) {
        named.forEach(way -> problems.when(
                !ways.contains(way),
                path,
                Message.of("setup.no-such-way-of-delivery", "way", way),
                Message.of("setup.choose-one-of-ways-of-delivery")));
    }

    private static void asking(Asking asking, Set<String> ways, Set<String> coded, Problems problems) {
        known(asking.companyWith(), ways, "terms/asking/companyWith", problems);
        known(asking.phoneWith(), ways, "terms/asking/phoneWith", problems);
        asking.leastAge()
                .ifPresent(age -> problems.when(
                        age < 1 || age > Asking.OLDEST,
                        "terms/asking/leastAge",
                        Message.of("setup.cannot-least-age", "age", age),
                        Message.of("setup.type-years-from-1-to", "oldest", Asking.OLDEST)));
        asking.remindAfter()
                .ifPresent(hours -> problems.when(
                        hours < 1 || hours > Asking.LONGEST_WAIT,
                        "terms/asking/remindAfter",
                        Message.of("setup.reminder-cannot-wait-for-hours", "hours", hours),
                        Message.of("setup.type-hours-from-1-to", "longestwait", Asking.LONGEST_WAIT)));
        asking.remindWith().ifPresent(with -> {
            problems.when(
                    !coded.contains(with.discount()),
                    "terms/asking/remindWith",
                    Message.of("setup.no-discount-with-a-code", "id", with.discount()),
                    Message.of("setup.choose-discount-with-a-code"));
            problems.when(
                    with.days() < 1 || with.days() > Asking.ReminderCode.LONGEST,
                    "terms/asking/remindWith",
                    Message.of("setup.code-cannot-hold-for-days", "days", with.days()),
                    Message.of("setup.type-days-from-1-to", "most", Asking.ReminderCode.LONGEST));
        });
    }

    /** Goods that are offered with every order. */
    private static void offered(Setup setup, Checks checks) {
        List<String> offered = setup.terms().asking().offered();
        checks.problems.when(
                offered.size() > Asking.MOST_OFFERED,
                "terms/asking/offered",
                Message.of("setup.so-many-offered-with-orders", "most", Asking.MOST_OFFERED),
                Message.of("setup.offer-fewer"));
        checks.known(
                offered,
                setup.goods().products().stream().map(Product::id).collect(Collectors.toSet()),
                "terms/asking/offered",
                Message.of("setup.product"));
    }

    private static void extras(Asking asking, Checks checks) {
        Problems problems = checks.problems;
        problems.when(
                asking.extras().size() > Asking.MOST_EXTRAS,
                "terms/asking/extras",
                Message.of("setup.there-more-than-fields-of-your-own", "mostextras", Asking.MOST_EXTRAS),
                Message.of("setup.ask-for-less-every-field-loses-buyers"));
        Set<String> seen = new HashSet<>();
        for (Asking.Extra extra : asking.extras()) {
            String path = "terms/asking/extras/" + extra.id();
            problems.when(
                    extra.id() == null || !extra.id().matches("[a-z0-9]+(-[a-z0-9]+)*"),
                    path,
                    Message.of("setup.cannot-id-2", "extra", extra.id()),
                    Message.of("setup.use-small-letters-digits-and-hyphens"));
            problems.when(
                    !seen.add(extra.id()),
                    path,
                    Message.of("setup.two-fields-have-id", "extra", extra.id()),
                    Message.of("setup.rename-one"));
            problems.when(
                    extra.name().isBlank() || extra.name().length() > Asking.Extra.LONGEST_NAME,
                    path + "/name",
                    Message.of("setup.field-has-no-name-or-one-of", "longestname", Asking.Extra.LONGEST_NAME),
                    Message.of("setup.write-what-to-typed-in"));
            PartsCheck.asked(checks, extra.question(), path);
        }
    }

    private static void text(String text, String path, Problems problems) {
        problems.when(
                text.length() > LONGEST_TEXT,
                path,
                Message.of("setup.text-longer-than-characters-2", "longesttext", LONGEST_TEXT),
                Message.of("setup.shorten-or-link-to-rest"));
        Matcher braces = BRACES.matcher(text);
        while (braces.find()) {
            problems.when(
                    !Facts.NAMES.contains(braces.group(1)),
                    path,
                    Message.of("setup.stands-for-no-fact", "group", braces.group()),
                    Message.of("setup.use-one-of"));
        }
    }

    private static void letter(Letter letter, String path, Problems problems) {
        problems.when(
                letter.subject().isBlank(),
                path + "/subject",
                Message.of("setup.letter-has-no-subject-without-one-not"),
                Message.of("setup.write-or-empty-opening-too-to-use"));
        problems.when(
                letter.subject().lines().count() > 1 || letter.subject().length() > Letter.LONGEST_SUBJECT,
                path + "/subject",
                Message.of("setup.subject-one-line-of-at-most-characters", "longestsubject", Letter.LONGEST_SUBJECT),
                Message.of("setup.shorten-rest-goes-into-opening"));
        problems.when(
                letter.opening().length() > Letter.LONGEST_OPENING,
                path + "/opening",
                Message.of("setup.opening-longer-than-characters", "longestopening", Letter.LONGEST_OPENING),
                Message.of("setup.shorten"));
        for (Map.Entry<String, String> part :
                Map.of("subject", letter.subject(), "opening", letter.opening()).entrySet()) {
            Matcher braces = BRACES.matcher(part.getValue());
            while (braces.find()) {
                problems.when(
                        !Letter.NAMES.contains(braces.group(1)),
                        path + "/" + part.getKey(),
                        Message.of("setup.stands-for-nothing", "group", braces.group()),
                        Message.of("setup.use-or"));
            }
        }
    }
}

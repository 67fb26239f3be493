package vestcoin.core.setup;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import vestcoin.core.problem.Problems;
import vestcoin.core.terms.Asking;
import vestcoin.core.terms.Facts;
import vestcoin.core.terms.Terms;
import vestcoin.core.terms.Terms.Letter;

/** What cannot be said to a buyer: letters without a subject, names in braces that mean nothing. */
final class TermsCheck {
    private static final Pattern BRACES = Pattern.compile("\\{([^{}]*)}");
    private static final int LONGEST_WORDS = 500;
    private static final int LONGEST_TEXT = 50_000;

    private TermsCheck() {}

    static void check(Setup setup, Problems problems) {
        Terms terms = setup.terms();
        Set<String> groups =
                setup.goods().groups().stream().map(group -> group.id()).collect(Collectors.toSet());
        terms.exceptions()
                .keySet()
                .forEach(group -> problems.when(
                        !groups.contains(group),
                        "terms/exceptions/" + group,
                        "There is no group “" + group + "”.",
                        "Choose one of the goods' groups."));
        asking(terms.asking(), problems);
        terms.letters().forEach((occasion, byLanguage) -> {
            String path = "terms/letters/" + occasion;
            if (!problems.when(
                    !Letter.OCCASIONS.contains(occasion),
                    path,
                    "There is no letter “" + occasion + "”.",
                    "Choose one of " + String.join(", ", Letter.OCCASIONS) + ".")) {
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
                        "The text is longer than " + LONGEST_WORDS + " characters.",
                        "Shorten it.")));
    }

    private static void asking(Asking asking, Problems problems) {
        asking.leastAge()
                .ifPresent(age -> problems.when(
                        age < 1 || age > Asking.OLDEST,
                        "terms/asking/leastAge",
                        age + " cannot be a least age.",
                        "Type years from 1 to " + Asking.OLDEST + "."));
        asking.remindAfter()
                .ifPresent(hours -> problems.when(
                        hours < 1 || hours > Asking.LONGEST_WAIT,
                        "terms/asking/remindAfter",
                        "A reminder cannot wait for " + hours + " hours.",
                        "Type hours from 1 to " + Asking.LONGEST_WAIT + "."));
        problems.when(
                asking.extras().size() > Asking.MOST_EXTRAS,
                "terms/asking/extras",
                "There are more than " + Asking.MOST_EXTRAS + " fields of your own.",
                "Ask for less; every field loses buyers.");
        Set<String> seen = new HashSet<>();
        for (Asking.Extra extra : asking.extras()) {
            String path = "terms/asking/extras/" + extra.id();
            problems.when(
                    extra.id() == null || !extra.id().matches("[a-z0-9]+(-[a-z0-9]+)*"),
                    path,
                    "“" + extra.id() + "” cannot be an id.",
                    "Use small letters, digits and hyphens.");
            problems.when(!seen.add(extra.id()), path, "Two fields have the id “" + extra.id() + "”.", "Rename one.");
            problems.when(
                    extra.name().isBlank() || extra.name().length() > Asking.Extra.LONGEST_NAME,
                    path + "/name",
                    "The field has no name, or one of more than " + Asking.Extra.LONGEST_NAME + " characters.",
                    "Write what is to be typed in.");
        }
    }

    private static void text(String text, String path, Problems problems) {
        problems.when(
                text.length() > LONGEST_TEXT,
                path,
                "The text is longer than " + LONGEST_TEXT + " characters.",
                "Shorten it, or link to the rest.");
        Matcher braces = BRACES.matcher(text);
        while (braces.find()) {
            problems.when(
                    !Facts.NAMES.contains(braces.group(1)),
                    path,
                    "“" + braces.group() + "” stands for no fact.",
                    "Use one of {return-days}, {withdrawal-days}, {return-address}, {who-pays}.");
        }
    }

    private static void letter(Letter letter, String path, Problems problems) {
        problems.when(
                letter.subject().isBlank(),
                path + "/subject",
                "The letter has no subject; without one it is not sent.",
                "Write it, or empty the opening too to use the letter that ships.");
        problems.when(
                letter.subject().lines().count() > 1 || letter.subject().length() > Letter.LONGEST_SUBJECT,
                path + "/subject",
                "A subject is one line of at most " + Letter.LONGEST_SUBJECT + " characters.",
                "Shorten it; the rest goes into the opening.");
        problems.when(
                letter.opening().length() > Letter.LONGEST_OPENING,
                path + "/opening",
                "The opening is longer than " + Letter.LONGEST_OPENING + " characters.",
                "Shorten it.");
        for (Map.Entry<String, String> part :
                Map.of("subject", letter.subject(), "opening", letter.opening()).entrySet()) {
            Matcher braces = BRACES.matcher(part.getValue());
            while (braces.find()) {
                problems.when(
                        !Letter.NAMES.contains(braces.group(1)),
                        path + "/" + part.getKey(),
                        "“" + braces.group() + "” stands for nothing.",
                        "Use {name}, {shop}, {order} or {amount}.");
            }
        }
    }
}

package vestcoin.core.goods;

import com.ibm.icu.text.BreakIterator;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import vestcoin.core.message.Message;

/**
 * Something a buyer is asked about a product besides its choices: a name to sew on, a day, whether it is to be wrapped.
 * What an answer adds stands on each unit, like what a choice adds.
 *
 * @param compulsory whether nothing is bought without an answer
 * @param most of a text, characters as a reader counts them; {@link #USUAL_MOST} without it
 * @param answers to choose one of
 * @param extra added when it is answered, an amount in the shop's currency
 * @param percent added when it is answered, in percent of the base price
 * @param perCharacter added for each character of a text; white space is free
 */
public record Question(
        String id,
        String name,
        Kind kind,
        boolean compulsory,
        Optional<Integer> most,
        List<Answer> answers,
        Optional<BigDecimal> extra,
        Optional<BigDecimal> percent,
        Optional<BigDecimal> perCharacter) {
    /** Common practice, no source. */
    public static final int USUAL_MOST = 200;
    /** What a text may have at most, whatever the seller says. */
    public static final int LONGEST = 1000;

    /** What stands for a tick. */
    public static final String YES = "yes";

    private static final String NUMBER = "-?\\d{1,12}(\\.\\d{1,6})?";

    /** What is asked for. */
    public enum Kind {
        TEXT,
        NUMBER,
        DAY,
        ONE_OF,
        TICK
    }

    /** One of several to choose from. */
    public record Answer(String id, String name) {}

    public Question {
        most = most == null ? Optional.empty() : most;
        answers = answers == null ? List.of() : List.copyOf(answers);
        extra = extra == null ? Optional.empty() : extra;
        percent = percent == null ? Optional.empty() : percent;
        perCharacter = perCharacter == null ? Optional.empty() : perCharacter;
    }

    /** Whether an answer changes what it costs. */
    public boolean priced() {
        return extra.isPresent() || percent.isPresent() || perCharacter.isPresent();
    }

    public int longest() {
        return most.orElse(USUAL_MOST);
    }

    /**
     * Characters as a reader counts them: extended grapheme clusters. Source: Unicode Standard Annex #29.
     *
     * @param text in normal form C
     */
    public static int characters(String text) {
        return count(text, true);
    }

    /** The same without white space: what is paid for. */
    public static int charged(String text) {
        return count(text, false);
    }

    private static int count(String text, boolean space) {
        BreakIterator between = BreakIterator.getCharacterInstance(Locale.ROOT);
        between.setText(text);
        int count = 0;
        for (int from = between.first(), to = between.next();
                to != BreakIterator.DONE;
                from = to, to = between.next()) {
            count += space || !text.substring(from, to).isBlank() ? 1 : 0;
        }
        return count;
    }

    /** What is wrong with an answer, if anything. @param answer not blank */
    public Optional<Message> wrong(String answer) {
        return switch (kind) {
            case TEXT ->
                characters(answer) > longest()
                        ? Optional.of(Message.of(
                                "goods.answer-too-long", "question", name, "most", longest(), "is", characters(answer)))
                        : Optional.of(Message.of("goods.answer-is-one-line", "question", name))
                                .filter(message -> answer.chars().anyMatch(Character::isISOControl));
            case NUMBER ->
                Optional.of(Message.of("goods.answer-is-no-number", "question", name))
                        .filter(message -> !answer.matches(NUMBER));
            case DAY ->
                Optional.of(Message.of("goods.answer-is-no-day", "question", name))
                        .filter(message -> day(answer).isEmpty());
            case ONE_OF ->
                Optional.of(Message.of("goods.answer-is-none-of", "question", name, "names", names()))
                        .filter(message -> answers.stream().noneMatch(each -> answer.equals(each.id())));
            case TICK ->
                Optional.of(Message.of("goods.answer-is-a-tick", "question", name))
                        .filter(message -> !answer.equals(YES));
        };
    }

    private String names() {
        return String.join(", ", answers.stream().map(Answer::name).toList());
    }

    /** The question with an answer that nothing is wrong with, as it is read. */
    public Message answered(String answer) {
        return switch (kind) {
            case TEXT -> Message.of("goods.answered", "question", name, "answer", answer);
            case NUMBER -> Message.of("goods.answered", "question", name, "answer", new BigDecimal(answer));
            case DAY ->
                Message.of(
                        "goods.answered",
                        "question",
                        name,
                        "answer",
                        day(answer).orElseThrow());
            case ONE_OF ->
                Message.of(
                        "goods.answered",
                        "question",
                        name,
                        "answer",
                        answers.stream()
                                .filter(each -> answer.equals(each.id()))
                                .findFirst()
                                .map(Answer::name)
                                .orElse(answer));
            case TICK -> Message.name(name);
        };
    }

    /** An answer nothing is wrong with, for orders that are made up. */
    public String sample() {
        return switch (kind) {
            case TEXT -> "A";
            case NUMBER -> "1";
            case DAY -> "2030-01-01";
            case ONE_OF -> answers.isEmpty() ? "" : answers.get(0).id();
            case TICK -> YES;
        };
    }

    private static Optional<LocalDate> day(String answer) {
        try {
            return Optional.of(LocalDate.parse(answer)).filter(day -> day.getYear() >= 1900 && day.getYear() <= 2200);
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }
}

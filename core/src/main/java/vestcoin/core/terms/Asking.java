package vestcoin.core.terms;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.goods.Question;
import vestcoin.core.message.Message;

/**
 * What the counter asks a buyer besides name and address. Nothing of it changes a price; each is off until the seller
 * wants it.
 *
 * @param note whether a buyer may write to the seller
 * @param gift whether an order can be a gift: to somebody else, with a message, without prices
 * @param withoutCodes whether the field for discount codes and vouchers is left away
 * @param signIn whether only buyers who have signed in by a mailed link may order
 * @param leastAge years a buyer has to confirm
 * @param extras questions of the seller's own about the order as a whole; they add nothing to its price
 * @param offered ids of goods offered with every order, such as wrapping: what a question would add costs what they do
 * @param remindAfter hours after which a buyer who agreed to it is reminded of an unfinished basket, once
 * @param remindWith a code of its own that the reminder carries
 * @param company the name of a company, above the buyer's own
 * @param phone a telephone number, of where it goes
 * @param paysWith whether who pays in cash is asked with how much, so that change can be brought
 * @param companyWith ways of delivery with which a company has to be given, whatever holds for others
 * @param phoneWith ways of delivery with which a telephone number has to be given, whatever holds for others
 * @param invoiceAddress whether a buyer can give another address for the invoice; of a gift it is asked in any case
 */
@RecordBuilder
public record Asking(
        boolean note,
        boolean gift,
        boolean withoutCodes,
        boolean signIn,
        Optional<Integer> leastAge,
        List<Extra> extras,
        List<String> offered,
        Optional<Integer> remindAfter,
        Optional<ReminderCode> remindWith,
        Field company,
        Field phone,
        boolean invoiceAddress,
        boolean paysWith,
        List<String> companyWith,
        List<String> phoneWith) {
    /** Whether a field is shown, and whether it has to be filled in. */
    public enum Field {
        NO,
        OPTIONAL,
        COMPULSORY
    }

    public static final Asking NOTHING = AskingBuilder.builder().build();
    /** Kind under which an order keeps that the least age was confirmed. */
    public static final String AGE = "age";

    public static final int MOST_EXTRAS = 10;
    public static final int MOST_OFFERED = 10;
    public static final int OLDEST = 25;
    public static final int LONGEST_WAIT = 30 * 24;

    public Asking {
        leastAge = leastAge == null ? Optional.empty() : leastAge;
        extras = extras == null ? List.of() : List.copyOf(extras);
        offered = offered == null ? List.of() : List.copyOf(offered);
        remindAfter = remindAfter == null ? Optional.empty() : remindAfter;
        remindWith = remindWith == null ? Optional.empty() : remindWith;
        company = company == null ? Field.NO : company;
        phone = phone == null ? Field.NO : phone;
        companyWith = companyWith == null ? List.of() : List.copyOf(companyWith);
        phoneWith = phoneWith == null ? List.of() : List.copyOf(phoneWith);
    }

    /** What holds for an order that is delivered by these ways. */
    public Asking by(Collection<String> ways) {
        return AskingBuilder.builder(this)
                .company(ways.stream().anyMatch(companyWith::contains) ? Field.COMPULSORY : company)
                .phone(ways.stream().anyMatch(phoneWith::contains) ? Field.COMPULSORY : phone)
                .build();
    }

    /** What may be given while the way of delivery is not known: nothing is refused that some way asks for. */
    public Asking byAnyWay() {
        return AskingBuilder.builder(this)
                .company(company == Field.NO && !companyWith.isEmpty() ? Field.OPTIONAL : company)
                .phone(phone == Field.NO && !phoneWith.isEmpty() ? Field.OPTIONAL : phone)
                .build();
    }

    /**
     * A code for one order, made for each reminder.
     *
     * @param discount id of the discount it gives, one with a code
     * @param days for how many days after the letter it holds
     */
    public record ReminderCode(String discount, int days) {
        public static final int LONGEST = 365;
    }

    /** What was answered, question by question. @param answers by the ids of the questions; blank for none */
    public List<Message> answered(Map<String, String> answers) {
        return extras.stream()
                .filter(extra -> !answers.getOrDefault(extra.id(), "").isBlank())
                .map(extra -> extra.question().answered(answers.get(extra.id())))
                .toList();
    }

    /**
     * A question of the seller's own about the order.
     *
     * @param name as the buyer reads it
     * @param kind what is answered; a text without it
     * @param most characters of a text; {@link Question#USUAL_MOST} without it
     * @param answers to choose one of
     */
    public record Extra(
            String id,
            String name,
            boolean compulsory,
            Question.Kind kind,
            Optional<Integer> most,
            List<Question.Answer> answers) {
        public static final int LONGEST_NAME = 100;

        public Extra {
            name = name == null ? "" : name;
            kind = kind == null ? Question.Kind.TEXT : kind;
            most = most == null ? Optional.empty() : most;
            answers = answers == null ? List.of() : List.copyOf(answers);
        }

        public Extra(String id, String name, boolean compulsory) {
            this(id, name, compulsory, null, null, null);
        }

        /** The same as it would be asked about a product, without a price. */
        public Question question() {
            return new Question(id, name, kind, compulsory, most, answers, null, null, null);
        }
    }
}

package vestcoin.app.order;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vestcoin.app.outside.MailAddress;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.PhoneNumber;
import vestcoin.core.problem.Problems;
import vestcoin.core.setup.WebAddress;
import vestcoin.core.terms.Asking;

/**
 * What a buyer adds to an order besides name and address. Nothing of it changes a price.
 *
 * @param note to the seller
 * @param gift where it is one
 * @param extras answers to the seller's own questions, by their ids, in normal form C
 * @param vouchers for whom vouchers are that are not for the buyer
 * @param reference a business buyer's own number of the order (BT-13 of EN 16931), empty without one
 * @param invoice where the invoice goes, if not where the goods do; of a gift always
 * @param company above the name, empty without one
 * @param phone of where it goes, empty without one
 * @param parcelShop what the carrier calls the parcel shop it goes to, empty without one; then the invoice has the
 *     buyer's own address
 * @param site the page of another site it was ordered on, or that led here; empty without one
 * @param paysWith what the buyer will have at hand who pays in cash, in the order's currency
 */
public record Wishes(
        String note,
        Optional<Gift> gift,
        Map<String, String> extras,
        List<VoucherFor> vouchers,
        String reference,
        Optional<InvoiceAddress> invoice,
        String company,
        String phone,
        Optional<BigDecimal> paysWith,
        String parcelShop,
        String site) {
    public static final Wishes NONE = new Wishes(null, null, null, null, null, null, null, null, null, null, null);
    private static final int LONGEST_NOTE = 1000;
    private static final int LONGEST_EXTRA = 300;
    private static final int LONGEST_REFERENCE = 60;

    /** @param name of who receives it @param message that goes with it */
    public record Gift(String name, String message) {
        public Gift {
            name = name == null ? "" : name.strip();
            message = message == null ? "" : message.strip();
        }
    }

    /**
     * Who gets the vouchers of a line.
     *
     * @param line its place among the order's lines
     * @param message that goes with them
     * @param on the day on which they are written to, in the shop's time; at once without one
     */
    public record VoucherFor(int line, String name, String email, String message, Optional<LocalDate> on) {
        public VoucherFor {
            name = name == null ? "" : name.strip();
            email = email == null ? "" : email.strip();
            message = message == null ? "" : message.strip();
            on = on == null ? Optional.empty() : on;
        }

        void check(String path, Problems problems) {
            problems.when(
                    name.isEmpty() || name.length() > 200,
                    path + "/name",
                    Message.of("order.nobody-named-who-receives-voucher"),
                    Message.of("order.type-name"));
            problems.when(
                    !MailAddress.isOne(email),
                    path + "/email",
                    Message.of("order.voucher-has-no-e-mail-address-to-go-to"),
                    Message.of("order.type-e-mail-address-of-who-gets-it"));
            problems.when(
                    message.length() > LONGEST_NOTE,
                    path + "/message",
                    Message.of("order.message-longer-than-characters", "longestnote", LONGEST_NOTE),
                    Message.of("order.shorten"));
        }
    }

    public Wishes {
        vouchers = vouchers == null ? List.of() : List.copyOf(vouchers);
        reference = reference == null ? "" : reference.strip();
        invoice = invoice == null ? Optional.empty() : invoice;
        company = company == null ? "" : company.strip();
        phone = phone == null ? "" : phone.strip();
        paysWith = paysWith == null ? Optional.empty() : paysWith;
        parcelShop = parcelShop == null ? "" : parcelShop.strip();
        site = WebAddress.isOne(site) ? site : "";
        note = note == null ? "" : note.strip();
        gift = gift == null ? Optional.empty() : gift;
        extras = extras == null ? Map.of() : typed(extras);
    }

    private static Map<String, String> typed(Map<String, String> extras) {
        Map<String, String> typed = new TreeMap<>();
        extras.forEach((id, answer) ->
                typed.put(id, answer == null ? "" : Normalizer.normalize(answer.strip(), Normalizer.Form.NFC)));
        return Collections.unmodifiableMap(typed);
    }

    /** The same, to be given to somebody else. */
    Wishes givenTo(String name) {
        return new Wishes(
                note,
                gift.map(given -> new Gift(name, given.message())),
                extras,
                vouchers,
                reference,
                invoice,
                company,
                phone,
                paysWith,
                parcelShop,
                site);
    }

    /** The same with an address for the invoice. */
    Wishes withInvoice(InvoiceAddress address) {
        return new Wishes(
                note,
                gift,
                extras,
                vouchers,
                reference,
                Optional.of(address),
                company,
                phone,
                paysWith,
                parcelShop,
                site);
    }

    /** What is paid with in cash, and what is given out. */
    public record Change(BigDecimal with, BigDecimal back) {}

    /**
     * What a buyer gets back who pays in cash and said with what; nothing once another way was chosen, or that is not
     * enough any more.
     *
     * @param payment the ways to pay ordered by
     * @param method the one chosen
     * @param due what is to be paid by it
     */
    public Optional<Change> change(Payment payment, String method, BigDecimal due) {
        boolean cash = payment.methods().stream()
                .anyMatch(way -> way.id().equals(method) && way.kind().cash());
        return paysWith.filter(with -> cash && with.compareTo(due) >= 0)
                .map(with -> with.setScale(due.scale()))
                .map(with -> new Change(with, with.subtract(due)));
    }

    /** What of it cannot be, for what is to be paid. */
    public void checkCash(BigDecimal due, String path, Problems problems) {
        paysWith.ifPresent(with -> problems.when(
                with.compareTo(due) < 0 || with.stripTrailingZeros().scale() > due.scale() || with.precision() > 12,
                path + "/paysWith",
                Message.of("order.pays-with-less-than-due", "due", due),
                Message.of("order.type-what-you-pay-with")));
    }

    /** What is missing of it, or cannot be, where something is delivered. @param ways how @param country to which */
    public void checkDelivered(Asking asking, Collection<String> ways, String country, String path, Problems problems) {
        Asking wanted = asking.by(ways);
        missing(phone, wanted.phone(), "phone", path, problems);
        missing(company, wanted.company(), "company", path, problems);
        problems.when(
                !phone.isEmpty() && PhoneNumber.international(phone, country).isEmpty(),
                path + "/phone",
                Message.of("order.no-telephone-number"),
                Message.of("order.type-telephone-number"));
    }

    /** What of it cannot be, for what the counter asks. */
    public void check(Asking asking, String path, Problems problems) {
        problems.when(
                !note.isEmpty() && !asking.note(),
                path + "/note",
                Message.of("order.this-shop-takes-no-notes"),
                Message.of("order.write-e-mail-instead"));
        problems.when(
                note.length() > LONGEST_NOTE,
                path + "/note",
                Message.of("order.note-longer-than-characters", "longestnote", LONGEST_NOTE),
                Message.of("order.shorten"));
        gift.ifPresent(given -> {
            problems.when(
                    !asking.gift(),
                    path + "/gift",
                    Message.of("order.this-shop-does-not-send-gifts"),
                    Message.of("order.order-usual"));
            problems.when(
                    given.name().isEmpty() || given.name().length() > 200,
                    path + "/gift/name",
                    Message.of("order.nobody-named-who-receives-gift"),
                    Message.of("order.type-name"));
            problems.when(
                    given.message().length() > LONGEST_NOTE,
                    path + "/gift/message",
                    Message.of("order.message-longer-than-characters", "longestnote", LONGEST_NOTE),
                    Message.of("order.shorten"));
            problems.when(
                    invoice.isEmpty(),
                    path + "/invoice",
                    Message.of("order.gift-has-no-address-for-invoice"),
                    Message.of("order.type-own-address"));
        });
        problems.when(
                invoice.isPresent() && gift.isEmpty() && parcelShop.isEmpty() && !asking.invoiceAddress(),
                path + "/invoice",
                Message.of("order.this-shop-asks-one-address"),
                Message.of("order.load-page-again"));
        invoice.ifPresent(address -> address.check(path + "/invoice", problems));
        problems.when(
                paysWith.isPresent() && !asking.paysWith(),
                path + "/paysWith",
                Message.of("order.shop-does-not-ask-this-any-more"),
                Message.of("order.load-page-again"));
        asked(company, asking.byAnyWay().company(), "company", path, problems);
        missing(company, asking.company(), "company", path, problems);
        asked(phone, asking.byAnyWay().phone(), "phone", path, problems);
        problems.when(
                !phone.isEmpty() && !phone.matches("[+]?[0-9][0-9 ()/.-]{3,30}"),
                path + "/phone",
                Message.of("order.no-telephone-number"),
                Message.of("order.type-telephone-number"));
        problems.when(
                reference.length() > LONGEST_REFERENCE || reference.chars().anyMatch(Character::isISOControl),
                path + "/reference",
                Message.of("order.number-of-buyer-too-long", "longest", LONGEST_REFERENCE),
                Message.of("order.shorten"));
        for (int i = 0; i < vouchers.size(); i++) {
            vouchers.get(i).check(path + "/vouchers/" + i, problems);
        }
        for (Asking.Extra extra : asking.extras()) {
            String typed = extras.getOrDefault(extra.id(), "");
            problems.when(
                    extra.compulsory() && typed.isBlank(),
                    path + "/extras/" + extra.id(),
                    Message.of("order.missing", "extra", extra.name()),
                    Message.of("order.fill-in"));
            if (!typed.isBlank()) {
                extra.question()
                        .wrong(typed)
                        .ifPresent(wrong -> problems.add(
                                path + "/extras/" + extra.id(), wrong, Message.of("goods.answer-otherwise")));
            }
        }
        extras.keySet().stream()
                .filter(id ->
                        asking.extras().stream().noneMatch(extra -> extra.id().equals(id)))
                .findFirst()
                .ifPresent(id -> problems.when(
                        true,
                        path + "/extras",
                        Message.of("order.shop-does-not-ask-this-any-more"),
                        Message.of("order.load-page-again")));
    }

    private static void missing(String typed, Asking.Field wanted, String field, String path, Problems problems) {
        problems.when(
                typed.isEmpty() && wanted == Asking.Field.COMPULSORY,
                path + "/" + field,
                Message.of("order." + field + "-missing"),
                Message.of("order.fill-in"));
    }

    private static void asked(String typed, Asking.Field wanted, String field, String path, Problems problems) {
        problems.when(
                !typed.isEmpty() && wanted == Asking.Field.NO,
                path + "/" + field,
                Message.of("order.shop-does-not-ask-this-any-more"),
                Message.of("order.load-page-again"));
        problems.when(
                typed.length() > LONGEST_EXTRA,
                path + "/" + field,
                Message.of("order.field-longer-than-characters", "longest", LONGEST_EXTRA),
                Message.of("order.shorten"));
    }
}

package vestcoin.app.dressrehearsal;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.QuoteView;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Placing;
import vestcoin.app.payment.Gateways;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.payment.PaymentReasons;
import vestcoin.app.payment.Payments;
import vestcoin.app.payment.Provider;
import vestcoin.app.setup.Editions;
import vestcoin.core.invoice.Bill;
import vestcoin.core.life.PaymentState;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.standins.pay.TestCard;

/** Pays practice orders by each way, takes the money and gives a part of it back. */
@Service
class PracticePayment {
    private static final int TRIES = 40;
    private static final long MILLIS = 100;

    private final Orders orders;
    private final Placing placing;
    private final Payments payments;
    private final PaymentBook book;
    private final Gateways gateways;
    private final Editions editions;

    PracticePayment(
            Orders orders, Placing placing, Payments payments, PaymentBook book, Gateways gateways, Editions editions) {
        this.orders = orders;
        this.placing = placing;
        this.payments = payments;
        this.book = book;
        this.gateways = gateways;
        this.editions = editions;
    }

    /**
     * Pays an order as its buyer does.
     *
     * @return the order, which may be paid another way by now, with what went wrong
     */
    WalkStep pay(Orders.Order order, PracticeOrder.Way way) {
        if (order.due() == 0) {
            return WalkStep.nothingToDo(WalkStep.Name.PAID, Message.of("rehearsal.dress-nothing-to-pay"));
        }
        if (!way.kind().throughProvider()) {
            return stands(order, PaymentState.PENDING);
        }
        if (way.act() == PracticeOrder.Act.DECLINED) {
            PaymentState refused = tried(order, way, TestCard.DECLINED, false);
            if (refused != PaymentState.DECLINED) {
                return wrong(order, Message.of("rehearsal.dress-was-not-declined", "state", said(refused)));
            }
            return another(order, way);
        }
        tried(order, way, way.act() == PracticeOrder.Act.ASKED ? TestCard.ASKED_AND_PASSED : TestCard.APPROVED, true);
        return stands(orders.byId(order.id()), PaymentState.AUTHORISED);
    }

    /** After a way that came to nothing, by another one, or again by the same where there is no other. */
    private WalkStep another(Orders.Order order, PracticeOrder.Way refused) {
        QuoteView quote = KeptQuotes.read(order.quote());
        Optional<QuoteView.Method> other = quote.methods().stream()
                .filter(method -> method.hidden().isEmpty() && !method.id().equals(refused.method()))
                .findFirst();
        other.ifPresent(method -> placing.otherWay(order, method.id(), method.toPay()));
        Orders.Order now = orders.byId(order.id());
        PracticeOrder.Way next = other.map(method ->
                        new PracticeOrder.Way(method.id(), method.title(), method.kind(), asks(method.kind())))
                .orElse(new PracticeOrder.Way(refused.method(), refused.title(), refused.kind(), asks(refused.kind())));
        return pay(now, next);
    }

    static PracticeOrder.Act asks(Payment.Kind kind) {
        return kind == Payment.Kind.WALLET ? PracticeOrder.Act.ASKED : PracticeOrder.Act.APPROVED;
    }

    /** One try by card or wallet. @param yes what the buyer answers where they are asked */
    private PaymentState tried(Orders.Order order, PracticeOrder.Way way, TestCard card, boolean yes) {
        String token = "";
        if (way.kind() == Payment.Kind.CARD) {
            token = method(order)
                    .flatMap(Payment.Method::gateway)
                    .flatMap(id -> gateways.of(order.shop(), id))
                    .map(account -> PracticeCards.token(account.url(), account.publicKey(), card))
                    .orElse("");
        }
        PaymentBook.Payment payment = placing.pay(order, token, Optional.empty());
        if (payment.stateNow() == PaymentState.NEEDS_BUYER) {
            PracticeCards.answer(payment.action(), yes);
        }
        for (int i = 0; i < TRIES && undecided(payment.stateNow()); i++) {
            payment = payments.asked(book.of(payment.id()));
            if (undecided(payment.stateNow())) {
                pause();
            }
        }
        return payment.stateNow();
    }

    private static boolean undecided(PaymentState state) {
        return state == PaymentState.CREATED || state == PaymentState.NEEDS_BUYER || state == PaymentState.PENDING;
    }

    private static void pause() {
        try {
            Thread.sleep(MILLIS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private Optional<Payment.Method> method(Orders.Order order) {
        return editions.of(order.shop(), order.by()).document().setup().payment().methods().stream()
                .filter(each -> each.id().equals(order.method()))
                .findFirst();
    }

    /** Whether the payment of an order stands as it has to, or further. */
    private WalkStep stands(Orders.Order order, PaymentState least) {
        PaymentBook.Payment payment = book.ofOrder(order.id()).stream()
                .filter(each -> !each.byVoucher())
                .findFirst()
                .orElse(null);
        if (payment == null) {
            return WalkStep.failed(
                    WalkStep.Name.PAID,
                    Message.of("orderdesk.order-has-no-payment"),
                    Message.of("rehearsal.dress-look-at-account"));
        }
        PaymentState state = payment.stateNow();
        boolean well = state == least || state == PaymentState.CAPTURED;
        return well
                ? WalkStep.held(WalkStep.Name.PAID)
                : wrong(
                        order,
                        payment.reason().isEmpty()
                                ? Message.of("rehearsal.dress-payment-stands", "state", said(state))
                                : PaymentReasons.of(payment.reason()));
    }

    /** As the catalogue chooses by it. */
    private static String said(PaymentState state) {
        return state.name().toLowerCase(Locale.ROOT);
    }

    private static WalkStep wrong(Orders.Order order, Message sentence) {
        return WalkStep.failed(WalkStep.Name.PAID, sentence, Message.of("rehearsal.dress-look-at-account"));
    }

    /** Whether an order's money has to be here before anything leaves, and only the seller can say that it came. */
    boolean waitedFor(Orders.Order order) {
        return method(order)
                .map(Payment.Method::kind)
                .filter(kind -> !kind.throughProvider() && !kind.paidAfterwards())
                .isPresent();
    }

    /** Whether a way to pay stands on an account that takes no money. */
    boolean withoutAccount(Editions.Edition edition, String method) {
        Map<String, Gateway> states = gateways.states(edition.shop());
        return edition.document().setup().payment().methods().stream()
                .filter(way -> way.id().equals(method) && way.on() && way.kind().throughProvider())
                .anyMatch(way -> way.gateway()
                        .map(states::get)
                        .filter(state -> state == Gateway.TEST || state == Gateway.LIVE)
                        .isEmpty());
    }

    /** Takes what an order still has to bring in. */
    WalkStep take(Orders.Order order, String actor) {
        List<PaymentBook.Payment> left = book.ofOrder(order.id()).stream()
                .filter(payment -> payment.stateNow().alive() && payment.captured() < payment.amount())
                .toList();
        left.forEach(payment ->
                payments.move(payment, Provider.Kind.CAPTURE, key(), payment.amount() - payment.captured(), actor));
        long came = book.ofOrder(order.id()).stream()
                .filter(payment -> payment.stateNow().alive())
                .mapToLong(PaymentBook.Payment::captured)
                .sum();
        return order.payable() == 0
                ? WalkStep.nothingToDo(WalkStep.Name.TAKEN, Message.of("rehearsal.dress-nothing-to-pay"))
                : came == order.payable()
                        ? WalkStep.held(WalkStep.Name.TAKEN)
                        : WalkStep.failed(
                                WalkStep.Name.TAKEN,
                                Message.of("rehearsal.dress-not-all-taken"),
                                Message.of("rehearsal.dress-look-at-account"));
    }

    /** Gives back half of the first thing ordered that is no voucher. */
    WalkStep giveBack(Orders.Order order, List<Bill> bills, String actor) {
        Optional<PaymentBook.Payment> payment = book.ofOrder(order.id()).stream()
                .filter(each -> !each.byVoucher() && each.captured() > each.refunded())
                .findFirst();
        Optional<Bill.Item> item = bills.stream()
                .filter(bill -> !bill.vouchers())
                .flatMap(bill -> bill.items().stream())
                .filter(each -> each.gross().signum() > 0)
                .findFirst();
        if (payment.isEmpty() || item.isEmpty()) {
            return WalkStep.nothingToDo(WalkStep.Name.GIVEN_BACK, Message.of("rehearsal.dress-nothing-to-give-back"));
        }
        long whole = item.get()
                .gross()
                .movePointRight(CurrencyUnit.of(order.currency()).getDecimalPlaces())
                .longValueExact();
        long most = payment.get().captured() - payment.get().refunded();
        long amount = Math.min(most, Math.max(1, whole / 2));
        payments.refund(payment.get(), key(), amount, Map.of(item.get().key(), amount), actor);
        long given = book.of(payment.get().id()).refunded();
        return given == amount
                ? WalkStep.held(WalkStep.Name.GIVEN_BACK)
                : WalkStep.failed(
                        WalkStep.Name.GIVEN_BACK,
                        Message.of("rehearsal.dress-not-given-back"),
                        Message.of("rehearsal.dress-look-at-account"));
    }

    private static String key() {
        return UUID.randomUUID().toString();
    }
}

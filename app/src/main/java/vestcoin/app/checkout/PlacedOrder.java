package vestcoin.app.checkout;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import vestcoin.app.order.Attendance;
import vestcoin.app.order.Handover;
import vestcoin.app.order.InvoiceAddress;
import vestcoin.app.order.Orders;
import vestcoin.app.order.TransferSlips;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Payment;

/**
 * @param state of the payment of what is due beside vouchers
 * @param standing of all of it, as the seller's list has it
 * @param kind of the way to pay, if there is anything to pay
 * @param processor where the page sends the card number, and the key it names itself by
 * @param slip what a transfer is made out to, for what is still to come
 * @param handover where and when it is collected or brought
 * @param attending what takes place on a day
 * @param address where it goes
 * @param method id of the way to pay chosen
 * @param sent how much of it has left or was handed over: no, in part or all
 * @param parcels what has left, one by one
 * @param toCome what has not, where something has
 * @param ready whether what is collected waits for the buyer
 * @param keptUntil the day until which it waits for its money
 * @param subscriptions what of it is charged again
 * @param downloads its files
 * @param vouchers those issued with it
 * @param callingOff whether its buyer can call it off now, and until when
 * @param byBuyer whether its buyer has called it off
 * @param lapsed whether it was called off by itself, its money not having come
 * @param inPart where only a part of its money has come
 * @param surplus what came too much and is owed back
 * @param reference the buyer's own number of it, or empty
 * @param receiver who it is for, where it is a gift
 * @param site the page of another site it leads back to
 * @param answered what the shop asked about the order, with the answers
 * @param invoice where its invoice goes, if not where the goods do
 */
record PlacedOrder(
        String token,
        int number,
        String state,
        String standing,
        Optional<Payment.Kind> kind,
        Message reason,
        Optional<String> action,
        boolean test,
        BuyerQuote quote,
        String name,
        String email,
        Optional<String> processor,
        Optional<String> publicKey,
        Optional<TransferSlips.Slip> slip,
        String language,
        boolean cancelled,
        Optional<Handover> handover,
        List<Attendance> attending,
        Orders.Address address,
        String method,
        String sent,
        List<ParcelSent> parcels,
        List<String> toCome,
        boolean ready,
        Optional<LocalDate> keptUntil,
        List<SubscriptionLink> subscriptions,
        List<HandedOver> downloads,
        List<VoucherIssued> vouchers,
        Optional<CallingOff> callingOff,
        boolean byBuyer,
        boolean lapsed,
        Optional<PaidInPart> inPart,
        Optional<BigDecimal> surplus,
        String reference,
        Optional<String> receiver,
        Optional<InvoiceAddress> invoice,
        List<Message> answered,
        Optional<String> site) {
    /** What of its money has come beside vouchers, and what has not. */
    record PaidInPart(BigDecimal came, BigDecimal left) {}

    /** @param until the instant it ends, without one when anything leaves */
    record CallingOff(Optional<Instant> until) {}

    /**
     * A voucher of it.
     *
     * @param left what it still pays
     * @param name of who gets it, where that is not the buyer
     * @param on the day on which they are written to
     * @param told whether they were
     * @param ended whether what was left of it was given back
     * @param url of the page to print
     */
    record VoucherIssued(
            String code,
            BigDecimal worth,
            BigDecimal left,
            Optional<String> name,
            LocalDate on,
            boolean told,
            LocalDate validUntil,
            boolean ended,
            String url) {}

    /**
     * A file of it.
     *
     * @param url where it is fetched, once it can be
     * @param from the day it can be fetched first
     * @param left how often it can still be fetched
     * @param bytes how long it is, of a file of the shop's own
     */
    record HandedOver(
            String name, Optional<String> url, LocalDate from, LocalDate until, int left, Optional<Long> bytes) {}

    /**
     * A parcel that has left.
     *
     * @param at when
     * @param number what the carrier calls it, may be empty
     * @param link where it is followed, may be empty
     * @param things what is in it
     */
    record ParcelSent(Instant at, String carrier, String number, String link, List<String> things) {}

    /** What of it is charged again, with a page of its own. */
    record SubscriptionLink(String token, String name) {}
}

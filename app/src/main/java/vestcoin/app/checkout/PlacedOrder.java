package vestcoin.app.checkout;

import java.util.List;
import java.util.Optional;
import vestcoin.app.order.Handover;
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
 * @param address where it goes
 * @param method id of the way to pay chosen
 * @param sent how much of it has left or was handed over: no, in part or all
 * @param parcels what the carrier calls what has left
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
        Orders.Address address,
        String method,
        String sent,
        List<String> parcels) {}

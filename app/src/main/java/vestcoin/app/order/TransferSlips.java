package vestcoin.app.order;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.math.BigDecimal;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Service;
import vestcoin.app.payment.PaymentBook;
import vestcoin.app.setup.Editions;
import vestcoin.core.life.PaymentState;
import vestcoin.core.payment.AccountForm;
import vestcoin.core.payment.EpcPayload;
import vestcoin.core.payment.Payment;
import vestcoin.core.payment.SwissPayload;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;

/**
 * What a buyer needs to make a transfer: the account, the amount, the reference, and where it is in euro a square code
 * to scan.
 */
@Service
public class TransferSlips {
    /**
     * @param account its parts, each as it is called: an IBAN in groups of four, or what accounts have there
     * @param code modules of the square code, a row each, {@code #} dark; nothing where there is none
     * @param swiss whether the code is a Swiss QR-bill's, which bears a cross
     */
    public record Slip(
            String holder,
            List<AccountForm.Part> account,
            BigDecimal amount,
            String currency,
            String reference,
            Optional<String> code,
            boolean swiss) {}

    private static final Set<Payment.Kind> BY_TRANSFER = EnumSet.of(Payment.Kind.TRANSFER, Payment.Kind.ON_ACCOUNT);

    private final Editions editions;
    private final PaymentBook book;

    TransferSlips(Editions editions, PaymentBook book) {
        this.editions = editions;
        this.book = book;
    }

    /**
     * The slip of an order paid by transfer, at once or on account, for what is still to come; none once the money is
     * there, or nobody waits for it.
     */
    public Optional<Slip> of(Orders.Order order) {
        List<PaymentBook.Payment> alive = book.ofOrder(order.id()).stream()
                .filter(payment -> !payment.byVoucher() && payment.stateNow().alive())
                .toList();
        Setup setup = editions.of(order.shop(), order.by()).document().setup();
        // What an order came to more when it was changed can be waited for by another way than the rest.
        String way = alive.stream()
                .filter(PaymentBook.Payment::ofChange)
                .findFirst()
                .map(PaymentBook.Payment::method)
                .orElse(order.method());
        if (order.cancelled()
                || setup.payment().methods().stream()
                        .noneMatch(method -> method.id().equals(way) && BY_TRANSFER.contains(method.kind()))) {
            return Optional.empty();
        }
        long open = order.due()
                + order.carried()
                - alive.stream().mapToLong(PaymentBook.Payment::captured).sum();
        if (open <= 0
                || alive.stream()
                        .noneMatch(payment -> payment.stateNow() == PaymentState.PENDING
                                || payment.stateNow() == PaymentState.CAPTURED)) {
            return Optional.empty();
        }
        BigDecimal amount =
                BigDecimal.valueOf(open, CurrencyUnit.of(order.currency()).getDecimalPlaces());
        return setup.payment().account().map(account -> slip(account, setup.shop(), amount, order));
    }

    /** In francs, and in euro from a Swiss account, the Swiss QR-bill; else in euro the code of EPC069-12. */
    private static Slip slip(Payment.BankAccount account, Shop shop, BigDecimal amount, Orders.Order order) {
        String payee = account.payee().isBlank() ? account.holder() : account.payee();
        String reference = SwissPayload.reference(account.iban(), String.valueOf(order.number()));
        Shop.Address at = shop.address();
        Optional<String> swiss = SwissPayload.of(
                new SwissPayload.Creditor(payee, String.join(", ", at.lines()), at.postcode(), at.city(), at.country()),
                account.iban(),
                amount,
                order.currency(),
                reference);
        Optional<String> payload = swiss.isPresent()
                        || !order.currency().equals("EUR")
                        || account.iban().isBlank()
                ? swiss
                : EpcPayload.of(payee, account.iban(), amount, reference);
        return new Slip(
                payee,
                account.parts(shop.address().country()),
                amount,
                order.currency(),
                SwissPayload.isQrIban(account.iban())
                        ? reference.replaceAll("(?=(?:.{5})+$)", " ")
                        : grouped(reference),
                payload.map(TransferSlips::code),
                swiss.isPresent());
    }

    private static String grouped(String text) {
        return text.replaceAll("\\s", "").replaceAll("(.{4})(?=.)", "$1 ");
    }

    /** Rows of modules. Error correction level M, as EPC069-12 asks. */
    public static String code(String payload) {
        try {
            BitMatrix matrix = new QRCodeWriter()
                    .encode(
                            payload,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(
                                    EncodeHintType.ERROR_CORRECTION,
                                    ErrorCorrectionLevel.M,
                                    EncodeHintType.CHARACTER_SET,
                                    "UTF-8",
                                    EncodeHintType.MARGIN,
                                    0));
            StringBuilder rows = new StringBuilder();
            for (int y = 0; y < matrix.getHeight(); y++) {
                rows.append(y == 0 ? "" : "\n");
                for (int x = 0; x < matrix.getWidth(); x++) {
                    rows.append(matrix.get(x, y) ? '#' : '.');
                }
            }
            return rows.toString();
        } catch (WriterException e) {
            throw new IllegalStateException(e);
        }
    }
}

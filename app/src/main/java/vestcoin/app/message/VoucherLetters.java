package vestcoin.app.message;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import vestcoin.app.format.Phrases;
import vestcoin.app.order.Orders;
import vestcoin.app.outside.TimePassed;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Wording;
import vestcoin.app.voucher.SoldVouchers;
import vestcoin.app.voucher.SoldVouchers.SoldVoucher;
import vestcoin.app.voucher.VoucherHandover;

/**
 * Writes to whoever gets a voucher, on its day at the shop: once for all of an order that go to the same person. A
 * voucher is written of until that is noted, so a crash in between writes no second letter and loses none.
 */
@Service
class VoucherLetters {
    private static final Logger LOG = LoggerFactory.getLogger(VoucherLetters.class);

    /** What goes to one person. */
    private record To(long order, String email, int sends) {}

    private final LetterBook letters;
    private final SoldVouchers sold;
    private final Orders orders;
    private final Editions editions;
    private final Clock clock;
    private final String ownUrl;

    VoucherLetters(
            LetterBook letters,
            SoldVouchers sold,
            Orders orders,
            Editions editions,
            Clock clock,
            @Value("${vest-coin.own-url}") String ownUrl) {
        this.letters = letters;
        this.sold = sold;
        this.orders = orders;
        this.editions = editions;
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    @EventListener
    void issued(VoucherHandover.VouchersIssued issued) {
        letters.later(this::keepUp, 0);
    }

    /** Those whose day has come. */
    @EventListener({ApplicationReadyEvent.class, TimePassed.class})
    @Scheduled(fixedDelayString = "PT1M", initialDelayString = "PT1M")
    void dayCame() {
        letters.later(this::keepUp, 0);
    }

    private void keepUp() {
        Map<To, List<SoldVoucher>> due = new LinkedHashMap<>();
        for (SoldVoucher voucher : sold.untold()) {
            due.computeIfAbsent(new To(voucher.orderId(), voucher.email(), voucher.sends()), key -> new ArrayList<>())
                    .add(voucher);
        }
        for (List<SoldVoucher> together : due.values()) {
            try {
                tell(together);
            } catch (RuntimeException e) {
                LOG.warn("of voucher {} is written later: {}", together.get(0).id(), e.toString());
            }
        }
        if (!due.isEmpty()) {
            letters.deliver();
        }
    }

    private void tell(List<SoldVoucher> together) {
        Orders.Order order = orders.byId(together.get(0).orderId());
        Document document = editions.spoken(order.shop(), order.by(), order.language());
        LocalDate today =
                LocalDate.ofInstant(clock.instant(), document.compiled().zone());
        if (together.get(0).sendOn().isAfter(today)) {
            return;
        }
        List<SoldVoucher> there =
                together.stream().filter(each -> !each.ended()).toList();
        if (!there.isEmpty()) {
            SoldVoucher first = there.get(0);
            letters.owe(
                    LetterBook.About.order(order.shop(), order.id()),
                    document.setup().shop(),
                    "voucher",
                    "order-" + order.id() + "-voucher-" + first.id() + "-" + first.sends(),
                    first.email(),
                    said(order, document, there));
        }
        together.forEach(each -> sold.told(each.id()));
    }

    private LetterBook.LetterContent said(Orders.Order order, Document document, List<SoldVoucher> there) {
        Phrases phrases = Wording.of(document.setup(), order.language());
        LetterTexts words = LetterTexts.in(document.setup(), order.language());
        List<String> paragraphs = new ArrayList<>();
        SoldVoucher first = there.get(0);
        if (!first.message().isEmpty()) {
            paragraphs.add(first.message());
        }
        for (SoldVoucher voucher : there) {
            paragraphs.add(phrases.say(
                    "letter.voucher-code",
                    "code",
                    voucher.code(),
                    "worth",
                    phrases.money(left(voucher), voucher.currency()),
                    "until",
                    voucher.validUntil(),
                    "link",
                    ownUrl + "/api/counter/vouchers/" + voucher.token() + "/voucher.pdf"));
        }
        paragraphs.add(phrases.say("letter.voucher-how"));
        BigDecimal worth = there.stream().map(VoucherLetters::left).reduce(BigDecimal.ZERO, BigDecimal::add);
        return words.marked(
                order.mode(),
                words.voucher(
                        first.gift() ? "voucher-gift" : "voucher",
                        Map.of(
                                "name",
                                first.name(),
                                "from",
                                order.name(),
                                "shop",
                                document.setup().shop().name(),
                                "order",
                                String.valueOf(order.number()),
                                "amount",
                                phrases.money(worth, first.currency())),
                        paragraphs,
                        ownUrl + "/counter/" + order.shop()));
    }

    private static BigDecimal left(SoldVoucher voucher) {
        return BigDecimal.valueOf(
                voucher.balance(), CurrencyUnit.of(voucher.currency()).getDecimalPlaces());
    }
}

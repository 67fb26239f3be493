package vestcoin.app.message;

import java.math.BigDecimal;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Phrases;
import vestcoin.app.order.Orders;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Wording;
import vestcoin.app.voucher.SoldVouchers;
import vestcoin.core.message.Message;

/** A voucher sold as a page to print, for whoever holds its link. */
@RestController
class VoucherPageController {
    private final SoldVouchers sold;
    private final Orders orders;
    private final Editions editions;
    private final String ownUrl;

    VoucherPageController(
            SoldVouchers sold, Orders orders, Editions editions, @Value("${vest-coin.own-url}") String ownUrl) {
        this.sold = sold;
        this.orders = orders;
        this.editions = editions;
        this.ownUrl = ownUrl;
    }

    @GetMapping("/api/counter/vouchers/{token}/voucher.pdf")
    ResponseEntity<byte[]> page(@PathVariable String token) {
        SoldVouchers.SoldVoucher voucher = sold.byToken(token)
                .filter(each -> !each.ended())
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "token",
                        Message.of("message.there-no-such-voucher"),
                        Message.of("message.ask-shop-or-whoever-gave-it")));
        Orders.Order order = orders.byId(voucher.orderId());
        Document document = editions.spoken(order.shop(), order.by(), order.language());
        Phrases phrases = Wording.of(document.setup(), order.language());
        byte[] pdf = VoucherPdf.of(new VoucherPdf.Page(
                phrases.say("letter.voucher-title")
                        + (order.mode().equals("test") ? " · " + phrases.say("paper.test") : ""),
                document.setup().shop().name(),
                phrases.money(
                        BigDecimal.valueOf(
                                voucher.issued(),
                                CurrencyUnit.of(voucher.currency()).getDecimalPlaces()),
                        voucher.currency()),
                voucher.code(),
                voucher.gift() ? voucher.message() : "",
                List.of(
                        phrases.say("letter.voucher-valid", "from", voucher.validFrom(), "until", voucher.validUntil()),
                        phrases.say("letter.voucher-how"),
                        ownUrl + "/counter/" + order.shop())));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CACHE_CONTROL, "no-store")
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"voucher-" + voucher.code() + ".pdf\"")
                .body(pdf);
    }
}

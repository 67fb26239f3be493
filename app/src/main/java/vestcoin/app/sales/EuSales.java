package vestcoin.app.sales;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Year;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Service;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.QuoteView;
import vestcoin.app.paper.Paper;
import vestcoin.app.service.ExchangeRates;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Product;
import vestcoin.core.invoice.Bill;
import vestcoin.core.invoice.DistanceSales;
import vestcoin.core.invoice.OneStopShop;
import vestcoin.core.money.Exchange;
import vestcoin.core.place.Groups;
import vestcoin.core.tax.TaxLiability.Code;

/** What papers say of sales to consumers in other member states of the Union. */
@Service
class EuSales {
    private static final String EURO = "EUR";

    /** @param converted other currencies, taken at the latest rate known; the law asks for that of 5 December 2017 */
    record Counted(DistanceSales.Counter counter, Set<String> converted) {}

    private final SalesPapers papers;
    private final Editions editions;
    private final ExchangeRates rates;

    EuSales(SalesPapers papers, Editions editions, ExchangeRates rates) {
        this.papers = papers;
        this.editions = editions;
        this.rates = rates;
    }

    /** The sheet of the quarter a day is in. */
    OneStopShop.Sheet sheet(String shop, String mode, ZoneId zone, String home, LocalDate day) {
        OneStopShop sums = new OneStopShop(day);
        LocalDate from = OneStopShop.quarter(day);
        papers.each(shop, mode, instant(from, zone), instant(from.plusMonths(3), zone), row -> {
            Paper paper = Json.read(row.content(), Paper.class);
            String state = paper.bill().country().orElse("");
            if (isElsewhere(paper, state, home)) {
                sums.add(new OneStopShop.Entry(
                        paper.issued(),
                        paper.credits().map(Paper.Credits::issued),
                        paper.currency(),
                        supplies(row, paper, state)));
            }
        });
        return sums.sheet(
                (currency, quarter) -> rates.from(quarter.plusMonths(3).minusDays(1)));
    }

    /** The distance sales of a year and the one before. */
    Counted counter(String shop, String mode, ZoneId zone, String home, Year year) {
        DistanceSales sales = new DistanceSales();
        Set<String> converted = new TreeSet<>();
        Optional<Exchange> latest = rates.latest();
        papers.each(
                shop,
                mode,
                instant(year.minusYears(1).atDay(1), zone),
                instant(year.plusYears(1).atDay(1), zone),
                row -> {
                    Paper paper = Json.read(row.content(), Paper.class);
                    if (isElsewhere(paper, row.country(), home)) {
                        BigDecimal net = crossing(row, paper);
                        if (!paper.currency().equals(EURO)) {
                            converted.add(paper.currency());
                        }
                        euro(net, paper.currency(), latest)
                                .ifPresent(euro -> sales.add(
                                        paper.issued(), paper.credits().isPresent() ? euro.negate() : euro));
                    }
                });
        return new Counted(sales.counter(year), converted);
    }

    private static Instant instant(LocalDate day, ZoneId zone) {
        return day.atStartOfDay(zone).toInstant();
    }

    /** Whether a paper is of a supply to a consumer in another member state. */
    private static boolean isElsewhere(Paper paper, String state, String home) {
        return Groups.EU.contains(state)
                && !state.equals(home)
                && paper.buyer().vat().isEmpty()
                && !paper.bill().vouchers();
    }

    private List<OneStopShop.Supply> supplies(SalesPapers.PaperOfOrder row, Paper paper, String state) {
        List<OneStopShop.Supply> supplies = new ArrayList<>();
        for (Bill.Item item : paper.bill().items()) {
            if (item.code() == Code.S || item.code() == Code.Z) {
                boolean service = kind(row, item)
                        .filter(kind -> kind != Product.Kind.PHYSICAL)
                        .isPresent();
                supplies.add(new OneStopShop.Supply(
                        state,
                        service ? OneStopShop.Kind.SERVICES : OneStopShop.Kind.GOODS,
                        item.rate(),
                        item.net(),
                        item.tax()));
            }
        }
        return supplies;
    }

    /** Goods and what is sent with them, and what is supplied by wire; not what is done where the shop is. */
    private BigDecimal crossing(SalesPapers.PaperOfOrder row, Paper paper) {
        BigDecimal net = BigDecimal.ZERO;
        for (Bill.Item item : paper.bill().items()) {
            boolean counted = item.kind() != Bill.Kind.VOUCHER
                    && kind(row, item)
                            .map(kind -> kind == Product.Kind.PHYSICAL
                                    || kind == Product.Kind.DIGITAL
                                    || kind == Product.Kind.REMOTE_SERVICE)
                            .orElse(item.kind() != Bill.Kind.GOODS);
            net = counted ? net.add(item.net()) : net;
        }
        return net;
    }

    /** What a row of goods is of; nothing for delivery and fees, and for goods that are no longer known. */
    private Optional<Product.Kind> kind(SalesPapers.PaperOfOrder row, Bill.Item item) {
        QuoteView quote = KeptQuotes.read(row.quote());
        return item.line()
                .filter(line -> line < quote.lines().size())
                .map(line -> quote.lines().get(line).product())
                .flatMap(product -> editions.of(row.shop(), row.edition())
                        .document()
                        .compiled()
                        .shelf()
                        .find(product)
                        .map(Product::kind));
    }

    private static Optional<BigDecimal> euro(BigDecimal amount, String currency, Optional<Exchange> rates) {
        if (currency.equals(EURO)) {
            return Optional.of(amount);
        }
        return rates.flatMap(known -> known.of(currency).flatMap(each -> known.of(EURO)
                .map(euro -> amount.multiply(euro).divide(each, 2, RoundingMode.HALF_UP))));
    }
}

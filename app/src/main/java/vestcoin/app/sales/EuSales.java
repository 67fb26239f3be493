package vestcoin.app.sales;

import java.time.Instant;
import java.time.LocalDate;
import java.time.Year;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Service;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.paper.Paper;
import vestcoin.app.paper.UnionSales;
import vestcoin.app.paper.UnionSupply;
import vestcoin.app.service.ExchangeRates;
import vestcoin.app.setup.Editions;
import vestcoin.core.invoice.DistanceSales;
import vestcoin.core.invoice.OneStopShop;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxLiability.Code;

/** What papers say of sales to consumers in other member states of the Union. */
@Service
class EuSales {
    private static final String EURO = "EUR";

    /** @param converted other currencies, taken at the latest rate known, as that of 5 December 2017 is not */
    record Counted(DistanceSales.Counter counter, Set<String> converted) {}

    private final SalesPapers papers;
    private final UnionSales sales;
    private final Editions editions;
    private final ExchangeRates rates;

    EuSales(SalesPapers papers, UnionSales sales, Editions editions, ExchangeRates rates) {
        this.papers = papers;
        this.sales = sales;
        this.editions = editions;
        this.rates = rates;
    }

    /** The sheet a day is filed with. */
    OneStopShop.Sheet sheet(
            OneStopShop.Scheme scheme, String shop, String mode, ZoneId zone, String home, LocalDate day) {
        OneStopShop sums = new OneStopShop(scheme, day);
        LocalDate from = scheme.begin(day);
        papers.each(shop, mode, instant(from, zone), instant(scheme.next(from), zone), row -> {
            Paper paper = Json.read(row.content(), Paper.class);
            String state = paper.bill().country().orElse("");
            List<OneStopShop.Supply> supplies = supplies(scheme, row, paper, state, home);
            if (!supplies.isEmpty()) {
                sums.add(new OneStopShop.Entry(
                        paper.issued(), paper.credits().map(Paper.Credits::issued), paper.currency(), supplies));
            }
        });
        return sums.sheet((currency, begin) -> rates.from(scheme.next(begin).minusDays(1)));
    }

    /** The distance sales of a year and the one before, with what the seller says of others. */
    Counted counter(String shop, String mode, Tax tax, Year year) {
        DistanceSales sum = new DistanceSales();
        Set<String> converted = new TreeSet<>();
        for (Year each : List.of(year.minusYears(1), year)) {
            sum.add(each.atDay(1), tax.elsewhere(each.getValue()));
        }
        for (UnionSales.DaySum day : sales.days(shop, mode, year)) {
            sum.add(day.day(), day.net());
            if (!day.currency().equals(EURO) && !DistanceSales.RATES_OF_2017.containsKey(day.currency())) {
                converted.add(day.currency());
            }
        }
        return new Counted(sum.counter(year), converted);
    }

    private static Instant instant(LocalDate day, ZoneId zone) {
        return day.atStartOfDay(zone).toInstant();
    }

    private List<OneStopShop.Supply> supplies(
            OneStopShop.Scheme scheme, SalesPapers.PaperOfOrder row, Paper paper, String state, String home) {
        return UnionSupply.of(
                        paper,
                        state,
                        home,
                        KeptQuotes.read(row.quote()),
                        editions.of(row.shop(), row.edition())
                                .document()
                                .compiled()
                                .shelf())
                .stream()
                .filter(scheme == OneStopShop.Scheme.UNION ? UnionSupply::crosses : UnionSupply::imported)
                .filter(supply ->
                        supply.item().code() == Code.S || supply.item().code() == Code.Z)
                .map(supply -> new OneStopShop.Supply(
                        state,
                        supply.from(),
                        supply.service() ? OneStopShop.Kind.SERVICES : OneStopShop.Kind.GOODS,
                        supply.item().rate(),
                        supply.item().net(),
                        supply.item().tax()))
                .toList();
    }
}

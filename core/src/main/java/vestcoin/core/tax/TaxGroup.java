package vestcoin.core.tax;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.core.why.Figure;

/**
 * What leaves one country and bears one rate in one place, taxed together.
 *
 * @param levy the row of the tax book with the rate charged, or nothing where no tax is
 * @param code category of EN 16931
 * @param dispatch country it leaves from, or where the seller is
 * @param treatment whose tax it is and why
 * @param amount goods and their share of the delivery, in shelf-price mode
 * @param components a tax amount each, rounded once
 * @param parts what the group holds, each with its share of the tax
 */
public record TaxGroup(
        Optional<TaxBook.Levy> levy,
        String category,
        TaxLiability.Code code,
        String dispatch,
        TaxLiability treatment,
        Figure amount,
        List<ComponentTax> components,
        List<Part> parts) {

    /** All components, in percent of the price without tax. */
    public BigDecimal rate() {
        BigDecimal rate = BigDecimal.ZERO;
        for (ComponentTax component : components) {
            rate = rate.add(component.rate().value());
        }
        return rate;
    }

    /** The amount without its tax. @param prices whether it is inside the amount */
    public BigDecimal net(Tax.Prices prices) {
        BigDecimal net = amount.value();
        if (prices == Tax.Prices.WITH_TAX) {
            for (ComponentTax component : components) {
                net = net.subtract(component.tax().value());
            }
        }
        return net;
    }

    /** @param name of the levy; @param rate in percent; @param tax rounded once for the whole group */
    public record ComponentTax(String name, Figure rate, Figure tax) {}

    /**
     * A line, or the part of the delivery that follows this group.
     *
     * @param key {@code lines/0}, {@code lines/0/perUnit/deposit}, {@code delivery/shop} or {@code fee}
     * @param amount in shelf-price mode
     * @param tax its share of all components, which add up to the group's tax
     */
    public record Part(String key, Figure amount, Figure tax) {}
}

package vestcoin.core.invoice;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.place.Destination;
import vestcoin.core.place.VatTerritory;
import vestcoin.core.quote.Consignment;
import vestcoin.core.quote.Quote;

/**
 * What customs is told of one consignment: the particulars of form CN 23 of the Universal Postal Union (from memory).
 *
 * @param place where it leaves from
 * @param gross weight of the packed parcels in kg
 * @param postage what delivery of the whole order costs, without tax
 */
public record CustomsDeclaration(
        String place, Destination from, List<Item> items, BigDecimal gross, BigDecimal postage) {
    /**
     * Goods of one line.
     *
     * @param name as it was sold
     * @param tariff code of the Harmonized System, as the seller has it
     * @param origin country it was made in
     * @param net weight of all of them in kg
     * @param value what was paid for all of them, without tax, discounts taken off
     */
    public record Item(
            String name,
            BigDecimal quantity,
            Optional<String> tariff,
            Optional<String> origin,
            BigDecimal net,
            BigDecimal value) {}

    /** What all of it is worth. */
    public BigDecimal value() {
        return items.stream().map(Item::value).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /**
     * Whether goods on this way are declared: not within one land, nor within the territories where the Union's VAT on
     * goods holds. What leaves or reaches one of the Union's other territories, such as the Canary Islands, is.
     */
    public static boolean needed(Destination from, Destination to) {
        return !(VatTerritory.of(from, true).eu() && VatTerritory.of(to, true).eu())
                && !VatTerritory.sameLand(from, to, true);
    }

    /** One for each consignment that is declared. @param bills of the same quote @param to where it goes */
    public static List<CustomsDeclaration> of(Quote quote, List<Bill> bills, Destination to) {
        List<CustomsDeclaration> declarations = new ArrayList<>();
        for (Consignment consignment : quote.sent().consignments()) {
            if (needed(consignment.from(), to)) {
                declarations.add(new CustomsDeclaration(
                        consignment.name(),
                        consignment.from(),
                        consignment.lines().stream()
                                .map(line -> item(line, bills))
                                .toList(),
                        consignment.weight().value(),
                        sum(bills, Bill.Kind.DELIVERY)));
            }
        }
        return declarations;
    }

    private static Item item(PricedLine line, List<Bill> bills) {
        return new Item(
                line.product().name(),
                line.line().quantity(),
                line.product().sending().tariff(),
                line.product().sending().origin(),
                line.weight().value(),
                bills.stream()
                        .flatMap(bill -> bill.items().stream())
                        .filter(item ->
                                item.line().filter(at -> at == line.index()).isPresent())
                        .map(Bill.Item::net)
                        .reduce(BigDecimal.ZERO, BigDecimal::add));
    }

    private static BigDecimal sum(List<Bill> bills, Bill.Kind kind) {
        return bills.stream()
                .flatMap(bill -> bill.items().stream())
                .filter(item -> item.kind() == kind)
                .map(Bill.Item::net)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }
}

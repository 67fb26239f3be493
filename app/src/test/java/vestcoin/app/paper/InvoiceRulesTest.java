package vestcoin.app.paper;

import static org.assertj.core.api.Assertions.assertThat;

import com.helger.xml.serialize.read.DOMReader;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import vestcoin.app.format.FormatsTest;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.Phrases;
import vestcoin.app.setup.Document;
import vestcoin.core.invoice.Bill;
import vestcoin.core.invoice.Credit;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.RandomShops;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.setup.ShopBuilder;
import vestcoin.core.tax.TaxLiability.Code;

/**
 * Invoices and credit notes of the example orders and of generated ones against the official rules of EN 16931 for UBL,
 * release 1.3.16, as published by CEN/TC 434 and packed in com.helger.phive.rules:phive-rules-en16931; and against
 * exact sums of our own, since those rules let differences under 1.00 pass.
 */
class InvoiceRulesTest {
    private static final int PAPERS = 520;
    private static final InvoiceRules RULES = new InvoiceRules();
    private static final Papers.Numbered NUMBERED = new Papers.Numbered("2026-00001", LocalDate.of(2026, 11, 25));

    private static Paper.Party party(String country) {
        return new Paper.Party(
                "Aoife Ní Mháille & Söhne <Ltd>",
                List.of("12 Example Quay", "Left bell"),
                "Cork",
                "T12 X2A0",
                country,
                Optional.empty(),
                List.of(),
                "aoife@buyers.example");
    }

    /** A shop as generated, with a VAT number of its own. */
    private static Setup registered(Setup setup) {
        Shop shop = setup.shop();
        Shop with = ShopBuilder.builder(shop)
                .numbers(List.of(shop.address().country() + "1234567T"))
                .build();
        return new Setup(
                with,
                setup.goods(),
                setup.discounts(),
                setup.delivery(),
                setup.tax(),
                setup.payment(),
                setup.rehearsal(),
                setup.pickup(),
                setup.terms());
    }

    private static List<Path> examples() throws IOException {
        try (Stream<Path> files = Files.list(Path.of("..", "docs", "formats", "examples"))) {
            return new ArrayList<>(
                    files.filter(file -> file.getFileName().toString().endsWith(".order.json"))
                            .sorted()
                            .toList());
        }
    }

    @Test
    void every_invoice_and_credit_note_passes_the_official_rules_and_exact_sums() throws IOException {
        Random random = new Random(434);
        RandomShops shops = new RandomShops(random);
        Set<Code> codes = EnumSet.noneOf(Code.class);
        int invoices = 0;
        int credits = 0;
        int plain = 0;
        int homes = 0;
        List<Path> examples = examples();
        while (invoices + credits < PAPERS || !examples.isEmpty()) {
            Path example = examples.isEmpty() ? null : examples.remove(0);
            Setup setup = registered(
                    example == null
                            ? shops.shop()
                            : Document.parse(Files.readString(FormatsTest.shopOf(example)))
                                    .setup());
            Order order = example == null ? shops.order(setup) : OrderFile.parse(Files.readString(example));
            Quote quote = Pricing.priceUntraced(CompiledSetup.of(setup), order);
            Drawing drawing = new Drawing(
                    setup,
                    order,
                    "1001",
                    new Drawing.Buyer(
                            party(order.to().country()),
                            invoices % 2 == 0 ? "PO 4711/a" : "",
                            invoices % 3 == 0 ? Optional.of(party(order.to().country())) : Optional.empty()),
                    order.method().orElse(""),
                    true,
                    true,
                    Phrases.FOR_BUYERS.get((invoices + credits) % Phrases.FOR_BUYERS.size()),
                    invoices % 5 == 0
                            ? Optional.of(new Paper.Period(
                                    NUMBERED.issued(),
                                    NUMBERED.issued().plusMonths(1).minusDays(1)))
                            : Optional.empty());
            List<Bill> bills = Bill.of(quote, setup.shop().address().country());
            if (quote.payable().value().signum() <= 0) {
                continue;
            }
            Map<Integer, Paper> issued = new TreeMap<>();
            for (int b = 0; b < bills.size(); b++) {
                BigDecimal rounding = b == 0
                        ? quote.rounding().map(figure -> figure.value()).orElse(BigDecimal.ZERO)
                        : BigDecimal.ZERO;
                Bill bill = bills.get(b);
                issued.put(
                        b,
                        drawing.invoice(
                                NUMBERED,
                                bill,
                                random.nextBoolean() ? bill.gross().add(rounding) : BigDecimal.ZERO,
                                rounding));
            }
            List<Paper> papers = new ArrayList<>(issued.values());
            BigDecimal half = Credit.left(bills, Map.of())
                    .divide(BigDecimal.valueOf(2), quote.payable().value().scale(), java.math.RoundingMode.DOWN);
            for (Credit.Credited credited : Credit.of(
                    bills,
                    Map.of(),
                    Credit.shared(bills, Map.of(), half, quote.payable().value().scale()))) {
                papers.add(Drawing.credit(NUMBERED, issued.get(credited.bill()), credited.credit(), BigDecimal.ZERO));
            }
            for (Paper paper : papers) {
                if (!Ubl.fits(paper) || paper.bill().gross().signum() < 0) {
                    plain++;
                    continue;
                }
                String xml = Ubl.of(paper, Phrases.in(paper.language()));
                assertThat(RULES.broken(paper, xml)).as("%s", xml).isEmpty();
                exact(paper, xml);
                homes += paper.homeTax().isPresent() ? 1 : 0;
                paper.bill().categories().forEach(category -> codes.add(category.code()));
                invoices += paper.kind() == Paper.Kind.INVOICE ? 1 : 0;
                credits += paper.kind() == Paper.Kind.CREDIT ? 1 : 0;
            }
        }
        System.out.println("EN 16931: " + invoices + " invoices, " + credits + " credit notes, categories " + codes
                + "; " + plain + " that are plain");
        assertThat(codes).contains(Code.S, Code.Z, Code.E, Code.K, Code.AE, Code.G, Code.O);
        assertThat(credits).isGreaterThan(100);
        assertThat(homes)
                .as("in another currency, with the tax in the seller's own")
                .isGreaterThan(5);
    }

    /** The sums the rules check within 1.00, checked without any tolerance, on what the XML says. */
    private static void exact(Paper paper, String xml) {
        org.w3c.dom.Document document = DOMReader.readXMLDOM(xml);
        Element totals = (Element)
                document.getElementsByTagNameNS("*", "LegalMonetaryTotal").item(0);
        BigDecimal lines = sum(
                document, "LineExtensionAmount", paper.kind() == Paper.Kind.INVOICE ? "InvoiceLine" : "CreditNoteLine");
        assertThat(lines).as("BR-CO-10").isEqualByComparingTo(amount(totals, "LineExtensionAmount"));
        assertThat(lines.add(amount(totals, "ChargeTotalAmount")).subtract(amount(totals, "AllowanceTotalAmount")))
                .as("BR-CO-13")
                .isEqualByComparingTo(amount(totals, "TaxExclusiveAmount"));
        assertThat(sum(document, "TaxAmount", "TaxSubtotal"))
                .as("BR-CO-14")
                .isEqualByComparingTo(tax(document, paper.currency()));
        assertThat(amount(totals, "TaxExclusiveAmount").add(tax(document, paper.currency())))
                .as("BR-CO-15")
                .isEqualByComparingTo(amount(totals, "TaxInclusiveAmount"));
        assertThat(amount(totals, "TaxInclusiveAmount")
                        .subtract(amount(totals, "PrepaidAmount"))
                        .add(amount(totals, "PayableRoundingAmount")))
                .as("BR-CO-16")
                .isEqualByComparingTo(amount(totals, "PayableAmount"));
        // Directive 2006/112/EC, Article 230: the tax in the seller's own currency too (BT-111), rounded once.
        paper.homeTax().ifPresent(home -> assertThat(tax(document, home.currency()))
                .isEqualByComparingTo(paper.bill()
                        .tax()
                        .multiply(home.from())
                        .divide(
                                home.to(),
                                org.joda.money.CurrencyUnit.of(home.currency()).getDecimalPlaces(),
                                java.math.RoundingMode.HALF_UP)));
        assertThat(sum(document, "TaxableAmount", "TaxSubtotal"))
                .as("BR-S-08 and its like, all together")
                .isEqualByComparingTo(amount(totals, "TaxExclusiveAmount"));
    }

    private static BigDecimal amount(Element of, String name) {
        NodeList found = of.getElementsByTagNameNS("*", name);
        return found.getLength() == 0
                ? BigDecimal.ZERO
                : new BigDecimal(found.item(0).getTextContent());
    }

    /** The total of tax in a currency. */
    private static BigDecimal tax(org.w3c.dom.Document document, String currency) {
        NodeList found = document.getElementsByTagNameNS("*", "TaxAmount");
        for (int i = 0; i < found.getLength(); i++) {
            Element amount = (Element) found.item(i);
            if (amount.getParentNode().getLocalName().equals("TaxTotal")
                    && amount.getAttribute("currencyID").equals(currency)) {
                return new BigDecimal(amount.getTextContent());
            }
        }
        throw new AssertionError("no total of tax in " + currency);
    }

    /** Of elements that are children of a parent of this name. */
    private static BigDecimal sum(org.w3c.dom.Document document, String name, String parent) {
        BigDecimal sum = BigDecimal.ZERO;
        NodeList found = document.getElementsByTagNameNS("*", name);
        for (int i = 0; i < found.getLength(); i++) {
            if (found.item(i).getParentNode().getLocalName().equals(parent)) {
                sum = sum.add(new BigDecimal(found.item(i).getTextContent()));
            }
        }
        return sum;
    }
}

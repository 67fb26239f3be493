package vestcoin.app.paper;

import com.helger.ubl21.UBL21Marshaller;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.AddressType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.AllowanceChargeType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.BillingReferenceType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.ContactType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.CountryType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.CreditNoteLineType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.CustomerPartyType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.DeliveryType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.DocumentReferenceType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.FinancialAccountType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.InvoiceLineType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.ItemType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.LocationType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.MonetaryTotalType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.OrderReferenceType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyIdentificationType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyLegalEntityType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyNameType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyTaxSchemeType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PaymentMeansType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PeriodType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PriceType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.SupplierPartyType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.TaxCategoryType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.TaxSchemeType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.TaxSubtotalType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.TaxTotalType;
import oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.NoteType;
import oasis.names.specification.ubl.schema.xsd.creditnote_21.CreditNoteType;
import oasis.names.specification.ubl.schema.xsd.invoice_21.InvoiceType;
import org.joda.money.CurrencyUnit;
import vestcoin.app.format.Phrases;
import vestcoin.core.invoice.Bill;
import vestcoin.core.tax.TaxLiability.Code;

/**
 * An invoice or credit note as UBL 2.1 by EN 16931 (EN 16931-1:2017 and the binding of CEN/TS 16931-3-2). Goods are
 * lines, their discounts allowances of the line; delivery and fees are charges of the whole. A line's price is that of
 * its whole quantity, so that line amounts are exact.
 */
final class Ubl {
    private static final String CUSTOMIZATION = "urn:cen.eu:en16931:2017";
    private static final String INVOICE = "380";
    private static final String CREDIT_NOTE = "381";
    /** Codes of the Connecting Europe Facility's list of exemption reasons. */
    private static final Map<Code, String> EXEMPTIONS =
            Map.of(Code.AE, "VATEX-EU-AE", Code.K, "VATEX-EU-IC", Code.G, "VATEX-EU-G", Code.O, "VATEX-EU-O");
    /** UN/ECE Recommendation 20: one piece. */
    private static final String PIECE = "C62";

    private final Paper paper;
    private final Phrases phrases;

    private Ubl(Paper paper, Phrases phrases) {
        this.paper = paper;
        this.phrases = phrases;
    }

    /**
     * Whether a paper can be written this way: in a currency with two decimals and its tax at home in one with at most
     * two, with one rate an item.
     */
    static boolean fits(Paper paper) {
        return !paper.bill().vouchers()
                && paper.bill().oneRate()
                && CurrencyUnit.of(paper.currency()).getDecimalPlaces() == 2
                && paper.homeTax().stream()
                        .allMatch(tax -> CurrencyUnit.of(tax.currency()).getDecimalPlaces() <= 2);
    }

    static String of(Paper paper, Phrases phrases) {
        Ubl ubl = new Ubl(paper, phrases);
        return paper.kind() == Paper.Kind.INVOICE
                ? UBL21Marshaller.invoice().getAsString(ubl.invoice())
                : UBL21Marshaller.creditNote().getAsString(ubl.creditNote());
    }

    private InvoiceType invoice() {
        InvoiceType invoice = new InvoiceType();
        invoice.setCustomizationID(CUSTOMIZATION);
        invoice.setID(paper.number());
        invoice.setIssueDate(paper.issued());
        paper.due().ifPresent(invoice::setDueDate);
        invoice.setInvoiceTypeCode(INVOICE);
        invoice.setDocumentCurrencyCode(paper.currency());
        paper.homeTax().ifPresent(home -> invoice.setTaxCurrencyCode(home.currency()));
        period().ifPresent(invoice::addInvoicePeriod);
        invoice.setOrderReference(orderReference());
        invoice.setAccountingSupplierParty(supplier());
        invoice.setAccountingCustomerParty(customer());
        delivery().ifPresent(invoice::addDelivery);
        means().ifPresent(invoice::addPaymentMeans);
        charges().forEach(invoice::addAllowanceCharge);
        invoice.addTaxTotal(taxTotal());
        paper.homeTax().ifPresent(home -> invoice.addTaxTotal(homeTotal(home)));
        invoice.setLegalMonetaryTotal(totals());
        int number = 1;
        for (Bill.Item item : lines()) {
            InvoiceLineType line = new InvoiceLineType();
            line.setID(String.valueOf(number++));
            line.setInvoicedQuantity(item.quantity()).setUnitCode(PIECE);
            if (!item.answers().isEmpty()) {
                // BT-127
                line.addNote(
                        new NoteType(item.answers().stream().map(phrases::say).collect(Collectors.joining("; "))));
            }
            line.setLineExtensionAmount(item.net()).setCurrencyID(paper.currency());
            allowance(item).ifPresent(line::addAllowanceCharge);
            line.setItem(item(item));
            line.setPrice(price(item));
            invoice.addInvoiceLine(line);
        }
        return invoice;
    }

    private CreditNoteType creditNote() {
        CreditNoteType note = new CreditNoteType();
        note.setCustomizationID(CUSTOMIZATION);
        note.setID(paper.number());
        note.setIssueDate(paper.issued());
        note.setCreditNoteTypeCode(CREDIT_NOTE);
        note.setDocumentCurrencyCode(paper.currency());
        paper.homeTax().ifPresent(home -> note.setTaxCurrencyCode(home.currency()));
        period().ifPresent(note::addInvoicePeriod);
        note.setOrderReference(orderReference());
        paper.credits().ifPresent(credits -> {
            DocumentReferenceType reference = new DocumentReferenceType();
            reference.setID(credits.number());
            reference.setIssueDate(credits.issued());
            BillingReferenceType billing = new BillingReferenceType();
            billing.setInvoiceDocumentReference(reference);
            note.addBillingReference(billing);
        });
        note.setAccountingSupplierParty(supplier());
        note.setAccountingCustomerParty(customer());
        delivery().ifPresent(note::addDelivery);
        charges().forEach(note::addAllowanceCharge);
        note.addTaxTotal(taxTotal());
        paper.homeTax().ifPresent(home -> note.addTaxTotal(homeTotal(home)));
        note.setLegalMonetaryTotal(totals());
        int number = 1;
        for (Bill.Item item : lines()) {
            CreditNoteLineType line = new CreditNoteLineType();
            line.setID(String.valueOf(number++));
            line.setCreditedQuantity(item.quantity()).setUnitCode(PIECE);
            if (!item.answers().isEmpty()) {
                // BT-127
                line.addNote(
                        new NoteType(item.answers().stream().map(phrases::say).collect(Collectors.joining("; "))));
            }
            line.setLineExtensionAmount(item.net()).setCurrencyID(paper.currency());
            line.setItem(item(item));
            line.setPrice(price(item));
            note.addCreditNoteLine(line);
        }
        return note;
    }

    /** Goods, and what stands on top of them; of a paper without any, the charges, since there has to be a line. */
    private List<Bill.Item> lines() {
        List<Bill.Item> lines = paper.bill().items().stream()
                .filter(item -> item.line().isPresent())
                .toList();
        return lines.isEmpty()
                ? paper.bill().items().stream()
                        .filter(item -> item.net().signum() > 0)
                        .toList()
                : lines;
    }

    private List<AllowanceChargeType> charges() {
        List<AllowanceChargeType> charges = new ArrayList<>();
        List<Bill.Item> lines = lines();
        for (Bill.Item item : paper.bill().items()) {
            if (!lines.contains(item) && item.net().signum() != 0) {
                AllowanceChargeType charge = new AllowanceChargeType();
                charge.setChargeIndicator(item.net().signum() > 0);
                charge.addAllowanceChargeReason(
                        new oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.AllowanceChargeReasonType(
                                phrases.say(item.name())));
                charge.setAmount(item.net().abs()).setCurrencyID(paper.currency());
                charge.addTaxCategory(category(item.code(), item.rate(), Optional.empty()));
                charges.add(charge);
            }
        }
        return charges;
    }

    private Optional<AllowanceChargeType> allowance(Bill.Item item) {
        if (item.allowance().signum() <= 0) {
            return Optional.empty();
        }
        AllowanceChargeType allowance = new AllowanceChargeType();
        allowance.setChargeIndicator(false);
        allowance.addAllowanceChargeReason(
                new oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.AllowanceChargeReasonType(
                        phrases.say("paper.discount")));
        allowance.setAmount(item.allowance()).setCurrencyID(paper.currency());
        return Optional.of(allowance);
    }

    private ItemType item(Bill.Item item) {
        ItemType type = new ItemType();
        type.setName(phrases.say(item.name()));
        type.addClassifiedTaxCategory(category(item.code(), item.rate(), Optional.empty()));
        return type;
    }

    private PriceType price(Bill.Item item) {
        PriceType price = new PriceType();
        price.setPriceAmount(item.net().add(item.allowance())).setCurrencyID(paper.currency());
        price.setBaseQuantity(item.quantity()).setUnitCode(PIECE);
        return price;
    }

    private static TaxCategoryType category(Code code, BigDecimal rate, Optional<String> reason) {
        TaxCategoryType category = new TaxCategoryType();
        category.setID(code.name());
        if (code != Code.O) {
            category.setPercent(rate);
        }
        reason.ifPresent(text -> {
            Optional.ofNullable(EXEMPTIONS.get(code)).ifPresent(category::setTaxExemptionReasonCode);
            category.addTaxExemptionReason(
                    new oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.TaxExemptionReasonType(text));
        });
        category.setTaxScheme(vat());
        return category;
    }

    private static TaxSchemeType vat() {
        TaxSchemeType scheme = new TaxSchemeType();
        scheme.setID("VAT");
        return scheme;
    }

    /** The tax in the seller's own currency: BT-6 and BT-111. */
    private static TaxTotalType homeTotal(Paper.HomeTax home) {
        TaxTotalType total = new TaxTotalType();
        total.setTaxAmount(home.amount()).setCurrencyID(home.currency());
        return total;
    }

    private TaxTotalType taxTotal() {
        TaxTotalType total = new TaxTotalType();
        total.setTaxAmount(paper.bill().tax()).setCurrencyID(paper.currency());
        for (Bill.Category category : paper.bill().categories()) {
            TaxSubtotalType subtotal = new TaxSubtotalType();
            subtotal.setTaxableAmount(category.net()).setCurrencyID(paper.currency());
            subtotal.setTaxAmount(category.tax()).setCurrencyID(paper.currency());
            boolean reason = category.code() != Code.S && category.code() != Code.Z;
            subtotal.setTaxCategory(category(
                    category.code(), category.rate(), reason ? Optional.of(reason(category)) : Optional.empty()));
            total.addTaxSubtotal(subtotal);
        }
        return total;
    }

    private MonetaryTotalType totals() {
        String currency = paper.currency();
        List<Bill.Item> lines = lines();
        BigDecimal ofLines = lines.stream().map(Bill.Item::net).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal charges = BigDecimal.ZERO;
        BigDecimal allowances = BigDecimal.ZERO;
        for (Bill.Item item : paper.bill().items()) {
            if (!lines.contains(item)) {
                charges = charges.add(item.net().max(BigDecimal.ZERO));
                allowances = allowances.add(item.net().negate().max(BigDecimal.ZERO));
            }
        }
        MonetaryTotalType total = new MonetaryTotalType();
        total.setLineExtensionAmount(ofLines).setCurrencyID(currency);
        total.setTaxExclusiveAmount(paper.bill().net()).setCurrencyID(currency);
        total.setTaxInclusiveAmount(paper.bill().gross()).setCurrencyID(currency);
        if (allowances.signum() != 0) {
            total.setAllowanceTotalAmount(allowances).setCurrencyID(currency);
        }
        if (charges.signum() != 0) {
            total.setChargeTotalAmount(charges).setCurrencyID(currency);
        }
        total.setPrepaidAmount(paper.paid()).setCurrencyID(currency);
        if (paper.rounding().signum() != 0) {
            total.setPayableRoundingAmount(paper.rounding()).setCurrencyID(currency);
        }
        total.setPayableAmount(paper.open()).setCurrencyID(currency);
        return total;
    }

    /** The buyer's number of the order (BT-13) and ours (BT-14); ours alone where there is no other. */
    private OrderReferenceType orderReference() {
        OrderReferenceType reference = new OrderReferenceType();
        if (paper.reference().isEmpty()) {
            reference.setID(paper.order());
        } else {
            reference.setID(paper.reference());
            reference.setSalesOrderID(paper.order());
        }
        return reference;
    }

    private SupplierPartyType supplier() {
        SupplierPartyType supplier = new SupplierPartyType();
        supplier.setParty(party(paper.seller(), true));
        return supplier;
    }

    private CustomerPartyType customer() {
        CustomerPartyType customer = new CustomerPartyType();
        customer.setParty(party(paper.buyer(), false));
        return customer;
    }

    private PartyType party(Paper.Party who, boolean seller) {
        PartyType party = new PartyType();
        if (seller && who.vat().isEmpty()) {
            // BR-CO-26: a seller is known by something. Without a number it is its name at the shop.
            PartyIdentificationType identification = new PartyIdentificationType();
            identification.setID(
                    who.numbers().isEmpty() ? who.name() : who.numbers().get(0));
            party.addPartyIdentification(identification);
        }
        PartyNameType name = new PartyNameType();
        name.setName(who.name());
        party.addPartyName(name);
        party.setPostalAddress(address(who));
        who.vat().ifPresent(vat -> {
            PartyTaxSchemeType scheme = new PartyTaxSchemeType();
            scheme.setCompanyID(vat);
            scheme.setTaxScheme(vat());
            party.addPartyTaxScheme(scheme);
        });
        PartyLegalEntityType entity = new PartyLegalEntityType();
        entity.setRegistrationName(who.name());
        party.addPartyLegalEntity(entity);
        if (!who.email().isBlank()) {
            ContactType contact = new ContactType();
            contact.setElectronicMail(who.email());
            party.setContact(contact);
        }
        return party;
    }

    private static AddressType address(Paper.Party who) {
        AddressType address = new AddressType();
        if (!who.lines().isEmpty()) {
            address.setStreetName(who.lines().get(0));
        }
        if (who.lines().size() > 1) {
            address.setAdditionalStreetName(
                    String.join(", ", who.lines().subList(1, who.lines().size())));
        }
        if (!who.city().isBlank()) {
            address.setCityName(who.city());
        }
        if (!who.postcode().isBlank()) {
            address.setPostalZone(who.postcode());
        }
        CountryType country = new CountryType();
        country.setIdentificationCode(who.country());
        address.setCountry(country);
        return address;
    }

    /** What a renewal is for (BT-73, BT-74). */
    private Optional<PeriodType> period() {
        return paper.period().map(days -> {
            PeriodType period = new PeriodType();
            period.setStartDate(days.from());
            period.setEndDate(days.until());
            return period;
        });
    }

    /** Where goods go, with the day they left; once they did, or where that is not the buyer's address (BG-15). */
    private Optional<DeliveryType> delivery() {
        if (paper.delivered().isEmpty() && paper.goesTo().isEmpty()) {
            return Optional.empty();
        }
        DeliveryType delivery = new DeliveryType();
        paper.delivered().ifPresent(delivery::setActualDeliveryDate);
        LocationType location = new LocationType();
        location.setAddress(address(paper.goesTo().orElse(paper.buyer())));
        delivery.setDeliveryLocation(location);
        paper.goesTo().ifPresent(to -> {
            PartyNameType name = new PartyNameType();
            name.setName(to.name());
            PartyType party = new PartyType();
            party.addPartyName(name);
            delivery.setDeliveryParty(party);
        });
        return Optional.of(delivery);
    }

    private Optional<PaymentMeansType> means() {
        return paper.means().kind().map(kind -> {
            PaymentMeansType means = new PaymentMeansType();
            // UN/EDIFACT 4461: card, online payment service, credit transfer, cash, cheque.
            boolean account = paper.means().iban().isPresent();
            means.setPaymentMeansCode(
                    switch (kind) {
                        case CARD -> "48";
                        case WALLET -> "68";
                        case TRANSFER, ON_ACCOUNT -> account ? "30" : "1";
                        case CASH_ON_DELIVERY, CASH_AT_PICKUP -> "10";
                        case CHEQUE -> "20";
                    });
            paper.means()
                    .reference()
                    .ifPresent(reference -> means.addPaymentID(
                            new oasis.names.specification.ubl.schema.xsd.commonbasiccomponents_21.PaymentIDType(
                                    reference)));
            paper.means().iban().ifPresent(iban -> {
                FinancialAccountType to = new FinancialAccountType();
                to.setID(iban.replaceAll("\\s", ""));
                paper.means().holder().ifPresent(to::setName);
                means.setPayeeFinancialAccount(to);
            });
            return means;
        });
    }

    private String reason(Bill.Category category) {
        String reason = phrases.say(category.reason());
        return reason.isEmpty() ? phrases.say("paper.no-tax") : reason;
    }
}

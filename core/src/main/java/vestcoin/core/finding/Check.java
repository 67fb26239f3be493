package vestcoin.core.finding;

import java.util.List;
import vestcoin.core.finding.Finding.Station;
import vestcoin.core.setup.CompiledSetup;

/**
 * {@code check(setup) -> findings}: pure; what blocks opening first, then in the order of the stations; what is meant
 * so last.
 */
public final class Check {
    private Check() {}

    public static List<Finding> of(CompiledSetup compiled, FindingContext known) {
        Findings findings = new Findings();
        ShopFindings.add(compiled.setup(), findings.at(Station.SHOP));
        GoodsFindings.add(compiled, known, findings.at(Station.GOODS));
        new DeliveryFindings(compiled, findings.at(Station.DELIVERY)).add();
        PickupFindings.add(compiled.setup(), findings.at(Station.PICKUP));
        new TaxFindings(compiled, known, findings.at(Station.TAX)).add();
        new PaymentFindings(compiled, known, findings.at(Station.PAYMENT)).add();
        TermsFindings.add(compiled.setup(), known, findings.at(Station.TERMS));
        return MeantFindings.of(findings.sorted(), compiled.setup().rehearsal().meant());
    }
}

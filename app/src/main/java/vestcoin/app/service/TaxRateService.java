package vestcoin.app.service;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.core.place.Destination;

/**
 * Knows the tax rates of an address. A real one is one more class like {@link HttpTaxRates}. May throw
 * {@link ProviderTimeout} and {@link ProviderRejection}.
 */
public interface TaxRateService {
    /** A levy on ordinary goods. @param percent of the amount without tax */
    record Levy(String name, BigDecimal percent) {}

    /** @param standard one after the other; none where there is no tax @param reduced where there is such a rate */
    record RatesThere(List<Levy> standard, Optional<BigDecimal> reduced) {}

    /** @throws ProviderRejection.NotFound if nothing is known of the place */
    RatesThere rates(ServiceAccess access, Destination place);
}

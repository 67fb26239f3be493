package vestcoin.app.service;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.core.place.Destination;

/**
 * What a carrier does for a shop. A real one is one more class like {@link HttpCarrier}. Every method may throw
 * {@link ProviderTimeout} and {@link ProviderRejection}.
 */
public interface CarrierService {

    /** One of the carrier's ways of carrying. @param id what a cell of the rate sheet names it by */
    record Service(String id, String name) {}

    /** @param centimetres three sides, none where the size is not known */
    record Parcel(BigDecimal kilograms, List<BigDecimal> centimetres) {}

    record RateRequest(Destination from, Destination to, List<Parcel> parcels) {}

    /** @param price for all parcels together, without tax */
    record Quoted(String id, String name, BigDecimal price, Optional<Integer> daysFrom, Optional<Integer> daysTo) {}

    /** @param currency of all prices */
    record Answer(String currency, List<Quoted> quotes) {}

    /** @param address of who gets it, line by line, as it is printed */
    record LabelRequest(String service, RateRequest parcels, List<String> address) {}

    /**
     * A label that was bought.
     *
     * @param carrier as buyers read it
     * @param link where the parcels are followed
     * @param pdf to print
     */
    record Label(String tracking, String carrier, String link, BigDecimal price, String currency, byte[] pdf) {}

    /** Buys a label for parcels, once for a key. */
    Label label(ServiceAccess access, String key, LabelRequest asked);

    /** Shops near a place where a parcel can be fetched, the nearest first. */
    List<ParcelShop> shops(ServiceAccess access, Destination near);

    /** What the carrier offers this shop. */
    List<Service> services(ServiceAccess access);

    Answer quotes(ServiceAccess access, RateRequest asked);
}

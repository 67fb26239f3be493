package vestcoin.app.service;

import java.util.List;

/** Where a carrier hands a parcel over the counter. @param id what the carrier calls it */
public record ParcelShop(String id, String name, List<String> lines, String postcode, String city, String country) {
    public ParcelShop {
        lines = lines == null ? List.of() : List.copyOf(lines);
    }
}

package vestcoin.core.place;

import java.math.BigDecimal;
import java.math.RoundingMode;
import net.sf.geographiclib.Geodesic;
import net.sf.geographiclib.GeodesicMask;

/**
 * A point on the WGS-84 ellipsoid.
 *
 * @param latitude degrees, north positive, −90 to 90
 * @param longitude degrees, east positive, −180 to 180
 */
public record Point(BigDecimal latitude, BigDecimal longitude) {
    private static final int METRES_IN_KILOMETRES = 3;

    /**
     * Length of the geodesic to another point, in kilometres, rounded half up to the metre. Computed by GeographicLib
     * (Karney 2013).
     */
    public BigDecimal kilometresTo(Point other) {
        double metres = Geodesic.WGS84.Inverse(
                        latitude.doubleValue(),
                        longitude.doubleValue(),
                        other.latitude.doubleValue(),
                        other.longitude.doubleValue(),
                        GeodesicMask.DISTANCE)
                .s12;
        return BigDecimal.valueOf(metres)
                .movePointLeft(METRES_IN_KILOMETRES)
                .setScale(METRES_IN_KILOMETRES, RoundingMode.HALF_UP);
    }

    public boolean exists() {
        return latitude != null
                && longitude != null
                && latitude.abs().compareTo(BigDecimal.valueOf(90)) <= 0
                && longitude.abs().compareTo(BigDecimal.valueOf(180)) <= 0;
    }
}

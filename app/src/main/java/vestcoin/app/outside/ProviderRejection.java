package vestcoin.app.outside;

/** A service answered no. */
public class ProviderRejection extends RuntimeException {
    public ProviderRejection(String message) {
        super(message);
    }

    /** It has no such thing. */
    public static final class NotFound extends ProviderRejection {
        public NotFound(String message) {
            super(message);
        }
    }
}

package vestcoin.app.outside;

/** A service did not answer, or not in time: nothing is known. */
public final class ProviderTimeout extends RuntimeException {
    public ProviderTimeout(String message) {
        super(message);
    }
}

package vestcoin.app.outside;

/** A service did not answer, or not in time: nothing is known. */
public final class Silent extends RuntimeException {
    public Silent(String message) {
        super(message);
    }
}

package vestcoin.app.outside;

/** A service answered no. */
public class Refusal extends RuntimeException {
    public Refusal(String message) {
        super(message);
    }

    /** It has no such thing. */
    public static final class NotFound extends Refusal {
        public NotFound(String message) {
            super(message);
        }
    }
}

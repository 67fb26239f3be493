package vestcoin.app.run.storage;

/** Why an installation is not started: one sentence, and what to do. */
public final class StartRefused extends RuntimeException {
    public StartRefused(String sentence) {
        super(sentence);
    }
}

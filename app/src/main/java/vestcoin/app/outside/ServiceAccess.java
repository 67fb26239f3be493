package vestcoin.app.outside;

/** Where a service is and what opens it. */
public record ServiceAccess(String url, String secret) {
    private static final int LONGEST_SECRET = 500;

    /**
     * Whether a text can be a key at all: printable ASCII without spaces. What cannot is refused before it is sent,
     * logged or kept.
     */
    public static boolean canBeSecret(String text) {
        return text != null
                && !text.isEmpty()
                && text.length() <= LONGEST_SECRET
                && text.chars().allMatch(c -> c > ' ' && c < 127);
    }

    @Override
    public String toString() {
        return "Access[" + url + "]";
    }
}

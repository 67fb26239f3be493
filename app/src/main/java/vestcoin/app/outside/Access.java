package vestcoin.app.outside;

/** Where a service is and what opens it. */
public record Access(String url, String secret) {
    @Override
    public String toString() {
        return "Access[" + url + "]";
    }
}

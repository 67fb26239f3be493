package vestcoin.core.payment;

/** How far an account with a provider is, as an order needs to know it. */
public enum Gateway {
    NOT_CONNECTED("no keys are entered"),
    KEYS_ENTERED("the keys have not been checked"),
    WAITING_FOR_APPROVAL("the provider has not approved the account yet"),
    TEST(""),
    LIVE(""),
    FAILING("the provider refuses the keys");

    private final String trouble;

    Gateway(String trouble) {
        this.trouble = trouble;
    }

    /** Why no buyer can pay through it, or an empty text when one can. */
    public String trouble() {
        return trouble;
    }

    public boolean usable() {
        return trouble.isEmpty();
    }
}

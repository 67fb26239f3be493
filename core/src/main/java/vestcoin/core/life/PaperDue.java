package vestcoin.core.life;

/** When an invoice is due. */
public final class PaperDue {
    private PaperDue() {}

    /**
     * Of goods to a business in another member state when they leave (Directive 2006/112/EC, Article 222); of an order
     * on account when it leaves; of every other when all of it is paid.
     *
     * @param intraCommunity whether the bill is of such goods
     * @param paid whether the whole order is paid
     * @param gone whether all of it has left
     */
    public static boolean invoice(boolean intraCommunity, boolean onAccount, boolean paid, boolean gone) {
        return intraCommunity ? gone : paid || gone && onAccount;
    }
}

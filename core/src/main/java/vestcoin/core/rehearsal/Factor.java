package vestcoin.core.rehearsal;

/** What orders differ in. */
public enum Factor {
    ZONE,
    WAY,
    TAX_CATEGORY,
    GROUP,
    CURRENCY,
    BUYER,
    METHOD
}

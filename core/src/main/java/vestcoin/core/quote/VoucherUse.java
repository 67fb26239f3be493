package vestcoin.core.quote;

import vestcoin.core.why.Figure;

/** What a voucher pays of an order. @param used not negative, at most its balance */
public record VoucherUse(String code, Figure used) {}

package vestcoin.app.order;

/** What a browser had put together was ordered. @param visit what the browser names it by */
public record BasketOrdered(String shop, String visit) {}

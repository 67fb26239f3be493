package vestcoin.app.order;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The orders of all shops. An order keeps the edition and the quote it was priced by. */
@Repository
public class Orders {
    public static final int PAGE = 50;

    /** @param payable in minor units */
    public record Order(long id, String shop, int number, String token, int edition, String mode, String document, String quote, String currency,
            long payable, String email, String name, String country, String address, Instant placedAt) {}

    /** One row of the list. @param state of the latest payment, {@code unpaid} before the first; amounts in minor units */
    public record Row(int number, String name, String country, String mode, String currency, long payable, Instant placedAt, String state, long amount,
            long captured, long refunded) {}

    /** A new order. @param clientKey made once by the buyer's page, so that sending twice places once */
    public record New(String shop, String clientKey, int edition, String mode, String document, String quote, String currency, long payable,
            String email, String name, String country, String address) {}

    private static final String ORDER = """
            select id, shop, number, token, edition, mode, document, quote, currency, payable, email, name, country, address, placed_at from orders
            """;

    private final JdbcClient sql;
    private final Clock clock;

    Orders(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** Places an order, or gives the one placed before with the same client key. */
    @Transactional
    public Order place(New order) {
        sql.sql("select id from shop where id = :shop for update").param("shop", order.shop()).query(String.class).single();
        Optional<Order> before = sql.sql(ORDER + "where shop = :shop and client_key = :key").param("shop", order.shop()).param("key", order.clientKey()).query(Order.class).optional();
        if (before.isPresent()) {
            return before.get();
        }
        String token = UUID.randomUUID().toString();
        sql.sql("""
                insert into orders(shop, number, token, client_key, edition, mode, document, quote, currency, payable, email, name, country, address, placed_at)
                values (:shop, (select coalesce(max(number), 1000) + 1 from orders where shop = :shop), :token, :key, :edition, :mode, :document, :quote,
                        :currency, :payable, :email, :name, :country, :address, :at)""")
                .param("shop", order.shop()).param("token", token).param("key", order.clientKey()).param("edition", order.edition()).param("mode", order.mode())
                .param("document", order.document()).param("quote", order.quote()).param("currency", order.currency()).param("payable", order.payable())
                .param("email", order.email()).param("name", order.name()).param("country", order.country()).param("address", order.address())
                .param("at", clock.instant().atOffset(ZoneOffset.UTC)).update();
        return byToken(token).orElseThrow();
    }

    public Optional<Order> byToken(String token) {
        return sql.sql(ORDER + "where token = :token").param("token", token).query(Order.class).optional();
    }

    public Optional<Order> byNumber(String shop, int number) {
        return sql.sql(ORDER + "where shop = :shop and number = :number").param("shop", shop).param("number", number).query(Order.class).optional();
    }

    /** A page of the list, newest first, below an order number. */
    public List<Row> page(String shop, int below) {
        return sql.sql("""
                select o.number, o.name, o.country, o.mode, o.currency, o.payable, o.placed_at, coalesce(p.state, 'unpaid') as state,
                       coalesce(p.amount, 0) as amount, coalesce(p.captured, 0) as captured, coalesce(p.refunded, 0) as refunded
                from (select * from orders where shop = :shop and number < :below order by number desc limit :page) o
                left join payment p on p.id = (select max(id) from payment where order_id = o.id)
                order by o.number desc""")
                .param("shop", shop).param("below", below).param("page", PAGE).query(Row.class).list();
    }

    public long count(String shop) {
        return sql.sql("select count(*) from orders where shop = :shop").param("shop", shop).query(Long.class).single();
    }
}

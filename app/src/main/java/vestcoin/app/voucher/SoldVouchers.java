package vestcoin.app.voucher;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Vouchers sold with orders: each piece once, for whom it is, and when it is written to. */
@Repository
public class SoldVouchers {
    /**
     * One voucher of an order. Amounts in minor units.
     *
     * @param line place among the order's lines
     * @param token of its link
     * @param name of who gets it
     * @param gift whether that is somebody else than the buyer
     * @param sends how often it was asked to be sent again
     * @param told whether it was written to whoever gets it
     * @param issued what it was worth
     * @param balance what it still pays
     * @param taken what of it was given back to its buyer
     */
    public record SoldVoucher(
            long id,
            String shop,
            String code,
            long orderId,
            int line,
            String token,
            String name,
            String email,
            String message,
            boolean gift,
            LocalDate sendOn,
            int sends,
            boolean told,
            String currency,
            long issued,
            long balance,
            long taken,
            LocalDate validFrom,
            LocalDate validUntil) {
        /** Whether its buyer was given back all of it that was left. */
        public boolean ended() {
            return balance == 0 && taken > 0;
        }

        /** Whether it has paid for something. */
        public boolean used() {
            return balance + taken < issued;
        }
    }

    /** Who gets a voucher, and when. */
    record Receiver(String name, String email, String message, boolean gift, LocalDate on) {}

    private static final String SOLD = """
            select s.id, s.shop, s.code, s.order_id, s.line, s.token, s.name, s.email, s.message, s.gift, s.send_on,
                s.sends, s.told_at is not null as told, v.currency, v.issued, v.balance, s.taken, v.valid_from,
                   v.valid_until
            from sold_voucher s join voucher v on v.shop = s.shop and v.code = s.code
            """;
    private static final int AT_A_TIME = 500;

    private final JdbcClient sql;
    private final Clock clock;

    SoldVouchers(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    public List<SoldVoucher> ofOrder(long order) {
        return sql.sql(SOLD + "where s.order_id = :order order by s.line, s.piece")
                .param("order", order)
                .query(SoldVoucher.class)
                .list();
    }

    public Optional<SoldVoucher> byToken(String token) {
        return sql.sql(SOLD + "where s.token = :token")
                .param("token", token)
                .query(SoldVoucher.class)
                .optional();
    }

    /** How many of a line are there already. */
    int pieces(long order, int line) {
        return sql.sql("select count(*) from sold_voucher where order_id = :order and line = :line")
                .param("order", order)
                .param("line", line)
                .query(Integer.class)
                .single();
    }

    void add(String shop, String code, long order, int line, int piece, Receiver to) {
        sql.sql("insert into sold_voucher(shop, code, order_id, line, piece, token, name, email, message, gift, "
                        + "send_on) values (:shop, :code, :order, :line, :piece, :token, :name, :email, :message, "
                        + ":gift, :on)")
                .param("shop", shop)
                .param("code", code)
                .param("order", order)
                .param("line", line)
                .param("piece", piece)
                .param("token", UUID.randomUUID().toString())
                .param("name", to.name())
                .param("email", to.email())
                .param("message", to.message())
                .param("gift", to.gift())
                .param("on", to.on())
                .update();
    }

    /**
     * Writes down what of a voucher was given back to its buyer. @param amount below zero where it was not after all
     */
    void taken(long id, long amount) {
        sql.sql("update sold_voucher set taken = taken + :amount where id = :id")
                .param("amount", amount)
                .param("id", id)
                .update();
    }

    /** Lets a voucher be written again, to another address if need be. */
    void again(long id, String name, String email) {
        sql.sql("update sold_voucher set name = :name, email = :email, sends = sends + 1, told_at = null "
                        + "where id = :id")
                .param("name", name)
                .param("email", email)
                .param("id", id)
                .update();
    }

    /** Those whose day has come at the date line's far side, and who were not written to; the caller knows the zone. */
    public List<SoldVoucher> untold() {
        return sql.sql(SOLD + "where s.told_at is null and s.send_on <= :day order by s.send_on, s.id limit :most")
                .param("day", LocalDate.ofInstant(clock.instant(), ZoneOffset.ofHours(14)))
                .param("most", AT_A_TIME)
                .query(SoldVoucher.class)
                .list();
    }

    public void told(long id) {
        sql.sql("update sold_voucher set told_at = :at where id = :id")
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .param("id", id)
                .update();
    }
}

package vestcoin.app.order;

import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.service.DestinationPoints;
import vestcoin.app.setup.Editions;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.Problems;
import vestcoin.core.quote.Order;

/**
 * Where an order goes is changed before anything of it has left, as long as it costs the same there: a street that was
 * mistyped, a neighbour who takes it. An invoice that was issued keeps the address it went to.
 */
@Service
public class Readdressing {
    private static final int LONGEST = 200;

    /** In the same country. @param name of who receives it, of a gift too */
    public record NewAddress(String name, List<String> lines, String city, String postcode, Optional<String> region) {
        public NewAddress {
            name = name == null ? "" : name.strip();
            lines = lines == null
                    ? List.of()
                    : lines.stream()
                            .map(String::strip)
                            .filter(line -> !line.isEmpty())
                            .toList();
            city = city == null ? "" : city.strip();
            postcode = postcode == null ? "" : postcode.strip();
            region = region == null ? Optional.empty() : region.filter(code -> !code.isBlank());
        }
    }

    private final JdbcClient sql;
    private final Orders orders;
    private final Editions editions;
    private final DestinationPoints points;

    Readdressing(JdbcClient sql, Orders orders, Editions editions, DestinationPoints points) {
        this.sql = sql;
        this.orders = orders;
        this.editions = editions;
        this.points = points;
    }

    /**
     * @throws ApiProblem if something of it has left, it was called off, nothing of it is sent, or it would cost
     *     something else there
     */
    @Transactional
    public void change(long id, NewAddress wanted) {
        sql.sql("select id from orders where id = :id for update")
                .param("id", id)
                .query(Long.class)
                .single();
        Orders.Order order = orders.byId(id);
        if (order.cancelled() || !order.sent().equals("no")) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "address",
                    Message.of("order.address-stays-once-something-has-left"),
                    Message.of("order.tell-the-carrier"));
        }
        check(wanted);
        Order asked = OrderFile.parse(order.document());
        Destination to = new Destination(
                asked.to().country(),
                wanted.region(),
                Optional.of(wanted.postcode()).filter(code -> !code.isEmpty()));
        QuoteView before = KeptQuotes.read(order.quote());
        Editions.Edition edition = editions.of(order.shop(), order.by());
        // Where the place is on the map is found anew; whatever else was known around the order stays.
        Order there = points.located(edition.document().compiled(), asked.to(to).at(null));
        QuoteView now = edition.document().quote(there);
        if (!now.missing().isEmpty()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT, "address", now.missing().get(0), Message.of("order.call-off-and-order-anew"));
        }
        if (!alike(before, now)) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "address",
                    Message.of(
                            "order.would-cost-something-else-there",
                            "before",
                            before.payable().value(),
                            "now",
                            now.payable().value(),
                            "currency",
                            now.currency()),
                    Message.of("order.call-off-and-order-anew"));
        }
        Wishes wishes = wishes(order);
        sql.sql("""
                update orders set name = :name, address = :address, document = :document, quote = :quote,
                    wishes = :wishes where id = :id""")
                .param("name", wishes.gift().isPresent() ? order.name() : wanted.name())
                .param(
                        "address",
                        Json.write(new Orders.Address(
                                wanted.lines(), wanted.city(), wanted.postcode(), wanted.region(), order.country())))
                .param("document", Json.write(OrderFile.of(there)))
                .param("quote", Json.write(now.kept(there.slot())))
                .param("wishes", Json.write(wishes.givenTo(wanted.name())))
                .param("id", id)
                .update();
    }

    /** What was added to it; an invoice that went to the old address has it as its own from now on. */
    private Wishes wishes(Orders.Order order) {
        Wishes wishes = Json.read(order.wishes(), Wishes.class);
        boolean issued = sql.sql("select exists (select 1 from paper where order_id = :id)")
                .param("id", order.id())
                .query(Boolean.class)
                .single();
        if (!issued || wishes.invoice().isPresent()) {
            return wishes;
        }
        Orders.Address old = Json.read(order.address(), Orders.Address.class);
        return wishes.withInvoice(
                new InvoiceAddress(order.name(), old.lines(), old.city(), old.postcode(), old.country()));
    }

    /** Whether nothing of what is to be paid, and of the tax in it, differs. */
    private static boolean alike(QuoteView before, QuoteView now) {
        return before.payable().value().compareTo(now.payable().value()) == 0
                && before.toPay().value().compareTo(now.toPay().value()) == 0
                && before.tax().value().compareTo(now.tax().value()) == 0
                && before.taxes().stream()
                        .map(each -> each.name() + each.percent() + each.code())
                        .toList()
                        .equals(now.taxes().stream()
                                .map(each -> each.name() + each.percent() + each.code())
                                .toList());
    }

    private static void check(NewAddress wanted) {
        Problems problems = new Problems();
        problems.when(
                wanted.name().isEmpty() || wanted.name().length() > LONGEST,
                "name",
                Message.of("checkout.name-missing"),
                Message.of("checkout.type-who-order-for"));
        problems.when(
                wanted.lines().isEmpty()
                        || wanted.lines().size() > 4
                        || wanted.lines().stream().anyMatch(line -> line.length() > LONGEST),
                "lines",
                Message.of("checkout.street-missing"),
                Message.of("checkout.type-street-and-number"));
        problems.when(
                wanted.city().isEmpty() || wanted.city().length() > LONGEST,
                "city",
                Message.of("checkout.town-missing"),
                Message.of("checkout.type-town"));
        problems.refuseIfAny();
    }
}

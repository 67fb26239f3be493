package vestcoin.app.order;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.format.QuoteView;
import vestcoin.app.payment.ChangedOrders;
import vestcoin.app.service.DestinationPoints;
import vestcoin.app.setup.Editions;
import vestcoin.core.delivery.CarrierAnswers;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.Problems;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.PricingContextBuilder;

/**
 * Where an order goes is changed before anything of it has left: a street that was mistyped, a neighbour who takes it,
 * another country. Where it costs the same there, an invoice that was issued keeps the address it went to; where it
 * does not, the order is made another ({@link Rewriting}).
 */
@Service
public class Readdressing {
    private static final int LONGEST = 200;

    /** @param name of who receives it, of a gift too @param country the same as before without it */
    public record NewAddress(
            String name,
            List<String> lines,
            String city,
            String postcode,
            Optional<String> region,
            Optional<String> country) {
        public NewAddress {
            country = country == null ? Optional.empty() : country.filter(code -> !code.isBlank());
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
    private final OrderQuotes quotes;
    private final Editions editions;
    private final DestinationPoints points;
    private final Rewriting rewriting;
    private final ChangedOrders money;

    Readdressing(
            JdbcClient sql,
            Orders orders,
            OrderQuotes quotes,
            Editions editions,
            DestinationPoints points,
            Rewriting rewriting,
            ChangedOrders money) {
        this.sql = sql;
        this.orders = orders;
        this.quotes = quotes;
        this.editions = editions;
        this.points = points;
        this.rewriting = rewriting;
        this.money = money;
    }

    /**
     * @param actor who does it
     * @param look whether it is only looked at what it would come to there
     * @throws ApiProblem if something of it has left, it was called off, nothing of it is sent, or it cannot go there
     */
    public Rewriting.Repriced change(long id, NewAddress wanted, String actor, boolean look) {
        Rewriting.Repriced repriced = rewriting.changing(id, look, () -> changed(id, wanted, actor));
        if (!look) {
            money.afterwards(id);
        }
        return repriced;
    }

    private void changed(long id, NewAddress wanted, String actor) {
        Orders.Order order = rewriting.locked(orders.byId(id));
        if (order.cancelled() || !order.sent().equals("no")) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "address",
                    Message.of("order.address-stays-once-something-has-left"),
                    Message.of("order.tell-the-carrier"));
        }
        check(wanted);
        Order asked = OrderFile.parse(order.document());
        String country = wanted.country().orElse(asked.to().country());
        Destination to = new Destination(
                country,
                wanted.region().filter(region -> region.startsWith(country + "-")),
                Optional.of(wanted.postcode()).filter(code -> !code.isEmpty()));
        QuoteView before = KeptQuotes.read(order.quote());
        Editions.Edition edition = editions.of(order.shop(), order.by());
        // Where the place is on the map is found anew, and a carrier asked by its own rate; all else known around
        // stays.
        Order there = points.located(
                edition.document().compiled(),
                country.equals(asked.to().country()) ? asked.to(to).at(null) : elsewhere(asked, to));
        QuoteView now = edition.document().quote(there);
        if (!now.missing().isEmpty()) {
            there = there.withDelivery(null).withDeliveries(Map.of()).withSlot(null);
            now = edition.document().quote(there);
        }
        if (!now.missing().isEmpty()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT, "address", now.missing().get(0), Message.of("order.call-off-and-order-anew"));
        }
        boolean alike = country.equals(asked.to().country()) && alike(before, now);
        if (!alike) {
            // Priced as it was asked for there; where the cheapest was taken, what is cheapest now.
            rewriting.rewrite(order, there, actor);
        }
        Wishes wishes = alike ? wishes(order) : Json.read(order.wishes(), Wishes.class);
        sql.sql("""
                update orders set name = :name, address = :address, country = :country, document = :document,
                    wishes = :wishes where id = :id""")
                .param("country", country)
                .param("name", wishes.gift().isPresent() ? order.name() : wanted.name())
                .param(
                        "address",
                        Json.write(new Orders.Address(
                                wanted.lines(), wanted.city(), wanted.postcode(), to.region(), country)))
                .param("document", Json.write(OrderFile.of(there)))
                .param("wishes", Json.write(wishes.givenTo(wanted.name())))
                .param("id", id)
                .update();
        quotes.keep(id, Json.write(now.kept(there.slot())));
    }

    private static Order elsewhere(Order asked, Destination to) {
        return asked.to(to)
                .at(null)
                .given(PricingContextBuilder.builder(asked.outside())
                        .carriers(CarrierAnswers.NONE)
                        .build());
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

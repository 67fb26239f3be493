package vestcoin.app.orderdesk;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import vestcoin.app.format.Json;
import vestcoin.app.format.OrderFile;
import vestcoin.app.order.Dispatching;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Wishes;
import vestcoin.app.service.CarrierService;
import vestcoin.app.service.Carriers;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.place.Countries;
import vestcoin.core.quote.Consignment;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;

/** Labels for what an order still has to send, bought from the shop's carrier: each once, whatever crashes. */
@Service
class ParcelLabels {
    /** A label that was bought. @param dispatch the place its parcels leave from */
    record Bought(
            long id,
            String dispatch,
            String service,
            String tracking,
            String carrier,
            String link,
            BigDecimal price,
            String currency,
            Instant askedAt) {
        /** The same with its price as it is read. */
        Bought costing(BigDecimal read) {
            return new Bought(id, dispatch, service, tracking, carrier, link, read, currency, askedAt);
        }
    }

    private final JdbcClient sql;
    private final Carriers carriers;
    private final Editions editions;
    private final Dispatching dispatching;
    private final Clock clock;

    ParcelLabels(JdbcClient sql, Carriers carriers, Editions editions, Dispatching dispatching, Clock clock) {
        this.sql = sql;
        this.carriers = carriers;
        this.editions = editions;
        this.dispatching = dispatching;
        this.clock = clock;
    }

    /** Those bought for an order, the latest first. */
    List<Bought> of(long order) {
        return sql.sql("select id, dispatch, service, tracking, carrier, link, price, currency, asked_at from label "
                        + "where order_id = :order and pdf is not null order by id desc")
                .param("order", order)
                .query(Bought.class)
                .list();
    }

    Optional<byte[]> pdf(long order, long id) {
        return sql.sql("select pdf from label where order_id = :order and id = :id and pdf is not null")
                .param("order", order)
                .param("id", id)
                .query(byte[].class)
                .optional();
    }

    /** The next of its parcels to be sent: all that leaves from one place and has not left. */
    Optional<Consignment> next(Orders.Order order) {
        Order asked = OrderFile.parse(order.document());
        Set<Integer> gone = dispatching.gone(order.id());
        return Pricing.consignments(
                        editions.of(order.shop(), order.by()).document().compiled(), asked)
                .stream()
                .filter(consignment ->
                        consignment.lines().stream().map(PricedLine::index).noneMatch(gone::contains))
                .findFirst();
    }

    /** What the carrier asks for them, by its services. */
    Optional<CarrierService.Answer> quotes(Orders.Order order) {
        return next(order)
                .flatMap(consignment -> carriers.quotes(
                        order.shop(),
                        consignment.from(),
                        OrderFile.parse(order.document()).to(),
                        consignment.packed().parcels()));
    }

    /** Buys a label for the next parcels; one that was asked for before and never came is asked for again. */
    void buy(Orders.Order order, Consignment consignment, String service, String actor) {
        String key = sql.sql("select idempotency_key from label where order_id = :order and dispatch = :dispatch and "
                        + "service = :service and pdf is null")
                .param("order", order.id())
                .param("dispatch", consignment.dispatch())
                .param("service", service)
                .query(String.class)
                .optional()
                .orElseGet(() -> asked(order, consignment, service, actor));
        CarrierService.Label label = carriers.label(
                order.shop(),
                key,
                service,
                consignment.from(),
                OrderFile.parse(order.document()).to(),
                consignment.packed().parcels(),
                address(order));
        sql.sql("update label set tracking = :tracking, carrier = :carrier, link = :link, price = :price, "
                        + "currency = :currency, pdf = :pdf where idempotency_key = :key")
                .param("tracking", label.tracking())
                .param("carrier", label.carrier())
                .param("link", label.link())
                .param("price", label.price())
                .param("currency", label.currency())
                .param("pdf", label.pdf())
                .param("key", key)
                .update();
    }

    private String asked(Orders.Order order, Consignment consignment, String service, String actor) {
        String key = UUID.randomUUID().toString();
        sql.sql("insert into label(order_id, dispatch, service, idempotency_key, asked_at, actor) values (:order, "
                        + ":dispatch, :service, :key, :at, :actor)")
                .param("order", order.id())
                .param("dispatch", consignment.dispatch())
                .param("service", service)
                .param("key", key)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .param("actor", actor)
                .update();
        return key;
    }

    /** Who gets it, as it is printed. */
    private static List<String> address(Orders.Order order) {
        Orders.Address address = Json.read(order.address(), Orders.Address.class);
        Wishes wishes = Json.read(order.wishes(), Wishes.class);
        return new ArrayList<>(Stream.of(
                        Stream.of(
                                wishes.gift().isPresent() ? "" : wishes.company(),
                                wishes.gift().map(Wishes.Gift::name).orElse(order.name())),
                        address.lines().stream(),
                        Stream.of(
                                (address.postcode() + " " + address.city()).strip(),
                                Countries.name(address.country()),
                                wishes.phone()))
                .flatMap(lines -> lines)
                .filter(Predicate.not(String::isBlank))
                .toList());
    }
}

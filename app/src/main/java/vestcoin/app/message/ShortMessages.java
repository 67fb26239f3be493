package vestcoin.app.message;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import vestcoin.app.format.Json;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.OrderFile;
import vestcoin.app.order.Handover;
import vestcoin.app.order.Orders;
import vestcoin.app.order.Wishes;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.app.service.ServiceConnections;
import vestcoin.app.setup.Wording;
import vestcoin.core.finding.FindingContext.ShortMessageLine;
import vestcoin.core.message.Message;
import vestcoin.core.place.PhoneNumber;
import vestcoin.core.setup.Setup;
import vestcoin.core.terms.ShortMessage;

/**
 * Short messages to buyers' telephones, on the occasions a seller picks: each written down once beside its letter, and
 * sent until the service takes it. Those of practice orders reach nobody.
 */
@Service
public class ShortMessages {
    private static final Logger LOG = LoggerFactory.getLogger(ShortMessages.class);
    private static final int AT_A_TIME = 50;
    private static final int MOST_TRIES = 50;
    private static final int LONGEST_TROUBLE = 300;
    /** What is older is no news any more, and stays here. */
    private static final Duration NEWS = Duration.ofDays(2);
    /** No shop is called so. */
    private static final String NO_SHOP = " ";
    /** Occasions of letters beside which there is a short message. */
    private static final Map<String, ShortMessage> BESIDE = Map.of(
            "receipt", ShortMessage.PLACED,
            "paid", ShortMessage.PAID,
            "sent", ShortMessage.SENT,
            "sent-part", ShortMessage.SENT,
            "ready", ShortMessage.READY,
            "cancelled", ShortMessage.CANCELLED);

    private record Due(long id, String shop, boolean practice, String name, String phone, String text) {}

    private final JdbcClient sql;
    private final ServiceConnections connections;
    private final ShortMessageService service;
    private final LetterBook letters;
    private final Clock clock;

    ShortMessages(
            JdbcClient sql,
            ServiceConnections connections,
            ShortMessageService service,
            LetterBook letters,
            Clock clock) {
        this.sql = sql;
        this.connections = connections;
        this.service = service;
        this.letters = letters;
        this.clock = clock;
    }

    /** How they leave, and why not. */
    public ShortMessageLine line(String shop) {
        return new ShortMessageLine(access(shop).isPresent(), trouble(shop));
    }

    /** What buyers are told so, while there is a service for it. */
    public List<ShortMessage> told(String shop, Setup setup) {
        return access(shop).isPresent() ? setup.terms().shortMessages() : List.of();
    }

    /** Why the latest real one that is still to leave did not. */
    Optional<Message> trouble(String shop) {
        return sql.sql("""
                        select m.trouble from short_message m join orders o on o.id = m.order_id
                        where m.sent_at is null and m.shop = :shop and m.trouble <> '' and m.at >= :since
                            and o.mode <> 'test'
                        order by m.id desc limit 1""")
                .param("shop", shop)
                .param("since", since())
                .query(String.class)
                .optional()
                .map(ServiceReasons::of);
    }

    List<LetterBook.LetterRecord> ofOrder(long order) {
        return sql.sql("select event, phone as recipient, text as subject, at, sent_at is not null as sent from "
                        + "short_message where order_id = :order order by id")
                .param("order", order)
                .query(LetterBook.LetterRecord.class)
                .list();
    }

    /**
     * Writes down the message beside a letter, where the seller wants one and there is whom to send it to.
     *
     * @param occasion of the letter
     * @param name of the letter, the same for the same
     */
    void beside(String occasion, String name, Orders.Order order, Setup setup, String link) {
        ShortMessage message = BESIDE.get(occasion);
        Wishes wishes = Json.read(order.wishes(), Wishes.class);
        boolean practice = order.mode().equals("test");
        if (message == null
                || !setup.terms().shortMessages().contains(message)
                || wishes.gift().isPresent() && !message.forReceiver()
                || !practice && access(order.shop()).isEmpty()) {
            return;
        }
        Optional<Handover> way = Handover.of(setup, OrderFile.parse(order.document()), KeptQuotes.read(order.quote()));
        if (message == ShortMessage.SENT && way.filter(Handover::collected).isPresent()) {
            return;
        }
        PhoneNumber.international(wishes.phone(), order.country())
                .ifPresent(phone -> write(order, occasion, name, phone, said(message, order, setup, way, link)));
    }

    private static String said(
            ShortMessage message, Orders.Order order, Setup setup, Optional<Handover> way, String link) {
        return Wording.of(setup, order.language())
                .say(
                        "letter.text-" + Json.named(message),
                        "shop",
                        setup.shop().name(),
                        "order",
                        String.valueOf(order.number()),
                        "place",
                        way.map(Handover::place).orElse(""),
                        "link",
                        link);
    }

    private void write(Orders.Order order, String occasion, String name, String phone, String text) {
        try {
            sql.sql("insert into short_message(shop, order_id, event, name, phone, text, at) values (:shop, :order, "
                            + ":event, :name, :phone, :text, :at)")
                    .param("shop", order.shop())
                    .param("order", order.id())
                    .param("event", occasion)
                    .param("name", name)
                    .param("phone", phone)
                    .param("text", text)
                    .param("at", now())
                    .update();
        } catch (DuplicateKeyException e) {
            LOG.debug("{} is written already", name);
        }
    }

    @Scheduled(fixedDelayString = "PT30S", initialDelayString = "PT30S")
    public void deliverWhatIsDue() {
        letters.later(this::deliver, 0);
    }

    /**
     * Sends what has not been taken yet, the oldest first. Where a shop's service is silent, or none is connected, its
     * own wait, and hold up no other's.
     */
    void deliver() {
        Set<String> silent = new HashSet<>();
        int before;
        do {
            before = silent.size();
            due(silent).stream().filter(each -> !silent.contains(line(each))).forEach(each -> send(each, silent));
        } while (silent.size() > before);
    }

    private List<Due> due(Set<String> silent) {
        Set<String> connected = new HashSet<>(connections.shops(ServiceConnections.Kind.SHORT_MESSAGES));
        connected.add(NO_SHOP);
        connected.removeAll(silent);
        return sql.sql("""
                        select m.id, m.shop, o.mode = 'test' as practice, m.name, m.phone, m.text
                        from short_message m join orders o on o.id = m.order_id
                        where m.sent_at is null and m.tries < :tries and m.at >= :since
                            and (o.mode = 'test' and :practice or o.mode <> 'test' and m.shop in (:connected))
                        order by m.id limit :most""")
                .param("tries", MOST_TRIES)
                .param("since", since())
                .param("practice", !silent.contains(""))
                .param("connected", connected)
                .param("most", AT_A_TIME)
                .query(Due.class)
                .list();
    }

    private OffsetDateTime since() {
        return now().minus(NEWS);
    }

    private static String line(Due due) {
        return due.practice() ? "" : due.shop();
    }

    private void send(Due due, Set<String> silent) {
        try {
            var message = new ShortMessageService.Outgoing(due.name(), due.phone(), due.text());
            if (due.practice()) {
                service.practise(message);
            } else {
                service.send(access(due.shop()).orElseThrow(), message);
            }
            sql.sql("update short_message set sent_at = :at, trouble = '' where id = :id")
                    .param("at", now())
                    .param("id", due.id())
                    .update();
        } catch (ProviderRejection e) {
            wentWrong(due, 1, e.getMessage());
        } catch (ProviderTimeout e) {
            wentWrong(due, 0, e.getMessage());
            silent.add(line(due));
        }
    }

    private void wentWrong(Due due, int tries, String what) {
        LOG.info("short message {} waits: {}", due.id(), what);
        sql.sql("update short_message set tries = tries + :tries, trouble = :what where id = :id")
                .param("tries", tries)
                .param("what", what.length() > LONGEST_TROUBLE ? what.substring(0, LONGEST_TROUBLE) : what)
                .param("id", due.id())
                .update();
    }

    Optional<ServiceAccess> access(String shop) {
        return connections.access(shop, ServiceConnections.Kind.SHORT_MESSAGES);
    }

    private OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }
}

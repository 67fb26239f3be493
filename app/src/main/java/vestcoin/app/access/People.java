package vestcoin.app.access;

import java.time.Clock;
import java.time.Duration;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.outside.ApplicationClock;
import vestcoin.app.outside.MailAddress;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/** People with a password, and the shops they may open. */
@Repository
public class People {
    private record Person(long id, String passwordHash) {}

    private record Rehearsed(String id, String rehearses) {}

    /** How an attempt to sign in ended. */
    sealed interface Outcome {
        record Welcome() implements Outcome {}

        record Wrong() implements Outcome {}

        /** Not looked at. @param left until it is worth trying again */
        record Slowed(Duration left) implements Outcome {}

        /** Not looked at, since many sign in at this moment. */
        record Busy() implements Outcome {}
    }

    private final JdbcClient sql;
    private final Passwords passwords;
    private final FailedAttempts trials;
    private final Clock clock;

    People(
            JdbcClient sql,
            Passwords passwords,
            FailedAttempts trials,
            @Qualifier(ApplicationClock.MACHINE) Clock clock) {
        this.sql = sql;
        this.passwords = passwords;
        this.trials = trials;
        this.clock = clock;
    }

    public boolean none() {
        return sql.sql("select count(*) from person").query(Long.class).single() == 0;
    }

    /** @throws InvalidInput if the address or the password will not do */
    public long add(String email, String password) {
        return added(email, hashed(email, password));
    }

    /** Looks at an address and a password and hashes it: what takes its time, before any transaction. */
    String hashed(String email, String password) {
        if (!MailAddress.isOne(email)) {
            throw new InvalidInput(
                    "email",
                    email == null
                            ? Message.of("access.not-e-mail-address")
                            : Message.of("access.not-e-mail-address-2", "email", email),
                    Message.of("access.write-name-example-com"));
        }
        return passwords.hashed(password, normal(email));
    }

    private long added(String email, String hash) {
        sql.sql("insert into person(email, password_hash) values (:email, :hash)")
                .param("email", normal(email))
                .param("hash", hash)
                .update();
        return sql.sql("select id from person where email = :email")
                .param("email", normal(email))
                .query(Long.class)
                .single();
    }

    /** Makes the first owner, of whoever asks at the same moment one. @return nothing when there is one already */
    @Transactional
    Optional<Long> first(String email, String hash) {
        if (!none()) {
            return Optional.empty();
        }
        try {
            // The row that can be there once comes with the person: whoever is second waits for the first and is
            // refused.
            long person = added(email, hash);
            sql.sql("insert into installation(one, owner) values (1, :person)")
                    .param("person", person)
                    .update();
            return Optional.of(person);
        } catch (DuplicateKeyException e) {
            org.springframework.transaction.interceptor.TransactionAspectSupport.currentTransactionStatus()
                    .setRollbackOnly();
            return Optional.empty();
        }
    }

    @Transactional
    public void letIn(long person, String shop) {
        sql.sql("insert into helper(shop, person) values (:shop, :person)")
                .param("shop", shop)
                .param("person", person)
                .update();
    }

    /**
     * Tries a password. Wrong tries slow down who tries, and the account for all but those who signed in to it before
     * from where they are now; no row is locked and no connection held while the password is looked at.
     *
     * @param client address it comes from
     */
    Outcome tried(String email, String password, String client) {
        Optional<Person> found = sql.sql("select id, password_hash from person where email = :email")
                .param("email", normal(email))
                .query(Person.class)
                .optional();
        boolean known = found.isPresent()
                && sql.sql("select count(*) from person_client where person = :person and client = :client")
                                .param("person", found.get().id())
                                .param("client", client)
                                .query(Long.class)
                                .single()
                        > 0;
        String byClient = "client " + client;
        String byAccount = "account " + normal(email);
        Optional<Duration> wait = trials.wait(byClient).or(() -> known ? Optional.empty() : trials.wait(byAccount));
        if (wait.isPresent()) {
            return new Outcome.Slowed(wait.get());
        }
        Optional<Boolean> matches = passwords.matches(password, found.map(Person::passwordHash));
        if (matches.isEmpty()) {
            return new Outcome.Busy();
        }
        if (!matches.get()) {
            trials.failed(byClient);
            trials.failed(byAccount);
            return new Outcome.Wrong();
        }
        trials.forget(byClient);
        trials.forget(byAccount);
        remember(found.orElseThrow(), password, client);
        return new Outcome.Welcome();
    }

    private void remember(Person person, String password, String client) {
        sql.sql("merge into person_client(person, client, at) key (person, client) values (:person, :client, :at)")
                .param("person", person.id())
                .param("client", client)
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
        passwords.renewed(password, person.passwordHash()).ifPresent(hash -> sql.sql(
                        "update person set password_hash = :hash where id = :id")
                .param("hash", hash)
                .param("id", person.id())
                .update());
    }

    public List<String> shopsOf(String email) {
        return sql.sql("select shop from helper join person on person.id = helper.person where email = :email "
                        + "order by shop")
                .param("email", email)
                .query(String.class)
                .list();
    }

    /** Whether somebody may open a shop, or the one it rehearses. */
    public boolean mayOpen(String email, String shop) {
        return sql.sql("select count(*) from helper join person on person.id = helper.person where email = "
                                + ":email and shop in (:shop, (select rehearses from shop where id = :shop))")
                        .param("email", email)
                        .param("shop", shop)
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** Which shop each rehearsal of somebody's shops is of, by the id of the rehearsal. */
    public Map<String, String> rehearsalsOf(String email) {
        return sql
                .sql("select shop.id, shop.rehearses from shop join helper on helper.shop = shop.rehearses "
                        + "join person on person.id = helper.person where email = :email")
                .param("email", email)
                .query(Rehearsed.class)
                .list()
                .stream()
                .collect(Collectors.toMap(Rehearsed::id, Rehearsed::rehearses));
    }

    static String normal(String email) {
        return email == null ? "" : email.strip().toLowerCase(Locale.ROOT);
    }
}

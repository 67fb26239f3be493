package vestcoin.app.access;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.core.problem.Refused;

/** People with a password, and the shops they may open. */
@Repository
public class People {
    static final int TRIES = 10;
    static final Duration LOCK = Duration.ofMinutes(15);
    private static final int SHORTEST_PASSWORD = 12;

    public record Person(long id, String email, String passwordHash, int failures, Instant lockedUntil) {}

    /** How an attempt to sign in ended. */
    public enum Outcome { WELCOME, WRONG, LOCKED }

    private final JdbcClient sql;
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final String decoy;

    People(JdbcClient sql, PasswordEncoder passwords, Clock clock) {
        this.sql = sql;
        this.passwords = passwords;
        this.clock = clock;
        this.decoy = passwords.encode("nobody has this password");
    }

    public boolean none() {
        return sql.sql("select count(*) from person").query(Long.class).single() == 0;
    }

    /** @throws Refused if the address or the password will not do */
    @Transactional
    public long add(String email, String password) {
        String address = normal(email);
        if (!address.matches("[^@\\s]+@[^@\\s]+\\.[^@\\s]+") || address.length() > 254) {
            throw new Refused("email", "“" + email + "” is not an e-mail address.", "Write it as name@example.com.");
        }
        if (password == null || password.length() < SHORTEST_PASSWORD || password.length() > 200) {
            throw new Refused("password", "The password is shorter than " + SHORTEST_PASSWORD + " characters.", "Use four or more words, or let a password manager make one.");
        }
        sql.sql("insert into person(email, password_hash) values (:email, :hash)").param("email", address).param("hash", passwords.encode(password)).update();
        return sql.sql("select id from person where email = :email").param("email", address).query(Long.class).single();
    }

    @Transactional
    public void letIn(long person, String shop) {
        sql.sql("insert into helper(shop, person) values (:shop, :person)").param("shop", shop).param("person", person).update();
    }

    /** Tries a password. Ten wrong ones lock the person out for a quarter of an hour, right ones included. */
    @Transactional
    public Outcome tried(String email, String password) {
        Optional<Person> found = sql.sql("select id, email, password_hash, failures, locked_until from person where email = :email for update")
                .param("email", normal(email)).query(Person.class).optional();
        boolean matches = passwords.matches(password == null ? "" : password, found.map(Person::passwordHash).orElse(decoy));
        if (found.isEmpty()) {
            return Outcome.WRONG;
        }
        Person person = found.get();
        if (person.lockedUntil() != null && clock.instant().isBefore(person.lockedUntil())) {
            return Outcome.LOCKED;
        }
        int failures = matches ? 0 : person.failures() + 1;
        boolean lock = failures >= TRIES;
        sql.sql("update person set failures = :failures, locked_until = :until where id = :id").param("failures", lock ? 0 : failures)
                .param("until", lock ? clock.instant().plus(LOCK).atOffset(ZoneOffset.UTC) : null).param("id", person.id()).update();
        return matches ? Outcome.WELCOME : lock ? Outcome.LOCKED : Outcome.WRONG;
    }

    public List<String> shopsOf(String email) {
        return sql.sql("select shop from helper join person on person.id = helper.person where email = :email order by shop").param("email", email).query(String.class).list();
    }

    public boolean mayOpen(String email, String shop) {
        return sql.sql("select count(*) from helper join person on person.id = helper.person where email = :email and shop = :shop")
                .param("email", email).param("shop", shop).query(Long.class).single() > 0;
    }

    static String normal(String email) {
        return email == null ? "" : email.strip().toLowerCase(Locale.ROOT);
    }
}

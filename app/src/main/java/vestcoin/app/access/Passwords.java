package vestcoin.app.access;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;

/**
 * Hashes and checks passwords (Argon2id; those of before by bcrypt), outside of any transaction and a bounded number at
 * a time, so that many who try do not take the machine from those who buy.
 */
@Component
class Passwords {
    static final int SHORTEST = 12;
    static final int LONGEST = 200;
    /** Of five grades of how hard a password is to guess the two lowest will not do. */
    private static final int LEAST_SCORE = 2;
    /** What is looked at of a long password: the rest can only make it harder, and looking takes time. */
    private static final int LOOKED_AT = 72;

    private static final int PATIENCE_SECONDS = 15;
    /** Whoever comes when so many wait already is told to come again, so that they never take all who serve. */
    private static final int MOST_WAITING = 48;

    // The proportions of Spring Security's own defaults; the memory is theirs too, unless it is set.
    private static final int SALT_BYTES = 16;
    private static final int HASH_BYTES = 32;
    private static final int LANES = 1;
    private static final int PASSES = 2;

    private final PasswordEncoder encoder;
    private final Semaphore atOnce =
            new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors() / 2));
    private final Zxcvbn guessing = new Zxcvbn();
    private final String decoy;

    /** @param memory KiB that one hash takes */
    Passwords(@Value("${vest-coin.password-memory:16384}") int memory) {
        this.encoder = new DelegatingPasswordEncoder(
                "argon2",
                Map.of(
                        "argon2",
                        new Argon2PasswordEncoder(SALT_BYTES, HASH_BYTES, LANES, memory, PASSES),
                        "bcrypt",
                        new BCryptPasswordEncoder()));
        // No password's hash: it takes as long to find that out as with any other.
        this.decoy = "{argon2}$argon2id$v=19$m=" + memory + ",t=" + PASSES + ",p=" + LANES
                + "$YVJBPRLEBAiMPZr9ej+wYw$X9pI9f73o3iFuzf2t/ZCvVPuvKdRdMPYXxNLJ2CikF4";
    }

    /** @param known what somebody who guesses knows anyway @throws InvalidInput if the password will not do */
    String hashed(String password, String... known) {
        if (password == null || password.length() < SHORTEST) {
            throw new InvalidInput(
                    "password",
                    Message.of("access.password-shorter-than-characters", "shortest", SHORTEST),
                    Message.of("access.use-four-or-more-words-or-let"));
        }
        if (password.length() > LONGEST) {
            throw new InvalidInput(
                    "password",
                    Message.of("access.password-longer-than-characters", "longest", LONGEST),
                    Message.of("access.use-at-most", "longest", LONGEST));
        }
        String looked = password.substring(0, Math.min(password.length(), LOOKED_AT));
        if (password.chars().distinct().count() < 4
                || guessing.measure(looked, List.of(known)).getScore() < LEAST_SCORE) {
            throw new InvalidInput(
                    "password",
                    Message.of("access.this-password-among-first-that-guessed"),
                    Message.of("access.use-four-or-more-words-that-have"));
        }
        return oneAtATime(() -> encoder.encode(password))
                .orElseThrow(() -> new InvalidInput(
                        "password",
                        Message.of("access.too-many-passwords-being-checked-at-this"),
                        Message.of("access.try-again-in-moment")));
    }

    /**
     * Whether a password is the one of a hash; nothing when too many are being checked already. @param hash nothing
     * where nobody has that address, which takes as long
     */
    Optional<Boolean> matches(String password, Optional<String> hash) {
        return oneAtATime(() -> encoder.matches(
                        password == null ? "" : password.substring(0, Math.min(password.length(), LONGEST)),
                        hash.orElse(decoy))
                && hash.isPresent());
    }

    /** The hash of a password that was right, where the one kept is of a kind that is made no more. */
    Optional<String> renewed(String password, String hash) {
        return encoder.upgradeEncoding(hash) ? oneAtATime(() -> encoder.encode(password)) : Optional.empty();
    }

    private <T> Optional<T> oneAtATime(Supplier<T> work) {
        try {
            if (atOnce.getQueueLength() >= MOST_WAITING || !atOnce.tryAcquire(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                return Optional.empty();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        }
        try {
            return Optional.of(work.get());
        } finally {
            atOnce.release();
        }
    }
}

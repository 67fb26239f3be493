package vestcoin.app.access;

import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.FirstDraft;
import vestcoin.core.message.Message;

/** Signing in and out, and the first owner of an empty installation. */
@RestController
class SessionController {
    /**
     * @param email of who is signed in, if anybody
     * @param rehearsals of which of the shops each is one, by its own id
     * @param empty whether the installation has no owner yet
     */
    record Session(Optional<String> email, List<String> shops, Map<String, String> rehearsals, boolean empty) {}

    record Credentials(String email, String password) {}

    /** @param code that the start of the installation printed */
    record FirstOwner(String code, String email, String password, String shopName, String country, String currency) {}

    private final People people;
    private final Drafts drafts;
    private final FirstCode code;
    private final FailedAttempts trials;
    private final SecurityContextRepository contexts;
    private final TransactionTemplate transaction;

    SessionController(
            People people,
            Drafts drafts,
            FirstCode code,
            FailedAttempts trials,
            SecurityContextRepository contexts,
            PlatformTransactionManager transactions) {
        this.people = people;
        this.drafts = drafts;
        this.code = code;
        this.trials = trials;
        this.contexts = contexts;
        this.transaction = new TransactionTemplate(transactions);
    }

    @GetMapping("/api/session")
    Session session(Authentication who, @Parameter(hidden = true) CsrfToken csrf) {
        csrf.getToken();
        return session(Optional.ofNullable(who).map(Authentication::getName));
    }

    private Session session(Optional<String> email) {
        return new Session(
                email,
                email.map(people::shopsOf).orElse(List.of()),
                email.map(people::rehearsalsOf).orElse(Map.of()),
                people.none());
    }

    @PostMapping("/api/session")
    Session signIn(@RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        People.Outcome outcome = people.tried(credentials.email(), credentials.password(), request.getRemoteAddr());
        if (outcome instanceof People.Outcome.Slowed slowed) {
            throw slowed(slowed.left());
        }
        if (outcome instanceof People.Outcome.Busy) {
            throw new ApiProblem(
                    HttpStatus.TOO_MANY_REQUESTS,
                    "password",
                    Message.of("access.many-signing-in-at-this-moment"),
                    Message.of("access.try-again-in-few-seconds"));
        }
        if (outcome instanceof People.Outcome.Wrong) {
            throw new ApiProblem(
                    HttpStatus.UNAUTHORIZED,
                    "password",
                    Message.of("access.e-mail-and-password-do-not-go"),
                    Message.of("access.check-both-each-further-wrong-try-makes"));
        }
        return welcome(People.normal(credentials.email()), request, response);
    }

    private static ApiProblem slowed(Duration wait) {
        long seconds = Math.max(1, wait.plusMillis(999).toSeconds());
        return new ApiProblem(
                HttpStatus.TOO_MANY_REQUESTS,
                "password",
                Message.of("access.too-much-was-tried-in-vain"),
                seconds < 120
                        ? Message.of("access.try-again-in-seconds", "seconds", seconds)
                        : Message.of("access.try-again-in-minutes", "minutes", (seconds + 59) / 60));
    }

    private Session welcome(String email, HttpServletRequest request, HttpServletResponse response) {
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(email, null, List.of()));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        return session(Optional.of(email));
    }

    @DeleteMapping("/api/session")
    Session signOut(HttpServletRequest request) {
        if (request.getSession(false) != null) {
            request.getSession().invalidate();
        }
        SecurityContextHolder.clearContext();
        return session(Optional.empty());
    }

    @PostMapping("/api/first-owner")
    Session firstOwner(@RequestBody FirstOwner first, HttpServletRequest request, HttpServletResponse response) {
        if (!people.none()) {
            throw taken();
        }
        String client = "first " + request.getRemoteAddr();
        trials.wait(client).ifPresent(wait -> {
            throw slowed(wait);
        });
        if (!code.is(first.code())) {
            trials.failed(client);
            throw new ApiProblem(
                    HttpStatus.FORBIDDEN,
                    "code",
                    Message.of("access.this-not-code-that-was-printed-when"),
                    Message.of("access.look-into-window-was-started-in-code"));
        }
        String shop = FirstDraft.idFor(first.shopName());
        Document draft = FirstDraft.of(first.shopName(), first.country(), first.currency());
        String hash = people.hashed(first.email(), first.password());
        // All of it or nothing, and of several who come at the same moment one.
        boolean made = Boolean.TRUE.equals(transaction.execute(status -> people.first(first.email(), hash)
                .map(person -> {
                    drafts.create(shop, draft);
                    people.letIn(person, shop);
                    return true;
                })
                .orElse(false)));
        if (!made) {
            throw taken();
        }
        return welcome(People.normal(first.email()), request, response);
    }

    private static ApiProblem taken() {
        return new ApiProblem(
                HttpStatus.CONFLICT,
                "email",
                Message.of("access.this-installation-has-owner-already"),
                Message.of("access.sign-in-instead"));
    }
}

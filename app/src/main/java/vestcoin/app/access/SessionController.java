package vestcoin.app.access;

import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.Told;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.FirstDraft;

/** Signing in and out, and the first owner of an empty installation. */
@RestController
class SessionController {
    /** @param email of who is signed in, if anybody @param empty whether the installation has no owner yet */
    record Session(Optional<String> email, List<String> shops, boolean empty) {}

    record Credentials(String email, String password) {}

    record FirstOwner(String email, String password, String shopName, String country, String currency) {}

    private final People people;
    private final Drafts drafts;
    private final SecurityContextRepository contexts;

    SessionController(People people, Drafts drafts, SecurityContextRepository contexts) {
        this.people = people;
        this.drafts = drafts;
        this.contexts = contexts;
    }

    @GetMapping("/api/session")
    Session session(Authentication who, @Parameter(hidden = true) CsrfToken csrf) {
        csrf.getToken();
        return session(Optional.ofNullable(who).map(Authentication::getName));
    }

    private Session session(Optional<String> email) {
        return new Session(email, email.map(people::shopsOf).orElse(List.of()), people.none());
    }

    @PostMapping("/api/session")
    Session signIn(@RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        return switch (people.tried(credentials.email(), credentials.password())) {
            case WELCOME -> welcome(People.normal(credentials.email()), request, response);
            case WRONG -> throw new Told(HttpStatus.UNAUTHORIZED, "password", "The e-mail and the password do not go together.", "Check both; after ten tries the door stays shut for 15 minutes.");
            case LOCKED -> throw new Told(HttpStatus.TOO_MANY_REQUESTS, "password", "There were too many wrong passwords.", "Wait 15 minutes and try again.");
        };
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
    @Transactional
    public Session firstOwner(@RequestBody FirstOwner first, HttpServletRequest request, HttpServletResponse response) {
        if (!people.none()) {
            throw new Told(HttpStatus.CONFLICT, "email", "This installation has an owner already.", "Sign in instead.");
        }
        long person = people.add(first.email(), first.password());
        String shop = FirstDraft.idFor(first.shopName());
        drafts.create(shop, FirstDraft.of(first.shopName(), first.country(), first.currency()));
        people.letIn(person, shop);
        return welcome(People.normal(first.email()), request, response);
    }
}

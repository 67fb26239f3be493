package vestcoin.app.message;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.app.setup.Editions;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problems;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;

/** The mail server a shop's letters leave by, at the Terms station. */
@RestController
class MailServerController {
    /** @param server none where letters go to the post room */
    record MailServerView(Optional<ServerView> server) {}

    record ServerView(
            String host,
            int port,
            MailServers.Security security,
            String user,
            Optional<String> secretEndsWith,
            Instant since,
            Optional<Message> trouble) {}

    /** @param secret empty to keep the one that is there */
    record ServerGiven(String host, int port, MailServers.Security security, String user, String secret) {
        ServerGiven {
            host = host == null ? "" : host.strip();
            security = security == null ? MailServers.Security.STARTTLS : security;
            user = user == null ? "" : user.strip();
            secret = secret == null ? "" : secret;
        }
    }

    private static final int LONGEST_SECRET = 500;

    private final MailServers servers;
    private final SmtpPost smtp;
    private final Editions editions;

    MailServerController(MailServers servers, SmtpPost smtp, Editions editions) {
        this.servers = servers;
        this.smtp = smtp;
        this.editions = editions;
    }

    @GetMapping("/api/shops/{shop}/mail-server")
    MailServerView known(@PathVariable String shop) {
        return new MailServerView(servers.known(shop)
                .map(each -> new ServerView(
                        each.host(),
                        each.port(),
                        each.security(),
                        each.user(),
                        each.secretEndsWith(),
                        each.since(),
                        servers.trouble(shop))));
    }

    @PutMapping("/api/shops/{shop}/mail-server")
    MailServerView keep(@PathVariable String shop, @RequestBody ServerGiven given) {
        check(given);
        String secret = given.secret().isEmpty()
                ? servers.access(shop)
                        .filter(known -> known.host().equalsIgnoreCase(given.host())
                                && known.user().equals(given.user()))
                        .map(MailServers.Access::secret)
                        .orElse("")
                : given.secret();
        servers.keep(shop, new MailServers.Access(given.host(), given.port(), given.security(), given.user(), secret));
        return known(shop);
    }

    private static void check(ServerGiven given) {
        Problems problems = new Problems();
        problems.when(
                !given.host().matches("[A-Za-z0-9]([A-Za-z0-9.:-]{0,251}[A-Za-z0-9])?"),
                "host",
                Message.of("message.no-name-of-a-server", "host", given.host()),
                Message.of("message.write-it-as-mail-example-com"));
        problems.when(
                given.port() < 1 || given.port() > 65_535,
                "port",
                Message.of("message.no-port", "port", given.port()),
                Message.of("message.usual-ports"));
        problems.when(
                given.user().length() > 254
                        || given.secret().length() > LONGEST_SECRET
                        || (given.user() + given.secret()).chars().anyMatch(Character::isISOControl),
                "secret",
                Message.of("message.user-or-password-cannot-be"),
                Message.of("message.copy-them-again"));
        problems.refuseIfAny();
    }

    @DeleteMapping("/api/shops/{shop}/mail-server")
    MailServerView forget(@PathVariable String shop) {
        servers.forget(shop);
        return known(shop);
    }

    /** Sends the seller a letter by it, at once. @throws ApiProblem if it cannot leave, with why */
    @PostMapping("/api/shops/{shop}/mail-server/try")
    MailServerView tryIt(@PathVariable String shop) {
        MailServers.Access access = servers.access(shop)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "host",
                        Message.of("message.no-mail-server-set"),
                        Message.of("message.write-server-first")));
        Setup setup = editions.live(shop)
                .map(edition -> edition.document().setup())
                .filter(live -> MailAddress.isOne(live.shop().email()))
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "host",
                        Message.of("message.shop-has-no-e-mail-address"),
                        Message.of("message.type-one-at-shop-and-publish")));
        Shop own = setup.shop();
        LetterTexts words = LetterTexts.in(setup, "");
        LetterBook.LetterContent said = words.trial();
        String mime = new Letter(
                        "try-" + UUID.randomUUID(), own.name(), own.email(), own.email(), said.subject(), said.body())
                .mime(said.attached());
        try {
            smtp.send(access, mime);
            servers.wentWell(shop);
        } catch (ProviderRejection | ProviderTimeout e) {
            servers.wentWrong(shop, e.getMessage());
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "host",
                    ServiceReasons.of(e.getMessage()),
                    Message.of("message.look-at-server-port-and-password"));
        }
        return known(shop);
    }
}

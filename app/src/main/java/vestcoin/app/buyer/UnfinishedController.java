package vestcoin.app.buyer;

import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.access.CounterEntrance;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.setup.Editions;
import vestcoin.core.message.Message;

/** Agreeing to be reminded of a basket, taking that back, and coming back by the letter. */
@RestController
class UnfinishedController {
    private static final int MOST_LINES = 100;
    private static final int MOST_CODES = 20;
    private static final int LONGEST_NAME = 200;

    /** @param agreed whether the buyer agrees to one letter @param visit names what the browser has put together */
    record LeftBasket(
            Optional<String> email,
            boolean agreed,
            Unfinished.UnfinishedBasket left,
            Optional<String> language,
            UUID visit) {
        LeftBasket {
            email = email == null ? Optional.empty() : email.filter(text -> !text.isBlank());
            language = language == null ? Optional.empty() : language.filter(tag -> tag.length() <= 35);
        }
    }

    private final Unfinished unfinished;
    private final CounterEntrance entrance;
    private final Editions editions;

    UnfinishedController(Unfinished unfinished, CounterEntrance entrance, Editions editions) {
        this.unfinished = unfinished;
        this.entrance = entrance;
        this.editions = editions;
    }

    @PostMapping("/api/counter/{shop}/unfinished")
    ResponseEntity<Void> keep(@PathVariable String shop, @RequestBody LeftBasket basket) {
        Editions.Edition edition = entrance.into(shop);
        if (!basket.email().map(MailAddress::isOne).orElse(!basket.agreed())) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "email",
                    Message.of("buyer.e-mail-address-cannot-right"),
                    Message.of("buyer.write-name-example-com"));
        }
        if (basket.left() == null
                || basket.visit() == null
                || basket.left().basket().lines().size() > MOST_LINES
                || basket.left().basket().codes().size() > MOST_CODES
                || basket.left().name().length() > LONGEST_NAME) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "left",
                    Message.of("buyer.this-basket-cannot-kept"),
                    Message.of("buyer.keep-fewer-things-in"));
        }
        String visit = basket.visit().toString();
        boolean may = basket.agreed()
                && edition.document().setup().terms().asking().remindAfter().isPresent();
        if (!may) {
            basket.email().ifPresent(email -> unfinished.forget(shop, email));
        }
        if (basket.left().basket().lines().isEmpty()) {
            unfinished.forgetVisit(shop, visit);
        } else {
            unfinished.keep(
                    shop,
                    visit,
                    basket.email().filter(email -> may),
                    basket.left(),
                    editions.spoken(edition, basket.language().orElse(""))
                            .setup()
                            .shop()
                            .language());
        }
        return ResponseEntity.noContent().build();
    }

    @GetMapping("/api/counter/{shop}/unfinished/{token}")
    Unfinished.UnfinishedBasket again(@PathVariable String shop, @PathVariable String token) {
        entrance.into(shop);
        return unfinished.of(shop, token).orElseThrow(UnfinishedController::gone);
    }

    @PostMapping("/api/counter/{shop}/unfinished/{token}/never")
    ResponseEntity<Void> never(@PathVariable String shop, @PathVariable String token) {
        if (!unfinished.never(shop, token)) {
            throw gone();
        }
        return ResponseEntity.noContent().build();
    }

    private static ApiProblem gone() {
        return new ApiProblem(
                HttpStatus.GONE,
                "token",
                Message.of("buyer.that-basket-not-kept-any-more"),
                Message.of("buyer.choose-anew-nothing-else-lost"));
    }
}

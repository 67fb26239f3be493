package vestcoin.app.access;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.setup.Editions;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problem;

/**
 * Where a buyer comes in: into an open shop. Those who run a shop come into a closed one too, to try it before anybody
 * else can.
 */
@Component
public class CounterEntrance {
    private final Editions editions;
    private final ShopOpenings doors;
    private final People people;

    CounterEntrance(Editions editions, ShopOpenings doors, People people) {
        this.editions = editions;
        this.doors = doors;
        this.people = people;
    }

    /** The live edition, for whoever may buy by it. @throws ApiProblem with what the closed shop says */
    public Editions.Edition into(String shop) {
        Editions.Edition edition = editions.live(shop).orElseThrow(() -> closed(Map.of()));
        ShopOpenings.Door door = doors.of(shop);
        if (!door.open() && whoRuns(shop).isEmpty()) {
            throw closed(Map.of("name", edition.document().setup().shop().name(), "notice", door.notice()));
        }
        return edition;
    }

    /** Whether only those who run the shop can come in. */
    public boolean closed(String shop) {
        return !doors.of(shop).open();
    }

    /** Who asks, where they run the shop. */
    public Optional<String> whoRuns(String shop) {
        return Optional.ofNullable(SecurityContextHolder.getContext().getAuthentication())
                .filter(Authentication::isAuthenticated)
                .map(Authentication::getName)
                .filter(name -> people.mayOpen(name, shop));
    }

    private static ApiProblem closed(Map<String, Object> shop) {
        return new ApiProblem(
                HttpStatus.NOT_FOUND,
                List.of(new Problem(
                        "shop",
                        Message.of("access.this-shop-not-open"),
                        Message.of("access.nothing-was-ordered-come-back-later-basket"))),
                shop);
    }
}

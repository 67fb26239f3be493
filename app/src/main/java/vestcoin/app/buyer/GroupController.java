package vestcoin.app.buyer;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.access.Buyers;
import vestcoin.app.access.Memberships;
import vestcoin.app.access.Memberships.Member;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.edge.RateLimits;
import vestcoin.app.message.BuyerLetters;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Goods;
import vestcoin.core.message.Message;

/** The group of buyers somebody who is signed in belongs to, and how they come to belong to one. */
@RestController
class GroupController {
    private static final int LONGEST_NOTE = 500;
    private static final int LONGEST_LANGUAGE = 35;

    /** A group that can be asked for. */
    record OpenGroup(String id, String name) {}

    /**
     * @param name of the group they belong to
     * @param asked the name of the one they ask to belong to
     * @param open those that can be asked for
     * @param byCode whether there are some that a code lets in
     */
    record OwnGroup(Optional<String> name, Optional<String> asked, List<OpenGroup> open, boolean byCode) {}

    /** @param code of a group, or empty @param group id of the one that is asked for, or empty */
    record WantsGroup(String code, String group, String note, String language) {
        WantsGroup {
            code = code == null ? "" : code.strip();
            group = group == null ? "" : group;
            note = note == null ? "" : note.strip();
            language = language == null || language.length() > LONGEST_LANGUAGE ? "" : language;
        }
    }

    private final Buyers buyers;
    private final Memberships memberships;
    private final Editions editions;
    private final BuyerLetters letters;
    private final RateLimits pace;

    GroupController(Buyers buyers, Memberships memberships, Editions editions, BuyerLetters letters, RateLimits pace) {
        this.buyers = buyers;
        this.memberships = memberships;
        this.editions = editions;
        this.letters = letters;
        this.pace = pace;
    }

    @GetMapping("/api/counter/{shop}/me/group")
    OwnGroup group(@PathVariable String shop, @CookieValue(name = Buyers.COOKIE, required = false) String session) {
        return own(shop, signedIn(shop, session));
    }

    /** Lets in who has a group's code, or writes down that somebody asks; the seller is told of that, once. */
    @PostMapping("/api/counter/{shop}/me/group")
    OwnGroup join(
            @PathVariable String shop,
            @RequestBody WantsGroup wanted,
            @CookieValue(name = Buyers.COOKIE, required = false) String session,
            HttpServletRequest request) {
        String email = signedIn(shop, session);
        if (wanted.code().isEmpty()) {
            ask(shop, email, wanted);
        } else {
            enter(shop, email, wanted, request.getRemoteAddr());
        }
        return own(shop, email);
    }

    private void enter(String shop, String email, WantsGroup wanted, String client) {
        if (pace.exhausted(RateLimits.Of.CODES_BY_CLIENT, client)) {
            throw refused("code", "buyer.too-many-codes-were-tried", "buyer.try-again-in-some-minutes");
        }
        Goods.BuyerGroup group = groups(shop).stream()
                .filter(each ->
                        each.code().filter(wanted.code()::equalsIgnoreCase).isPresent())
                .findFirst()
                .orElseThrow(() -> {
                    pace.wait(RateLimits.Of.CODES_BY_CLIENT, client);
                    return refused("code", "buyer.no-group-has-this-code", "buyer.look-at-code-again");
                });
        memberships.add(shop, email, group.id(), Memberships.Way.CODE, wanted.language());
    }

    private void ask(String shop, String email, WantsGroup wanted) {
        Goods.BuyerGroup group = groups(shop).stream()
                .filter(each -> each.onRequest() && each.id().equals(wanted.group()))
                .findFirst()
                .orElseThrow(() -> refused("group", "buyer.group-takes-nobody-now", "buyer.load-page-again"));
        if (wanted.note().length() > LONGEST_NOTE) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "note",
                    Message.of("buyer.note-longer-than", "most", LONGEST_NOTE),
                    Message.of("buyer.say-it-shorter"));
        }
        if (memberships.ask(shop, email, group.id(), wanted.note(), wanted.language())) {
            editions.live(shop).ifPresent(live -> letters.asked(live, group, email, wanted.note()));
        }
    }

    private OwnGroup own(String shop, String email) {
        List<Goods.BuyerGroup> groups = groups(shop);
        Optional<Member> member = memberships.of(shop, email);
        return new OwnGroup(
                member.filter(Member::belongs).flatMap(each -> name(groups, each)),
                member.filter(each -> !each.belongs()).flatMap(each -> name(groups, each)),
                groups.stream()
                        .filter(Goods.BuyerGroup::onRequest)
                        .map(group -> new OpenGroup(group.id(), group.name()))
                        .toList(),
                groups.stream().anyMatch(group -> group.code().isPresent()));
    }

    private static Optional<String> name(List<Goods.BuyerGroup> groups, Member member) {
        return groups.stream()
                .filter(group -> group.id().equals(member.buyerGroup()))
                .map(Goods.BuyerGroup::name)
                .findFirst();
    }

    private List<Goods.BuyerGroup> groups(String shop) {
        return editions.live(shop)
                .map(live -> live.document().setup().goods().buyerGroups())
                .orElse(List.of());
    }

    private String signedIn(String shop, String session) {
        return buyers.in(shop, session)
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.UNAUTHORIZED,
                        "email",
                        Message.of("buyer.you-not-signed-in"),
                        Message.of("buyer.ask-for-link-below")));
    }

    private static ApiProblem refused(String path, String sentence, String remedy) {
        return new ApiProblem(HttpStatus.CONFLICT, path, Message.of(sentence), Message.of(remedy));
    }
}

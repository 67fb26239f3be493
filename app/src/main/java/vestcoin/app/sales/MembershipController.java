package vestcoin.app.sales;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vestcoin.app.access.Memberships;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.message.BuyerLetters;
import vestcoin.app.outside.MailAddress;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Editions;
import vestcoin.core.goods.Goods;
import vestcoin.core.message.Message;

/** Who belongs to the shop's groups of buyers, and who asks to. */
@RestController
class MembershipController {
    private static final int PAGE = 200;
    private static final int MOST_AT_ONCE = 2000;

    /** @param group id of the group @param cameBy list, code or request @param note what they said when they asked */
    record MemberView(String email, String group, String cameBy, String note, Instant since) {}

    /** @param emails addresses as they were typed or pasted: anything between them, a whole table too */
    record NewMembers(String group, String emails) {}

    /** @param added how many belong to the group now who did not before */
    record MembersAdded(int added) {}

    record Granted(String email) {}

    private final Memberships memberships;
    private final BuyerLetters letters;
    private final Editions editions;
    private final Drafts drafts;

    MembershipController(Memberships memberships, BuyerLetters letters, Editions editions, Drafts drafts) {
        this.memberships = memberships;
        this.letters = letters;
        this.editions = editions;
        this.drafts = drafts;
    }

    /** @param belongs whether they do, rather than ask to @param after the address of the last one of a page before */
    @GetMapping("/api/shops/{shop}/members")
    List<MemberView> members(
            @PathVariable String shop, @RequestParam boolean belongs, @RequestParam Optional<String> after) {
        return memberships.page(shop, belongs, after.orElse(""), PAGE).stream()
                .map(each -> new MemberView(each.buyer(), each.buyerGroup(), each.cameBy(), each.note(), each.at()))
                .toList();
    }

    /** Lets people belong to a group: all whose address is in the text, or none where one of them is no address. */
    @PutMapping("/api/shops/{shop}/members")
    MembersAdded add(@PathVariable String shop, @RequestBody NewMembers wanted) {
        boolean known = drafts.of(shop).document().setup().goods().buyerGroups().stream()
                .anyMatch(group -> group.id().equals(wanted.group()));
        if (!known) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "group",
                    Message.of("sales.no-such-group"),
                    Message.of("sales.choose-group"));
        }
        List<String> typed = Arrays.stream(
                        Optional.ofNullable(wanted.emails()).orElse("").split("[\\s,;<>\"'()]+"))
                .filter(word -> word.contains("@"))
                .toList();
        if (typed.isEmpty() || typed.size() > MOST_AT_ONCE) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "emails",
                    typed.isEmpty()
                            ? Message.of("sales.no-address-in-it")
                            : Message.of("sales.so-many-addresses-at-once", "most", MOST_AT_ONCE),
                    Message.of("sales.write-addresses-one-below-the-other"));
        }
        typed.stream().filter(word -> !MailAddress.isOne(word)).findFirst().ifPresent(wrong -> {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "emails",
                    Message.of("sales.this-is-no-address", "typed", wrong),
                    Message.of("sales.mend-it-nobody-was-added"));
        });
        int added = 0;
        for (String email : typed.stream().distinct().toList()) {
            boolean there = memberships
                    .of(shop, email)
                    .filter(member -> member.belongs() && member.buyerGroup().equals(wanted.group()))
                    .isPresent();
            if (!there) {
                memberships.add(shop, email, wanted.group(), Memberships.Way.LIST, "");
                added++;
            }
        }
        return new MembersAdded(added);
    }

    /** Grants what somebody asked for; they are written to. */
    @PostMapping("/api/shops/{shop}/members/granted")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void grant(@PathVariable String shop, @RequestBody Granted granted) {
        Memberships.Member member = memberships
                .grant(shop, Optional.ofNullable(granted.email()).orElse(""))
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.CONFLICT,
                        "email",
                        Message.of("sales.nobody-asks-with-this-address"),
                        Message.of("sales.load-page-again")));
        editions.live(shop).ifPresent(live -> group(live, member.buyerGroup())
                .ifPresent(group -> letters.granted(live, group, member)));
    }

    /** Takes somebody out of their group, or turns a request down. */
    @DeleteMapping("/api/shops/{shop}/members")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String shop, @RequestParam String email) {
        memberships.remove(shop, email);
    }

    private static Optional<Goods.BuyerGroup> group(Editions.Edition edition, String id) {
        return edition.document().setup().goods().buyerGroups().stream()
                .filter(group -> group.id().equals(id))
                .findFirst();
    }
}

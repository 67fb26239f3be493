package vestcoin.app.publishing;

import java.security.Principal;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.Json;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.DraftView;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Edit;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.Edits;
import vestcoin.app.setup.FirstAnswers;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.message.Message;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Groups;
import vestcoin.core.place.Place;
import vestcoin.core.place.PlaceIndex;
import vestcoin.core.place.TimeZones;
import vestcoin.core.problem.Problem;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxBookFilling;

/** The draft at the desk: reading it, changing it, trying a change on the ticket, publishing. */
@RestController
class DraftController {
    record EditRequest(List<Edit> edits) {
        EditRequest {
            edits = Edit.given(edits);
        }
    }

    /** @param note what the edition is for */
    record PublishRequest(String note) {
        PublishRequest {
            note = note == null ? "" : note.strip();
        }
    }

    private final Drafts drafts;
    private final Editions editions;
    private final FindingContexts contexts;
    private final Clock clock;

    DraftController(Drafts drafts, Editions editions, FindingContexts contexts, Clock clock) {
        this.drafts = drafts;
        this.editions = editions;
        this.contexts = contexts;
        this.clock = clock;
    }

    @GetMapping("/api/shops/{shop}/draft")
    DraftView draft(@PathVariable String shop) {
        return view(shop, drafts.of(shop));
    }

    @PostMapping("/api/shops/{shop}/draft/edits")
    DraftView edit(@PathVariable String shop, @RequestBody EditRequest edited, Principal who) {
        return view(shop, drafts.edit(shop, edited.edits(), who.getName()));
    }

    /** @param left what of the block was wrong, and was left as it is */
    record PasteAnswer(DraftView draft, List<Problem> left) {}

    /** A block of cells: those that can be read are changed, all as one change; the others stay and are named. */
    @PostMapping("/api/shops/{shop}/draft/paste")
    PasteAnswer paste(@PathVariable String shop, @RequestBody EditRequest edited, Principal who) {
        Drafts.PasteResult pasted = drafts.paste(shop, edited.edits(), who.getName());
        return new PasteAnswer(view(shop, pasted.draft()), pasted.left());
    }

    /**
     * A country as the draft has it. @param zone id of the delivery zone that holds it @param tied ids of zones that
     * hold it just as well @param union whether it is a member state of the European Union
     */
    record CountryCoverage(String country, boolean sold, Optional<String> zone, List<String> tied, boolean union) {}

    /** Every country: whether the draft sells there, and which zone holds it. */
    @GetMapping("/api/shops/{shop}/draft/countries")
    List<CountryCoverage> countries(@PathVariable String shop) {
        CompiledSetup compiled = drafts.of(shop).document().compiled();
        return Countries.all().stream()
                .sorted()
                .map(code -> {
                    Destination to = Destination.of(code);
                    Optional<PlaceIndex.Match<Delivery.Zone>> match =
                            compiled.board().zoneOf(to);
                    return new CountryCoverage(
                            code,
                            compiled.sellsTo().find(to).isPresent(),
                            match.map(found -> found.value().id()),
                            match.map(PlaceIndex.Match::tied).orElse(List.of()),
                            Groups.EU.contains(code));
                })
                .toList();
    }

    /**
     * What is usual in a country. @param timeZones the one all its clocks show, or every one of those that
     * differ @param begun whether an edition stands, so that the first questions are over
     */
    record Usual(String currency, String language, Tax.Prices prices, List<String> timeZones, boolean begun) {}

    /** @param country the shop's own without it */
    @GetMapping("/api/shops/{shop}/draft/usual")
    Usual usual(@PathVariable String shop, @RequestParam Optional<String> country) {
        String code = country.filter(Countries::isCountry)
                .orElseGet(() ->
                        drafts.of(shop).document().setup().shop().address().country());
        return new Usual(
                FirstAnswers.currencyOf(code),
                FirstAnswers.languageOf(code),
                FirstAnswers.pricesOf(code),
                clocks(code),
                editions.live(shop).isPresent());
    }

    private List<String> clocks(String country) {
        ZoneId none = ZoneId.of("UTC");
        ZoneId one = TimeZones.of(country, clock.instant(), none);
        return one.equals(none)
                ? TimeZones.all(country).stream().map(ZoneId::getId).toList()
                : List.of(one.getId());
    }

    /** The draft that follows from the first questions, as one change that can be undone. */
    @PostMapping("/api/shops/{shop}/draft/begin")
    DraftView begin(@PathVariable String shop, @RequestBody FirstAnswers answers, Principal who) {
        if (editions.live(shop).isPresent()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "shop",
                    Message.of("publishing.first-questions-are-over"),
                    Message.of("publishing.change-what-you-want-at-its-station"));
        }
        Document before = drafts.of(shop).document();
        Document after = Document.of(answers.applied(before.setup(), clock.instant()));
        List<Edit> edits = Stream.of("shop", "goods", "discounts", "delivery", "tax", "payment", "rehearsal", "pickup")
                .map(part -> new Edit(part, Edits.at(before.tree(), part), Edits.at(after.tree(), part)))
                .toList();
        return view(shop, drafts.edit(shop, edits, who.getName()));
    }

    /**
     * Adds rows of the reference to the tax book, for places sold to that it has none for; marked until they are
     * confirmed.
     */
    @PostMapping("/api/shops/{shop}/draft/tax/fill")
    DraftView fill(@PathVariable String shop, Principal who) {
        Setup setup = drafts.of(shop).document().setup();
        List<Edit> edits = TaxBookFilling.of(
                        setup.tax(), setup.shop().home(), setup.shop().sellsTo())
                .stream()
                .map(row -> new Edit("tax/places/" + row.id(), Optional.empty(), Optional.of(Json.tree(row))))
                .toList();
        if (edits.isEmpty()) {
            boolean wide = setup.shop().sellsTo().stream()
                    .allMatch(place -> place instanceof Place.Group group
                            && !group.name().equals("EU")
                            && !group.name().equals("EURO"));
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "tax/places",
                    wide
                            ? Message.of("publishing.nothing-was-filled-shop-sells-to-wide")
                            : Message.of("publishing.nothing-was-filled-every-place-reference-knows"),
                    wide
                            ? Message.of("publishing.add-rows-for-places-you-registered-in")
                            : Message.of("publishing.add-place-and-type-rates-if-one"));
        }
        return view(shop, drafts.edit(shop, edits, who.getName()));
    }

    @PostMapping("/api/shops/{shop}/draft/undo")
    DraftView undo(@PathVariable String shop) {
        return view(shop, drafts.undo(shop));
    }

    @PostMapping("/api/shops/{shop}/draft/redo")
    DraftView redo(@PathVariable String shop) {
        return view(shop, drafts.redo(shop));
    }

    @PostMapping("/api/shops/{shop}/draft/publish")
    DraftView publish(@PathVariable String shop, @RequestBody(required = false) PublishRequest asked, Principal who) {
        editions.publish(shop, who.getName(), asked == null ? "" : asked.note());
        return view(shop, drafts.of(shop));
    }

    @GetMapping("/api/shops/{shop}/editions")
    List<Editions.EditionEntry> editions(@PathVariable String shop) {
        return editions.list(shop);
    }

    /** One edition as a setup file. */
    @GetMapping("/api/shops/{shop}/editions/{number}")
    ResponseEntity<JsonNode> edition(@PathVariable String shop, @PathVariable int number) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"" + shop + "-" + number + ".setup.json\"")
                .body(editions.of(shop, number).document().tree());
    }

    private DraftView view(String shop, Drafts.Draft draft) {
        return DraftView.of(
                shop,
                draft,
                drafts.history(shop),
                editions.live(shop).map(Editions.Edition::number),
                contexts.ofDraft(shop, draft.document().compiled()));
    }
}

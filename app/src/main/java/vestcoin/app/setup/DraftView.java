package vestcoin.app.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.delivery.RateBoard;
import vestcoin.core.delivery.RateText;
import vestcoin.core.finding.Check;
import vestcoin.core.finding.Duties;
import vestcoin.core.finding.Finding;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.message.Message;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.RateCell;
import vestcoin.core.tax.Reference;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Terms;

/**
 * The draft as the desk shows it.
 *
 * @param edition number of the live edition, if any
 * @param changes how many changes the draft has over it
 * @param texts path of a cell to how the seller types it
 * @param stations in the order of the thread
 */
public record DraftView(
        String shop,
        long version,
        Optional<Integer> edition,
        int changes,
        boolean canUndo,
        boolean canRedo,
        JsonNode document,
        Map<String, CellText> texts,
        List<Finding> findings,
        List<StationState> stations) {

    /** @param text as typed @param words read back in sentences, empty where the text speaks for itself */
    public record CellText(String text, List<Message> words) {}

    /**
     * @param state how far the station is @param word what is missing, if anything is @param blocks whether it stands
     *     against opening
     */
    public record StationState(Finding.Station station, Sewn state, Optional<Message> word, boolean blocks) {}

    public enum Sewn {
        SEWN,
        HALF,
        EMPTY
    }

    public static DraftView of(
            String shop, Drafts.Draft draft, Drafts.History history, Optional<Integer> edition, FindingContext known) {
        List<Finding> findings = Check.of(draft.document().compiled(), known);
        return new DraftView(
                shop,
                draft.version(),
                edition,
                history.done(),
                history.done() > 0,
                history.undone() > 0,
                draft.document().tree(),
                texts(draft.document().setup()),
                findings,
                stations(draft.document().setup(), findings));
    }

    private static final String LOCAL_PRICE = "pickup/local/price";

    private static Map<String, CellText> texts(Setup setup) {
        Map<String, CellText> texts = new TreeMap<>();
        setup.delivery().zones().forEach(zone -> zone.rates()
                .forEach((option, rule) -> texts.put(RateBoard.path(zone, option), text(rule))));
        setup.delivery().zones().forEach(zone -> zone.costs()
                .forEach((option, basis) -> texts.put(RateBoard.costPath(zone, option), text(basis))));
        setup.pickup().local().ifPresent(local -> texts.put(LOCAL_PRICE, text(local.price())));
        setup.tax().places().forEach(row -> row.rates()
                .forEach((category, rate) ->
                        texts.put("tax/places/" + row.id() + "/rates/" + category, text(row, rate))));
        return texts;
    }

    /** The cells that edits touch, read back. */
    public static Map<String, CellText> texts(Setup setup, List<Edit> edits) {
        Map<String, CellText> texts = new TreeMap<>();
        for (Edit edit : edits) {
            String[] steps = edit.path().split("/");
            if (steps.length == 5 && edit.path().startsWith("delivery/zones/")) {
                setup.delivery().zones().stream()
                        .filter(zone -> zone.id().equals(steps[2]))
                        .findFirst()
                        .flatMap(zone -> text(zone, steps[3], steps[4]))
                        .ifPresent(text -> texts.put(edit.path(), text));
            } else if (edit.path().equals(LOCAL_PRICE)) {
                setup.pickup().local().ifPresent(local -> texts.put(LOCAL_PRICE, text(local.price())));
            } else if (steps.length == 5 && edit.path().startsWith("tax/places/")) {
                setup.tax().places().stream()
                        .filter(row -> row.id().equals(steps[2]) && row.rates().containsKey(steps[4]))
                        .findFirst()
                        .ifPresent(row ->
                                texts.put(edit.path(), text(row, row.rates().get(steps[4]))));
            }
        }
        return texts;
    }

    private static CellText text(PriceRule rule) {
        return new CellText(RateText.print(rule), RateText.inWords(rule));
    }

    private static Optional<CellText> text(Delivery.Zone zone, String list, String option) {
        return switch (list) {
            case "rates" -> Optional.ofNullable(zone.rates().get(option)).map(DraftView::text);
            case "costs" -> Optional.ofNullable(zone.costs().get(option)).map(DraftView::text);
            default -> Optional.empty();
        };
    }

    private static CellText text(PriceRule.Basis basis) {
        return text(new PriceRule(basis, Optional.empty()));
    }

    private static CellText text(Tax.PlaceRates row, Tax.Rate rate) {
        return new CellText(RateCell.print(rate), published(row, rate));
    }

    /** What the reference has for the place of a row: which kind of rate this is there, or all there are. */
    private static List<Message> published(Tax.PlaceRates row, Tax.Rate rate) {
        Optional<List<Reference.Row>> known = row.places().stream()
                .map(place -> Reference.of(place.text()))
                .filter(rows -> !rows.isEmpty())
                .findFirst();
        if (known.isEmpty() || row.places().size() > 1) {
            return List.of();
        }
        Optional<Reference.Row> same = known.get().stream()
                .filter(each -> each.rate().total().compareTo(rate.total()) == 0)
                .findFirst();
        return List.of(same.map(each -> Message.of(
                        "setup.published-as", "kind", Message.of("setup.rate-" + each.kind()), "day", each.lookedAt()))
                .orElseGet(() -> Message.of(
                        "setup.published-rates",
                        "rates",
                        known.get().stream()
                                .map(each -> RateCell.print(each.rate()))
                                .distinct()
                                .toList(),
                        "day",
                        known.get().get(0).lookedAt())));
    }

    private static List<StationState> stations(Setup setup, List<Finding> findings) {
        List<StationState> states = new ArrayList<>();
        for (Finding.Station station : Finding.Station.values()) {
            List<Finding> here = findings.stream()
                    .filter(finding -> finding.station() == station)
                    .toList();
            long blocking = here.stream()
                    .filter(finding -> finding.severity() == Finding.Severity.BLOCKS_OPENING)
                    .count();
            if (begun(setup, station)) {
                long looks = here.stream()
                        .filter(finding -> finding.severity() == Finding.Severity.LOOK_AT_THIS)
                        .count();
                Optional<Message> word = blocking > 0
                        ? Optional.of(Message.of("setup.in-the-way", "count", blocking))
                        : looks > 0
                                ? Optional.of(Message.of("setup.to-look-at", "count", looks))
                                : open(setup, station, findings);
                states.add(new StationState(station, word.isEmpty() ? Sewn.SEWN : Sewn.HALF, word, blocking > 0));
            } else {
                states.add(new StationState(station, Sewn.EMPTY, Optional.of(Message.of("setup.not-begun")), false));
            }
        }
        return states;
    }

    /** What a station still lacks that no finding speaks of: of Terms, what the law asks for, and texts at all. */
    private static Optional<Message> open(Setup setup, Finding.Station station, List<Finding> findings) {
        if (station != Finding.Station.TERMS) {
            return Optional.empty();
        }
        long unmet =
                Duties.of(setup, findings).stream().filter(duty -> !duty.met()).count();
        return unmet > 0
                ? Optional.of(Message.of("setup.asked-by-law", "count", unmet))
                : setup.terms().texts().isEmpty() ? Optional.of(Message.of("setup.no-texts")) : Optional.empty();
    }

    private static boolean begun(Setup setup, Finding.Station station) {
        return switch (station) {
            case SHOP -> true;
            case GOODS -> !setup.goods().products().isEmpty();
            case DELIVERY -> !setup.delivery().zones().isEmpty();
            case PICKUP ->
                !setup.pickup().places().isEmpty() || setup.pickup().local().isPresent();
            case TERMS -> !setup.terms().equals(Terms.NONE);
            case TAX -> !setup.tax().places().isEmpty();
            case PAYMENT -> setup.payment().methods().stream().anyMatch(method -> method.on());
        };
    }
}

package vestcoin.app.sales;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.order.SingleUseCodes;
import vestcoin.app.setup.Drafts;
import vestcoin.core.discount.Discounts;
import vestcoin.core.message.Message;

/** Codes of a discount that are good for one order each: made, counted, taken out as CSV. */
@RestController
class DiscountCodeController {
    private static final int MOST_AT_ONCE = 5_000;
    private static final int MOST = 100_000;
    private static final int PAGE = 1_000;

    record CodesWanted(int count) {}

    private final SingleUseCodes codes;
    private final Drafts drafts;

    DiscountCodeController(SingleUseCodes codes, Drafts drafts) {
        this.codes = codes;
        this.drafts = drafts;
    }

    @GetMapping("/api/shops/{shop}/discounts/{discount}/codes")
    SingleUseCodes.Made made(@PathVariable String shop, @PathVariable String discount) {
        return codes.made(shop, rule(shop, discount).id());
    }

    /** Makes so many more. A discount that applies by itself has no use for them. */
    @PostMapping("/api/shops/{shop}/discounts/{discount}/codes")
    SingleUseCodes.Made make(
            @PathVariable String shop, @PathVariable String discount, @RequestBody CodesWanted wanted) {
        Discounts.Rule rule = rule(shop, discount);
        if (rule.code().isEmpty()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "count",
                    Message.of("sales.discount-applies-by-itself"),
                    Message.of("sales.give-it-code-first"));
        }
        if (wanted.count() < 1
                || wanted.count() > MOST_AT_ONCE
                || codes.made(shop, discount).all() + wanted.count() > MOST) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "count",
                    Message.of("sales.so-many-codes-cannot-be-made"),
                    Message.of("sales.make-up-to-so-many-codes", "most", MOST_AT_ONCE, "all", MOST));
        }
        codes.make(shop, discount, wanted.count());
        return codes.made(shop, discount);
    }

    /** All of them, with the number of the order that used one. */
    @GetMapping(path = "/api/shops/{shop}/discounts/{discount}/codes.csv", produces = "text/csv")
    ResponseEntity<StreamingResponseBody> csv(@PathVariable String shop, @PathVariable String discount) {
        String id = rule(shop, discount).id();
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + shop + "-codes.csv\"")
                .body(out -> {
                    try (CsvWriter csv =
                            CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
                        csv.writeRecord("code", "used by order");
                        String after = "";
                        List<SingleUseCodes.DiscountCode> page;
                        do {
                            page = codes.page(shop, id, after, PAGE);
                            for (SingleUseCodes.DiscountCode each : page) {
                                csv.writeRecord(
                                        each.code(),
                                        each.orderNumber() == null ? "" : String.valueOf(each.orderNumber()));
                                after = each.code();
                            }
                        } while (page.size() == PAGE);
                    }
                });
    }

    private Discounts.Rule rule(String shop, String discount) {
        return drafts.of(shop).document().setup().discounts().rules().stream()
                .filter(rule -> rule.id().equals(discount))
                .findFirst()
                .orElseThrow(() -> new ApiProblem(
                        HttpStatus.NOT_FOUND,
                        "discount",
                        Message.of("sales.no-such-discount"),
                        Message.of("sales.load-page-again")));
    }
}

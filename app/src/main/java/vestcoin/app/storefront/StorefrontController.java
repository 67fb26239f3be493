package vestcoin.app.storefront;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.format.TextStyle;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.HtmlUtils;
import vestcoin.app.access.ShopOpenings;
import vestcoin.app.format.Json;
import vestcoin.app.format.Phrases;
import vestcoin.app.setup.Document;
import vestcoin.app.setup.Editions;
import vestcoin.app.setup.ModelForm;
import vestcoin.app.setup.Policies;
import vestcoin.core.pickup.Hours;
import vestcoin.core.setup.Setup;

/** What a shop says, as one page anybody and any search engine can read. */
@RestController
class StorefrontController {
    private static final int MOST_KEPT = 500;

    private final Editions editions;
    private final ShopOpenings doors;
    private final Clock clock;
    private final String ownUrl;
    /** Delivery to everywhere takes a moment to price and changes with an edition; sales begin and end by the day. */
    private final Cache<String, String> kept = Caffeine.newBuilder()
            .maximumSize(MOST_KEPT)
            .expireAfterWrite(Duration.ofHours(1))
            .build();

    StorefrontController(
            Editions editions, ShopOpenings doors, Clock clock, @Value("${vest-coin.own-url}") String ownUrl) {
        this.editions = editions;
        this.doors = doors;
        this.clock = clock;
        this.ownUrl = ownUrl;
    }

    @GetMapping(path = "/shops/{shop}", produces = MediaType.TEXT_HTML_VALUE)
    ResponseEntity<byte[]> page(@PathVariable String shop, @RequestParam Optional<String> language) {
        ShopOpenings.Door door = doors.of(shop);
        Optional<Editions.Edition> live = editions.live(shop).filter(edition -> door.open());
        if (live.isEmpty()) {
            return html(
                    HttpStatus.NOT_FOUND,
                    "<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><meta name=\"viewport\" "
                            + "content=\"width=device-width\"><title>Not open</title></head><body><main><h1>Not "
                            + "open</h1><p>"
                            + escaped(
                                    door.notice().isEmpty() ? "This shop is not open. Come back later." : door.notice())
                            + "</p></main></body></html>\n");
        }
        Editions.Edition edition = live.get();
        Document document = editions.spoken(
                edition, language.filter(tag -> tag.length() <= 35).orElse(""));
        String key =
                shop + " " + edition.number() + " " + document.setup().shop().language();
        String html = kept.get(key, absent -> html(shop, document));
        return html(HttpStatus.OK, html);
    }

    private static ResponseEntity<byte[]> html(HttpStatus status, String html) {
        return ResponseEntity.status(status)
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .body(html.getBytes(StandardCharsets.UTF_8));
    }

    private String html(String shop, Document document) {
        Setup setup = document.setup();
        String data = Json.write(StructuredData.of(document.compiled(), ownUrl + "/shops/" + shop, clock.instant()))
                .replace("<", "\\u003c");
        StringBuilder html = new StringBuilder("<!doctype html>\n<html lang=\"")
                .append(escaped(setup.shop().language()))
                .append("\"><head><meta charset=\"utf-8\"><meta name=\"viewport\" "
                        + "content=\"width=device-width\"><title>")
                .append(escaped(setup.shop().name()))
                .append("</title>\n<script type=\"application/ld+json\">")
                .append(data)
                .append("</script></head><body><main><h1>")
                .append(escaped(setup.shop().name()))
                .append("</h1>")
                .append("<p><a href=\"/counter/")
                .append(escaped(shop))
                .append("\">")
                .append(say(setup, "storefront.to-the-shop"))
                .append("</a></p>");
        setup.pickup().places().forEach(spot -> html.append("<h2>")
                .append(escaped(spot.name()))
                .append("</h2><p>")
                .append(escaped(String.join(", ", spot.lines())))
                .append("</p>")
                .append(hours(spot.hours(), setup)));
        Policies.texts(setup).forEach(text -> html.append("<h2 id=\"")
                .append(escaped(text.kind()))
                .append("\">")
                .append(escaped(Policies.name(text.kind(), setup.shop().language())))
                .append("</h2><p>")
                .append(escaped(text.text()).replace("\n", "</p><p>"))
                .append("</p>"));
        if (ModelForm.isDue(setup)) {
            html.append("<h2 id=\"model-form\">")
                    .append(escaped(say(setup, "letter.model-form.title")))
                    .append("</h2>");
            ModelForm.lines(setup, setup.shop().language())
                    .forEach(line -> html.append("<p>").append(escaped(line)).append("</p>"));
        }
        return html.append("</main></body></html>\n").toString();
    }

    private static String hours(List<Hours> spans, Setup setup) {
        Locale locale = Locale.forLanguageTag(setup.shop().language());
        return spans.stream()
                .map(span -> "<li>"
                        + span.days().stream()
                                .map(day -> escaped(day.getDisplayName(TextStyle.SHORT, locale)))
                                .collect(Collectors.joining(", "))
                        + " " + span.from() + "–" + span.to() + "</li>")
                .collect(Collectors.joining("", "<ul>", "</ul>"));
    }

    private static String say(Setup setup, String code) {
        return Phrases.in(setup.shop().language()).say(code);
    }

    private static String escaped(String text) {
        return HtmlUtils.htmlEscape(text, StandardCharsets.UTF_8.name());
    }
}

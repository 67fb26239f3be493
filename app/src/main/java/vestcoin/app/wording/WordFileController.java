package vestcoin.app.wording;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.setup.Drafts;
import vestcoin.app.setup.Edit;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.setup.Setup;

/** The sheet of words as a file: out for a translator, in after a look at what it changes. */
@RestController
class WordFileController {
    private static final String FILE = "/api/shops/{shop}/draft/words";
    private static final String PATH = "terms/words/";
    private static final int MOST_TOLD = 50;

    /** What a file changes of one language. */
    record LanguageChange(String language, int added, int changed) {}

    /**
     * @param notTaken what cannot be taken, by row; the rest goes in
     * @param more how many besides those
     */
    record WordLook(List<LanguageChange> changes, List<Problem> notTaken, int more) {}

    /** What of a file goes into the draft, and what does not. */
    private record Readable(List<Edit> edits, List<Problem> notTaken) {}

    private final Drafts drafts;

    WordFileController(Drafts drafts) {
        this.drafts = drafts;
    }

    /** @param language of an XLIFF for one translator; CSV of all without it */
    @GetMapping(FILE)
    ResponseEntity<byte[]> written(@PathVariable String shop, @RequestParam Optional<String> language) {
        WordSheet sheet = WordSheet.of(drafts.of(shop).document().setup());
        if (language.isPresent() && !sheet.languages().contains(language.get())) {
            throw new ApiProblem(
                    HttpStatus.NOT_FOUND,
                    "language",
                    Message.of("wording.no-language-of-this-shop", "language", language.get()),
                    Message.of("wording.add-language-at-shop"));
        }
        String file = language.map(tag -> WordFile.xliff(sheet, tag)).orElseGet(() -> WordFile.csv(sheet));
        return ResponseEntity.ok()
                .contentType(
                        language.isPresent()
                                ? new MediaType("application", "xliff+xml", StandardCharsets.UTF_8)
                                : new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"" + shop + "-words"
                                + language.map(tag -> "-" + tag + ".xlf").orElse(".csv") + "\"")
                .body(file.getBytes(StandardCharsets.UTF_8));
    }

    /** What a file would change; nothing is written. */
    @PostMapping(path = FILE, consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    WordLook look(@PathVariable String shop, @RequestBody(required = false) byte[] file) {
        Readable readable = readable(shop, file);
        Map<String, int[]> counted = new TreeMap<>();
        readable.edits().forEach(edit -> counted.computeIfAbsent(edit.path().split("/", 4)[2], tag -> new int[2])[
                edit.was().isPresent() ? 1 : 0]++);
        return new WordLook(
                counted.entrySet().stream()
                        .map(each -> new LanguageChange(each.getKey(), each.getValue()[0], each.getValue()[1]))
                        .toList(),
                readable.notTaken().stream().limit(MOST_TOLD).toList(),
                Math.max(0, readable.notTaken().size() - MOST_TOLD));
    }

    /** Takes what can be taken of a file into the draft, as one change that can be undone. */
    @PutMapping(path = FILE, consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void take(@PathVariable String shop, @RequestBody(required = false) byte[] file, Principal who) {
        List<Edit> edits = readable(shop, file).edits();
        if (!edits.isEmpty()) {
            drafts.edit(shop, edits, who.getName());
        }
    }

    private Readable readable(String shop, byte[] file) {
        Setup setup = drafts.of(shop).document().setup();
        WordSheet sheet = WordSheet.of(setup);
        Set<String> keys = sheet.rows().stream().map(WordSheet.Row::key).collect(Collectors.toSet());
        List<Problem> notTaken = new ArrayList<>();
        Set<String> unknown = new HashSet<>();
        Map<String, Edit> edits = new LinkedHashMap<>();
        Map<String, String> rows = new HashMap<>();
        for (WordFile.Said said : WordFile.read(file)) {
            if (!sheet.languages().contains(said.language())) {
                if (unknown.add(said.language())) {
                    notTaken.add(new Problem(
                            said.where(),
                            Message.of("wording.no-language-of-this-shop", "language", said.language()),
                            Message.of("wording.add-language-at-shop")));
                }
            } else if (!keys.contains(said.key()) || nameInOwn(sheet, said)) {
                notTaken.add(new Problem(
                        said.where(),
                        Message.of("wording.no-text-of-this-shop", "where", said.where(), "key", said.key()),
                        Message.of("wording.take-file-out-anew")));
            } else {
                String path = PATH + said.language() + "/" + said.key();
                Optional<String> was = Optional.ofNullable(setup.terms()
                        .words()
                        .getOrDefault(said.language(), Map.of())
                        .get(said.key()));
                if (was.filter(said.text()::equals).isEmpty()) {
                    edits.put(path, new Edit(path, was.map(WordFileController::node), Optional.of(node(said.text()))));
                    rows.put(path, said.where());
                }
            }
        }
        withoutRefused(shop, edits, rows, notTaken);
        return new Readable(List.copyOf(edits.values()), notTaken);
    }

    private static JsonNode node(String text) {
        return JsonNodeFactory.instance.stringNode(text);
    }

    /** A name in the shop's own language is the name itself, typed where it stands. */
    private static boolean nameInOwn(WordSheet sheet, WordFile.Said said) {
        return said.language().equals(sheet.source()) && !said.key().startsWith(WordSheet.PHRASE);
    }

    /** Leaves out what the draft would refuse, and says why, row by row. */
    private void withoutRefused(
            String shop, Map<String, Edit> edits, Map<String, String> rows, List<Problem> notTaken) {
        while (!edits.isEmpty()) {
            try {
                drafts.tried(shop, List.copyOf(edits.values()));
                return;
            } catch (InvalidInput e) {
                int before = edits.size();
                for (Problem problem : e.problems()) {
                    edits.keySet().stream()
                            .filter(path -> problem.path().equals(path)
                                    || problem.path().startsWith(path + "/"))
                            .findFirst()
                            .ifPresent(path -> {
                                notTaken.add(new Problem(
                                        rows.get(path),
                                        Message.of(
                                                "wording.refused-in-row",
                                                "where",
                                                rows.get(path),
                                                "what",
                                                problem.sentence()),
                                        problem.remedy()));
                                edits.remove(path);
                            });
                }
                if (edits.size() == before) {
                    throw e;
                }
            }
        }
    }
}

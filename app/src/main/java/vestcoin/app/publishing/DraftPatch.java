package vestcoin.app.publishing;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import org.springframework.core.MethodParameter;
import org.springframework.http.MediaType;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.http.server.ServerHttpRequest;
import org.springframework.http.server.ServerHttpResponse;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyAdvice;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import vestcoin.app.format.TreeDifference;
import vestcoin.app.setup.DraftView;

/**
 * Answers a changed draft with what moved: who says which answer is at hand ({@code Draft-Held}, by its
 * {@code Draft-Mark}) is given a JSON Patch (RFC 6902) from that to the new one; everybody else the whole.
 */
@RestControllerAdvice(assignableTypes = DraftController.class)
class DraftPatch implements ResponseBodyAdvice<Object> {
    /** Names an answer, so that it can be said to be at hand. */
    static final String MARK = "Draft-Mark";

    static final String HELD = "Draft-Held";
    private static final MediaType PATCH = MediaType.parseMediaType("application/json-patch+json");
    /** Some 100 MB at most: two shops with 5,000 goods each, or hundreds of small ones. */
    private static final int MOST_NODES_KEPT = 1_000_000;

    /** More than this moved: the whole is no longer. */
    private static final int MOST_OPERATIONS = 2000;

    private final JsonMapper json;
    private final Cache<String, JsonNode> answered = Caffeine.newBuilder()
            .maximumWeight(MOST_NODES_KEPT)
            .weigher((String mark, JsonNode answer) -> nodes(answer))
            .build();

    DraftPatch(JsonMapper json) {
        this.json = json;
    }

    @Override
    public boolean supports(MethodParameter method, Class<? extends HttpMessageConverter<?>> converter) {
        return method.getParameterType() == DraftView.class;
    }

    @Override
    public Object beforeBodyWrite(
            Object body,
            MethodParameter method,
            MediaType type,
            Class<? extends HttpMessageConverter<?>> converter,
            ServerHttpRequest request,
            ServerHttpResponse response) {
        if (!(body instanceof DraftView view)) {
            return body;
        }
        String held = request.getHeaders().getFirst(HELD);
        JsonNode whole = json.valueToTree(view);
        JsonNode before = held == null ? null : answered.getIfPresent(view.shop() + " " + held);
        // Findings can change without the draft, so the version alone does not say what was answered.
        String mark = view.version() + "-" + Integer.toHexString(whole.hashCode());
        answered.put(view.shop() + " " + mark, whole);
        response.getHeaders().set(MARK, mark);
        if (before == null) {
            return whole;
        }
        List<TreeDifference.Operation> moved = TreeDifference.between(before, whole);
        if (moved.size() > MOST_OPERATIONS) {
            return whole;
        }
        response.getHeaders().setContentType(PATCH);
        return moved;
    }

    private static int nodes(JsonNode tree) {
        int count = 1;
        for (JsonNode each : tree) {
            count += nodes(each);
        }
        return count;
    }
}

package vestcoin.app.setup;

import java.util.List;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import vestcoin.app.edge.ApiProblem;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problem;

/** What two people changed at once, whichever address of the desk it came by: told with both values. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class ConflictHandler {
    private static final int SHOWN = 120;

    @ExceptionHandler(Edits.Conflict.class)
    ResponseEntity<ProblemDetail> conflict(Edits.Conflict conflict) {
        String now = Edits.shown(conflict.edit().path(), conflict.current());
        String wanted = Edits.shown(conflict.edit().path(), conflict.edit().now());
        ApiProblem told = new ApiProblem(
                HttpStatus.CONFLICT,
                List.of(new Problem(
                        conflict.edit().path(),
                        Message.of(
                                "publishing.somebody-changed-this-meanwhile-now-you-wanted",
                                "shortened",
                                shortened(now),
                                "shortened2",
                                shortened(wanted)),
                        Message.of("publishing.look-at-both-and-type-one-that"))),
                Map.of("current", now));
        return ResponseEntity.status(HttpStatus.CONFLICT)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(told.detail());
    }

    private static String shortened(String text) {
        return text.length() <= SHOWN ? text : text.substring(0, SHOWN) + "…";
    }
}

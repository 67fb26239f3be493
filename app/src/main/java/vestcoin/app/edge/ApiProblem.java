package vestcoin.app.edge;

import java.net.URI;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import vestcoin.app.format.Phrases;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problem;

/**
 * A refusal as the caller is told it: problem details of RFC 9457, with a list of problems that each have a path and a
 * remedy.
 */
public final class ApiProblem extends RuntimeException {
    private final HttpStatus status;
    private final transient List<Problem> problems;
    private final transient Map<String, Object> more;

    public ApiProblem(HttpStatus status, List<Problem> problems, Map<String, Object> more) {
        super(
                problems.isEmpty()
                        ? status.getReasonPhrase()
                        : problems.get(0).sentence().toString());
        this.status = status;
        this.problems = List.copyOf(problems);
        this.more = Map.copyOf(more);
    }

    public ApiProblem(HttpStatus status, String path, Message sentence, Message remedy) {
        this(status, List.of(new Problem(path, sentence, remedy)), Map.of());
    }

    public List<Problem> problems() {
        return problems;
    }

    /** In the language of the request. */
    public ProblemDetail detail() {
        return detail(status, problems, more);
    }

    static ProblemDetail detail(HttpStatus status, List<Problem> problems, Map<String, Object> more) {
        ProblemDetail detail = ProblemDetail.forStatus(status);
        detail.setType(URI.create("about:blank"));
        detail.setTitle(status.getReasonPhrase());
        if (!problems.isEmpty()) {
            Phrases phrases = Answers.phrases();
            detail.setDetail(phrases.say(problems.get(0).sentence()) + " "
                    + phrases.say(problems.get(0).remedy()));
        }
        detail.setProperty("problems", problems);
        more.forEach(detail::setProperty);
        return detail;
    }
}

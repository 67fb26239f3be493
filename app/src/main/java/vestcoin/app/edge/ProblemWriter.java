package vestcoin.app.edge;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.springframework.http.MediaType;
import vestcoin.app.format.Json;
import vestcoin.app.format.Phrases;
import vestcoin.core.problem.Problem;

/** Tells a problem where no controller is reached: before a request is let in, or while it comes. */
public final class ProblemWriter {
    private ProblemWriter() {}

    /** @param title of the status, as HTTP has it */
    public static void write(
            HttpServletRequest request, HttpServletResponse response, int status, String title, Problem problem)
            throws IOException {
        Phrases phrases = Phrases.in(request.getLocale());
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        response.getWriter()
                .write(Json.phrased(() -> phrases)
                        .writeValueAsString(Map.of(
                                "status",
                                status,
                                "title",
                                title,
                                "detail",
                                phrases.say(problem.sentence()) + " " + phrases.say(problem.remedy()),
                                "problems",
                                List.of(problem))));
    }
}

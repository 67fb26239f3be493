package vestcoin.app.edge;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import vestcoin.app.format.Json;
import vestcoin.app.format.Phrases;
import vestcoin.core.problem.Problem;

/** Tells a problem where no controller is reached: before a request is let in, or while it comes. */
public final class ProblemWriter {
    private ProblemWriter() {}

    public static void write(
            HttpServletRequest request, HttpServletResponse response, HttpStatus status, Problem problem)
            throws IOException {
        byte[] told = prepare(request, response, status, problem);
        // Whoever reads it knows when all of it is there, however the connection ends.
        response.setContentLength(told.length);
        response.getOutputStream().write(told);
    }

    /** Sets the head of the answer. @return its body */
    static byte[] prepare(
            HttpServletRequest request, HttpServletResponse response, HttpStatus status, Problem problem) {
        Phrases phrases = Phrases.in(request.getLocale());
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        return Json.phrased(() -> phrases)
                .writeValueAsBytes(Map.of(
                        "status",
                        status.value(),
                        "title",
                        status.getReasonPhrase(),
                        "detail",
                        phrases.say(problem.sentence()) + " " + phrases.say(problem.remedy()),
                        "problems",
                        List.of(problem)));
    }
}

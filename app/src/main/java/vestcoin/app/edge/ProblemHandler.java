package vestcoin.app.edge;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.AuthenticationException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import tools.jackson.core.JacksonException;
import vestcoin.app.format.Json;
import vestcoin.core.message.Message;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;

/** Turns every failure into problem details; what nobody foresaw is logged and told without its insides. */
@RestControllerAdvice
class ProblemHandler {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemHandler.class);

    @ExceptionHandler(ApiProblem.class)
    ResponseEntity<ProblemDetail> told(ApiProblem told) {
        return answer(told.detail());
    }

    @ExceptionHandler(InvalidInput.class)
    ResponseEntity<ProblemDetail> refused(InvalidInput refused) {
        return answer(ApiProblem.detail(HttpStatus.UNPROCESSABLE_CONTENT, refused.problems(), Map.of()));
    }

    @ExceptionHandler(HttpMessageNotReadableException.class)
    ResponseEntity<ProblemDetail> unreadable(HttpMessageNotReadableException e) {
        if (e.getCause() instanceof JacksonException json) {
            return answer(
                    ApiProblem.detail(HttpStatus.BAD_REQUEST, Json.refused(json).problems(), Map.of()));
        }
        return answer(ApiProblem.detail(
                HttpStatus.BAD_REQUEST,
                List.of(new Problem(
                        "", Message.of("edge.request-has-no-body-that-can-read"), Message.of("edge.send-json"))),
                Map.of()));
    }

    @ExceptionHandler(TypeMismatchException.class)
    ResponseEntity<ProblemDetail> mistyped(TypeMismatchException e) {
        return answer(ApiProblem.detail(
                HttpStatus.BAD_REQUEST,
                List.of(new Problem(
                        "",
                        Message.of("edge.there-nothing-at-this-address-that-answers"),
                        Message.of("edge.check-address-number-expected-in"))),
                Map.of()));
    }

    /** A query whose characters are none: what is sent is UTF-8. */
    @ExceptionHandler(InvalidParameterException.class)
    ResponseEntity<ProblemDetail> unspelled() {
        return answer(ApiProblem.detail(
                HttpStatus.BAD_REQUEST,
                List.of(new Problem(
                        "",
                        Message.of("edge.something-in-this-address-no-text"),
                        Message.of("edge.check-what-stands-behind-question-mark"))),
                Map.of()));
    }

    @ExceptionHandler({AccessDeniedException.class, AuthenticationException.class})
    void security(RuntimeException e) {
        throw e;
    }

    @ExceptionHandler(Exception.class)
    ResponseEntity<ProblemDetail> other(Exception e, HttpServletRequest request) {
        if (e instanceof ErrorResponse known) {
            HttpStatusCode status = known.getStatusCode();
            HttpStatus named = HttpStatus.resolve(status.value()) == null
                    ? HttpStatus.BAD_REQUEST
                    : HttpStatus.valueOf(status.value());
            return answer(ApiProblem.detail(
                    named,
                    List.of(new Problem(
                            "",
                            Message.of("edge.there-nothing-at-this-address-that-answers"),
                            Message.of("edge.check-address"))),
                    Map.of()));
        }
        LOG.error("{} {} failed", request.getMethod(), request.getRequestURI(), e);
        return answer(ApiProblem.detail(
                HttpStatus.INTERNAL_SERVER_ERROR,
                List.of(new Problem(
                        "",
                        Message.of("edge.something-went-wrong-on-our-side-and"),
                        Message.of("edge.try-again-if-stays-look-into-log"))),
                Map.of()));
    }

    private static ResponseEntity<ProblemDetail> answer(ProblemDetail detail) {
        return ResponseEntity.status(detail.getStatus())
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(detail);
    }
}

package vestcoin.app.run.storage;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import vestcoin.app.format.Json;
import vestcoin.core.problem.Problem;

/**
 * While the disk is full nothing is changed: buyers are told that no orders are taken for now, the desk why. Prices are
 * still told.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class DiskSpaceFilter extends OncePerRequestFilter {
    private static final int INSUFFICIENT_STORAGE = 507;
    private static final Problem NO_ORDERS =
            new Problem("", "This shop takes no orders for now.", "The basket is kept; try again in a while.");
    private static final Problem FULL = new Problem(
            "",
            "The disk is full, so nothing can be kept.",
            "Make room on the machine Vest Coin runs on; it goes on by itself.");

    private final DiskSpace room;

    DiskSpaceFilter(DiskSpace room) {
        this.room = room;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean reads = request.getMethod().equals("GET")
                || request.getMethod().equals("HEAD")
                || request.getRequestURI().endsWith("/quote")
                || request.getRequestURI().endsWith("/ticket");
        if (reads || !room.full()) {
            chain.doFilter(request, response);
            return;
        }
        Problem problem = request.getRequestURI().startsWith("/api/counter/") ? NO_ORDERS : FULL;
        response.setStatus(INSUFFICIENT_STORAGE);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        response.getWriter()
                .write(Json.write(Map.of(
                        "status",
                        INSUFFICIENT_STORAGE,
                        "title",
                        "Insufficient Storage",
                        "detail",
                        problem.sentence() + " " + problem.remedy(),
                        "problems",
                        List.of(problem))));
    }
}

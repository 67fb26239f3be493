package vestcoin.app.run.storage;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import vestcoin.app.edge.ProblemWriter;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problem;

/**
 * While the disk is full nothing is changed: buyers are told that no orders are taken for now, the desk why. Prices are
 * still told.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class DiskSpaceFilter extends OncePerRequestFilter {
    private static final Problem NO_ORDERS = new Problem(
            "",
            Message.of("storage.this-shop-takes-no-orders-for-now"),
            Message.of("storage.basket-kept-try-again-in-while"));
    private static final Problem FULL = new Problem(
            "",
            Message.of("storage.disk-full-so-nothing-can-kept"),
            Message.of("storage.make-room-on-machine-vest-coin-runs"));

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
        ProblemWriter.write(request, response, HttpStatus.INSUFFICIENT_STORAGE, problem);
    }
}

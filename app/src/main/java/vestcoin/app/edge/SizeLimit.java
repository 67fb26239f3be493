package vestcoin.app.edge;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import vestcoin.app.format.Json;
import vestcoin.core.problem.Problem;

/** Refuses bodies over a megabyte, files of sheets over sixteen, by their announced length or while they are read. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SizeLimit extends OncePerRequestFilter {
    static final int MOST_BYTES = 1024 * 1024;
    /** Sheets come as files: 50,000 rows of goods have some 5 MB. */
    static final int MOST_FILE_BYTES = 16 * 1024 * 1024;
    static final Problem PROBLEM = new Problem("", "The request is larger than 1 MB.", "Send less at once.");

    static final class TooLarge extends IOException {
        TooLarge() {
            super("body over " + MOST_BYTES + " bytes");
        }
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        if (request.getContentLengthLong() > most(request)) {
            response.setStatus(HttpStatus.CONTENT_TOO_LARGE.value());
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.setHeader("Connection", "close");
            response.getWriter().write(Json.write(Map.of("status", 413, "title", "Content Too Large",
                    "detail", PROBLEM.sentence() + " " + PROBLEM.remedy(), "problems", List.of(PROBLEM))));
            return;
        }
        chain.doFilter(new HttpServletRequestWrapper(request) {
            @Override
            public ServletInputStream getInputStream() throws IOException {
                return new Counted(super.getInputStream(), most(request));
            }
        }, response);
    }

    private static long most(HttpServletRequest request) {
        return request.getRequestURI().matches("/api/shops/[^/]+/(draft/files/[a-z]+|statements)") ? MOST_FILE_BYTES : MOST_BYTES;
    }

    private static final class Counted extends ServletInputStream {
        private final ServletInputStream in;
        private final long most;
        private long read;

        Counted(ServletInputStream in, long most) {
            this.in = in;
            this.most = most;
        }

        private int count(int n) throws IOException {
            read += Math.max(n, 0);
            if (read > most) {
                throw new TooLarge();
            }
            return n;
        }

        @Override
        public int read() throws IOException {
            int b = in.read();
            count(b < 0 ? 0 : 1);
            return b;
        }

        @Override
        public int read(byte[] bytes, int off, int len) throws IOException {
            return count(in.read(bytes, off, len));
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}

package vestcoin.app.edge;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.http.HttpStatus;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problem;

/**
 * Takes in the bodies of requests before anything else looks at them, without holding a worker while they come: a body
 * sent in part silences nobody. What is longer than a megabyte, of sheets and pictures than sixteen, or takes too long
 * is refused.
 */
final class RequestBodies implements Filter {
    static final int MOST_BYTES = 1024 * 1024;
    /** Sheets come as files: 50,000 rows of goods have some 5 MB. */
    static final int MOST_FILE_BYTES = 16 * 1024 * 1024;

    static final Duration LONGEST = Duration.ofSeconds(10);
    static final Duration LONGEST_FILE = Duration.ofSeconds(60);

    /** A request attribute: lets go of a connection without reading what is still to come on it. */
    static final String ABANDON = RequestBodies.class.getName() + ".abandon";

    private static final String BODY = RequestBodies.class.getName() + ".body";
    private static final Problem TOO_LARGE =
            new Problem("", Message.of("edge.request-larger-than-1-mb"), Message.of("edge.send-less-at-once"));
    private static final Problem TOO_LARGE_A_FILE = new Problem(
            "", Message.of("edge.file-larger-than-16-mb"), Message.of("edge.take-apart-or-leave-out-what-not"));
    private static final Problem TOO_SLOW = new Problem(
            "",
            Message.of("edge.request-did-not-arrive-in-time"),
            Message.of("edge.check-connection-and-send-again-nothing-was"));

    @Override
    public void doFilter(ServletRequest any, ServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        HttpServletRequest request = (HttpServletRequest) any;
        if (request.getAttribute(BODY) instanceof byte[] body) {
            chain.doFilter(new WithBody(request, body), response);
        } else if (request.getRequestURI().matches("/api/shops/[^/]+/files/[^/]+")) {
            // A large file is read by whoever may send one, as it comes.
            chain.doFilter(request, response);
        } else if (request.getDispatcherType() != DispatcherType.REQUEST
                || request.getContentLengthLong() == 0
                || request.getContentLengthLong() < 0 && request.getHeader("Transfer-Encoding") == null) {
            chain.doFilter(request, response);
        } else {
            take(request, (HttpServletResponse) response);
        }
    }

    private static void take(HttpServletRequest request, HttpServletResponse response) throws IOException {
        boolean file = request.getRequestURI()
                .matches("/api/shops/[^/]+/(draft/files/[a-z]+|draft/setup-file|statements|pictures)");
        if (request.getContentLengthLong() > (file ? MOST_FILE_BYTES : MOST_BYTES)) {
            refuse(request, response, HttpStatus.CONTENT_TOO_LARGE, file ? TOO_LARGE_A_FILE : TOO_LARGE);
            return;
        }
        AsyncContext context = request.startAsync(request, response);
        context.setTimeout((file ? LONGEST_FILE : LONGEST).toMillis());
        Taking taking =
                new Taking(request, context, file ? MOST_FILE_BYTES : MOST_BYTES, file ? TOO_LARGE_A_FILE : TOO_LARGE);
        context.addListener(taking);
        request.getInputStream().setReadListener(taking);
    }

    private static void refuse(
            HttpServletRequest request, HttpServletResponse response, HttpStatus status, Problem problem)
            throws IOException {
        if (request.getAttribute(ABANDON) instanceof Runnable abandon) {
            abandon.run();
        }
        response.setHeader("Connection", "close");
        ProblemWriter.write(request, response, status.value(), status.getReasonPhrase(), problem);
        response.flushBuffer();
    }

    /** A body being taken in, piece by piece as it comes. */
    private static final class Taking implements ReadListener, AsyncListener {
        private final HttpServletRequest request;
        private final AsyncContext context;
        private final int most;
        private final Problem tooLarge;
        private final ByteArrayOutputStream taken = new ByteArrayOutputStream();
        private final AtomicBoolean done = new AtomicBoolean();

        Taking(HttpServletRequest request, AsyncContext context, int most, Problem tooLarge) {
            this.request = request;
            this.context = context;
            this.most = most;
            this.tooLarge = tooLarge;
        }

        @Override
        public void onDataAvailable() throws IOException {
            ServletInputStream in = request.getInputStream();
            byte[] piece = new byte[8192];
            while (!done.get() && in.isReady() && !in.isFinished()) {
                int n = in.read(piece);
                taken.write(piece, 0, Math.max(n, 0));
                if (taken.size() > most) {
                    refuse(HttpStatus.CONTENT_TOO_LARGE, tooLarge);
                }
            }
        }

        @Override
        public void onAllDataRead() {
            if (done.compareAndSet(false, true)) {
                request.setAttribute(BODY, taken.toByteArray());
                context.dispatch();
            }
        }

        @Override
        public void onError(Throwable gone) {
            if (done.compareAndSet(false, true)) {
                context.complete();
            }
        }

        private void refuse(HttpStatus status, Problem problem) throws IOException {
            if (done.compareAndSet(false, true)) {
                RequestBodies.refuse(request, (HttpServletResponse) context.getResponse(), status, problem);
                context.complete();
            }
        }

        @Override
        public void onTimeout(AsyncEvent event) throws IOException {
            refuse(HttpStatus.REQUEST_TIMEOUT, TOO_SLOW);
        }

        @Override
        public void onComplete(AsyncEvent event) {}

        @Override
        public void onError(AsyncEvent event) {
            onError(event.getThrowable());
        }

        @Override
        public void onStartAsync(AsyncEvent event) {}
    }

    /**
     * A request whose body is there; to everything behind it the first time it is seen, so that no filter leaves it
     * out.
     */
    private static final class WithBody extends HttpServletRequestWrapper {
        private final byte[] body;

        WithBody(HttpServletRequest request, byte[] body) {
            super(request);
            this.body = body;
        }

        @Override
        public DispatcherType getDispatcherType() {
            return DispatcherType.REQUEST;
        }

        @Override
        public ServletInputStream getInputStream() {
            return new There(new ByteArrayInputStream(body));
        }

        @Override
        public BufferedReader getReader() {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }

    private static final class There extends ServletInputStream {
        private final ByteArrayInputStream in;

        There(ByteArrayInputStream in) {
            this.in = in;
        }

        @Override
        public int read() {
            return in.read();
        }

        @Override
        public int read(byte[] bytes, int off, int len) {
            return in.read(bytes, off, len);
        }

        @Override
        public boolean isFinished() {
            return in.available() == 0;
        }

        @Override
        public boolean isReady() {
            return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
            throw new IllegalStateException("the body is there already");
        }
    }
}

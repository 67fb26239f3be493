package vestcoin.app.edge;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.WriteListener;
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
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.http.HttpStatus;
import org.springframework.web.util.ContentCachingResponseWrapper;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problem;

/**
 * Takes in the bodies of requests before anything else looks at them, without holding a worker while they come: a body
 * sent in part silences nobody. What is longer than a megabyte, of sheets and pictures than sixteen, or takes too long
 * is refused.
 *
 * <p>Who sends too much is still sending when it is refused. What goes on coming is thrown away, for as long as a body
 * may take: closing a connection on bytes nobody has read takes the answer with it (RFC 9112, 9.6). Who announces too
 * much is answered at once; who only turns out to send too much, at its end.
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
            passOn(request, (HttpServletResponse) response, chain);
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
        int most = file ? MOST_FILE_BYTES : MOST_BYTES;
        Problem tooLarge = file ? TOO_LARGE_A_FILE : TOO_LARGE;
        boolean announcedTooLarge = request.getContentLengthLong() > most;
        if (announcedTooLarge && request.getHeader("Expect") != null) {
            // Nothing is on its way: whoever asks first does not send what is refused.
            abandon(request);
            ProblemWriter.write(request, response, HttpStatus.CONTENT_TOO_LARGE, tooLarge);
            return;
        }
        AsyncContext context = request.startAsync(request, response);
        context.setTimeout((file ? LONGEST_FILE : LONGEST).toMillis());
        Taking taking = new Taking(request, context, most, tooLarge);
        context.addListener(taking);
        if (announcedTooLarge) {
            taking.answer(ProblemWriter.prepare(request, response, HttpStatus.CONTENT_TOO_LARGE, tooLarge));
        }
        request.getInputStream().setReadListener(taking);
    }

    /** A large file is read by whoever may send one, as it comes; the rest of one that is refused, here. */
    private static void passOn(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws IOException, ServletException {
        ContentCachingResponseWrapper answered = new ContentCachingResponseWrapper(response);
        chain.doFilter(request, answered);
        boolean cutOff = request.getAttribute(RequestDispatcher.ERROR_EXCEPTION) != null;
        if (answered.getStatus() < HttpStatus.BAD_REQUEST.value()
                || cutOff
                || request.getContentLengthLong() == 0
                || request.getInputStream().isFinished()) {
            answered.copyBodyToResponse();
            return;
        }
        AsyncContext context = request.startAsync(request, response);
        context.setTimeout(LONGEST_FILE.toMillis());
        Taking taking = new Taking(request, context, 0, TOO_LARGE_A_FILE);
        context.addListener(taking);
        taking.answer(answered.getContentAsByteArray());
        request.getInputStream().setReadListener(taking);
    }

    private static void abandon(HttpServletRequest request) {
        if (request.getAttribute(ABANDON) instanceof Runnable abandon) {
            abandon.run();
        }
    }

    private enum State {
        TAKING,
        /** It is refused; what still comes is thrown away. */
        DISCARDING,
        /** All of it came, and the answer is not written yet. */
        DISCARDED,
        OVER
    }

    /** A body being taken in, piece by piece as it comes. */
    private static final class Taking implements ReadListener, WriteListener, AsyncListener {
        private final HttpServletRequest request;
        private final AsyncContext context;
        private final int most;
        private final Problem tooLarge;
        private final ByteArrayOutputStream taken = new ByteArrayOutputStream();
        private final AtomicReference<State> state = new AtomicReference<>(State.TAKING);
        /** What is told before all has come; nothing where it is told at the end. */
        private byte[] answer;

        private boolean written;

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
            while (state.get() != State.OVER && in.isReady() && !in.isFinished()) {
                int n = in.read(piece);
                if (state.get() == State.TAKING) {
                    taken.write(piece, 0, Math.max(n, 0));
                }
                if (taken.size() > most) {
                    taken.reset();
                    state.compareAndSet(State.TAKING, State.DISCARDING);
                }
            }
        }

        @Override
        public void onAllDataRead() throws IOException {
            if (state.compareAndSet(State.TAKING, State.OVER)) {
                request.setAttribute(BODY, taken.toByteArray());
                context.dispatch();
            } else if (answer == null) {
                ProblemWriter.write(request, response(), HttpStatus.CONTENT_TOO_LARGE, tooLarge);
                end();
            } else if (written || !state.compareAndSet(State.DISCARDING, State.DISCARDED)) {
                end();
            }
        }

        @Override
        public void onTimeout(AsyncEvent event) throws IOException {
            abandon(request);
            if (state.get() == State.TAKING) {
                ProblemWriter.write(request, response(), HttpStatus.REQUEST_TIMEOUT, TOO_SLOW);
            } else if (answer == null) {
                ProblemWriter.write(request, response(), HttpStatus.CONTENT_TOO_LARGE, tooLarge);
            }
            end();
        }

        @Override
        public void onError(Throwable gone) {
            // The listener of the whole request is told next.
        }

        private HttpServletResponse response() {
            return (HttpServletResponse) context.getResponse();
        }

        /** At once, without waiting: what is written and waited for ends the reading too. */
        void answer(byte[] told) throws IOException {
            state.set(State.DISCARDING);
            answer = told;
            response().setContentLength(told.length);
            response().getOutputStream().setWriteListener(this);
        }

        @Override
        public void onWritePossible() throws IOException {
            ServletOutputStream out = response().getOutputStream();
            if (!written && out.isReady()) {
                out.write(answer);
                written = true;
            }
            if (written && out.isReady()) {
                out.flush();
                if (state.get() == State.DISCARDED) {
                    end();
                }
            }
        }

        private void end() {
            if (state.getAndSet(State.OVER) != State.OVER) {
                context.complete();
            }
        }

        @Override
        public void onComplete(AsyncEvent event) {}

        @Override
        public void onError(AsyncEvent event) {
            abandon(request);
            end();
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

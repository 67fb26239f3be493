package vestcoin.app.measure;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;

/**
 * A client with an address of its own, one of the machine's loopback addresses from 127.0.0.2 up; one connection a
 * request.
 */
final class RawClient {
    private static final Duration PATIENCE = Duration.ofSeconds(90);

    private final int port;
    private final InetAddress from;

    RawClient(int port, int address) throws IOException {
        this.port = port;
        this.from = InetAddress.getByAddress(new byte[] {127, 0, (byte) (address >> 8), (byte) address});
    }

    /** @param status 0 where the connection ended without an answer */
    record Answer(int status, String body, long millis) {}

    Socket open() throws IOException {
        Socket socket = new Socket();
        socket.bind(new InetSocketAddress(from, 0));
        socket.setSoTimeout((int) PATIENCE.toMillis());
        socket.connect(new InetSocketAddress(InetAddress.getByName("127.0.0.1"), port), (int) PATIENCE.toMillis());
        return socket;
    }

    Answer get(String path) throws IOException {
        return ask("GET", path, "");
    }

    Answer post(String path, String body) throws IOException {
        return ask("POST", path, body);
    }

    private Answer ask(String method, String path, String body) throws IOException {
        long begun = System.nanoTime();
        try (Socket socket = open()) {
            socket.getOutputStream()
                    .write((head(method, path, body.getBytes(StandardCharsets.UTF_8).length) + body)
                            .getBytes(StandardCharsets.UTF_8));
            socket.getOutputStream().flush();
            String answer = all(socket.getInputStream());
            int status = answer.startsWith("HTTP/1.1 ") ? Integer.parseInt(answer.substring(9, 12)) : 0;
            int end = answer.indexOf("\r\n\r\n");
            return new Answer(
                    status, end < 0 ? "" : answer.substring(end + 4), (System.nanoTime() - begun) / 1_000_000);
        }
    }

    /** The head of a request, with a token against forgery as the page sends it. */
    static String head(String method, String path, int length) {
        return method + " " + path
                + " HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\nContent-Type: application/json\r\nCookie: "
                + "XSRF-TOKEN=as-the-page-has-it\r\n"
                + "X-XSRF-TOKEN: as-the-page-has-it\r\n"
                + (method.equals("GET") ? "" : "Content-Length: " + length + "\r\n") + "\r\n";
    }

    private static String all(InputStream in) throws IOException {
        return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
}

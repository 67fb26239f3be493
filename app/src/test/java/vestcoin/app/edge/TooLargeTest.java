package vestcoin.app.edge;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;

/**
 * Whoever sends too much reads why, as a browser does: it sends all there is before it looks for an answer. A
 * connection closed on bytes nobody has read is reset, and takes the answer with it (RFC 9112, section 9.6).
 */
@ExtendWith(RunningShop.class)
class TooLargeTest {
    private static final int MEGABYTE = 1024 * 1024;
    private static final byte[] PIECE = "x".repeat(64 * 1024).getBytes(StandardCharsets.US_ASCII);

    private final RunningShop.Running shop;

    TooLargeTest(RunningShop.Running shop) {
        this.shop = shop;
    }

    private String answer(String path, String headers, int megabytes, boolean announced) throws IOException {
        long length = (long) megabytes * MEGABYTE;
        try (Socket socket = new Socket(InetAddress.getByName("127.0.0.1"), shop.port())) {
            socket.setSoTimeout(30_000);
            OutputStream out = socket.getOutputStream();
            out.write(("POST " + path + " HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n"
                            + "Content-Type: application/json\r\n" + headers
                            + (announced ? "Content-Length: " + length : "Transfer-Encoding: chunked") + "\r\n\r\n")
                    .getBytes(StandardCharsets.US_ASCII));
            for (long sent = 0; sent < length; sent += PIECE.length) {
                if (!announced) {
                    out.write((Integer.toHexString(PIECE.length) + "\r\n").getBytes(StandardCharsets.US_ASCII));
                }
                out.write(PIECE);
                if (!announced) {
                    out.write("\r\n".getBytes(StandardCharsets.US_ASCII));
                }
            }
            if (!announced) {
                out.write("0\r\n\r\n".getBytes(StandardCharsets.US_ASCII));
            }
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @ParameterizedTest
    @CsvSource({"3,true", "3,false", "40,true", "40,false"})
    void a_request_of_too_many_megabytes_is_answered(int megabytes, boolean announced) throws Exception {
        String token = "Cookie: XSRF-TOKEN=as-the-page-has-it\r\nX-XSRF-TOKEN: as-the-page-has-it\r\n";
        assertThat(answer(Caller.COUNTER + "/quote", token, megabytes, announced))
                .startsWith("HTTP/1.1 413")
                .contains("larger than 1 MB");
    }

    @ParameterizedTest
    @CsvSource({"true", "false"})
    void a_sheet_of_too_many_megabytes_is_answered(boolean announced) throws Exception {
        assertThat(answer(Caller.SHOP + "/draft/files/goods", shop.owner().signedHeaders(), 60, announced))
                .startsWith("HTTP/1.1 413")
                .contains("larger than 16 MB");
    }

    @ParameterizedTest
    @CsvSource({"true", "false"})
    void a_file_to_sell_of_too_many_megabytes_is_answered(boolean announced) throws Exception {
        assertThat(answer(
                        Caller.SHOP + "/files/plans-to-print?name=plans.pdf",
                        shop.owner().signedHeaders(),
                        240,
                        announced))
                .startsWith("HTTP/1.1 413")
                .contains("200 MB");
    }

    @Test
    void whoever_may_not_send_a_file_reads_that_too() throws Exception {
        assertThat(answer(Caller.SHOP + "/files/plans-to-print?name=plans.pdf", "", 40, true))
                .startsWith("HTTP/1.1 403")
                .contains("application/problem+json")
                .contains("problems");
    }

    @Test
    void who_asks_before_sending_is_answered_before() throws Exception {
        try (Socket socket = new Socket(InetAddress.getByName("127.0.0.1"), shop.port())) {
            socket.setSoTimeout(30_000);
            socket.getOutputStream()
                    .write(("POST " + Caller.COUNTER + "/quote HTTP/1.1\r\nHost: 127.0.0.1\r\n"
                                    + "Content-Type: application/json\r\nExpect: 100-continue\r\n"
                                    + "Content-Length: 41943040\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            assertThat(new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8))
                    .startsWith("HTTP/1.1 413")
                    .contains("larger than 1 MB");
        }
    }
}

package vestcoin.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;

/** The application in a process of its own, for tests that kill it. */
public final class KilledApplication {
    private KilledApplication() {}

    /** Starts it and waits until it answers. */
    public static Process launch(int port, Path data) throws IOException, InterruptedException {
        String classPath = System.getProperty("surefire.test.class.path", System.getProperty("java.class.path"));
        Process process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-Dvest-coin.proxies=127.0.0.1",
                        "-Dvest-coin.pace.orders-by-address=1000000",
                        "-cp",
                        classPath,
                        "vestcoin.app.Main",
                        "start",
                        "--port",
                        String.valueOf(port),
                        "--data",
                        data.toString())
                .redirectErrorStream(true)
                .redirectOutput(
                        ProcessBuilder.Redirect.appendTo(data.resolve("log").toFile()))
                .start();
        // Patient, since a machine busy with something else starts it slowly.
        for (int i = 0; i < 1200; i++) {
            Thread.sleep(100);
            try {
                new Caller("http://127.0.0.1:" + port);
                return process;
            } catch (java.io.UncheckedIOException e) {
                assertThat(process.isAlive()).as("the application started").isTrue();
            }
        }
        throw new IllegalStateException("the application did not answer");
    }
}

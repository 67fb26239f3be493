package vestcoin.app.run;

import java.io.IOException;
import java.net.BindException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.payment.Gateways;
import vestcoin.app.service.ServiceConnections;
import vestcoin.core.message.Message;
import vestcoin.standins.Simulation;

/**
 * The simulated services beside a real installation, so that a seller can try everything before any contract. Switched
 * on they stay on across restarts; switched off, nothing of them is left: their books, and every key of theirs.
 */
@Service
public class PracticeServices implements DisposableBean {
    /** @param switchable not where the whole installation is a demo */
    public record State(boolean on, boolean switchable, String url) {}

    private final ServiceConnections links;
    private final Gateways gateways;
    private final String url;
    private final Path folder;
    private Simulation running;
    private boolean given;

    PracticeServices(
            ServiceConnections links,
            Gateways gateways,
            @Value("${vest-coin.services}") String url,
            @Value("${vest-coin.data}") Path data) {
        this.links = links;
        this.gateways = gateways;
        this.url = url;
        this.folder = folderIn(data);
    }

    /** The folder of their books, which is there while they are on. */
    static Path folderIn(Path data) {
        return data.resolve("practice");
    }

    public synchronized State state() {
        return new State(given || running != null, !given, url);
    }

    /** They are run by whoever runs the application, for as long as it runs. */
    public synchronized void givenFromOutside() {
        given = true;
    }

    /** Switches them on again after a restart. */
    public void resume() {
        if (Files.isDirectory(folder)) {
            start();
        }
    }

    /** @throws ApiProblem if their port is taken */
    public synchronized State start() {
        if (given || running != null) {
            return state();
        }
        int port = URI.create(url).getPort();
        try {
            Files.createDirectories(folder);
            running = Simulation.start(port, folder);
        } catch (BindException e) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "practice",
                    Message.of("run.practice-port-is-taken", "port", String.valueOf(port)),
                    Message.of("run.end-what-uses-it-or-choose-another-port"));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return state();
    }

    /** Nothing of them is left. In a demo they stay. */
    public synchronized State stop() throws IOException {
        if (given) {
            return state();
        }
        destroy();
        gateways.forgetAll(url);
        links.forgetAll(url);
        FileSystemUtils.deleteRecursively(folder);
        return state();
    }

    @Override
    public synchronized void destroy() {
        if (running != null) {
            running.close();
            running = null;
        }
    }
}

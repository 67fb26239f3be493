package vestcoin.standins.shared;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;

/** Several simulated services behind one port of loopback, each below its own path, with a page that lists them. */
public final class Services implements AutoCloseable {
    static {
        // An answer leaves when it is written: the machine otherwise waits for the caller's acknowledgement of its
        // head.
        System.setProperty("sun.net.httpserver.nodelay", "true");
    }

    private final HttpServer server;
    private final ExecutorService threads = Executors.newCachedThreadPool(task -> {
        Thread thread = new Thread(task, "simulated-service");
        thread.setDaemon(true);
        return thread;
    });
    private final List<Service> services;

    private Services(HttpServer server, List<Service> services) {
        this.server = server;
        this.services = services;
    }

    /** @param port 0 for any free one */
    public static Services start(int port, List<Service> list) throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        Services services = new Services(server, List.copyOf(list));
        for (Service service : list) {
            service.at(services.url());
            server.createContext("/" + service.id(), http -> service.handle(new Exchange(http)));
        }
        server.createContext("/", http -> new Exchange(http).page(services.index()));
        server.setExecutor(services.threads);
        server.start();
        return services;
    }

    /** Without a slash at the end. */
    public String url() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    private String index() {
        return Html.page(
                "Services",
                services.stream()
                        .map(service ->
                                "<li><a href=\"" + service.url() + "/\">" + Html.escape(service.name()) + "</a></li>")
                        .collect(Collectors.joining("", "<ul>", "</ul>")));
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
        services.forEach(Service::close);
    }
}

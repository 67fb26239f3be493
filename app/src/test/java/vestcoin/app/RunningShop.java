package vestcoin.app;

import java.io.IOException;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.context.ConfigurableApplicationContext;
import vestcoin.app.run.DemoShop;
import vestcoin.app.run.PracticeServices;
import vestcoin.app.run.ServeCommand;
import vestcoin.standins.Simulation;
import vestcoin.standins.pay.CardProcessor;

/**
 * The application as it ships, with the demo shop and the simulated services, on free ports of 127.0.0.1; one for each
 * test class, in memory unless the class is {@link OnDisk}.
 */
public final class RunningShop implements BeforeAllCallback, ParameterResolver {

    /** Of a test class about files, or about how long things take. */
    @Retention(RetentionPolicy.RUNTIME)
    public @interface OnDisk {}

    /** What is running. */
    public record Running(int port, Path data, Simulation services, ConfigurableApplicationContext context)
            implements AutoCloseable {
        public String url() {
            return "http://127.0.0.1:" + port;
        }

        public CardProcessor cards() {
            return services.cards();
        }

        public Caller anybody() {
            return new Caller(url());
        }

        /** In a session that is there already, if one is: a password takes its time to check. */
        public Caller owner() {
            Caller known = OWNERS.get(url());
            Caller owner = known == null ? null : known.again();
            if (owner == null || !owner.isSignedIn()) {
                owner = anybody().signIn(DemoShop.EMAIL, DemoShop.PASSWORD);
                OWNERS.put(url(), owner);
            }
            return owner;
        }

        @Override
        public void close() {
            context.close();
            services.close();
        }
    }

    private static final Map<String, Caller> OWNERS = new ConcurrentHashMap<>();

    /** The code the first visit of an empty installation gives, in tests. */
    public static final String FIRST_CODE = "TEST-CODE-0001";

    /**
     * Each caller is a client of its own, by the address it says it is forwarded for; and one buyer of the tests may
     * order as often as they need.
     */
    public static final List<String> FOR_TESTS = List.of(
            "--vest-coin.proxies=127.0.0.1",
            "--vest-coin.pace.orders-by-address=1000000",
            "--vest-coin.first-code=" + FIRST_CODE);

    private static final AtomicInteger DATABASES = new AtomicInteger();

    /**
     * As {@link #start}, with a database in memory and passwords that are checked in a moment: most tests ask what is
     * kept, not whether the disk keeps it, and nothing of how long it takes.
     */
    public static Running inMemory(String... more) throws IOException {
        return start(Stream.concat(
                        Stream.of(
                                "--spring.datasource.url=jdbc:h2:mem:shop" + DATABASES.incrementAndGet()
                                        + ";DB_CLOSE_ON_EXIT=FALSE;LOCK_TIMEOUT=15000;QUERY_CACHE_SIZE=256",
                                "--vest-coin.password-memory=256"),
                        Stream.of(more))
                .toArray(String[]::new));
    }

    /** @param more settings, which go before those of all tests */
    public static Running start(String... more) throws IOException {
        Path data = Files.createTempDirectory("vest-coin-test");
        Simulation services = Simulation.start(0, data);
        int port = freePort();
        ConfigurableApplicationContext context = ServeCommand.application(
                port,
                data,
                services.url(),
                Stream.concat(FOR_TESTS.stream(), Stream.of(more)).toArray(String[]::new));
        context.getBean(PracticeServices.class).givenFromOutside();
        context.getBean(DemoShop.class).loadIfEmpty();
        return new Running(port, data, services, context);
    }

    /** Below the ports that outgoing connections get, of which one may take what was just found free. */
    private static final int LOWEST = 10_000;

    private static final int HIGHEST = 30_000;
    private static final AtomicInteger PORTS =
            new AtomicInteger(LOWEST + 2 * (int) (ProcessHandle.current().pid() * 97 % ((HIGHEST - LOWEST) / 2)));

    /** A port that is free, and the next one too; nobody else of these tests gets either. */
    public static int freePort() throws IOException {
        for (int tried = 0; tried < HIGHEST - LOWEST; tried += 2) {
            int port = PORTS.getAndUpdate(last -> last + 2 >= HIGHEST ? LOWEST : last + 2);
            if (isFree(port) && isFree(port + 1)) {
                return port;
            }
        }
        throw new IOException("no port is free");
    }

    private static boolean isFree(int port) {
        try (ServerSocket socket = new ServerSocket()) {
            socket.bind(new InetSocketAddress("127.0.0.1", port));
            return true;
        } catch (IOException e) {
            return false;
        }
    }

    private static final ExtensionContext.Namespace NAMESPACE = ExtensionContext.Namespace.create(RunningShop.class);

    private record Held(Running running) implements ExtensionContext.Store.CloseableResource {
        @Override
        public void close() {
            running.close();
        }
    }

    @Override
    public void beforeAll(ExtensionContext context) throws IOException {
        context.getStore(NAMESPACE)
                .put(
                        "held",
                        new Held(
                                context.getRequiredTestClass().isAnnotationPresent(OnDisk.class)
                                        ? start()
                                        : inMemory()));
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == Running.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        return context.getStore(NAMESPACE).get("held", Held.class).running();
    }
}

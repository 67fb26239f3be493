package vestcoin.app.run;

import java.io.IOException;
import java.net.BindException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.ConfigurableApplicationContext;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import vestcoin.app.VestCoin;
import vestcoin.standins.Simulation;

/** Runs the application until it is told to end. */
public final class ServeCommand {
    /** Not a status: the process goes on. */
    public static final int RUNNING = -1;

    private ServeCommand() {}

    /** What both ways of running share. */
    private abstract static class Serve implements Callable<Integer> {
        @Option(names = "--port", description = "Port on 127.0.0.1 (${DEFAULT-VALUE}); the simulated services take the next one.")
        int port = 8640;

        @Option(names = "--data", description = "Folder of the data.")
        Path data;

        abstract Path usualData();

        int serve(boolean demo) throws IOException {
            Path folder = (data == null ? usualData() : data).toAbsolutePath();
            Files.createDirectories(folder);
            try {
                Simulation services = demo ? Simulation.start(port + 1, folder) : null;
                ConfigurableApplicationContext context = application(port, folder, "http://127.0.0.1:" + (port + 1));
                if (services != null) {
                    context.addApplicationListener(event -> {
                        if (event instanceof org.springframework.context.event.ContextClosedEvent) {
                            services.close();
                        }
                    });
                    DemoShop shop = context.getBean(DemoShop.class);
                    shop.loadIfEmpty();
                    shop.elsewhere().ifPresent(services.elsewhere()::show);
                    System.out.println(DemoShop.welcome(port));
                } else {
                    System.out.println("\nVest Coin: http://127.0.0.1:" + port + "/desk\nEnds with Ctrl+C.");
                }
                return RUNNING;
            } catch (PortInUseException | BindException e) {
                System.err.println("Port " + port + " or " + (port + 1) + " is taken. Choose another with --port.");
                return 2;
            }
        }
    }

    /** Starts the application on a port of 127.0.0.1. @param services where the services outside answer @param more settings */
    public static ConfigurableApplicationContext application(int port, Path data, String services, String... more) {
        List<String> arguments = new ArrayList<>(List.of("--server.port=" + port, "--vest-coin.data=" + data, "--vest-coin.services=" + services));
        arguments.addAll(List.of(more));
        return SpringApplication.run(VestCoin.class, arguments.toArray(String[]::new));
    }

    @Command(name = "demo", description = "Loads the demo shop if the data folder is empty, starts the simulated services and the application.", mixinStandardHelpOptions = true)
    public static final class Demo extends Serve {
        @Override
        Path usualData() {
            return Path.of("data", "demo");
        }

        @Override
        public Integer call() throws IOException {
            return serve(true);
        }
    }

    @Command(name = "start", description = "Starts the application; the first visit makes the owner.", mixinStandardHelpOptions = true)
    public static final class Start extends Serve {
        @Override
        Path usualData() {
            return Path.of("data", "shop");
        }

        @Override
        public Integer call() throws IOException {
            return serve(false);
        }
    }
}

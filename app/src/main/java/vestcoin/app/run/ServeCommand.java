package vestcoin.app.run;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ApplicationEvent;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.PayloadApplicationEvent;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import vestcoin.app.VestCoin;
import vestcoin.app.access.FirstCode;
import vestcoin.app.access.People;
import vestcoin.app.run.storage.DatabaseWatch;
import vestcoin.standins.Simulation;

/** Runs the application until it is told to end. */
public final class ServeCommand {
    /** Not a status: the process goes on. */
    public static final int RUNNING = -1;
    /** The status of a process whose database has given up: what was answered is in its file, and it can be started. */
    public static final int GIVEN_UP = 3;
    /** The file of the data folder that says on which port it is served. */
    public static final String RUNNING_AT = "vest-coin.port";

    private ServeCommand() {}

    /** What both ways of running share. */
    private abstract static class Serve implements Callable<Integer> {
        @Option(
                names = "--port",
                description = "Port on 127.0.0.1 (${DEFAULT-VALUE}); the simulated services take the next one.")
        int port = 8640;

        @Option(names = "--data", description = "Folder of the data.")
        Path data;

        abstract Path usualData();

        /** One sentence and a status where it cannot be started, never a stack trace. */
        int serve(boolean demo) throws IOException {
            Path folder = (data == null ? usualData() : data).toAbsolutePath();
            try {
                StartChecks.starting(folder, services(demo, folder) ? List.of(port, port + 1) : List.of(port));
                Simulation services = demo ? Simulation.start(port + 1, folder) : null;
                ConfigurableApplicationContext context = application(port, folder, "http://127.0.0.1:" + (port + 1));
                context.addApplicationListener(ServeCommand::endWhereGivenUp);
                Files.writeString(folder.resolve(RUNNING_AT), String.valueOf(port));
                PracticeServices practice = context.getBean(PracticeServices.class);
                if (services != null) {
                    practice.givenFromOutside();
                    context.getBean(PracticeTime.class).follow();
                    context.addApplicationListener(event -> {
                        if (event instanceof org.springframework.context.event.ContextClosedEvent) {
                            services.close();
                        }
                    });
                    DemoShop shop = context.getBean(DemoShop.class);
                    shop.loadWithPastIfEmpty();
                    context.getBean(DemoPage.class).html().ifPresent(services.elsewhere()::show);
                    System.out.println(DemoShop.welcome(port));
                } else {
                    practice.resume();
                    String first = context.getBean(People.class).none()
                            ? "\nThe first visit gives this code: "
                                    + context.getBean(FirstCode.class).text()
                            : "";
                    System.out.println(
                            "\nVest Coin: http://127.0.0.1:" + port + "/desk" + first + "\nEnds with Ctrl+C.");
                }
                return RUNNING;
            } catch (Exception e) {
                System.err.println("vest-coin: " + StartChecks.sentence(e, port, folder));
                return 2;
            }
        }
    }

    /** At once, as after a kill: to end in order, the database would have to be asked. */
    private static void endWhereGivenUp(ApplicationEvent event) {
        if (event instanceof PayloadApplicationEvent<?> told && told.getPayload() instanceof DatabaseWatch.GivenUp) {
            System.err.println("vest-coin: The database has given up, as it does where its file cannot be written; the "
                    + "log says why. Nothing that was answered is lost: start Vest Coin again.");
            Runtime.getRuntime().halt(GIVEN_UP);
        }
    }

    /** Whether the simulated services are going to run beside. */
    private static boolean services(boolean demo, Path folder) {
        return demo || Files.isDirectory(PracticeServices.folderIn(folder));
    }

    /**
     * Starts the application on a port of 127.0.0.1. @param services where the services outside answer @param more
     * settings
     */
    public static ConfigurableApplicationContext application(int port, Path data, String services, String... more) {
        List<String> arguments = new ArrayList<>(
                List.of("--server.port=" + port, "--vest-coin.data=" + data, "--vest-coin.services=" + services));
        arguments.addAll(List.of(more));
        SpringApplication application = new SpringApplication(VestCoin.class);
        // Why it does not start is told in one sentence, by whoever starts it.
        application.setLogStartupInfo(false);
        return application.run(arguments.toArray(String[]::new));
    }

    @Command(
            name = "demo",
            description = "Loads the demo shop if the data folder is empty, starts the simulated services and the "
                    + "application.",
            mixinStandardHelpOptions = true)
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

    @Command(
            name = "start",
            description = "Starts the application; the first visit makes the owner.",
            mixinStandardHelpOptions = true)
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

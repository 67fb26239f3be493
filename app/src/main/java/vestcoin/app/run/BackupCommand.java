package vestcoin.app.run;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Instant;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import vestcoin.app.outside.Vault;
import vestcoin.app.run.storage.Backup;
import vestcoin.app.run.storage.StartRefused;

/** Takes a backup while Vest Coin runs, and brings one back. */
public final class BackupCommand {
    private BackupCommand() {}

    /** The passphrase: from a file, from the environment, or asked for. */
    private abstract static class Sealed implements Callable<Integer> {
        private static final int SHORTEST = 12;

        @Option(
                names = "--passphrase-file",
                description =
                        "File whose first line is the passphrase; else VEST_COIN_PASSPHRASE, else it is asked for.")
        Path passphraseFile;

        char[] passphrase() throws IOException {
            String given = passphraseFile != null
                    ? Files.readAllLines(passphraseFile).stream().findFirst().orElse("")
                    : System.getenv("VEST_COIN_PASSPHRASE");
            if (given == null && System.console() != null) {
                given = new String(System.console().readPassword("Passphrase: "));
            }
            if (given == null || given.length() < SHORTEST) {
                throw new StartRefused("A backup is sealed by a passphrase of at least " + SHORTEST
                        + " characters. Give it by --passphrase-file, or in VEST_COIN_PASSPHRASE.");
            }
            return given.toCharArray();
        }

        @Override
        public Integer call() throws Exception {
            try {
                run();
                return 0;
            } catch (StartRefused e) {
                System.err.println("vest-coin: " + e.getMessage());
                return 2;
            }
        }

        abstract void run() throws Exception;
    }

    @Command(
            name = "backup",
            description = "Writes a sealed backup of a running Vest Coin.",
            mixinStandardHelpOptions = true)
    public static final class TakeBackup extends Sealed {
        @Option(names = "--to", required = true, description = "File to write; it must not be there yet.")
        Path to;

        @Option(names = "--data", description = "Folder of the data (data/shop).")
        Path data = Path.of("data", "shop");

        @Override
        void run() throws Exception {
            char[] passphrase = passphrase();
            if (Files.exists(to)) {
                throw new StartRefused("There is a file " + to + " already. Name another.");
            }
            if (!Files.exists(data.resolve("vault.key")) || !Files.exists(data.resolve(ServeCommand.RUNNING_AT))) {
                throw new StartRefused("In " + data + " no Vest Coin has run. Name its folder with --data.");
            }
            Path fresh = to.resolveSibling(to.getFileName() + ".part");
            Files.deleteIfExists(fresh);
            Files.createFile(fresh, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            try (InputStream archive = archive();
                    OutputStream out = Files.newOutputStream(
                            fresh, Set.of(StandardOpenOption.WRITE).toArray(StandardOpenOption[]::new))) {
                Backup.seal(archive, out, passphrase);
            } catch (ConnectException e) {
                throw new StartRefused(
                        "The Vest Coin of " + data + " is not running. Start it; a backup is taken while it runs.");
            } catch (IOException | RuntimeException e) {
                Files.deleteIfExists(fresh);
                throw e;
            }
            Files.move(fresh, to, StandardCopyOption.ATOMIC_MOVE);
            System.out.println("Backup written to " + to + ", " + Files.size(to) / 1000
                    + " kB. Keep the passphrase elsewhere: without it nobody can open it.");
        }

        private InputStream archive() throws IOException, InterruptedException {
            String at = Instant.now().toString();
            String port =
                    Files.readString(data.resolve(ServeCommand.RUNNING_AT)).strip();
            HttpRequest request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/local/backup"))
                    .header("X-Asked", at + " " + new Vault(data).mark("backup " + at))
                    .POST(HttpRequest.BodyPublishers.noBody())
                    .build();
            HttpResponse<InputStream> answer =
                    HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofInputStream());
            if (answer.statusCode() != 200) {
                throw new StartRefused(
                        "What answers on port " + port + " is another Vest Coin than that of " + data + ".");
            }
            return answer.body();
        }
    }

    @Command(
            name = "restore",
            description = "Brings a backup back into an empty folder.",
            mixinStandardHelpOptions = true)
    public static final class Bring extends Sealed {
        @Option(names = "--from", required = true, description = "The backup.")
        Path from;

        @Option(names = "--data", required = true, description = "Folder to make; it must be empty.")
        Path data;

        @Override
        void run() throws Exception {
            if (!Files.isReadable(from)) {
                throw new StartRefused("There is no file " + from + " that can be read.");
            }
            Backup.restore(from, data, passphrase());
            System.out.println("Restored into " + data + ". Start it with --data " + data + ".");
        }
    }
}

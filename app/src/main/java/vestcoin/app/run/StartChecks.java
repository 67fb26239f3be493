package vestcoin.app.run;

import java.io.IOException;
import java.io.PrintWriter;
import java.net.BindException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.SQLException;
import java.util.List;
import org.flywaydb.core.api.FlywayException;
import org.h2.api.ErrorCode;
import org.springframework.boot.web.server.PortInUseException;
import vestcoin.app.run.storage.StartRefused;

/** What is looked at before anything is started, and the one sentence that says why nothing was. */
final class StartChecks {
    private StartChecks() {}

    /** @throws StartRefused with the first thing that stands against a start */
    static void starting(Path folder, List<Integer> ports) throws IOException {
        for (int port : ports) {
            try (ServerSocket free = new ServerSocket(port, 1, InetAddress.getByName("127.0.0.1"))) {
                free.setReuseAddress(true);
            } catch (BindException e) {
                throw new StartRefused("Port " + port + " is taken. Choose another with --port.");
            }
        }
        try {
            if (!Files.exists(folder)) {
                Files.createDirectories(folder);
                Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
            }
        } catch (FileSystemException e) {
            throw new StartRefused("The folder " + folder + " cannot be made. Choose another with --data.");
        }
        Path database = folder.resolve("vest-coin.mv.db");
        if (!Files.isDirectory(folder)
                || !Files.isWritable(folder)
                || Files.exists(database) && !Files.isWritable(database)) {
            throw new StartRefused("The folder " + folder
                    + " cannot be written to. Give it to who runs Vest Coin, or choose another with --data.");
        }
        if (Files.exists(database) && !Files.exists(folder.resolve("vault.key"))) {
            throw new StartRefused("The key file " + folder.resolve("vault.key")
                    + " is missing, without which the keys kept in the database cannot be read. Put it back "
                    + "from a backup.");
        }
        if (!Files.exists(database) && Files.exists(folder.resolve("vest-coin.mark"))) {
            throw new StartRefused("The database " + database
                    + " is missing, though there was one. Restore the last backup into an empty folder.");
        }
    }

    /** What went wrong, as somebody who runs a shop can act on it. */
    static String sentence(Throwable failure, int port, Path folder) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof StartRefused refused) {
                return refused.getMessage();
            }
            if (cause instanceof PortInUseException || cause instanceof BindException) {
                return "Port " + port + " is taken. Choose another with --port.";
            }
            if (cause instanceof AccessDeniedException) {
                return "The folder " + folder
                        + " cannot be written to. Give it to who runs Vest Coin, or choose another with --data.";
            }
            if (cause instanceof SQLException database) {
                if (database.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1) {
                    return "The folder " + folder
                            + " is in use by another Vest Coin. End that one, or choose another folder with --data.";
                }
                if (database.getErrorCode() == ErrorCode.FILE_CORRUPTED_1
                        || database.getErrorCode() == ErrorCode.IO_EXCEPTION_1
                        || database.getErrorCode() == ErrorCode.IO_EXCEPTION_2
                        || database.getErrorCode() == ErrorCode.FILE_VERSION_ERROR_1) {
                    return "The database in " + folder
                            + " is damaged and cannot be opened. Restore the last backup into an empty folder.";
                }
            }
            if (cause instanceof FlywayException newer
                    && String.valueOf(newer.getMessage()).contains("not resolved locally")) {
                return "The database in " + folder
                        + " is newer than this program. Use the version of Vest Coin that made it, or a later one.";
            }
        }
        if (folder.toFile().getUsableSpace() < 1_000_000) {
            return "The disk is full. Make room and start again.";
        }
        return "It could not be started, for a reason nobody foresaw; the details are in " + details(failure, folder)
                + ".";
    }

    private static Path details(Throwable failure, Path folder) {
        Path file = (Files.isWritable(folder) ? folder : Path.of(System.getProperty("java.io.tmpdir")))
                .resolve("vest-coin-start.log");
        try (PrintWriter out = new PrintWriter(Files.newBufferedWriter(file))) {
            failure.printStackTrace(out);
        } catch (IOException e) {
            failure.addSuppressed(e);
        }
        return file;
    }
}

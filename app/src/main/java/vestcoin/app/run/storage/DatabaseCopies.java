package vestcoin.app.run.storage;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipFile;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Copies of the database as it stands at one moment, taken while it is used. */
@Repository
class DatabaseCopies {
    private static final String ZIPPED = "database.zip";

    private final JdbcClient sql;
    private final Path data;

    DatabaseCopies(JdbcClient sql, @Value("${vest-coin.data}") Path data) {
        this.sql = sql;
        this.data = data;
    }

    /** Writes a copy with the key file, as {@link Backup#archive} has it. */
    void write(OutputStream out) throws IOException {
        Path folder = Files.createTempDirectory(data, "backup");
        try {
            Path zip = folder.resolve(ZIPPED);
            sql.sql("backup to '" + zip.toAbsolutePath().toString().replace("'", "''") + "'")
                    .update();
            Path database = folder.resolve(Backup.DATABASE);
            try (ZipFile written = new ZipFile(zip.toFile())) {
                Files.copy(written.getInputStream(written.getEntry(Backup.DATABASE)), database);
            }
            Backup.archive(database, data.resolve(Backup.KEY), data.resolve(Backup.FILES), out);
        } finally {
            for (String name : new String[] {ZIPPED, Backup.DATABASE}) {
                Files.deleteIfExists(folder.resolve(name));
            }
            Files.delete(folder);
        }
    }
}

package vestcoin.app.run.storage;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The database of an installation. */
@Configuration
class Storage {
    @Bean(destroyMethod = "close")
    DataSource dataSource(DataSourceProperties properties, @Value("${vest-coin.data}") Path data) {
        DurableDataSource source = new DurableDataSource(properties
                .initializeDataSourceBuilder()
                .type(HikariDataSource.class)
                .build());
        ownersAlone(data);
        return source;
    }

    /** Files of the data are for their owner alone. */
    static void ownersAlone(Path data) {
        try (Stream<Path> files = Files.exists(data) ? Files.list(data) : Stream.empty()) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
            }
        } catch (IOException | UnsupportedOperationException e) {
            // A file system without owners has nothing to set.
            org.slf4j.LoggerFactory.getLogger(Storage.class)
                    .info("file permissions stay as they are: {}", e.toString());
        }
    }
}

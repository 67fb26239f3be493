package vestcoin.app.run.storage;

import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * How much room the disk has. Before it is full nothing more is written, so that the database never fails half-way;
 * with room it goes on by itself.
 */
@Component
public class DiskSpace {
    private static final Logger LOG = LoggerFactory.getLogger(DiskSpace.class);

    private final Path data;
    private final long least;
    private final long little;
    private volatile long free = Long.MAX_VALUE;

    /** @param least bytes below which nothing is written any more @param little bytes below which it is told */
    DiskSpace(
            @Value("${vest-coin.data}") Path data,
            @Value("${vest-coin.room.least:134217728}") long least,
            @Value("${vest-coin.room.little:1073741824}") long little) {
        this.data = data;
        this.least = least;
        this.little = little;
        look();
    }

    @Scheduled(fixedDelayString = "PT2S", initialDelayString = "PT2S")
    void look() {
        seen(data.toFile().exists() ? data.toFile().getUsableSpace() : Long.MAX_VALUE);
    }

    void seen(long bytes) {
        long before = free;
        free = bytes;
        if (free < little && before >= little) {
            LOG.warn("the disk has {} MB left", free / 1_000_000);
        }
    }

    /** Whether nothing more is to be written. */
    public boolean full() {
        return free < least;
    }

    /** Whether it will be full before long. */
    public boolean little() {
        return free < little;
    }
}

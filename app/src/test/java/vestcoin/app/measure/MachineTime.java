package vestcoin.app.measure;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;

/**
 * A reading of the clock that leaves out what a virtual machine's host gave to others meanwhile: of the time in which
 * processors had work, the share in which they were given to it. On a machine of its own it is the clock.
 *
 * <p>proc(5), /proc/stat: user, nice, system, idle, iowait, irq, softirq, steal, in ticks of all processors.
 */
public final class MachineTime {
    private static final Path STAT = Path.of("/proc/stat");
    private static final int STEAL = 7;

    private final long begun = System.nanoTime();
    private final Ticks before = Ticks.now();

    private record Ticks(long busy, long stolen) {
        static Ticks now() {
            try (Stream<String> lines = Files.lines(STAT)) {
                String[] all = lines.findFirst().orElse("").trim().split("\\s+");
                return new Ticks(
                        Stream.of(1, 2, 3, 6, 7)
                                .mapToLong(each -> Long.parseLong(all[each]))
                                .sum(),
                        Long.parseLong(all[1 + STEAL]));
            } catch (IOException | RuntimeException e) {
                // Not Linux, or not told.
                return new Ticks(0, 0);
            }
        }
    }

    /** @return milliseconds since this was made */
    public long millis() {
        long clock = (System.nanoTime() - begun) / 1_000_000;
        Ticks now = Ticks.now();
        long busy = now.busy() - before.busy();
        long stolen = now.stolen() - before.stolen();
        return busy <= 0 || stolen <= 0 ? clock : Math.round(clock * (double) busy / (busy + stolen));
    }
}

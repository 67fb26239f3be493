package vestcoin.app.measure;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.concurrent.Callable;

/**
 * How large a long measurement is, and what it gave. {@code ./vest-coin measure} runs them at full size and writes what
 * they note to docs/performance.md; with every test the same code runs at a twentieth.
 */
public final class Measured {
    private static final boolean FULL = "full".equals(System.getProperty("vest-coin.measure"));
    private static final int SHARE = 20;
    private static final Path NOTED = Path.of("target", "measured.tsv");

    private Measured() {}

    /** @param full how many of something at full size @return so many, or a twentieth */
    public static int sized(int full) {
        return FULL ? full : Math.max(1, full / SHARE);
    }

    /**
     * The shortest of a few readings, in milliseconds: what the program takes, where one reading also holds what the
     * machine did meanwhile. No further one is taken once one is short enough.
     */
    public static long shortest(int readings, long enough, Callable<?> work) {
        long best = Long.MAX_VALUE;
        for (int i = 0; i < readings && best > enough; i++) {
            long begun = System.nanoTime();
            try {
                work.call();
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
            best = Math.min(best, (System.nanoTime() - begun) / 1_000_000);
        }
        return best;
    }

    /** Notes a line of the table: what was measured, what it gave, what was wanted. */
    public static void note(String what, String gave, String wanted) {
        System.out.println("measured: " + what + ": " + gave + " (wanted: " + wanted + ")");
        try {
            Files.writeString(
                    NOTED,
                    what + "\t" + gave + "\t" + wanted + "\n",
                    StandardOpenOption.CREATE,
                    StandardOpenOption.APPEND);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

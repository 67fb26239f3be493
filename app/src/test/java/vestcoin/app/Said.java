package vestcoin.app;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import picocli.CommandLine;

/** What a command printed, and how it ended. */
public record Said(int status, String out, String err) {
    public static Said by(Object command, String... arguments) {
        PrintStream out = System.out;
        PrintStream err = System.err;
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        ByteArrayOutputStream wrong = new ByteArrayOutputStream();
        try {
            System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
            System.setErr(new PrintStream(wrong, true, StandardCharsets.UTF_8));
            int status = new CommandLine(command).execute(arguments);
            return new Said(status, said.toString(StandardCharsets.UTF_8), wrong.toString(StandardCharsets.UTF_8));
        } finally {
            System.setOut(out);
            System.setErr(err);
        }
    }
}

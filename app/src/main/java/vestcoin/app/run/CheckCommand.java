package vestcoin.app.run;

import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import vestcoin.app.format.Json;
import vestcoin.app.format.Phrases;
import vestcoin.core.finding.Check;
import vestcoin.core.finding.Finding;
import vestcoin.core.finding.Finding.Severity;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.payment.Gateway;
import vestcoin.core.rehearsal.Pins;
import vestcoin.core.setup.CompiledSetup;

/** Checks a setup file. A file says nothing of gateways, so those it names are taken as connected. */
@Command(
        name = "check",
        description =
                "Prints the findings of a setup and its pinned figures that moved; status 1 if any blocks opening "
                        + "or moved, 2 and a sentence on bad input.",
        mixinStandardHelpOptions = true)
public final class CheckCommand implements Callable<Integer> {
    @Option(names = "--setup", required = true)
    Path setup;

    @Option(
            names = "--at",
            description = "The instant rates are looked up for, as 2026-11-25T10:00:00Z; now without it.")
    Instant at;

    @Option(names = "--junit", description = "Writes a test case a pinned figure into this file, as JUnit XML.")
    Path junit;

    @Override
    public Integer call() {
        Inputs inputs = new Inputs();
        return inputs.run(() -> {
            CompiledSetup compiled = inputs.setup(setup).compiled();
            Map<String, Gateway> connected = compiled.setup().payment().methods().stream()
                    .flatMap(method -> method.gateway().stream())
                    .collect(Collectors.toMap(id -> id, id -> Gateway.TEST, (a, b) -> a));
            List<Finding> findings = Check.of(compiled, new FindingContext(at == null ? Instant.now() : at, connected));
            for (Finding finding : findings) {
                System.out.println(Json.named(finding.severity()) + "  " + finding.path() + "  "
                        + Phrases.in("en").say(finding.sentence()) + " "
                        + Phrases.in("en").say(finding.remedy()));
            }
            List<Pins.MovedPin> moved = Pins.moved(compiled);
            for (Pins.MovedPin each : moved) {
                System.out.println("pin-moved  rehearsal/pins/" + each.pin().id() + "  "
                        + Phrases.in("en").say(each.sentence()));
            }
            if (junit != null) {
                PinReport.write(compiled.setup().rehearsal(), moved, junit);
            }
            if (findings.isEmpty() && moved.isEmpty()) {
                System.out.println("Nothing to say.");
            }
            boolean blocks = findings.stream().anyMatch(finding -> finding.severity() == Severity.BLOCKS_OPENING);
            return blocks || !moved.isEmpty() ? 1 : 0;
        });
    }
}

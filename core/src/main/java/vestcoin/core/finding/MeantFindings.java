package vestcoin.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import vestcoin.core.finding.Finding.Severity;
import vestcoin.core.message.Message;
import vestcoin.core.setup.Rehearsal.MeantFinding;

/** Findings the seller has looked at and means so. What blocks opening cannot be meant. */
final class MeantFindings {
    private MeantFindings() {}

    /** The findings, with those that are meant after all others, each with its reason in place of the remedy. */
    static List<Finding> of(List<Finding> findings, List<MeantFinding> meant) {
        if (meant.isEmpty()) {
            return findings;
        }
        Map<String, MeantFinding> byPlace = meant.stream()
                .collect(Collectors.toMap(
                        each -> each.finding() + " " + each.path(), Function.identity(), (first, second) -> first));
        List<Finding> open = new ArrayList<>(findings.size());
        List<Finding> said = new ArrayList<>();
        for (Finding finding : findings) {
            Optional<MeantFinding> reason = Optional.of(finding)
                    .filter(each -> each.severity() == Severity.LOOK_AT_THIS)
                    .map(each -> byPlace.get(each.id() + " " + each.path()));
            if (reason.isPresent()) {
                said.add(meant(finding, reason.get()));
            } else {
                open.add(finding);
            }
        }
        open.addAll(said);
        return List.copyOf(open);
    }

    private static Finding meant(Finding finding, MeantFinding why) {
        return new Finding(
                finding.id(),
                Severity.MEANT,
                finding.station(),
                finding.path(),
                finding.sentence(),
                why.reason().isBlank()
                        ? Message.of("finding.meant-so")
                        : Message.of("finding.meant-because", "reason", why.reason()));
    }
}

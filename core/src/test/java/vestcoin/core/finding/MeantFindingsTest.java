package vestcoin.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import vestcoin.core.finding.Finding.Severity;
import vestcoin.core.finding.Finding.Station;
import vestcoin.core.message.Message;
import vestcoin.core.setup.Rehearsal.MeantFinding;

class MeantFindingsTest {
    private static Finding finding(String id, Severity severity, String path) {
        return new Finding(id, severity, Station.DELIVERY, path, Message.name("what"), Message.name("do this"));
    }

    private static final List<Finding> FOUND = List.of(
            finding("no-rate", Severity.BLOCKS_OPENING, "delivery/zones/a"),
            finding("gap", Severity.LOOK_AT_THIS, "delivery/zones/a"),
            finding("gap", Severity.LOOK_AT_THIS, "delivery/zones/b"),
            finding("dear", Severity.NOTE, "delivery/zones/a"));

    @Test
    void what_is_meant_comes_last_with_its_reason_and_the_same_elsewhere_stays() {
        List<Finding> now = MeantFindings.of(
                FOUND, List.of(new MeantFinding("x", "gap", "delivery/zones/a", "Nobody there buys heavy things.")));
        assertThat(now)
                .extracting(Finding::severity)
                .containsExactly(Severity.BLOCKS_OPENING, Severity.LOOK_AT_THIS, Severity.NOTE, Severity.MEANT);
        assertThat(now.get(1).path()).isEqualTo("delivery/zones/b");
        assertThat(now.get(3).remedy())
                .isEqualTo(Message.of("finding.meant-because", "reason", "Nobody there buys heavy things."));
    }

    @Test
    void what_blocks_or_is_a_note_cannot_be_meant_and_what_is_gone_is_not_missed() {
        assertThat(MeantFindings.of(
                        FOUND,
                        List.of(
                                new MeantFinding("x", "no-rate", "delivery/zones/a", ""),
                                new MeantFinding("y", "dear", "delivery/zones/a", ""),
                                new MeantFinding("z", "gap", "delivery/zones/gone", ""))))
                .isEqualTo(FOUND);
    }

    @Test
    void no_reason_is_no_sentence_of_its_own() {
        assertThat(MeantFindings.of(FOUND, List.of(new MeantFinding("x", "gap", "delivery/zones/b", " ")))
                        .get(3)
                        .remedy())
                .isEqualTo(Message.of("finding.meant-so"));
    }
}

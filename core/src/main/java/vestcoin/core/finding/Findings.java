package vestcoin.core.finding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import vestcoin.core.finding.Finding.Severity;
import vestcoin.core.finding.Finding.Station;
import vestcoin.core.message.Message;

/** Gathers findings of one station. */
final class Findings {
    private final List<Finding> all = new ArrayList<>();

    /** What a station adds with. */
    final class At {
        private final Station station;

        At(Station station) {
            this.station = station;
        }

        void blocks(String id, String path, Message sentence, Message remedy) {
            all.add(new Finding(id, Severity.BLOCKS_OPENING, station, path, sentence, remedy));
        }

        void look(String id, String path, Message sentence, Message remedy) {
            all.add(new Finding(id, Severity.LOOK_AT_THIS, station, path, sentence, remedy));
        }

        void note(String id, String path, Message sentence, Message remedy) {
            all.add(new Finding(id, Severity.NOTE, station, path, sentence, remedy));
        }
    }

    At at(Station station) {
        return new At(station);
    }

    List<Finding> sorted() {
        return all.stream()
                .sorted(Comparator.comparing(Finding::severity).thenComparing(Finding::station))
                .toList();
    }
}

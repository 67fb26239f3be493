package vestcoin.app.format;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import vestcoin.core.message.Message;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op;

/**
 * The whys of a quote, each figure once. Figures share their operands, so written out as trees a few discounts would
 * make a document of megabytes.
 */
public final class Figures {
    /**
     * A figure in the list of its quote.
     *
     * @param of places of the operands in the list, all before this one
     */
    public record Node(BigDecimal value, String unit, String rule, Message label, Op op, List<Integer> of) {}

    /** An amount where it is used. @param why its place in the list of figures */
    public record Amount(BigDecimal value, int why) {}

    private final Map<Figure, Integer> places = new IdentityHashMap<>();
    private final List<Node> nodes = new ArrayList<>();

    Amount amount(Figure figure) {
        return new Amount(figure.value(), place(figure));
    }

    List<Node> nodes() {
        return List.copyOf(nodes);
    }

    private int place(Figure figure) {
        Integer known = places.get(figure);
        if (known != null) {
            return known;
        }
        List<Integer> of = new ArrayList<>(figure.of().size());
        for (Figure operand : figure.of()) {
            of.add(place(operand));
        }
        nodes.add(new Node(figure.value(), figure.unit(), figure.rule(), figure.label(), figure.op(), of));
        places.put(figure, nodes.size() - 1);
        return nodes.size() - 1;
    }
}

package vestcoin.core.parcel;

import com.github.skjolber.packing.api.Box;
import com.github.skjolber.packing.api.Container;
import com.github.skjolber.packing.api.ContainerItem;
import com.github.skjolber.packing.api.PackagerResult;
import com.github.skjolber.packing.api.PackagerResultBuilder;
import com.github.skjolber.packing.api.StackPlacement;
import com.github.skjolber.packing.api.StackableItem;
import com.github.skjolber.packing.packer.bruteforce.FastBruteForcePackager;
import com.github.skjolber.packing.packer.laff.LargestAreaFitFirstPackager;
import com.github.skjolber.packing.packer.plain.PlainPackager;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import vestcoin.core.parcel.Packing.Piece;
import vestcoin.core.parcel.Parcel.Placed;

/**
 * Places things in three dimensions with the packing library: whole millimetres, whole grams, things rounded up and
 * room down.
 */
final class BoxFitting {
    /**
     * How often the library may ask whether to go on; a count, so that the same order is packed alike on any machine.
     */
    private static final int STEPS = 20_000;

    private static final int MOST_PARCELS = 40;
    private static final int MOST_IN_EVERY_ORDER = 6;
    private static final int ANY_WEIGHT = 1_000_000_000;

    /** A parcel type with what is in it. */
    record Filled(ParcelType type, List<Piece> pieces, List<Placed> places) {}

    private BoxFitting() {}

    /**
     * One arrangement tried: a way of the library, with the parcel lying on another of its sides. @param turn which
     * side of the parcel stands for which
     */
    private record Arrangement(Supplier<PackagerResultBuilder<?>> way, int[] turn) {}

    private static final List<int[]> TURNS = List.of(
            new int[] {0, 1, 2},
            new int[] {1, 0, 2},
            new int[] {0, 2, 1},
            new int[] {2, 1, 0},
            new int[] {1, 2, 0},
            new int[] {2, 0, 1});
    private static final Supplier<PackagerResultBuilder<?>> PLAIN =
            () -> PlainPackager.newBuilder().build().newResultBuilder();
    private static final Supplier<PackagerResultBuilder<?>> LARGEST_FIRST =
            () -> LargestAreaFitFirstPackager.newBuilder().build().newResultBuilder();
    private static final Supplier<PackagerResultBuilder<?>> EVERY_ORDER =
            () -> FastBruteForcePackager.newBuilder().build().newResultBuilder();

    /**
     * The smallest single parcel that holds everything in any arrangement tried; else of all arrangements the one with
     * the fewest parcels, of equal ones with the least outer volume, of those the first.
     *
     * @return nothing when no arrangement comes to an end within its count
     */
    static Optional<List<Filled>> of(List<Piece> pieces, List<ParcelType> types) {
        List<Arrangement> arrangements = arrangements(pieces);
        for (ParcelType type : types) {
            if (pieces.stream().allMatch(piece -> Packing.fits(piece, type)) && holds(type, pieces)) {
                for (Arrangement arrangement : arrangements) {
                    Optional<List<Filled>> single = pack(pieces, List.of(type), 1, arrangement);
                    if (single.isPresent()) {
                        return single;
                    }
                }
            }
        }
        Optional<List<Filled>> best = Optional.empty();
        for (Arrangement arrangement : arrangements) {
            Optional<List<Filled>> packed = arrangement.way() == EVERY_ORDER
                    ? Optional.empty()
                    : pack(pieces, types, Math.min(pieces.size(), MOST_PARCELS), arrangement);
            if (packed.isPresent() && (best.isEmpty() || BETTER.compare(packed.get(), best.get()) < 0)) {
                best = packed;
            }
        }
        return best;
    }

    private static final Comparator<List<Filled>> BETTER = Comparator.<List<Filled>>comparingInt(List::size)
            .thenComparing(parcels -> parcels.stream()
                    .map(filled -> filled.type().outer().volume())
                    .reduce(BigDecimal.ZERO, BigDecimal::add));

    private static List<Arrangement> arrangements(List<Piece> pieces) {
        // what has to stand stands in a parcel that stands
        List<int[]> turns = pieces.stream().anyMatch(Piece::upright) ? TURNS.subList(0, 2) : TURNS;
        List<Arrangement> arrangements = new ArrayList<>();
        for (Supplier<PackagerResultBuilder<?>> way : List.of(PLAIN, LARGEST_FIRST)) {
            turns.forEach(turn -> arrangements.add(new Arrangement(way, turn)));
        }
        if (pieces.size() <= MOST_IN_EVERY_ORDER) {
            arrangements.add(new Arrangement(EVERY_ORDER, TURNS.get(0)));
        }
        return arrangements;
    }

    private static boolean holds(ParcelType type, List<Piece> pieces) {
        return pieces.stream()
                        .map(Piece::volume)
                        .reduce(BigDecimal.ZERO, BigDecimal::add)
                        .compareTo(type.inner().volume())
                <= 0;
    }

    private static Optional<List<Filled>> pack(
            List<Piece> pieces, List<ParcelType> types, int most, Arrangement arrangement) {
        AtomicInteger steps = new AtomicInteger();
        List<StackableItem> items = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            items.add(new StackableItem(box(pieces.get(i), i), 1));
        }
        PackagerResultBuilder<?> builder = arrangement.way().get();
        builder.withContainers(ContainerItem.newListBuilder()
                .withContainers(types.stream()
                        .map(type -> container(type, arrangement.turn()))
                        .toList())
                .build());
        builder.withMaxContainerCount(most);
        builder.withStackables(items);
        builder.withInterrupt(() -> steps.incrementAndGet() > STEPS);
        PackagerResult result = builder.build();
        if (!result.isSuccess()) {
            return Optional.empty();
        }
        return Optional.of(result.getContainers().stream()
                .map(container -> filled(container, pieces, types, arrangement.turn()))
                .toList());
    }

    private static Box box(Piece piece, int index) {
        int[] sides = piece.sides();
        Box.Builder box = Box.newBuilder()
                .withId(String.valueOf(index))
                .withSize(sides[0], sides[1], sides[2])
                .withWeight(grams(piece.weight(), RoundingMode.CEILING));
        return (piece.upright() ? box.withRotate2D() : box.withRotate3D()).build();
    }

    private static Container container(ParcelType type, int[] turn) {
        List<BigDecimal> room =
                Arrays.stream(turn).mapToObj(type.inner().centimetres()::get).toList();
        int load = type.most()
                .map(most -> grams(most.kilograms().subtract(type.weight().kilograms()), RoundingMode.FLOOR))
                .orElse(ANY_WEIGHT);
        return Container.newBuilder()
                .withId(type.id())
                .withDescription(type.id())
                .withSize(
                        Packing.millimetres(room.get(0), RoundingMode.FLOOR),
                        Packing.millimetres(room.get(1), RoundingMode.FLOOR),
                        Packing.millimetres(room.get(2), RoundingMode.FLOOR))
                .withEmptyWeight(0)
                .withMaxLoadWeight(Math.max(load, 0))
                .build();
    }

    private static int grams(BigDecimal kilograms, RoundingMode mode) {
        return kilograms
                .movePointRight(3)
                .min(BigDecimal.valueOf(ANY_WEIGHT))
                .setScale(0, mode)
                .intValue();
    }

    private static Filled filled(Container container, List<Piece> pieces, List<ParcelType> types, int[] turn) {
        List<Piece> inside = new ArrayList<>();
        List<Placed> places = new ArrayList<>();
        for (StackPlacement at : container.getStack().getPlacements()) {
            Piece piece = pieces.get(Integer.parseInt(at.getStackable().getId()));
            inside.add(piece);
            int[] from = turned(turn, at.getAbsoluteX(), at.getAbsoluteY(), at.getAbsoluteZ());
            int[] size = turned(
                    turn,
                    at.getStackValue().getDx(),
                    at.getStackValue().getDy(),
                    at.getStackValue().getDz());
            places.add(new Placed(piece.line().index(), from[0], from[1], from[2], size[0], size[1], size[2]));
        }
        ParcelType type = types.stream()
                .filter(each -> each.id().equals(container.getDescription()))
                .findFirst()
                .orElseThrow();
        return new Filled(type, inside, places);
    }

    /** Along the parcel's own sides what was found along the turned ones. */
    private static int[] turned(int[] turn, int... along) {
        int[] own = new int[along.length];
        for (int i = 0; i < along.length; i++) {
            own[turn[i]] = along[i];
        }
        return own;
    }
}

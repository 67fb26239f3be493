package vestcoin.core.parcel;

import com.github.skjolber.packing.api.Box;
import com.github.skjolber.packing.api.Container;
import com.github.skjolber.packing.api.ContainerItem;
import com.github.skjolber.packing.api.PackagerResult;
import com.github.skjolber.packing.api.StackPlacement;
import com.github.skjolber.packing.api.StackableItem;
import com.github.skjolber.packing.packer.plain.PlainPackager;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import vestcoin.core.parcel.Packing.Piece;
import vestcoin.core.parcel.Parcel.Placed;

/** Places things in three dimensions with the packing library: whole millimetres, whole grams, things rounded up and room down. */
final class Placing {
    /** How often the library may ask whether to go on; a count, so that the same order is packed alike on any machine. */
    private static final int STEPS = 20_000;
    private static final int MOST_PARCELS = 40;
    private static final int ANY_WEIGHT = 1_000_000_000;

    /** A parcel type with what is in it. */
    record Filled(ParcelType type, List<Piece> pieces, List<Placed> places) {}

    private Placing() {}

    /** @return nothing when the library finds no way within its count */
    static Optional<List<Filled>> of(List<Piece> pieces, List<ParcelType> types) {
        AtomicInteger steps = new AtomicInteger();
        for (ParcelType type : types) {
            if (pieces.stream().allMatch(piece -> Packing.fits(piece, type)) && holds(type, pieces)) {
                Optional<List<Filled>> single = pack(pieces, List.of(type), 1, steps);
                if (single.isPresent()) {
                    return single;
                }
            }
        }
        return pack(pieces, types, Math.min(pieces.size(), MOST_PARCELS), steps);
    }

    private static boolean holds(ParcelType type, List<Piece> pieces) {
        return pieces.stream().map(Piece::volume).reduce(BigDecimal.ZERO, BigDecimal::add).compareTo(type.inner().volume()) <= 0;
    }

    private static Optional<List<Filled>> pack(List<Piece> pieces, List<ParcelType> types, int most, AtomicInteger steps) {
        List<StackableItem> items = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            items.add(new StackableItem(box(pieces.get(i), i), 1));
        }
        PackagerResult result = PlainPackager.newBuilder().build().newResultBuilder()
                .withContainers(ContainerItem.newListBuilder().withContainers(types.stream().map(Placing::container).toList()).build())
                .withMaxContainerCount(most).withStackables(items).withInterrupt(() -> steps.incrementAndGet() > STEPS).build();
        if (!result.isSuccess()) {
            return Optional.empty();
        }
        return Optional.of(result.getContainers().stream().map(container -> filled(container, pieces, types)).toList());
    }

    private static Box box(Piece piece, int index) {
        int[] sides = piece.sides();
        Box.Builder box = Box.newBuilder().withId(String.valueOf(index)).withSize(sides[0], sides[1], sides[2]).withWeight(grams(piece.weight(), RoundingMode.CEILING));
        return (piece.upright() ? box.withRotate2D() : box.withRotate3D()).build();
    }

    private static Container container(ParcelType type) {
        List<BigDecimal> room = type.inner().centimetres();
        int load = type.most().map(most -> grams(most.kilograms().subtract(type.weight().kilograms()), RoundingMode.FLOOR)).orElse(ANY_WEIGHT);
        return Container.newBuilder().withId(type.id()).withDescription(type.id())
                .withSize(Packing.millimetres(room.get(0), RoundingMode.FLOOR), Packing.millimetres(room.get(1), RoundingMode.FLOOR), Packing.millimetres(room.get(2), RoundingMode.FLOOR))
                .withEmptyWeight(0).withMaxLoadWeight(Math.max(load, 0)).build();
    }

    private static int grams(BigDecimal kilograms, RoundingMode mode) {
        return kilograms.movePointRight(3).min(BigDecimal.valueOf(ANY_WEIGHT)).setScale(0, mode).intValue();
    }

    private static Filled filled(Container container, List<Piece> pieces, List<ParcelType> types) {
        List<Piece> inside = new ArrayList<>();
        List<Placed> places = new ArrayList<>();
        for (StackPlacement at : container.getStack().getPlacements()) {
            Piece piece = pieces.get(Integer.parseInt(at.getStackable().getId()));
            inside.add(piece);
            places.add(new Placed(piece.line().index(), at.getAbsoluteX(), at.getAbsoluteY(), at.getAbsoluteZ(),
                    at.getStackValue().getDx(), at.getStackValue().getDy(), at.getStackValue().getDz()));
        }
        ParcelType type = types.stream().filter(each -> each.id().equals(container.getDescription())).findFirst().orElseThrow();
        return new Filled(type, inside, places);
    }
}

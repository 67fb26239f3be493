package vestcoin.core.parcel;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.goods.PricedLine;
import vestcoin.core.goods.Size;
import vestcoin.core.message.Message;
import vestcoin.core.parcel.Parcel.Placed;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * Packs things that leave one place together into the seller's parcel types.
 *
 * <p>What travels alone gets the smallest type it fits into, or goes as it is. The rest goes into the smallest single
 * parcel that holds it all, else into as few as the library finds. With more than {@value #MOST_PLACED} pieces, or when
 * the library has not finished after its count of steps, things are packed by volume and weight; where something has no
 * size, by weight only.
 */
public final class Packing {
    static final int MOST_PLACED = 60;
    /** Sides in millimetres above which a number is no side of a parcel. */
    private static final BigDecimal LONGEST = BigDecimal.valueOf(1_000_000);

    private final List<PricedLine> lines;
    private final List<ParcelType> types;
    private final Tracer tracer;
    private final List<Parcel> parcels = new ArrayList<>();
    private PackingResult.Way way = PackingResult.Way.PLACED;

    /** One thing to pack; sides in whole millimetres, rounded up. */
    record Piece(PricedLine line, Optional<Size> size, BigDecimal weight) {
        int[] sides() {
            return size.orElseThrow().centimetres().stream()
                    .mapToInt(side -> millimetres(side, RoundingMode.CEILING))
                    .toArray();
        }

        boolean upright() {
            return line.product().sending().upright();
        }

        BigDecimal volume() {
            return size.map(Size::volume).orElse(BigDecimal.ZERO);
        }
    }

    private Packing(List<PricedLine> lines, List<ParcelType> types, Tracer tracer) {
        this.lines = lines;
        this.types = types.stream()
                .sorted(Comparator.comparing((ParcelType type) -> type.outer().volume())
                        .thenComparing(ParcelType::id))
                .toList();
        this.tracer = tracer;
    }

    /** @param lines physical ones, not empty */
    public static PackingResult of(List<PricedLine> lines, List<ParcelType> types, Tracer tracer) {
        if (types.isEmpty()) {
            Figure weight = tracer.count(
                    "kg",
                    "rule/weight",
                    Message.of("why.weight"),
                    lines.stream().map(PricedLine::weight).toList());
            return new PackingResult(
                    List.of(new Parcel(Optional.empty(), onlySize(lines), weight, List.of())),
                    PackingResult.Way.AS_IT_IS);
        }
        return new Packing(lines, types, tracer).pack();
    }

    private static Optional<Size> onlySize(List<PricedLine> lines) {
        boolean one = lines.size() == 1
                && (lines.get(0).product().measure().isPresent()
                        || lines.get(0).line().quantity().compareTo(BigDecimal.ONE) == 0);
        return one ? lines.get(0).product().sending().size() : Optional.empty();
    }

    static int millimetres(BigDecimal centimetres, RoundingMode mode) {
        return centimetres.movePointRight(1).min(LONGEST).setScale(0, mode).intValue();
    }

    private PackingResult pack() {
        List<Piece> together = new ArrayList<>();
        boolean counted = lines.stream().map(line -> pieces(line)).reduce(0, Integer::sum) <= MOST_PLACED;
        for (PricedLine line : lines) {
            int count = counted ? pieces(line) : 1;
            BigDecimal weight = line.weight().value().divide(BigDecimal.valueOf(count));
            for (int i = 0; i < count; i++) {
                Piece piece = new Piece(line, line.product().sending().size(), weight);
                if (line.product().sending().alone() && counted) {
                    alone(piece);
                } else if (counted && piece.size().isPresent() && types.stream().noneMatch(type -> fits(piece, type))) {
                    parcels.add(asItIs(piece));
                } else {
                    together.add(piece);
                }
            }
        }
        if (!together.isEmpty()) {
            together(together, counted);
        }
        return new PackingResult(parcels, way);
    }

    /** Goods sold by measure are one piece, whatever their length. */
    private static int pieces(PricedLine line) {
        return line.product().measure().isPresent()
                ? 1
                : line.line()
                        .quantity()
                        .min(BigDecimal.valueOf(MOST_PLACED + 1L))
                        .intValue();
    }

    private void alone(Piece piece) {
        Optional<ParcelType> type = piece.size().isEmpty()
                ? Optional.of(types.get(types.size() - 1))
                : types.stream().filter(each -> fits(piece, each)).findFirst();
        parcels.add(type.map(found -> parcel(
                        found, List.of(piece), List.of(new Placed(piece.line().index(), 0, 0, 0, 0, 0, 0))))
                .orElseGet(() -> asItIs(piece)));
    }

    private Parcel asItIs(Piece piece) {
        return new Parcel(
                Optional.empty(),
                piece.size(),
                weight(Optional.empty(), List.of(piece)),
                List.of(new Placed(piece.line().index(), 0, 0, 0, 0, 0, 0)));
    }

    private void together(List<Piece> pieces, boolean counted) {
        if (pieces.stream().anyMatch(piece -> piece.size().isEmpty())) {
            way = PackingResult.Way.BY_WEIGHT;
        } else if (!counted) {
            way = PackingResult.Way.BY_VOLUME;
        } else {
            Optional<List<BoxFitting.Filled>> placed = BoxFitting.of(pieces, types);
            if (placed.isPresent()) {
                placed.get().forEach(filled -> parcels.add(parcel(filled.type(), filled.pieces(), filled.places())));
                return;
            }
            way = PackingResult.Way.BY_VOLUME;
        }
        fill(pieces);
    }

    /** Largest first into the largest type, opening another when one is full by volume or weight. */
    private void fill(List<Piece> pieces) {
        ParcelType type = types.get(types.size() - 1);
        BigDecimal room = type.inner().volume();
        BigDecimal most = type.most()
                .map(limit -> limit.kilograms().subtract(type.weight().kilograms()))
                .orElse(BigDecimal.valueOf(Integer.MAX_VALUE));
        List<List<Piece>> open = new ArrayList<>();
        for (Piece piece : pieces.stream()
                .sorted(Comparator.comparing(Piece::volume)
                        .thenComparing(Piece::weight)
                        .reversed())
                .toList()) {
            List<Piece> into = open.stream()
                    .filter(list -> sum(list, Piece::volume).add(piece.volume()).compareTo(room) <= 0
                            && sum(list, Piece::weight).add(piece.weight()).compareTo(most) <= 0)
                    .findFirst()
                    .orElse(null);
            if (into == null) {
                into = new ArrayList<>();
                open.add(into);
            }
            into.add(piece);
        }
        open.forEach(list -> parcels.add(parcel(
                type,
                list,
                list.stream()
                        .map(piece -> new Placed(piece.line().index(), 0, 0, 0, 0, 0, 0))
                        .toList())));
    }

    private static BigDecimal sum(List<Piece> pieces, java.util.function.Function<Piece, BigDecimal> of) {
        return pieces.stream().map(of).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    static boolean fits(Piece piece, ParcelType type) {
        if (type.most()
                .filter(most -> piece.weight().add(type.weight().kilograms()).compareTo(most.kilograms()) > 0)
                .isPresent()) {
            return false;
        }
        List<BigDecimal> thing = piece.size().orElseThrow().centimetres();
        List<BigDecimal> room = type.inner().centimetres();
        if (!piece.upright()) {
            return within(
                    thing.stream().sorted().toList(), room.stream().sorted().toList());
        }
        return thing.get(2).compareTo(room.get(2)) <= 0
                && within(
                        thing.subList(0, 2).stream().sorted().toList(),
                        room.subList(0, 2).stream().sorted().toList());
    }

    private static boolean within(List<BigDecimal> sides, List<BigDecimal> room) {
        for (int i = 0; i < sides.size(); i++) {
            if (sides.get(i).compareTo(room.get(i)) > 0) {
                return false;
            }
        }
        return true;
    }

    private Parcel parcel(ParcelType type, List<Piece> pieces, List<Placed> places) {
        return new Parcel(Optional.of(type), Optional.of(type.outer()), weight(Optional.of(type), pieces), places);
    }

    private Figure weight(Optional<ParcelType> type, List<Piece> pieces) {
        List<Figure> parts = new ArrayList<>();
        type.ifPresent(found -> parts.add(tracer.number(
                Source.SETUP,
                found.weight().kilograms(),
                "kg",
                "delivery/parcels/" + found.id() + "/weight",
                Message.of("why.empty", "found", found.name()))));
        Map<PricedLine, Integer> counts = new LinkedHashMap<>();
        Map<PricedLine, BigDecimal> ones = new LinkedHashMap<>();
        pieces.forEach(piece -> {
            counts.merge(piece.line(), 1, Integer::sum);
            ones.put(piece.line(), piece.weight());
        });
        counts.forEach((line, count) -> parts.add(tracer.product(
                "kg",
                "rule/parcel-weight",
                Message.name(line.product().name()),
                List.of(
                        tracer.number(
                                Source.SETUP,
                                ones.get(line),
                                "kg",
                                "goods/products/" + line.product().id() + "/weight",
                                Message.of("why.weight-of-one")),
                        tracer.number(
                                Source.CONSTANT,
                                BigDecimal.valueOf(count),
                                "",
                                "rule/parcel-weight",
                                Message.of("why.pieces"))))));
        return tracer.count("kg", "rule/parcel-weight", Message.of("why.packed-parcel"), parts);
    }
}

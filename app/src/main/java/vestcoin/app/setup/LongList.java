package vestcoin.app.setup;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import vestcoin.app.format.Json;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Product;
import vestcoin.core.tax.Tax;

/**
 * The one list of a station that grows to thousands: products, zones, rows of the tax book. An edit makes anew only the
 * nodes along its path, so all other things of the list are the ones already read.
 *
 * @param <S> the station
 * @param <T> a thing of the list
 */
record LongList<S, T>(
        String name,
        String field,
        Class<S> station,
        Class<T> type,
        Function<S, List<T>> get,
        BiFunction<S, List<T>, S> with) {
    private static final List<LongList<?, ?>> ALL = List.of(
            new LongList<>("goods", "products", Goods.class, Product.class, Goods::products, Goods::with),
            new LongList<>(
                    "delivery",
                    "zones",
                    Delivery.class,
                    Delivery.Zone.class,
                    Delivery::zones,
                    (delivery, list) -> new Delivery(
                            list,
                            delivery.options(),
                            delivery.parcels(),
                            delivery.handling(),
                            delivery.dispatch(),
                            delivery.byHand())),
            new LongList<>(
                    "tax",
                    "places",
                    Tax.class,
                    Tax.PlaceRates.class,
                    Tax::places,
                    (tax, list) -> new Tax(
                            tax.prices(),
                            tax.categories(),
                            list,
                            tax.registrations(),
                            tax.standing(),
                            tax.sourcing(),
                            tax.smallBusiness(),
                            tax.netForBusinesses(),
                            tax.salesElsewhere())));

    static LongList<?, ?> of(String station) {
        return ALL.stream()
                .filter(list -> list.name.equals(station))
                .findFirst()
                .orElse(null);
    }

    /** A station with another list. */
    S with(Object known, List<?> things) {
        return with.apply(station.cast(known), things.stream().map(type::cast).toList());
    }

    /** The things of a station's list. */
    List<T> of(Object known) {
        return get.apply(station.cast(known));
    }

    /**
     * @param before the node {@code known} was read from @throws vestcoin.core.problem.InvalidInput with the place by
     *     its number in the list
     */
    Object read(JsonNode node, JsonNode before, Object known) {
        if (!(node instanceof ObjectNode object)
                || !(object.get(field) instanceof ArrayNode array)
                || !(before.get(field) instanceof ArrayNode old)) {
            return Json.read(node, station, name);
        }
        Map<JsonNode, T> read = new IdentityHashMap<>(old.size());
        List<T> things = of(known);
        for (int i = 0; i < things.size(); i++) {
            read.put(old.get(i), things.get(i));
        }
        List<T> list = new ArrayList<>(array.size());
        for (int i = 0; i < array.size(); i++) {
            T same = read.get(array.get(i));
            list.add(same != null ? same : Json.read(array.get(i), type, name + "/" + field + "/" + i));
        }
        ObjectNode rest = object.objectNode().setAll(object);
        rest.set(field, object.arrayNode());
        return with.apply(Json.read(rest, station, name), list);
    }

    /**
     * A station as it is written, from the node it was read from: things that are the same as before keep their nodes.
     */
    JsonNode written(Object station, JsonNode node, JsonNode before) {
        if (!(node.get(field) instanceof ArrayNode array) || !(before.path(field) instanceof ArrayNode old)) {
            return Json.tree(station);
        }
        Set<JsonNode> kept = Collections.newSetFromMap(new IdentityHashMap<>(old.size()));
        old.forEach(kept::add);
        List<T> things = of(station);
        ObjectNode result = (ObjectNode) Json.tree(with(station, List.of()));
        ArrayNode list = result.arrayNode(things.size());
        for (int i = 0; i < things.size(); i++) {
            list.add(kept.contains(array.get(i)) ? array.get(i) : Json.tree(things.get(i)));
        }
        result.set(field, list);
        return result;
    }
}

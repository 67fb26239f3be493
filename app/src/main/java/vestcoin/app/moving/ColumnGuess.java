package vestcoin.app.moving;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/**
 * What the columns of a goods file probably hold: by the nouns of the trade in their headings, and by what is in them.
 * Common practice, no source.
 */
final class ColumnGuess {
    /** @param doubted whether another column could be this as well, or this one something else */
    record Guess(Meaning meaning, boolean doubted) {}

    /** Stems of words in a heading, in the order in which they decide. */
    private static final Map<Meaning, List<String>> WORDS = new LinkedHashMap<>();

    static {
        WORDS.put(
                Meaning.BELONGS_TO,
                List.of("parent", "master", "belongs", "gehort", "haupt", "variantof", "variationof"));
        WORDS.put(
                Meaning.OPTIONS,
                List.of("options", "choices", "variants", "varianten", "auswahl", "opciones", "opzioni"));
        WORDS.put(
                Meaning.OPTION,
                List.of(
                        "size",
                        "colo",
                        "gross",
                        "farb",
                        "taille",
                        "couleur",
                        "talla",
                        "tamano",
                        "taglia",
                        "maat",
                        "kleur",
                        "material",
                        "length",
                        "lange",
                        "longueur",
                        "scent",
                        "duft",
                        "flavo"));
        WORDS.put(Meaning.SALE_FROM, List.of());
        WORDS.put(Meaning.SALE_TO, List.of());
        WORDS.put(Meaning.SALE_PRICE, List.of());
        WORDS.put(
                Meaning.COST,
                List.of(
                        "cost",
                        "purchas",
                        "wholesale",
                        "kosten",
                        "einkauf",
                        "ek",
                        "achat",
                        "cout",
                        "compra",
                        "acquist",
                        "inkoop"));
        WORDS.put(Meaning.PRICE, List.of("price", "preis", "prix", "precio", "prezzo", "prijs", "amount", "betrag"));
        WORDS.put(Meaning.WEIGHT, List.of("weight", "gewicht", "poids", "peso"));
        WORDS.put(
                Meaning.STOCK,
                List.of(
                        "stock",
                        "quantity",
                        "qty",
                        "bestand",
                        "lager",
                        "menge",
                        "onhand",
                        "voorraad",
                        "existencia",
                        "giacenz"));
        WORDS.put(
                Meaning.GROUP,
                List.of("categor", "kategorie", "gruppe", "group", "type", "kind", "gamme", "rubri", "section"));
        WORDS.put(
                Meaning.SENTENCE,
                List.of("descri", "beschreibung", "text", "sentence", "about", "omschrijving", "info", "detail"));
        WORDS.put(
                Meaning.CODE,
                List.of(
                        "code",
                        "sku",
                        "number",
                        "nummer",
                        "artnr",
                        "artikelnr",
                        "numero",
                        "reference",
                        "referenc",
                        "ref",
                        "codice",
                        "codigo",
                        "id",
                        "key",
                        "nr",
                        "no"));
        WORDS.put(
                Meaning.NAME,
                List.of(
                        "name",
                        "title",
                        "titel",
                        "titre",
                        "titulo",
                        "titolo",
                        "product",
                        "produkt",
                        "produit",
                        "prodotto",
                        "producto",
                        "article",
                        "artikel",
                        "item",
                        "bezeichnung",
                        "designation",
                        "nom",
                        "naam"));
    }

    private static final List<String> REDUCED = List.of(
            "sale",
            "special",
            "offer",
            "reduced",
            "angebot",
            "aktion",
            "promo",
            "solde",
            "rebajado",
            "oferta",
            "offerta",
            "sonder",
            "discount",
            "rabatt",
            "actie");
    private static final List<String> BEGINS =
            List.of("from", "start", "begin", "von", "ab", "debut", "desde", "dal", "vanaf");
    private static final List<String> ENDS =
            List.of("to", "until", "till", "end", "bis", "ende", "fin", "hasta", "al", "tot");

    /** What sending costs is no cost of goods. */
    private static final List<String> SENDING = List.of(
            "ship", "deliver", "postage", "versand", "liefer", "porto", "livraison", "envio", "spedizion", "verzend");

    /** What is in at most one column; of an option there can be several. */
    private static final Set<Meaning> SEVERAL = EnumSet.of(Meaning.OPTION, Meaning.NOTHING);

    private static final Pattern MONEY = Pattern.compile("[^0-9]{0,4}\\d[\\d.,' ]*[^0-9]{0,4}");
    private static final int LOOKED_AT = 200;

    private final GoodsTable table;

    private ColumnGuess(GoodsTable table) {
        this.table = table;
    }

    static List<Guess> of(GoodsTable table) {
        return new ColumnGuess(table).all();
    }

    private List<Guess> all() {
        List<Meaning> first = new ArrayList<>();
        for (String heading : table.headings()) {
            first.add(byHeading(heading));
        }
        for (int i = 0; i < first.size(); i++) {
            first.set(i, possible(first.get(i), i) ? first.get(i) : Meaning.NOTHING);
        }
        if (!first.contains(Meaning.PRICE)) {
            // Who writes of one amount alone may call it either.
            first.replaceAll(meaning -> meaning == Meaning.COST ? Meaning.PRICE : meaning);
        }
        List<Guess> guesses = new ArrayList<>();
        Set<Meaning> taken = EnumSet.noneOf(Meaning.class);
        for (Meaning meaning : first) {
            boolean again = !SEVERAL.contains(meaning) && !taken.add(meaning);
            guesses.add(new Guess(again ? Meaning.NOTHING : meaning, again));
        }
        // Two columns that both look like the price: neither is sure.
        for (int i = 0; i < guesses.size(); i++) {
            Meaning meaning = guesses.get(i).meaning();
            if (!SEVERAL.contains(meaning)
                    && first.stream().filter(meaning::equals).count() > 1) {
                guesses.set(i, new Guess(meaning, true));
            }
        }
        need(guesses, Meaning.NAME, this::isNames);
        need(guesses, Meaning.PRICE, this::isMoney);
        return guesses;
    }

    /** What no heading named is looked for by what is in the columns nobody knows. */
    private void need(List<Guess> guesses, Meaning meaning, Predicate<Integer> holds) {
        if (guesses.stream().anyMatch(guess -> guess.meaning() == meaning)) {
            return;
        }
        for (int i = 0; i < guesses.size(); i++) {
            if (guesses.get(i).meaning() == Meaning.NOTHING && holds.test(i)) {
                guesses.set(i, new Guess(meaning, true));
                return;
            }
        }
    }

    private static Meaning byHeading(String heading) {
        List<String> words = words(heading);
        String whole = String.join("", words);
        if (has(words, REDUCED)) {
            if (words.stream().anyMatch(BEGINS::contains)) {
                return Meaning.SALE_FROM;
            }
            return words.stream().anyMatch(ENDS::contains) ? Meaning.SALE_TO : Meaning.SALE_PRICE;
        }
        boolean sending = has(words, SENDING);
        for (Map.Entry<Meaning, List<String>> each : WORDS.entrySet()) {
            if (!(sending && each.getKey() == Meaning.COST)
                    && each.getValue().stream()
                            .anyMatch(word -> word.length() < 4 ? words.contains(word) : whole.contains(word))) {
                return each.getKey();
            }
        }
        return Meaning.NOTHING;
    }

    private static boolean has(List<String> words, List<String> stems) {
        return words.stream().anyMatch(word -> stems.stream().anyMatch(word::startsWith));
    }

    /** Words without capitals and accents. */
    static List<String> words(String heading) {
        return Arrays.stream(Normalizer.normalize(heading, Normalizer.Form.NFD)
                        .replaceAll("\\p{M}", "")
                        .replace("ß", "ss")
                        // Words that stand together with a capital between them.
                        .replaceAll("(\\p{Ll})(\\p{Lu})", "$1 $2")
                        .toLowerCase(Locale.ROOT)
                        .split("[^a-z0-9]+"))
                .filter(word -> !word.isEmpty())
                .toList();
    }

    /** Whether what is in a column can be that: a price that is no number is none. */
    private boolean possible(Meaning meaning, int column) {
        return switch (meaning) {
            case PRICE, SALE_PRICE, COST, STOCK -> isMoney(column);
            case WEIGHT -> values(column).stream().allMatch(cell -> cell.matches(".*\\d.*"));
            default -> !values(column).isEmpty() || meaning == Meaning.OPTION;
        };
    }

    private boolean isMoney(int column) {
        List<String> values = values(column);
        long money =
                values.stream().filter(cell -> MONEY.matcher(cell).matches()).count();
        return !values.isEmpty() && money * 10 >= values.size() * 8;
    }

    private boolean isNames(int column) {
        List<String> values = values(column);
        long words =
                values.stream().filter(cell -> cell.matches(".*\\p{L}{2}.*")).count();
        return !values.isEmpty() && words * 10 >= values.size() * 8;
    }

    private List<String> values(int column) {
        return table.rows().stream()
                .map(row -> row.cells().get(column))
                .filter(cell -> !cell.isEmpty())
                .limit(LOOKED_AT)
                .toList();
    }
}

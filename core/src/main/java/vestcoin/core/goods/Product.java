package vestcoin.core.goods;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vestcoin.core.calendar.Window;
import vestcoin.core.message.Message;

/**
 * A thing for sale.
 *
 * @param id never changes once an order has it
 * @param name as the buyer reads it
 * @param kind whether it has to be delivered, and how its price is found
 * @param price the shelf price in the shop's currency, with or without tax as the tax station says; of one unit of the
 *     measure where there is one
 * @param category id of the tax category; what its group says unless it is named here
 * @param weight of one unit; needed where delivery is priced by weight
 * @param options choices the buyer makes before the basket, each compulsory
 * @param sale a lower price for some days
 * @param breaks lower prices from a quantity on
 * @param measure for goods sold by length, weight or volume instead of by the piece
 * @param bounds least and most a buyer may give; for donations, and for vouchers of any amount
 * @param groupPrices a price of its own for a buyer group, by the group's id
 * @param prices a shelf price set by hand for another currency, by its code
 * @param variations choices that together have a price, weight or stock of their own
 * @param group id of the product group; the shop's default group unless it is named here
 * @param sending what delivery needs to know
 * @param renews for subscriptions, how often it is charged again
 * @param perUnit amounts that stand on top of each unit, such as a deposit
 * @param contents what a bundle holds, each with all its choices made
 * @param download how what is not sent is handed over
 * @param validMonths for vouchers, for how many months from the day on which they are handed over;
 *     {@link #USUAL_VALID_MONTHS} without it
 * @param taxedAtSale for vouchers, whether all they buy bears one rate in one country: then that tax is due when they
 *     are sold, and they buy nothing else (Directive 2006/112/EC, Art. 30a, 30b)
 * @param forGroups ids of the buyer groups it is sold to; to everybody when empty
 * @param questions what the buyer is asked besides the choices
 * @param selling whether it can be had; on sale as usual without it
 * @param shown what a buyer sees of it besides its name
 * @param together of a bundle or box, how its parts are priced; of a box, what it is filled from
 * @param cost what one unit costs the seller, without the tax that is deducted, in the shop's currency
 */
@RecordBuilder
public record Product(
        String id,
        String name,
        Kind kind,
        BigDecimal price,
        Optional<String> category,
        Optional<Weight> weight,
        List<Option> options,
        Optional<Sale> sale,
        List<Break> breaks,
        Optional<Measure> measure,
        Optional<Bounds> bounds,
        Map<String, BigDecimal> groupPrices,
        Map<String, BigDecimal> prices,
        List<Variation> variations,
        Optional<String> group,
        ShippingTraits sending,
        Optional<Renewal> renews,
        List<PerUnit> perUnit,
        List<Line> contents,
        Optional<Download> download,
        Optional<Integer> validMonths,
        boolean taxedAtSale,
        List<String> forGroups,
        List<Question> questions,
        Optional<Selling> selling,
        Optional<Shown> shown,
        Optional<Together> together,
        Optional<BigDecimal> cost) {
    /** Five years, as long as any law known here asks for. Source: from memory. */
    public static final int USUAL_VALID_MONTHS = 60;

    /**
     * What it is. A service is done where the shop is, a remote service is not. A donation is an amount the buyer
     * chooses. A voucher is money put aside, and bears its tax when it is used, unless all it buys bears the same.
     * Neither of the two is discounted or counted to thresholds. A bundle is several goods put into the basket in one
     * go, each taxed as itself; a box is the same, filled by its buyer.
     */
    public enum Kind {
        PHYSICAL,
        DIGITAL,
        SERVICE,
        REMOTE_SERVICE,
        DONATION,
        VOUCHER,
        BUNDLE,
        BOX
    }

    /** One question to the buyer, such as the size. */
    public record Option(String id, String name, List<Choice> choices) {
        public Option {
            choices = choices == null ? List.of() : List.copyOf(choices);
        }
    }

    /**
     * One answer to the question.
     *
     * @param extra added to the base price, may be negative; an amount in the shop's currency
     * @param percent added to the base price, in percent of it
     * @param when of a service that takes place on a day; it is not sold once that has begun
     */
    public record Choice(
            String id,
            String name,
            Optional<BigDecimal> extra,
            Optional<BigDecimal> percent,
            Optional<Appointment> when) {
        public Choice {
            extra = extra == null ? Optional.empty() : extra;
            percent = percent == null ? Optional.empty() : percent;
            when = when == null ? Optional.empty() : when;
        }

        public Choice(String id, String name, Optional<BigDecimal> extra, Optional<BigDecimal> percent) {
            this(id, name, extra, percent, null);
        }
    }

    /** When a service takes place, on the shop's clock. */
    public record Appointment(LocalDateTime starts, LocalDateTime ends) {
        /** Whether it has begun by an instant, and is sold no more. @param zone of the shop */
        public boolean begun(Instant at, ZoneId zone) {
            return !starts.isAfter(LocalDateTime.ofInstant(at, zone));
        }
    }

    /** When it takes place with these choices made, by option and choice. */
    public List<Appointment> appointments(Map<String, String> chosen) {
        return options.stream()
                .flatMap(option -> option.choices().stream()
                        .filter(choice -> choice.id().equals(chosen.get(option.id())))
                        .flatMap(choice -> choice.when().stream()))
                .toList();
    }

    public record Sale(BigDecimal price, Window window) {}

    /**
     * A lower base price from a quantity on, that figure included.
     *
     * @param price replaces the base price
     * @param percent taken off the base price; used when there is no price
     */
    public record Break(BigDecimal from, Optional<BigDecimal> price, Optional<BigDecimal> percent) {
        public Break {
            price = price == null ? Optional.empty() : price;
            percent = percent == null ? Optional.empty() : percent;
        }
    }

    /** @param unit what one is called, such as m @param step quantities are whole numbers of steps */
    public record Measure(String unit, BigDecimal step, BigDecimal least, BigDecimal most) {}

    public record Bounds(BigDecimal least, BigDecimal most) {}

    /**
     * Choices that together have figures of their own. Of several that fit the one that names most choices holds.
     *
     * @param options option id to choice id
     * @param price in place of the shelf price
     * @param sale in place of the product's
     * @param weight in place of the product's
     */
    public record Variation(
            String id,
            Map<String, String> options,
            Optional<BigDecimal> price,
            Optional<Sale> sale,
            Optional<Weight> weight) {
        public Variation {
            options = options == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(options));
            price = price == null ? Optional.empty() : price;
            sale = sale == null ? Optional.empty() : sale;
            weight = weight == null ? Optional.empty() : weight;
        }
    }

    /**
     * An amount on top of each unit, outside discounts, breaks, thresholds and the weights of sharing.
     *
     * @param category id of its tax category, where it is taxed in one of its own
     * @param inside already in the shelf price and only shown
     * @param taxed how it is taxed; where nobody has said, in its category if it has one, else like the goods
     */
    public record PerUnit(
            String id,
            String name,
            BigDecimal amount,
            Optional<String> category,
            boolean inside,
            Optional<Taxed> taxed) {
        /** As the product is, in a category of its own, or outside of tax. */
        public enum Taxed {
            LIKE_GOODS,
            OWN_CATEGORY,
            OUTSIDE
        }

        public PerUnit {
            category = category == null ? Optional.empty() : category;
            taxed = taxed == null ? Optional.empty() : taxed;
        }

        public PerUnit(String id, String name, BigDecimal amount, Optional<String> category, boolean inside) {
            this(id, name, amount, category, inside, null);
        }

        /** The category it is taxed in, or nothing outside of tax. @param goods the product's category */
        Optional<String> category(String goods) {
            return taxed.filter(Taxed.OUTSIDE::equals).isPresent()
                    ? Optional.empty()
                    : Optional.of(taxed.filter(Taxed.LIKE_GOODS::equals).isPresent() ? goods : category.orElse(goods));
        }
    }

    public Product {
        cost = cost == null ? Optional.empty() : cost;
        category = category == null ? Optional.empty() : category;
        options = options == null ? List.of() : List.copyOf(options);
        weight = weight == null ? Optional.empty() : weight;
        sale = sale == null ? Optional.empty() : sale;
        breaks = breaks == null ? List.of() : List.copyOf(breaks);
        measure = measure == null ? Optional.empty() : measure;
        bounds = bounds == null ? Optional.empty() : bounds;
        groupPrices = groupPrices == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(groupPrices));
        prices = prices == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(prices));
        variations = variations == null ? List.of() : List.copyOf(variations);
        group = group == null ? Optional.empty() : group;
        sending = sending == null ? ShippingTraits.NOTHING : sending;
        renews = renews == null ? Optional.empty() : renews;
        perUnit = perUnit == null ? List.of() : List.copyOf(perUnit);
        contents = contents == null ? List.of() : List.copyOf(contents);
        download = download == null ? Optional.empty() : download;
        validMonths = validMonths == null ? Optional.empty() : validMonths;
        forGroups = forGroups == null ? List.of() : List.copyOf(forGroups);
        questions = questions == null ? List.of() : List.copyOf(questions);
        selling = selling == null ? Optional.empty() : selling;
        shown = shown == null ? Optional.empty() : shown;
        together = together == null ? Optional.empty() : together;
    }

    /**
     * What a buyer sees of a product in the list of goods.
     *
     * @param sentence what it is, in one or two sentences
     * @param picture SHA-256 of a picture the shop keeps, as hexadecimal
     */
    public record Shown(Optional<String> sentence, Optional<String> picture) {
        /** Longer is no sentence any more. */
        public static final int LONGEST = 300;

        /** How a picture is named. */
        public static final String PICTURE = "[0-9a-f]{64}";

        public Shown {
            sentence = sentence == null ? Optional.empty() : sentence;
            picture = picture == null ? Optional.empty() : picture;
        }
    }

    /**
     * How the files of a digital product are handed over.
     *
     * @param link where it is instead of in files of the shop; http or https
     * @param most how often each file can be fetched; {@link #USUAL_TIMES} without it
     * @param days for how many days; {@link #USUAL_DAYS} without it
     */
    public record Download(Optional<String> link, Optional<Integer> most, Optional<Integer> days) {
        /** Common practice, no source. */
        public static final int USUAL_TIMES = 5;
        /** Common practice, no source. */
        public static final int USUAL_DAYS = 30;

        public static final Download USUAL = new Download(null, null, null);

        public Download {
            link = link == null ? Optional.empty() : link;
            most = most == null ? Optional.empty() : most;
            days = days == null ? Optional.empty() : days;
        }

        public int times() {
            return most.orElse(USUAL_TIMES);
        }

        public int lasts() {
            return days.orElse(USUAL_DAYS);
        }
    }

    public static Product of(
            String id,
            String name,
            Kind kind,
            BigDecimal price,
            String category,
            Optional<Weight> weight,
            List<Option> options) {
        return new Product(
                id,
                name,
                kind,
                price,
                Optional.of(category),
                weight,
                options,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                false,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    /** This product with what it does not say taken from its group. */
    Product in(Goods.ProductGroup of) {
        return new Product(
                id,
                name,
                kind,
                price,
                category.or(of::category),
                weight.or(of::weight),
                options,
                sale,
                breaks,
                measure,
                bounds,
                groupPrices,
                prices,
                variations,
                Optional.of(of.id()),
                sending.or(of.sending()),
                renews,
                perUnit,
                contents,
                download,
                validMonths,
                taxedAtSale,
                forGroups,
                questions,
                selling,
                shown,
                together,
                cost);
    }

    /** The tax category of a product on the shelf, where what its group says is filled in. */
    public String taxCategory() {
        return category.orElse("");
    }

    /** Whether it is put into the basket as its parts: a bundle or a box. */
    public boolean assembled() {
        return kind == Kind.BUNDLE || kind == Kind.BOX;
    }

    /** How its parts are priced. */
    public Together parts() {
        return together.orElse(Together.SUM);
    }

    public boolean physical() {
        return kind == Kind.PHYSICAL;
    }

    /** Whether it leaves the shop or is done for the buyer, rather than fetched, or money put aside or given. */
    public boolean leaves() {
        return kind != Kind.DIGITAL && !outside();
    }

    public Selling sold() {
        return selling.orElse(Selling.USUAL);
    }

    /** Something for each question that has to be answered, to price one that nobody asks for yet. */
    public Map<String, String> madeUpAnswers() {
        Map<String, String> answers = new LinkedHashMap<>();
        questions.stream()
                .filter(Question::compulsory)
                .forEach(question -> answers.put(question.id(), question.sample()));
        return answers;
    }

    /** What a line says about it besides its choices, in its order of questions. */
    public List<Message> answered(Line line) {
        return questions.stream()
                .filter(question -> line.answers().containsKey(question.id()))
                .map(question -> question.answered(line.answers().get(question.id())))
                .toList();
    }

    /** Whether somebody buys it. @param group id of the one they belong to, if any */
    public boolean soldTo(Optional<String> group) {
        return forGroups.isEmpty() || group.filter(forGroups::contains).isPresent();
    }

    /** Whether it stands outside of discounts and thresholds: a donation or a voucher. */
    public boolean outside() {
        return kind == Kind.DONATION || kind == Kind.VOUCHER;
    }

    /** Whether no tax is due when it is sold: a donation, or a voucher that is taxed when it is used. */
    public boolean untaxed() {
        return outside() && !taxedAtSale;
    }

    /** The last day of a voucher handed over on a day. */
    public LocalDate validUntil(LocalDate from) {
        return from.plusMonths(validMonths.orElse(USUAL_VALID_MONTHS));
    }

    /** Whether the buyer says how much. */
    public boolean amountChosen() {
        return kind == Kind.DONATION || kind == Kind.VOUCHER && bounds.isPresent();
    }

    /** Whether one of these names is its tax category, its product group or its handling group. */
    public boolean among(List<String> names) {
        return category.filter(names::contains).isPresent()
                || group.filter(names::contains).isPresent()
                || sending.handling().filter(names::contains).isPresent();
    }
}

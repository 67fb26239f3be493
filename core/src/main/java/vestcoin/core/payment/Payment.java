package vestcoin.core.payment;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import vestcoin.core.place.Place;
import vestcoin.core.tax.Buyer;

/**
 * The Payment station of a setup. Keys and secrets are not part of it.
 *
 * @param methods in the buyer's order
 * @param accounts what is known of the accounts with providers
 * @param cashSteps currency to the step cash is rounded to; the published one where the seller names none
 * @param account where transfers go
 */
@RecordBuilder
public record Payment(
        List<Method> methods,
        List<Account> accounts,
        Map<String, BigDecimal> cashSteps,
        Optional<BankAccount> account) {
    public Payment {
        methods = methods == null ? List.of() : List.copyOf(methods);
        accounts = accounts == null ? List.of() : List.copyOf(accounts);
        cashSteps = cashSteps == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(cashSteps));
        account = account == null ? Optional.empty() : account;
    }

    public Payment(List<Method> methods) {
        this(methods, List.of(), Map.of(), Optional.empty());
    }

    /** How money comes. Card and wallet go through an account with a provider. */
    public enum Kind {
        CARD(true, false),
        WALLET(true, false),
        TRANSFER(false, false),
        CASH_ON_DELIVERY(false, true),
        CASH_AT_PICKUP(false, true),
        CHEQUE(false, false),
        ON_ACCOUNT(false, false);

        private final boolean provider;
        private final boolean cash;

        Kind(boolean provider, boolean cash) {
            this.provider = provider;
            this.cash = cash;
        }

        public boolean throughProvider() {
            return provider;
        }

        /** Whether a provider keeps what it was paid by and can be asked for it again: a card. */
        public boolean chargedAgain() {
            return this == CARD;
        }

        public boolean cash() {
            return cash;
        }

        /** Whether the money comes when goods are handed over, or later: nobody waits for it before they leave. */
        public boolean paidAfterwards() {
            return cash || this == ON_ACCOUNT;
        }
    }

    /**
     * A way to pay as the buyer picks it.
     *
     * @param on off until the seller turns it on
     * @param title what the buyer reads
     * @param sentence one plain sentence under the title
     * @param gateway id of the account with a provider, for the kinds that need one
     * @param fee what the provider takes
     * @param charge what the buyer pays or saves by choosing it
     * @param conditions when it is seen
     * @param capture when a card's money is taken
     * @param terms by when and up to how much an order on account is paid; 30 days without a limit where nothing is
     *     said
     * @param held hours an order waits for its money; the usual span of its kind where nothing is said
     */
    @RecordBuilder
    public record Method(
            String id,
            Kind kind,
            boolean on,
            String title,
            String sentence,
            Optional<String> gateway,
            Optional<Fee> fee,
            Optional<Charge> charge,
            Conditions conditions,
            Capture capture,
            Optional<Terms> terms,
            Optional<Integer> held) {
        public Method {
            held = held == null ? Optional.empty() : held;
            terms = terms == null ? Optional.empty() : terms;
            sentence = sentence == null ? "" : sentence;
            gateway = gateway == null ? Optional.empty() : gateway;
            fee = fee == null ? Optional.empty() : fee;
            charge = charge == null ? Optional.empty() : charge;
            conditions = conditions == null ? Conditions.NONE : conditions;
            capture = capture == null ? Capture.AT_ONCE : capture;
        }

        public Method(
                String id,
                Kind kind,
                boolean on,
                String title,
                String sentence,
                Optional<String> gateway,
                Optional<Fee> fee,
                Optional<Charge> charge,
                Conditions conditions,
                Capture capture) {
            this(id, kind, on, title, sentence, gateway, fee, charge, conditions, capture, null, null);
        }

        public Method(
                String id, Kind kind, boolean on, String title, String sentence, String gateway, Optional<Fee> fee) {
            this(id, kind, on, title, sentence, Optional.ofNullable(gateway), fee, null, null, null);
        }
    }

    /**
     * @param days from the invoice to when it is due @param limit most that one buyer may owe, this order included; any
     *     without it
     */
    public record Terms(int days, Optional<BigDecimal> limit) {
        /** Days where nothing is said; common practice, no source. */
        public static final int USUAL_DAYS = 30;

        public Terms {
            limit = limit == null ? Optional.empty() : limit;
        }
    }

    public enum Capture {
        AT_ONCE,
        AT_DISPATCH
    }

    /**
     * A provider's fee: round half up(percent × amount + fixed), for cards issued at home, and for all while no other
     * row is given.
     *
     * @param eea for cards of the rest of the European Economic Area
     * @param elsewhere for cards of other countries; that of the area without it
     */
    public record Fee(BigDecimal percent, BigDecimal fixed, Optional<FeeRow> eea, Optional<FeeRow> elsewhere) {
        public Fee {
            eea = eea == null ? Optional.empty() : eea;
            elsewhere = elsewhere == null ? Optional.empty() : elsewhere;
        }

        public Fee(BigDecimal percent, BigDecimal fixed) {
            this(percent, fixed, Optional.empty(), Optional.empty());
        }

        /** The row for a card, under the name it stands by; the first until the card is known. */
        Map.Entry<String, FeeRow> row(CardRegion card) {
            return switch (card) {
                case HOME -> Map.entry("", new FeeRow(percent, fixed));
                case EEA -> eea.map(row -> Map.entry("eea", row)).orElseGet(() -> row(CardRegion.HOME));
                case ELSEWHERE ->
                    elsewhere.map(row -> Map.entry("elsewhere", row)).orElseGet(() -> row(CardRegion.EEA));
            };
        }

        /** What is taken of an amount, rounded half up to the currency's places; nothing of nothing. */
        public BigDecimal taken(BigDecimal paid, CardRegion card, int digits) {
            FeeRow row = row(card).getValue();
            return paid.signum() <= 0
                    ? BigDecimal.ZERO.setScale(digits)
                    : paid.multiply(row.percent())
                            .movePointLeft(2)
                            .add(row.fixed())
                            .setScale(digits, RoundingMode.HALF_UP);
        }
    }

    /** @param percent of the amount @param fixed each time, in the shop's currency */
    public record FeeRow(BigDecimal percent, BigDecimal fixed) {
        public FeeRow {
            percent = percent == null ? BigDecimal.ZERO : percent;
            fixed = fixed == null ? BigDecimal.ZERO : fixed;
        }
    }

    /**
     * What choosing the method adds, in percent of the amount and as an amount; below zero it is a reduction. Taxed as
     * delivery is.
     */
    public record Charge(BigDecimal percent, BigDecimal amount) {
        public Charge {
            percent = percent == null ? BigDecimal.ZERO : percent;
            amount = amount == null ? BigDecimal.ZERO : amount;
        }
    }

    /**
     * When a buyer sees a method; figures are included and are measured before its own charge, vouchers and cash
     * rounding.
     *
     * @param least of the amount payable
     * @param most of the amount payable
     * @param places only orders to these; all when empty
     * @param buyers only persons, or only businesses
     * @param deliveries only with these delivery options or pickup places; all when empty
     * @param currencies only in these; all when empty
     * @param except not with goods of these tax categories, product groups or handling groups
     * @param groups ids of the buyer groups it is for; everybody when empty
     */
    @RecordBuilder
    public record Conditions(
            Optional<BigDecimal> least,
            Optional<BigDecimal> most,
            List<Place> places,
            Optional<Buyer.Kind> buyers,
            List<String> deliveries,
            List<String> currencies,
            List<String> except,
            List<String> groups) {
        static final Conditions NONE = PaymentConditionsBuilder.builder().build();

        public Conditions {
            least = least == null ? Optional.empty() : least;
            most = most == null ? Optional.empty() : most;
            places = places == null ? List.of() : List.copyOf(places);
            buyers = buyers == null ? Optional.empty() : buyers;
            deliveries = deliveries == null ? List.of() : List.copyOf(deliveries);
            currencies = currencies == null ? List.of() : List.copyOf(currencies);
            except = except == null ? List.of() : List.copyOf(except);
            groups = groups == null ? List.of() : List.copyOf(groups);
        }
    }

    /**
     * What a seller knows of an account with a provider.
     *
     * @param smallest amount it can charge
     * @param authorisationDays how long an authorisation holds
     */
    public record Account(String id, Optional<BigDecimal> smallest, Optional<Integer> authorisationDays) {
        public Account {
            smallest = smallest == null ? Optional.empty() : smallest;
            authorisationDays = authorisationDays == null ? Optional.empty() : authorisationDays;
        }
    }

    /**
     * Where transfers go.
     *
     * @param iban empty where accounts have none
     * @param holder as the bank knows it
     * @param payee as buyers are told to write it
     * @param branch what names the bank, where accounts have no IBAN; see {@link AccountForm}
     * @param number of the account there
     */
    public record BankAccount(String iban, String holder, String payee, String branch, String number) {
        public BankAccount(String iban, String holder, String payee) {
            this(iban, holder, payee, null, null);
        }

        /** The parts a transfer is made out to, each as it is called. @param country of the shop */
        public List<AccountForm.Part> parts(String country) {
            return AccountForm.of(country).parts(this);
        }

        public BankAccount {
            branch = branch == null ? "" : branch.strip();
            number = number == null ? "" : number.strip();
            iban = iban == null ? "" : iban;
            holder = holder == null ? "" : holder;
            payee = payee == null ? "" : payee;
        }
    }
}

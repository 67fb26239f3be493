package vestcoin.core.finding;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vestcoin.core.message.Message;
import vestcoin.core.place.Groups;
import vestcoin.core.setup.BuyerTexts;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.ShopFacts;
import vestcoin.core.terms.Asking;
import vestcoin.core.terms.Facts;
import vestcoin.core.terms.Terms;

/** What a seller should know about the terms. What the law asks is looked at, not blocked: this is no legal advice. */
final class TermsFindings {
    /** Days a consumer has to withdraw. Source: Directive 2011/83/EU, Article 9. */
    private static final int WITHDRAWAL = 14;

    private static final Pattern DAYS =
            Pattern.compile("(\\d{1,3})\\s*(?:days?|Tagen?|jours?)\\b", Pattern.CASE_INSENSITIVE);
    /**
     * Words that say an order costs money, by language. Source: Directive 2011/83/EU, Article 8(2) for the rule; the
     * words from memory.
     */
    private static final Map<String, Pattern> COSTS = Map.of(
            "en",
            Pattern.compile("pay|buy|purchase|obligation", Pattern.CASE_INSENSITIVE),
            "de",
            Pattern.compile("zahlungspflichtig|kaufen|kostenpflichtig", Pattern.CASE_INSENSITIVE),
            "fr",
            Pattern.compile("paiement|payer|acheter|payante", Pattern.CASE_INSENSITIVE));

    /** How amounts are signed besides the code; common practice, no source. */
    private static final Map<String, String> SIGNS =
            Map.of("EUR", "|€|Euro", "USD", "|\\$", "GBP", "|£", "CHF", "|Fr\\.");

    private static final String AMOUNT = "\\d{1,3}(?:[.,]\\d{3})*(?:[.,]\\d{1,2})?|\\d+(?:[.,]\\d{1,2})?";

    /** Ways to say who pays for sending back, in English and German; from memory. */
    private static final Pattern BUYER_PAYS = Pattern.compile(
            "\\b(?:you|the buyer) (?:pays?|bears?) (?:for|the cost of) (?:sending|returning|the return)|at your "
                    + "(?:own )?(?:cost|expense)|Rücksendung (?:bezahlen|tragen) Sie|auf (?:Ihre|eigene) Kosten",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern SHOP_PAYS = Pattern.compile(
            "\\bwe (?:pay|bear) (?:for|the cost of) (?:sending|returning|the return)|returns? (?:is|are) free|at "
                    + "our (?:own )?(?:cost|expense)|Rücksendung (?:bezahlen|tragen) wir|kostenlose Rücksendung|auf "
                    + "unsere Kosten",
            Pattern.CASE_INSENSITIVE);

    /** Languages that what we say ourselves ships in. */
    private static final Set<String> SHIPPED = Set.of("en", "de", "fr", "nl", "es", "it");

    private static final String PHRASES = "phrases.";

    private TermsFindings() {}

    static void add(Setup setup, FindingContext known, Findings.At at) {
        Terms terms = setup.terms();
        List<String> languages = new ArrayList<>(List.of(setup.shop().language()));
        languages.addAll(setup.shop().languages());
        if (Groups.EU.contains(setup.shop().address().country())) {
            union(terms, languages, at);
        }
        if (terms.returnDays().isPresent() && terms.returnAddress().isEmpty()) {
            at.look(
                    "no-return-address",
                    "terms/returnAddress",
                    Message.of("finding.goods-may-returned-but-there-no-address"),
                    Message.of("finding.add-or-shops-own"));
        }
        terms.texts().forEach((kind, byLanguage) -> {
            lacking("terms/texts/" + kind, Message.of("finding.text", "kind", kind), byLanguage, languages, at);
            byLanguage.forEach((tag, text) -> {
                contradiction(kind, tag, text, setup, at);
                amounts("terms/texts/" + kind + "/" + tag, text, setup, at);
            });
        });
        words(setup, languages.subList(1, languages.size()), at);
        phrases(setup, known.phrases(), languages, at);
        known.lettersWait()
                .ifPresent(why -> at.look(
                        "letters-do-not-leave",
                        "terms/letters",
                        Message.of("finding.letters-do-not-leave", "why", why),
                        Message.of("finding.look-at-mail-server")));
        texts(terms, known.texts(), at);
        lacking("terms/orderButton", Message.of("finding.order-button"), terms.orderButton(), languages, at);
    }

    /** Short messages that reach nobody, or do not leave. */
    private static void texts(Terms terms, FindingContext.ShortMessageLine line, Findings.At at) {
        if (terms.shortMessages().isEmpty()) {
            return;
        }
        if (terms.asking().phone() == Asking.Field.NO) {
            at.look(
                    "short-messages-reach-nobody",
                    "terms/asking/phone",
                    Message.of("finding.no-telephone-for-short-messages"),
                    Message.of("finding.let-counter-ask-for-telephone"));
        }
        if (!line.connected()) {
            at.look(
                    "short-messages-do-not-leave",
                    "terms/shortMessages",
                    Message.of("finding.no-service-for-short-messages"),
                    Message.of("finding.connect-service-for-short-messages"));
        }
        line.trouble()
                .ifPresent(why -> at.look(
                        "short-messages-wait",
                        "terms/shortMessages",
                        Message.of("finding.short-messages-wait", "why", why),
                        Message.of("finding.look-at-service-for-short-messages")));
    }

    /** What counter, letters and papers say themselves, in languages that do not ship. */
    private static void phrases(Setup setup, int all, List<String> languages, Findings.At at) {
        for (String tag : languages) {
            long worded = setup.terms().words().getOrDefault(tag, Map.of()).entrySet().stream()
                    .filter(each -> each.getKey().startsWith(PHRASES)
                            && !each.getValue().isBlank())
                    .count();
            if (!SHIPPED.contains(language(tag)) && worded < all) {
                at.look(
                        "phrases-lacking",
                        "terms/words/" + tag,
                        Message.of(
                                "finding.of-phrases-not-worded-in",
                                "lacking",
                                (int) (all - worded),
                                "size",
                                all,
                                "language",
                                tag),
                        Message.of(
                                "finding.word-them-at-terms-until-then",
                                "shop",
                                setup.shop().language()));
            }
        }
    }

    /** Names and sentences of the other stations that another language does not have yet. */
    private static void words(Setup setup, List<String> others, Findings.At at) {
        for (String language : others) {
            Map<String, String> known = setup.terms().words().getOrDefault(language, Map.of());
            Map<String, String> texts = BuyerTexts.of(setup);
            long lacking = texts.keySet().stream()
                    .filter(place -> known.getOrDefault(place, "").isBlank())
                    .count();
            if (lacking > 0) {
                at.look(
                        "words-lacking",
                        "terms/words/" + language,
                        Message.of(
                                "finding.of-names-and-sentences-not-written-in",
                                "lacking",
                                lacking,
                                "size",
                                texts.size(),
                                "language",
                                language),
                        Message.of(
                                "finding.write-them-at-terms-until-then-buyers",
                                "shop",
                                setup.shop().language()));
            }
        }
    }

    private static void lacking(
            String path, Message what, Map<String, String> byLanguage, List<String> languages, Findings.At at) {
        List<String> lacking = languages.stream()
                .map(TermsFindings::language)
                .distinct()
                .filter(language -> byLanguage.keySet().stream()
                        .noneMatch(tag -> language(tag).equals(language)))
                .toList();
        if (!byLanguage.isEmpty() && !lacking.isEmpty()) {
            at.look(
                    "language-lacking",
                    path,
                    Message.of("finding.lacks", "what", what, "languages", lacking),
                    Message.of("finding.write-or-take-language-out-of-shop"));
        }
    }

    private static String language(String tag) {
        return Locale.forLanguageTag(tag).getLanguage();
    }

    private static void contradiction(String kind, String tag, String text, Setup setup, Findings.At at) {
        Terms terms = setup.terms();
        int said = kind.contains("withdrawal")
                ? terms.withdrawalDays().orElse(-1)
                : kind.contains("return") || kind.contains("refund")
                        ? terms.returnDays().orElse(-1)
                        : -1;
        String path = "terms/texts/" + kind + "/" + tag;
        Facts.unset(text, terms, ShopFacts.of(setup))
                .forEach(name -> at.look(
                        "fact-not-set",
                        path,
                        Message.of("finding.text-wants-not-set", "name", name),
                        Facts.ofShop(name)
                                ? Message.of("finding.set-at-shop-or-take-out")
                                : Message.of("finding.set-on-left-or-take-out-of")));
        payer(path, text, terms, at);
        address(path, text, terms, at);
        Matcher matcher = DAYS.matcher(text);
        if (said >= 0 && matcher.find() && Integer.parseInt(matcher.group(1)) != said) {
            at.look(
                    "text-contradicts-setting",
                    path,
                    Message.of("finding.text-says-days-setting-says", "group", matcher.group(1), "said", said),
                    Message.of("finding.change-one-that-wrong"));
        }
    }

    /** An amount of the shop's currency that stands in a text and nowhere in the settings. */
    private static void amounts(String path, String text, Setup setup, Findings.At at) {
        String currency = setup.shop().currency();
        String sign = Pattern.quote(currency) + SIGNS.getOrDefault(currency, "");
        Matcher matcher = Pattern.compile("(?:" + sign + ")\\s?(" + AMOUNT + ")|(" + AMOUNT + ")\\s?(?:" + sign + ")")
                .matcher(text);
        Set<BigDecimal> known = SetupAmounts.of(setup);
        while (matcher.find()) {
            String said = matcher.group(1) == null ? matcher.group(2) : matcher.group(1);
            if (known.stream().noneMatch(amount -> amount.compareTo(read(said)) == 0)) {
                at.look(
                        "text-contradicts-setting",
                        path,
                        Message.of("finding.text-says-no-price-threshold-or-fee", "said", said, "currency", currency),
                        Message.of("finding.change-one-that-wrong"));
            }
        }
    }

    /** 1,234.50 or 1.234,50: the last mark is the decimal one if two digits or one follow it. */
    private static BigDecimal read(String said) {
        int mark = Math.max(said.lastIndexOf('.'), said.lastIndexOf(','));
        boolean decimal = mark >= 0 && said.length() - mark <= 3;
        String whole = (decimal ? said.substring(0, mark) : said).replaceAll("[.,]", "");
        return new BigDecimal(decimal ? whole + "." + said.substring(mark + 1) : whole);
    }

    private static void payer(String path, String text, Terms terms, Findings.At at) {
        boolean buyer = BUYER_PAYS.matcher(text).find();
        boolean shop = SHOP_PAYS.matcher(text).find();
        if (terms.returnPayer()
                .filter(payer -> payer == Terms.Payer.BUYER ? shop && !buyer : buyer && !shop)
                .isPresent()) {
            at.look(
                    "text-contradicts-setting",
                    path,
                    shop
                            ? Message.of("finding.text-says-that-shop-pays-for-sending")
                            : Message.of("finding.text-says-that-buyer-pays-for-sending"),
                    Message.of("finding.change-one-that-wrong-or-write"));
        }
    }

    /** A text that has one line of the return address and not another has an old one. */
    private static void address(String path, String text, Terms terms, Findings.At at) {
        List<String> lines = terms.returnAddress();
        List<String> missing =
                lines.stream().filter(line -> !text.contains(line)).toList();
        if (lines.size() > 1 && path.contains("return") && !missing.isEmpty() && missing.size() < lines.size()) {
            at.look(
                    "text-contradicts-setting",
                    path,
                    Message.of("finding.text-has-part-of-return-address-but", "line", missing.get(0)),
                    Message.of("finding.write-in-place"));
        }
    }

    private static void union(Terms terms, List<String> languages, Findings.At at) {
        if (terms.withdrawalDays().orElse(0) < WITHDRAWAL) {
            at.look(
                    "withdrawal-too-short",
                    "terms/withdrawalDays",
                    terms.withdrawalDays()
                            .map(days -> Message.of("finding.consumers-may-withdraw-for-days-only", "days", days))
                            .orElse(Message.of("finding.nothing-says-how-long-consumers-may-withdraw")),
                    Message.of("finding.give-them-14-days-at-least-directive"));
        }
        if (!terms.onlineWithdrawal()) {
            at.look(
                    "no-online-withdrawal",
                    "terms/onlineWithdrawal",
                    Message.of("finding.buyers-cannot-withdraw-on-shops-own-pages"),
                    Message.of("finding.switch-on-directive-2011-83-eu-art"));
        }
        if (!terms.refundsDelivery()) {
            at.look(
                    "delivery-not-refunded",
                    "terms/refundsDelivery",
                    Message.of("finding.standard-delivery-not-refunded-on-withdrawal"),
                    Message.of("finding.refund-directive-2011-83-eu-art-13"));
        }
        if (terms.texts().getOrDefault(Terms.LEGAL_NOTICE, Map.of()).isEmpty()) {
            at.look(
                    "no-legal-notice",
                    "terms/texts/" + Terms.LEGAL_NOTICE,
                    Message.of("finding.there-no-legal-notice"),
                    Message.of("finding.fill-from-shops-own-data-directive-2000"));
        }
        for (String tag : languages) {
            String button =
                    terms.orderButton().getOrDefault(tag, terms.orderButton().getOrDefault(language(tag), ""));
            Pattern costs = COSTS.get(language(tag));
            if (button.isBlank() || costs != null && !costs.matcher(button).find()) {
                at.look(
                        "button-without-cost",
                        "terms/orderButton",
                        button.isBlank()
                                ? Message.of("finding.order-button-has-no-text-in", "tag", tag)
                                : Message.of("finding.does-not-say-that-order-costs-money", "button", button),
                        Message.of("finding.write-order-and-pay-directive-2011-83"));
            }
        }
    }
}

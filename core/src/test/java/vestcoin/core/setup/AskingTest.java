package vestcoin.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.quote.Shops;
import vestcoin.core.terms.Asking;
import vestcoin.core.terms.AskingBuilder;
import vestcoin.core.terms.Terms;
import vestcoin.core.terms.TermsBuilder;

/** What a counter can be told to ask, and what it cannot. */
class AskingTest {
    private static Shops.Maker shop(Asking asking, Map<String, Terms.Exclusion> exceptions) {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("p", "10.00", "s", "1 kg")
                .terms(TermsBuilder.builder()
                        .onlineWithdrawal(false)
                        .refundsDelivery(false)
                        .prior(false)
                        .exceptions(exceptions)
                        .asking(asking)
                        .build());
    }

    private static Asking asking(Integer age, Integer hours, Asking.Extra... extras) {
        return AskingBuilder.builder()
                .note(true)
                .gift(true)
                .leastAge(Optional.ofNullable(age))
                .extras(List.of(extras))
                .remindAfter(Optional.ofNullable(hours))
                .build();
    }

    private static void refused(Asking asking, String... paths) {
        assertThatThrownBy(() -> shop(asking, null).compiled())
                .isInstanceOfSatisfying(
                        InvalidInput.class,
                        e -> assertThat(e.problems()).extracting(Problem::path).containsExactly(paths));
    }

    @Test
    void what_is_asked_costs_nothing_and_is_read_by_buyers() {
        Setup setup = shop(asking(18, 24, new Asking.Extra("colour", "Colour of the tail", true)), null)
                .compiled()
                .setup();
        assertThat(BuyerTexts.of(setup)).containsEntry("terms.asking.extras.colour.name", "Colour of the tail");
    }

    @Test
    void what_cannot_be_asked_is_refused_at_its_field() {
        refused(asking(0, null), "terms/asking/leastAge");
        refused(asking(130, null), "terms/asking/leastAge");
        refused(asking(null, 0), "terms/asking/remindAfter");
        refused(asking(null, 24 * 31), "terms/asking/remindAfter");
        refused(asking(null, null, new Asking.Extra("a", " ", false)), "terms/asking/extras/a/name");
        refused(asking(null, null, new Asking.Extra("A b", "x", false)), "terms/asking/extras/A b");
        refused(
                asking(null, null, new Asking.Extra("a", "x", false), new Asking.Extra("a", "y", false)),
                "terms/asking/extras/a");
        List<Asking.Extra> many = new ArrayList<>();
        for (int i = 0; i <= Asking.MOST_EXTRAS; i++) {
            many.add(new Asking.Extra("f" + i, "x", false));
        }
        refused(asking(null, null, many.toArray(Asking.Extra[]::new)), "terms/asking/extras");
    }

    @Test
    void an_exception_is_for_a_group_there_is() {
        assertThatThrownBy(() -> shop(Asking.NOTHING, Map.of("nowhere", Terms.Exclusion.PERISHABLE))
                        .compiled())
                .isInstanceOfSatisfying(InvalidInput.class, e -> assertThat(e.problems())
                        .extracting(Problem::path)
                        .containsExactly("terms/exceptions/nowhere"));
    }
}

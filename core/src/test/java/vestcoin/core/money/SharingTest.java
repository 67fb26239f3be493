package vestcoin.core.money;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class SharingTest {
    private static List<String> out(String whole, String... weights) {
        return Sharing.out(
                        new BigDecimal(whole),
                        2,
                        IntStream.range(0, weights.length)
                                .mapToObj(i -> new BigDecimal(weights[i]))
                                .toList())
                .stream()
                .map(BigDecimal::toPlainString)
                .toList();
    }

    @Test
    void left_over_cents_go_to_the_largest_remainders() {
        assertThat(out("10.00", "33.33", "33.33", "33.34")).containsExactly("3.33", "3.33", "3.34");
    }

    @Test
    void ties_go_to_the_part_that_comes_first() {
        assertThat(out("0.02", "1", "1", "1")).containsExactly("0.01", "0.01", "0.00");
    }

    @Test
    void weights_that_are_all_zero_count_as_equal() {
        assertThat(out("0.05", "0", "0")).containsExactly("0.03", "0.02");
    }

    @Test
    void a_reduction_is_shared_like_an_amount_with_its_sign() {
        assertThat(out("-10.00", "33.33", "33.33", "33.34")).containsExactly("-3.33", "-3.33", "-3.34");
    }

    @Test
    void parts_always_add_up_to_the_whole() {
        Random random = new Random(4);
        for (int round = 0; round < 2000; round++) {
            BigDecimal whole = BigDecimal.valueOf(random.nextInt(2_000_000) - 1_000_000, 2);
            List<BigDecimal> weights = IntStream.rangeClosed(0, random.nextInt(9))
                    .mapToObj(i -> BigDecimal.valueOf(random.nextInt(5000), random.nextInt(4)))
                    .toList();
            List<BigDecimal> parts = Sharing.out(whole, 2, weights);
            assertThat(parts.stream().reduce(BigDecimal.ZERO, BigDecimal::add)).isEqualByComparingTo(whole);
            assertThat(parts).allMatch(part -> part.signum() == 0 || part.signum() == whole.signum());
        }
    }
}

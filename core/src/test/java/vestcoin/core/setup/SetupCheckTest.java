package vestcoin.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.quote.Shops;

class SetupCheckTest {
    @Test
    void an_impossible_setup_is_refused_with_every_problem_at_once() {
        Setup setup = new Shops.Maker()
                .in("IE", "EUR")
                .taxes("IE", "s", "23")
                .sells("a", "-1.00", "s", "1 kg")
                .sells("a", "1.005", "gone", "1 kg")
                .delivers("XX", "post", "5.00")
                .setup();
        assertThatThrownBy(() -> CompiledSetup.of(setup))
                .isInstanceOfSatisfying(InvalidInput.class, refused -> assertThat(refused.problems())
                        .extracting(Problem::path)
                        .containsExactlyInAnyOrder(
                                "goods/products/a",
                                "goods/products/a/price",
                                "goods/products/a/price",
                                "goods/products/a/category",
                                "delivery/zones/xx/places"));
    }

    @Test
    void a_setup_with_stations_missing_names_them() {
        assertThatThrownBy(() -> CompiledSetup.of(new Setup(null, null, null, null, null, null, null)))
                .isInstanceOfSatisfying(InvalidInput.class, refused -> assertThat(refused.problems())
                        .extracting(Problem::path)
                        .isEqualTo(List.of("shop", "goods", "delivery", "tax", "payment")));
    }
}

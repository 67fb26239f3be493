package vestcoin.core.delivery;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.parcel.Parcel;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op.Source;
import vestcoin.core.why.Tracer;

/**
 * How a carrier finds the weight it charges: of each parcel the larger of its weight and its volume ÷ divisor, raised
 * to the next step, then summed. Common practice, no source.
 *
 * @param divisor volumes of this many units weigh one; 5000 is usual for cubic centimetres and kilograms, 139 for cubic
 *     inches and pounds
 * @param unit of the divisor
 * @param step what the weight is raised to; not raised without it
 */
public record ChargeableWeight(BigDecimal divisor, Unit unit, Optional<Weight> step) {
    /** Cubic centimetres a kilogram, or cubic inches a pound. */
    public enum Unit {
        CM3_PER_KG,
        IN3_PER_LB
    }

    /** Cubic centimetres in a cubic inch. Source: 1 in = 2.54 cm (international yard and pound agreement of 1959). */
    private static final BigDecimal CUBIC_INCH = new BigDecimal("2.54").pow(3);

    public ChargeableWeight {
        unit = unit == null ? Unit.CM3_PER_KG : unit;
        step = step == null ? Optional.empty() : step;
    }

    /** The weight charged for one parcel, in kg. */
    Figure of(Parcel parcel, String path, Tracer tracer) {
        Figure weight = parcel.weight();
        if (parcel.outer().isPresent()) {
            List<BigDecimal> sides = parcel.outer().get().centimetres();
            Figure volume = tracer.product(
                    "cm³",
                    "rule/volume",
                    Message.of("why.volume-of-parcel"),
                    sides.stream()
                            .map(side -> tracer.number(Source.SETUP, side, "cm", "rule/volume", Message.of("why.side")))
                            .toList());
            Figure volumetric = unit == Unit.IN3_PER_LB
                    ? imperial(volume, path, tracer)
                    : tracer.quotient(
                            "kg",
                            "rule/volumetric-weight",
                            Message.of("why.volumetric-weight"),
                            volume,
                            tracer.number(Source.SETUP, divisor, "cm³/kg", path, Message.of("why.divisor")));
            weight = tracer.greatest(
                    "kg",
                    "rule/chargeable-weight",
                    Message.of("why.larger-of-weight-and-volumetric-weight"),
                    List.of(weight, volumetric));
        }
        if (step.isEmpty()) {
            return weight;
        }
        return tracer.raised(
                "kg",
                "rule/chargeable-weight",
                Message.of("why.raised-to-step-of", "step", step.get().said()),
                weight,
                tracer.number(Source.SETUP, step.get().kilograms(), "kg", path, Message.of("why.step")));
    }

    /** Volume × kilograms in a pound ÷ (divisor × cubic centimetres in a cubic inch): exact until the one division. */
    private Figure imperial(Figure volume, String path, Tracer tracer) {
        Figure above = tracer.product(
                "",
                "rule/volumetric-weight",
                Message.of("why.volume-in-pounds-measure"),
                List.of(
                        volume,
                        tracer.number(
                                Source.CONSTANT,
                                Weight.kilogramsPer("lb"),
                                "kg",
                                path,
                                Message.of("why.kg-in-one-lb"))));
        Figure below = tracer.product(
                "",
                "rule/volumetric-weight",
                Message.of("why.divisor-in-cubic-centimetres"),
                List.of(
                        tracer.number(Source.SETUP, divisor, "in³/lb", path, Message.of("why.divisor")),
                        tracer.number(Source.CONSTANT, CUBIC_INCH, "cm³", path, Message.of("why.cm-in-one-in"))));
        return tracer.quotient("kg", "rule/volumetric-weight", Message.of("why.volumetric-weight"), above, below);
    }

    /** The weight charged for all parcels, in kg. */
    Figure of(List<Parcel> parcels, String path, Tracer tracer) {
        return tracer.count(
                "kg",
                "rule/chargeable-weight",
                Message.of("why.weight-carrier-charges"),
                parcels.stream().map(parcel -> of(parcel, path, tracer)).toList());
    }
}

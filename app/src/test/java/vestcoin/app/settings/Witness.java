package vestcoin.app.settings;

import java.lang.annotation.ElementType;
import java.lang.annotation.Repeatable;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * A test has seen what a property of the setup does, there where it is felt. What only needs a change and a look,
 * without time passing or somebody coming back, stands as a row in {@code settings.tsv} instead, which
 * {@link SettingsTest} carries out.
 */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@Repeatable(Witness.Several.class)
public @interface Witness {
    /** The property, as the register writes it: {@code goods.products[].renews.every}. */
    String value();

    Felt[] felt();

    /** More than one property. */
    @Target(ElementType.METHOD)
    @Retention(RetentionPolicy.RUNTIME)
    @interface Several {
        Witness[] value();
    }
}

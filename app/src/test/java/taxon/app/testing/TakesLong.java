package taxon.app.testing;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.Order;

/** Tests that wait long for a browser or a process: they begin before all others, so that nobody waits for them at the end. */
@Order(1)
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE)
public @interface TakesLong {}

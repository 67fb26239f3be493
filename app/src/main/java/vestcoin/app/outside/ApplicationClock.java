package vestcoin.app.outside;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.stereotype.Component;

/**
 * What the application tells the time of orders by: the machine's clock, and in a demo as far ahead of it as the
 * services' shared clock was moved. It is never moved back. Sessions, wrong tries and codes of one use keep the
 * {@link #MACHINE machine's}.
 */
@Component("applicationClock")
@Primary
public class ApplicationClock extends Clock {
    /** Name of the clock that nobody moves. */
    public static final String MACHINE = "machineClock";

    private volatile Duration ahead = Duration.ZERO;

    /** The machine's own clock. */
    @Configuration
    static class Machine {
        @Bean(MACHINE)
        Clock machineClock() {
            return Clock.systemUTC();
        }
    }

    /** @return whether it is later now than it was before */
    public synchronized boolean moveTo(Duration farther) {
        if (farther.compareTo(ahead) <= 0) {
            return false;
        }
        ahead = farther;
        return true;
    }

    /** How far it is ahead of the machine's. */
    public Duration ahead() {
        return ahead;
    }

    @Override
    public Instant instant() {
        return Instant.now().plus(ahead);
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return Clock.offset(Clock.system(zone), ahead);
    }
}

package vestcoin.app.run;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.outside.ApplicationClock;
import vestcoin.app.outside.HttpCalls;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.outside.TimePassed;
import vestcoin.core.message.Message;

/**
 * Time that can be let pass in a demo: the services keep one clock, which the application follows, so that what is due
 * in a month can be seen today.
 */
@Service
public class PracticeTime {
    private static final Duration PATIENCE = Duration.ofSeconds(3);
    /** What can be let pass at once. */
    private static final Duration MOST = Duration.ofDays(366);

    /** @param ahead seconds the clock is ahead of the machine's */
    public record Time(Instant now, long ahead) {}

    private final PracticeServices practice;
    private final HttpCalls calls;
    private final ApplicationClock clock;
    private final ApplicationEventPublisher events;
    private final ServiceAccess service;

    PracticeTime(
            PracticeServices practice,
            HttpCalls calls,
            ApplicationClock clock,
            ApplicationEventPublisher events,
            @Value("${vest-coin.services}") String services) {
        this.practice = practice;
        this.calls = calls;
        this.clock = clock;
        this.events = events;
        this.service = new ServiceAccess(services + "/clock", "");
    }

    public Time time() {
        return new Time(clock.instant(), clock.ahead().toSeconds());
    }

    /** Follows the services' clock, where the whole installation is a demo. */
    @Scheduled(fixedDelayString = "PT2S")
    public void follow() {
        if (practice.state().switchable()) {
            return;
        }
        try {
            take(calls.json(service, "GET", "/v1/clock", Map.of(), null, PATIENCE));
        } catch (ProviderTimeout | ProviderRejection e) {
            // They are not there yet, or no longer: the clock goes on from where it is.
        }
    }

    private void take(JsonNode answer) {
        if (clock.moveTo(Duration.ofSeconds(answer.path("ahead").asLong(0)))) {
            events.publishEvent(new TimePassed());
        }
    }

    /**
     * Lets time pass.
     *
     * @param from how far ahead it was for whoever asks, in seconds
     * @param days from one to a year
     * @throws ApiProblem if it was moved meanwhile, or this is no demo
     */
    public Time pass(long from, int days) {
        if (practice.state().switchable()) {
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "days",
                    Message.of("run.time-passes-in-demo-only"),
                    Message.of("run.start-demo-to-let-time-pass"));
        }
        if (days < 1 || days > MOST.toDays()) {
            throw new ApiProblem(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "days",
                    Message.of("run.time-goes-forward-only"),
                    Message.of("run.name-days-from-one-to-year"));
        }
        try {
            take(calls.json(
                    service,
                    "POST",
                    "/v1/clock",
                    Map.of(),
                    Map.of("from", from, "by", Duration.ofDays(days).toSeconds()),
                    PATIENCE));
        } catch (ProviderRejection e) {
            follow();
            throw new ApiProblem(
                    HttpStatus.CONFLICT,
                    "from",
                    Message.of("run.clock-was-moved-meanwhile"),
                    Message.of("run.look-at-time-and-move-again"));
        } catch (ProviderTimeout e) {
            throw new ApiProblem(
                    HttpStatus.BAD_GATEWAY,
                    "days",
                    Message.of("run.services-do-not-answer"),
                    Message.of("run.start-demo-to-let-time-pass"));
        }
        return time();
    }
}

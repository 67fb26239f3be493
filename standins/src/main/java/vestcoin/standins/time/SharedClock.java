package vestcoin.standins.time;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Map;
import vestcoin.standins.shared.Exchange;
import vestcoin.standins.shared.Exchange.Refusal;
import vestcoin.standins.shared.Html;
import vestcoin.standins.shared.Service;

/**
 * The clock of practice: the machine's, and as far ahead of it as it was moved. It is never moved back, and stays ahead
 * when the services are started again.
 */
public final class SharedClock extends Service {
    /** Farther would leave what calendars are made for. */
    private static final Duration FARTHEST = Duration.ofDays(3660);

    private static final Map<String, Duration> STEPS =
            Map.of("day", Duration.ofDays(1), "week", Duration.ofDays(7), "month", Duration.ofDays(30));

    private final Path file;
    private Duration ahead;

    /** @param file in which is kept how far it is ahead */
    public SharedClock(Path file) {
        super("clock", "Clock");
        this.file = file;
        this.ahead = kept(file);
    }

    private static Duration kept(Path file) {
        try {
            return Files.exists(file)
                    ? Duration.ofSeconds(Long.parseLong(Files.readString(file).strip()))
                    : Duration.ZERO;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What the services tell the time by. */
    public Clock clock() {
        return new Clock() {
            @Override
            public ZoneId getZone() {
                return ZoneOffset.UTC;
            }

            @Override
            public Clock withZone(ZoneId zone) {
                return Clock.offset(Clock.system(zone), ahead());
            }

            @Override
            public Instant instant() {
                return Instant.now().plus(ahead());
            }
        };
    }

    public synchronized Duration ahead() {
        return ahead;
    }

    /**
     * Moves it on.
     *
     * @param from how far ahead it was for whoever asks: of two who ask at once one is refused
     */
    private synchronized Duration move(Duration from, Duration by) {
        if (!from.equals(ahead)) {
            throw new Refusal(409, "The clock has been moved already. Look at the time it shows now.");
        }
        Duration to = ahead.plus(by);
        if (by.isNegative() || by.isZero() || to.compareTo(FARTHEST) > 0) {
            throw new Refusal(422, "The clock is moved forward only, and ten years at most.");
        }
        try {
            Path beside = file.resolveSibling(file.getFileName() + ".new");
            Files.writeString(beside, String.valueOf(to.toSeconds()));
            Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        ahead = to;
        return ahead;
    }

    @Override
    protected void answer(Exchange exchange) throws IOException {
        switch (exchange.method() + " " + exchange.path()) {
            case "GET /v1/clock" -> exchange.answer(200, Map.of("ahead", ahead().toSeconds()));
            case "POST /v1/clock" -> {
                var asked = exchange.json();
                exchange.answer(
                        200,
                        Map.of(
                                "ahead",
                                move(
                                                Duration.ofSeconds(
                                                        asked.path("from").asLong(-1)),
                                                Duration.ofSeconds(
                                                        asked.path("by").asLong(0)))
                                        .toSeconds()));
            }
            case "POST /move" -> {
                Map<String, String> form = exchange.form();
                Duration by = STEPS.get(form.getOrDefault("by", ""));
                if (by == null) {
                    throw new Refusal(422, "Choose a day, a week or a month.");
                }
                move(
                        Duration.ofSeconds(Long.parseLong(
                                "0" + form.getOrDefault("from", "").replaceAll("\\D", ""))),
                        by);
                exchange.redirect(url() + "/");
            }
            default -> throw new Refusal(404, "There is nothing here.");
        }
    }

    @Override
    protected String controls() {
        return "<p>It is <strong>" + Html.escape(clock().instant().toString()) + "</strong>, " + ahead().toDays()
                + " days ahead.</p>";
    }

    @Override
    protected String below() {
        return "<form method=post action=\"" + url() + "/move\"><input type=hidden name=from value="
                + ahead().toSeconds()
                + "><p>Let time pass, for services and shops alike: <button name=by value=day>a day</button> <button "
                + "name=by value=week>a week</button> <button name=by value=month>30 days</button></p></form>";
    }
}

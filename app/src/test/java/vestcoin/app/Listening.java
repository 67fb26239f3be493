package vestcoin.app;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.classic.spi.ThrowableProxyUtil;
import ch.qos.logback.core.AppenderBase;
import org.slf4j.LoggerFactory;

/** Everything that is logged from now on, down to the finest of our own. */
public final class Listening extends AppenderBase<ILoggingEvent> {
    private final StringBuilder heard = new StringBuilder();

    private Listening() {}

    public static Listening toTheLog() {
        Logger root = (Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
        Listening listening = new Listening();
        listening.setContext(root.getLoggerContext());
        listening.start();
        root.addAppender(listening);
        root.getLoggerContext().getLogger("vestcoin").setLevel(Level.TRACE);
        return listening;
    }

    @Override
    protected void append(ILoggingEvent event) {
        synchronized (heard) {
            heard.append(event.getFormattedMessage())
                    .append('\n')
                    .append(
                            event.getThrowableProxy() == null
                                    ? ""
                                    : ThrowableProxyUtil.asString(event.getThrowableProxy()));
        }
    }

    @Override
    public String toString() {
        synchronized (heard) {
            return heard.toString();
        }
    }
}

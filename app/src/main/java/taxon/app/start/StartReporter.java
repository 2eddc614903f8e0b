package taxon.app.start;

import ch.qos.logback.classic.LoggerContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.SpringBootExceptionReporter;
import org.springframework.core.annotation.Order;

/** Writes what stopped the start to the log file with all its causes. The console gets its one line from the main method. */
@Order(0)
public final class StartReporter implements SpringBootExceptionReporter {

    @Override
    public boolean reportException(Throwable failure) {
        if (hasFile()) {
            LoggerFactory.getLogger("start").error("Taxon did not start", failure);
        }
        return true;
    }

    /** False while the log file is not open yet: what fails before that has no cause but what it says. */
    private static boolean hasFile() {
        return LoggerFactory.getILoggerFactory() instanceof LoggerContext logback
                && logback.getLogger(Logger.ROOT_LOGGER_NAME).getAppender("FILE") != null;
    }
}

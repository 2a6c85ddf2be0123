package anabion.desktop;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.spi.Configurator;
import ch.qos.logback.core.spi.ContextAwareBase;

/** Quiet until the program sets up its own log. Found as a service: a file of settings would cost an XML reader at each start. */
public final class QuietLogs extends ContextAwareBase implements Configurator {
    @Override
    public ExecutionStatus configure(LoggerContext context) {
        context.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME).setLevel(Level.OFF);
        return ExecutionStatus.DO_NOT_INVOKE_NEXT_IF_ANY;
    }
}

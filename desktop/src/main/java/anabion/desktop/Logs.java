package anabion.desktop;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.encoder.PatternLayoutEncoder;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.rolling.FixedWindowRollingPolicy;
import ch.qos.logback.core.rolling.RollingFileAppender;
import ch.qos.logback.core.rolling.SizeBasedTriggeringPolicy;
import ch.qos.logback.core.util.FileSize;
import java.nio.file.Path;
import org.slf4j.LoggerFactory;

/** A rotating log of warnings in the workshop's folder: three files of half a megabyte. */
final class Logs {
    private Logs() {}

    static void to(Path folder) {
        LoggerContext context = (LoggerContext) LoggerFactory.getILoggerFactory();
        context.reset();
        PatternLayoutEncoder encoder = new PatternLayoutEncoder();
        encoder.setContext(context);
        encoder.setPattern("%d{yyyy-MM-dd HH:mm:ss} %-5level %logger{20} %msg%n");
        encoder.start();
        RollingFileAppender<ILoggingEvent> file = new RollingFileAppender<>();
        file.setContext(context);
        file.setFile(folder.resolve("anabion.log").toString());
        file.setEncoder(encoder);
        FixedWindowRollingPolicy rolling = new FixedWindowRollingPolicy();
        rolling.setContext(context);
        rolling.setParent(file);
        rolling.setMinIndex(1);
        rolling.setMaxIndex(2);
        rolling.setFileNamePattern(folder.resolve("anabion.%i.log").toString());
        rolling.start();
        SizeBasedTriggeringPolicy<ILoggingEvent> size = new SizeBasedTriggeringPolicy<>();
        size.setContext(context);
        size.setMaxFileSize(FileSize.valueOf("512KB"));
        size.start();
        file.setRollingPolicy(rolling);
        file.setTriggeringPolicy(size);
        file.start();
        ch.qos.logback.classic.Logger root = context.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
        root.setLevel(Level.WARN);
        root.addAppender(file);
    }
}

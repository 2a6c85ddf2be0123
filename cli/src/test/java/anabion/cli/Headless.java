package anabion.cli;

import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Runs commands as the shell does and keeps what they say. */
abstract class Headless {
    String out = "";
    String err = "";
    private double seconds;

    int run(Object... words) {
        long begun = ManagementFactory.getThreadMXBean().getCurrentThreadCpuTime();
        ByteArrayOutputStream o = new ByteArrayOutputStream();
        ByteArrayOutputStream e = new ByteArrayOutputStream();
        int code = Main.run(
                List.of(words).stream().map(String::valueOf).toArray(String[]::new),
                new PrintStream(o, true, StandardCharsets.UTF_8),
                new PrintStream(e, true, StandardCharsets.UTF_8));
        seconds = (ManagementFactory.getThreadMXBean().getCurrentThreadCpuTime() - begun) / 1e9;
        out = o.toString(StandardCharsets.UTF_8);
        err = e.toString(StandardCharsets.UTF_8);
        return code;
    }

    /** Seconds of processor time that the last command took on its own thread: others may run beside it. */
    double seconds() {
        return seconds;
    }

    static Fields json(String text) throws IOException {
        return Fields.of(TreeReader.read(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8))), "");
    }
}

package anabion.workshop;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A folder as a power failure would leave it, replayed from the system calls of the program that wrote it. A write counts once its file was
 * forced, a name once its folder was; what was written but not forced is lost. This is stricter than any journalling file system.
 */
final class ForcedFilesModel {
    private static final Pattern CALL = Pattern.compile("^(\\w+)\\((.*)\\)\\s*= (-?\\d+).*$", Pattern.DOTALL);
    private static final Pattern TEXT = Pattern.compile("\"((?:\\\\x[0-9a-f]{2})*)\"(\\.\\.\\.)?");
    private static final String RESUMED = " resumed>";

    /** What a system call sees of a file: its content now, and the content that was forced. */
    private static final class File {
        private byte[] now = {};
        private byte[] forced = {};
    }

    private record Opened(String path, File file) {}

    private final Path root;
    private final Map<String, File> names = new TreeMap<>();
    private final Map<String, File> forcedNames = new TreeMap<>();
    private final Map<Integer, Opened> opened = new HashMap<>();
    private final Map<Integer, Integer> positions = new HashMap<>();
    private final Map<String, String> unfinished = new HashMap<>();
    private final StringBuilder said = new StringBuilder();

    /** @param root the folder, which exists and is empty when the program starts */
    ForcedFilesModel(Path root) {
        this.root = root;
    }

    /** What {@code strace} must write down: {@code -f -xx}, strings whole. */
    static List<String> command(Path log) {
        return List.of(
                "strace",
                "-f",
                "-qq",
                "-xx",
                "-s",
                "4194304",
                "-e",
                "signal=none",
                "-e",
                "trace=openat,close,write,pwrite64,writev,pwritev,ftruncate,fsync,fdatasync,mkdir,mkdirat,rename,renameat,renameat2,unlink,unlinkat,"
                        + "copy_file_range,sendfile,fallocate",
                "-o",
                log.toString());
    }

    /**
     * Replays one line of the log.
     *
     * @return the lines that the program said on its standard output with this call
     */
    List<String> replay(String line) {
        int blank = line.indexOf(' ');
        String thread = line.substring(0, blank);
        String call = line.substring(blank).strip();
        if (call.endsWith("<unfinished ...>")) {
            unfinished.put(thread, call.substring(0, call.length() - "<unfinished ...>".length()));
            return List.of();
        }
        if (call.startsWith("<...")) {
            int rest = call.indexOf(RESUMED) + RESUMED.length();
            call = unfinished.remove(thread) + call.substring(rest);
        }
        Matcher m = CALL.matcher(call);
        if (!m.matches() || m.group(3).startsWith("-")) return List.of();
        return carryOut(m.group(1), m.group(2), Integer.parseInt(m.group(3)));
    }

    private List<String> carryOut(String call, String arguments, int result) {
        List<byte[]> texts = texts(arguments);
        String rest = TEXT.matcher(arguments).replaceAll("").replace(" ", "");
        List<String> plain = List.of(rest.split(","));
        switch (call) {
            case "openat" -> open(name(texts.get(0)), plain.get(2), result);
            case "close" -> opened.remove(number(plain, 0));
            case "write" -> {
                if (number(plain, 0) == 1) return say(texts.get(0));
                append(number(plain, 0), texts.get(0), result);
            }
            case "pwrite64" -> put(number(plain, 0), texts.get(0), result, number(plain, 3));
            case "ftruncate" -> truncate(number(plain, 0), number(plain, 1));
            case "fsync", "fdatasync" -> force(number(plain, 0));
            case "rename", "renameat", "renameat2" -> rename(name(texts.get(0)), name(texts.get(1)));
            case "mkdir", "mkdirat" -> names.put(name(texts.get(0)), new File());
            case "unlink", "unlinkat" -> names.remove(name(texts.get(0)));
            default -> {
                if (opened.containsKey(number(plain, 0)))
                    throw new IllegalStateException("a call that is not replayed here: " + call);
            }
        }
        return List.of();
    }

    private static List<byte[]> texts(String arguments) {
        List<byte[]> all = new ArrayList<>();
        Matcher m = TEXT.matcher(arguments);
        while (m.find()) {
            if (m.group(2) != null) throw new IllegalStateException("a string was cut in the log");
            String hex = m.group(1).replace("\\x", "");
            all.add(java.util.HexFormat.of().parseHex(hex));
        }
        return all;
    }

    private static int number(List<String> plain, int n) {
        return Integer.parseInt(plain.get(n));
    }

    /** The name within the root; empty for the root itself, or a name with a leading slash for what lies elsewhere. */
    private String name(byte[] path) {
        String text = new String(path, StandardCharsets.UTF_8);
        if (text.equals(root.toString())) return "";
        return text.startsWith(root + "/") ? text.substring(root.toString().length() + 1) : "/" + text;
    }

    private void open(String name, String flags, int descriptor) {
        if (name.startsWith("/")) return;
        File file = names.computeIfAbsent(name, n -> new File());
        if (flags.contains("O_TRUNC")) file.now = new byte[0];
        opened.put(descriptor, new Opened(name, file));
        positions.put(descriptor, 0);
    }

    private void append(int descriptor, byte[] text, int length) {
        int at = positions.getOrDefault(descriptor, 0);
        put(descriptor, text, length, at);
        positions.put(descriptor, at + length);
    }

    private void put(int descriptor, byte[] text, int length, int at) {
        Opened o = opened.get(descriptor);
        if (o == null) return;
        if (o.file().now.length < at + length) o.file().now = Arrays.copyOf(o.file().now, at + length);
        System.arraycopy(text, 0, o.file().now, at, length);
    }

    private void truncate(int descriptor, int length) {
        Opened o = opened.get(descriptor);
        if (o != null) o.file().now = Arrays.copyOf(o.file().now, length);
    }

    private void force(int descriptor) {
        Opened o = opened.get(descriptor);
        if (o == null) return;
        o.file().forced = o.file().now.clone();
        forcedNames.keySet().removeIf(n -> folder(n).equals(o.path()));
        names.forEach((n, f) -> {
            if (folder(n).equals(o.path())) forcedNames.put(n, f);
        });
    }

    private static String folder(String name) {
        int slash = name.lastIndexOf('/');
        return name.isEmpty() ? "/" : slash < 0 ? "" : name.substring(0, slash);
    }

    private void rename(String from, String to) {
        File file = names.remove(from);
        if (file != null) names.put(to, file);
    }

    private List<String> say(byte[] text) {
        said.append(new String(text, StandardCharsets.UTF_8));
        List<String> whole = new ArrayList<>();
        for (int end = said.indexOf("\n"); end >= 0; end = said.indexOf("\n")) {
            whole.add(said.substring(0, end));
            said.delete(0, end + 1);
        }
        return whole;
    }

    /** Writes down the files as a power failure would leave them now; the shared memory of the log does not survive one. */
    void rebuild(Path folder) {
        try {
            Files.createDirectories(folder);
            for (Map.Entry<String, File> e : forcedNames.entrySet()) {
                String name = e.getKey();
                boolean holds = name.isEmpty()
                        || forcedNames.keySet().stream().anyMatch(n -> folder(n).equals(name));
                if (holds || name.endsWith("-shm") || !isReached(name)) continue;
                Path file = folder.resolve(name);
                Files.createDirectories(file.getParent());
                Files.write(file, e.getValue().forced);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Whether the names of all the folders on the way to it were forced. */
    private boolean isReached(String name) {
        for (String n = folder(name); !n.isEmpty(); n = folder(n)) if (!forcedNames.containsKey(n)) return false;
        return true;
    }
}

package anabion.cli;

import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

/** Damages files as transmission, other programs and people do, by a seed. */
final class Mutations {
    private static final List<Object> NUMBERS = List.of(
            0,
            -1,
            1e-12,
            -47.5,
            new BigDecimal("1e308"),
            new BigDecimal("1e999"),
            new BigDecimal("-1e999"),
            new BigDecimal("1e-300"),
            new BigDecimal("1e-999"),
            Long.MAX_VALUE,
            new BigDecimal("3." + "1".repeat(400)));
    private static final List<String> TEXTS = List.of(
            "",
            " ",
            "CHASSIS",
            "V1.1",
            "V999.99",
            "../../etc/x",
            "=1+1",
            "a\nb",
            "\u0000",
            "\uD83D\uDCFB",
            "İ",
            "1e999",
            "NaN",
            "off",
            "x".repeat(10_000),
            "00000000-0000-0000-0000-000000000000");

    private final Random random;

    Mutations(long seed) {
        random = new Random(seed);
    }

    /** A JSON file with one to three of its values changed, taken out, doubled or put elsewhere; or with damaged bytes. */
    byte[] json(byte[] file) {
        if (random.nextInt(5) == 0) return bytes(file);
        try {
            Object tree = loose(TreeReader.read(new ByteArrayInputStream(file)).plain());
            for (int n = 1 + random.nextInt(3); n > 0; n--) damage(tree);
            return TreeWriter.text(tree).getBytes(StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Copies that can be changed. */
    private static Object loose(Object tree) {
        if (tree instanceof Map<?, ?> map) {
            Map<Object, Object> copy = new LinkedHashMap<>();
            map.forEach((k, v) -> copy.put(k, loose(v)));
            return copy;
        }
        if (tree instanceof List<?> list)
            return new ArrayList<>(list.stream().map(Mutations::loose).toList());
        return tree;
    }

    @SuppressWarnings("unchecked")
    private void damage(Object tree) {
        List<Object> holders = new ArrayList<>();
        collect(tree, holders);
        if (holders.isEmpty()) return;
        Object holder = holders.get(random.nextInt(holders.size()));
        Object other = holders.get(random.nextInt(holders.size()));
        if (holder instanceof Map<?, ?> any) {
            Map<Object, Object> map = (Map<Object, Object>) any;
            Object key = List.copyOf(map.keySet()).get(random.nextInt(map.size()));
            switch (random.nextInt(4)) {
                case 0 -> map.remove(key);
                case 1 -> map.put(key, value(other));
                default -> map.put(key, like(map.get(key)));
            }
            return;
        }
        List<Object> list = (List<Object>) holder;
        int at = random.nextInt(list.size());
        switch (random.nextInt(4)) {
            case 0 -> list.remove(at);
            case 1 -> list.add(at, loose(list.get(at)));
            case 2 -> list.set(at, value(other));
            default -> list.set(at, like(list.get(at)));
        }
    }

    private static void collect(Object tree, List<Object> holders) {
        if (tree instanceof Map<?, ?> map) {
            if (!map.isEmpty()) holders.add(map);
            map.values().forEach(v -> collect(v, holders));
        }
        if (tree instanceof List<?> list) {
            if (!list.isEmpty()) holders.add(list);
            list.forEach(v -> collect(v, holders));
        }
    }

    /** Some value from elsewhere in the file. */
    private Object value(Object holder) {
        List<Object> values =
                holder instanceof Map<?, ?> map ? new ArrayList<>(map.values()) : new ArrayList<>((List<?>) holder);
        return loose(values.get(random.nextInt(values.size())));
    }

    /** A value of the same sort, an odd one of this sort, or one of another. */
    private Object like(Object value) {
        boolean number = random.nextInt(6) == 0 ? random.nextBoolean() : value instanceof Number;
        if (value instanceof Number n && random.nextInt(3) == 0)
            return new BigDecimal(n.toString()).scaleByPowerOfTen(random.nextInt(13) - 6);
        if (number) return NUMBERS.get(random.nextInt(NUMBERS.size()));
        if (value instanceof String s && !s.isEmpty() && random.nextInt(3) == 0)
            return new String(bytes(s.getBytes(StandardCharsets.UTF_8)), StandardCharsets.UTF_8);
        return TEXTS.get(random.nextInt(TEXTS.size()));
    }

    /** A file with bytes changed, taken out, doubled or cut off. */
    byte[] bytes(byte[] file) {
        if (file.length == 0) return file;
        byte[] bytes = file.clone();
        int at = random.nextInt(bytes.length);
        int length = Math.min(bytes.length - at, 1 + random.nextInt(40));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        switch (random.nextInt(5)) {
            case 0 -> {
                for (int n = 1 + random.nextInt(4); n > 0; n--)
                    bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
                return bytes;
            }
            case 1 -> out.write(bytes, 0, at);
            case 2 -> {
                out.write(bytes, 0, at);
                out.write(bytes, at + length, bytes.length - at - length);
            }
            case 3 -> {
                out.write(bytes, 0, at + length);
                out.write(bytes, at, bytes.length - at);
            }
            default -> {
                out.write(bytes, 0, at);
                out.writeBytes(TEXTS.get(random.nextInt(TEXTS.size())).getBytes(StandardCharsets.UTF_8));
                out.write(bytes, at, bytes.length - at);
            }
        }
        return out.toByteArray();
    }

    /** A table with cells changed, or damaged bytes. */
    byte[] table(byte[] file) {
        if (random.nextInt(4) == 0) return bytes(file);
        List<String> lines =
                new ArrayList<>(new String(file, StandardCharsets.UTF_8).lines().toList());
        for (int n = 1 + random.nextInt(3); n > 0; n--) {
            int at = random.nextInt(lines.size());
            List<String> cells = new ArrayList<>(List.of(lines.get(at).split(",", -1)));
            String odd = random.nextBoolean()
                    ? TEXTS.get(random.nextInt(TEXTS.size() - 2)).replace("\n", " ")
                    : String.valueOf(NUMBERS.get(random.nextInt(NUMBERS.size())));
            cells.set(random.nextInt(cells.size()), odd);
            lines.set(at, String.join(",", cells));
        }
        return String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
    }

    /** An archive with one of its files damaged, or itself. */
    byte[] archive(byte[] file) {
        if (random.nextInt(3) == 0) return bytes(file);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(file));
                ZipOutputStream zip = new ZipOutputStream(out)) {
            int chosen = random.nextInt(6);
            int n = 0;
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                byte[] content = in.readAllBytes();
                zip.putNextEntry(new ZipEntry(e.getName()));
                boolean hit = n++ == chosen;
                zip.write(!hit ? content : e.getName().endsWith(".json") ? json(content) : bytes(content));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}

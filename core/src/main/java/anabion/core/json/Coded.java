package anabion.core.json;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;

/** An enum whose members have a stable name in machine formats, apart from their Java name. */
public interface Coded {
    String code();

    /** The member of a code, letter by letter; empty for another word. */
    static <E extends Coded> Optional<E> find(E[] all, String code) {
        return Arrays.stream(all).filter(e -> e.code().equals(code)).findFirst();
    }

    /** All codes in their order, as a sentence lists them. */
    static String codes(Coded[] all) {
        return Arrays.stream(all).map(Coded::code).collect(Collectors.joining(", "));
    }
}

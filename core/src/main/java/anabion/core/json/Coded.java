package anabion.core.json;

/** An enum whose members have a stable name in machine formats, apart from their Java name. */
public interface Coded {
    String code();
}

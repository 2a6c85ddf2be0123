package anabion.instruments;

/** An instrument on the bench that a program can speak to. One thread at a time asks it; it answers or fails within seconds. */
public interface Instrument extends AutoCloseable {
    /** What it calls itself. */
    String name();

    @Override
    void close();
}

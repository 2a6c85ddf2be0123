package anabion.instruments.scpi;

import java.io.IOException;
import java.net.SocketTimeoutException;

/** Bytes to an instrument and back. */
interface Link extends AutoCloseable {
    /** @throws IOException if the link is broken */
    void send(byte[] bytes) throws IOException;

    /**
     * The next byte.
     *
     * @param millis to wait at most, above 0
     * @return −1 where the other end has closed
     * @throws SocketTimeoutException if none comes in time
     * @throws IOException if the link is broken
     */
    int receive(int millis) throws IOException;

    /** Bytes that have come and were not taken yet. */
    int waiting() throws IOException;

    @Override
    void close();
}

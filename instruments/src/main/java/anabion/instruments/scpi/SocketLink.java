package anabion.instruments.scpi;

import anabion.instruments.Address;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import javax.net.SocketFactory;

/** Over the network. */
final class SocketLink implements Link {
    private final Socket socket;
    private final InputStream in;

    private SocketLink(Socket socket) throws IOException {
        this.socket = socket;
        this.in = socket.getInputStream();
    }

    static SocketLink to(Address.Network address, SocketFactory sockets) throws IOException {
        Socket socket = sockets.createSocket();
        try {
            socket.connect(new InetSocketAddress(address.host(), address.port()), ScpiConnection.TIMEOUT_MS);
            return new SocketLink(socket);
        } catch (IOException e) {
            closeQuietly(socket);
            throw e;
        }
    }

    @Override
    public void send(byte[] bytes) throws IOException {
        socket.getOutputStream().write(bytes);
        socket.getOutputStream().flush();
    }

    @Override
    public int receive(int millis) throws IOException {
        socket.setSoTimeout(millis);
        return in.read();
    }

    @Override
    public int waiting() throws IOException {
        return in.available();
    }

    @Override
    public void close() {
        closeQuietly(socket);
    }

    private static void closeQuietly(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            // it is gone either way
        }
    }
}

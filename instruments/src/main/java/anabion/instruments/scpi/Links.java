package anabion.instruments.scpi;

import anabion.instruments.Address;
import java.io.IOException;
import javax.net.SocketFactory;

/** Opens links. */
@FunctionalInterface
interface Links {
    /** @throws IOException if nobody is there */
    Link open(Address address) throws IOException;

    /** The network and the serial lines of this machine. */
    static Links system() {
        return through(SocketFactory.getDefault());
    }

    static Links through(SocketFactory sockets) {
        return address -> address instanceof Address.Network n
                ? SocketLink.to(n, sockets)
                : SerialLink.to((Address.Serial) address);
    }
}

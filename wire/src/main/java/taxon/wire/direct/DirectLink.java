package taxon.wire.direct;

import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.time.Duration;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;

/** A connection to an interface that is plugged into this computer. For one thread. */
public final class DirectLink implements AutoCloseable {
    private final Socket socket;
    private final DataInputStream in;

    private DirectLink(Socket socket) throws IOException {
        this.socket = socket;
        in = new DataInputStream(new BufferedInputStream(socket.getInputStream()));
    }

    /**
     * Opens it.
     *
     * @param port of this machine; never of another
     * @param patience how long it may take to answer
     * @throws IOException when nothing is there
     */
    public static DirectLink open(int port, Duration patience) throws IOException {
        Socket socket = new Socket();
        try {
            socket.setSoTimeout((int) patience.toMillis());
            socket.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), (int) patience.toMillis());
            return new DirectLink(socket);
        } catch (IOException e) {
            socket.close();
            throw e;
        }
    }

    /** @throws IOException when it does not answer in time, or answers something else */
    public DirectFrame.IAm who() throws IOException {
        DirectCodec.write(new DirectFrame.Who(), socket.getOutputStream());
        try {
            if (DirectCodec.read(in) instanceof DirectFrame.IAm iAm) {
                return iAm;
            }
        } catch (MalformedPacketException e) {
            throw new IOException("what is plugged in answers what is not understood: " + e.getMessage(), e);
        }
        throw new IOException("what is plugged in does not say what it is");
    }

    /** Sends levels to one of its outputs, counted from 1. */
    public void send(int output, Bytes levels) throws IOException {
        DirectCodec.write(new DirectFrame.Levels(output, levels), socket.getOutputStream());
    }

    @Override
    public void close() throws IOException {
        socket.close();
    }
}

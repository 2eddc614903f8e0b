package taxon.simrig;

import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import taxon.wire.bytes.Bytes;
import taxon.wire.bytes.MalformedPacketException;
import taxon.wire.direct.DirectCodec;
import taxon.wire.direct.DirectFrame;

/**
 * Stands in for an interface on USB: it has outputs and no IP address, and is reached by a socket of this machine alone. It says
 * what it is and keeps the newest levels of each output.
 */
public final class SimInterface implements AutoCloseable {
    private static final System.Logger LOG = System.getLogger(SimInterface.class.getName());

    private final ServerSocket socket;
    private final DirectFrame.IAm self;
    private final Map<Integer, Bytes> levels = new ConcurrentHashMap<>();
    private final Set<Socket> plugged = ConcurrentHashMap.newKeySet();
    private final Thread acceptor;

    private SimInterface(ServerSocket socket, DirectFrame.IAm self) {
        this.socket = socket;
        this.self = self;
        acceptor = thread(this::accept);
    }

    /**
     * Plugs it in, at a port that is free.
     *
     * @param outputs 1 to 64
     */
    public static SimInterface start(String name, int outputs) throws IOException {
        DirectFrame.IAm self = new DirectFrame.IAm(name, outputs);
        SimInterface made = new SimInterface(new ServerSocket(0, 2, InetAddress.getLoopbackAddress()), self);
        made.acceptor.start();
        return made;
    }

    private Thread thread(Runnable work) {
        Thread thread = new Thread(work, "simulated interface " + self.name());
        thread.setDaemon(true);
        return thread;
    }

    public int port() {
        return socket.getLocalPort();
    }

    /** What was sent to an output last, counted from 1; empty where nothing was. */
    public Optional<Bytes> levels(int output) {
        return Optional.ofNullable(levels.get(output));
    }

    private void accept() {
        while (!socket.isClosed()) {
            try {
                Socket one = socket.accept();
                plugged.add(one);
                thread(() -> serve(one)).start();
            } catch (IOException unplugged) {
                LOG.log(System.Logger.Level.DEBUG, "{0} is unplugged: {1}", self.name(), unplugged.getMessage());
            }
        }
    }

    private void serve(Socket one) {
        try (one) {
            DataInputStream in = new DataInputStream(new BufferedInputStream(one.getInputStream()));
            while (true) {
                DirectFrame frame = DirectCodec.read(in);
                if (frame instanceof DirectFrame.Who) {
                    DirectCodec.write(self, one.getOutputStream());
                } else if (frame instanceof DirectFrame.Levels sent && sent.output() <= self.outputs()) {
                    levels.put(sent.output(), sent.levels());
                }
            }
        } catch (EOFException ended) {
            LOG.log(System.Logger.Level.DEBUG, "{0} is let go", self.name());
        } catch (IOException | MalformedPacketException e) {
            LOG.log(System.Logger.Level.DEBUG, "{0} hangs up: {1}", self.name(), e.getMessage());
        } finally {
            plugged.remove(one);
        }
    }

    /** Pulls it out; whoever speaks to it is cut off, and after this nobody gets through to it any more. */
    @Override
    public void close() throws IOException {
        socket.close();
        // The system goes on taking connections until the thread that waits for one has left.
        try {
            acceptor.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        for (Socket one : plugged) {
            one.close();
        }
    }
}

package taxon.wire.link;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.CancelledKeyException;
import java.nio.channels.ClosedChannelException;
import java.nio.channels.ClosedSelectorException;
import java.nio.channels.DatagramChannel;
import java.nio.channels.SelectionKey;
import java.nio.channels.Selector;
import java.time.Duration;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;

/** One thread that receives from many sockets, and hands each packet to who opened its socket. */
final class Reactor implements AutoCloseable {
    private static final System.Logger LOG = System.getLogger(Reactor.class.getName());
    private static final int LARGEST_PACKET = 2048;
    /** So many packets of one socket, and then the next has its turn: one that floods holds up no other. */
    private static final int IN_A_ROW = 64;

    private static final Duration LONGEST_FAREWELL = Duration.ofSeconds(2);

    private final Selector selector;
    private final Thread thread;
    private final Queue<Runnable> chores = new ConcurrentLinkedQueue<>();
    private final ByteBuffer buffer = ByteBuffer.allocateDirect(LARGEST_PACKET);

    /** Is given each packet on the receiving thread. */
    @FunctionalInterface
    interface Receiver {
        void received(byte[] packet, InetSocketAddress sender, long nanos);
    }

    Reactor(String name) throws IOException {
        selector = Selector.open();
        thread = new Thread(this::run, name);
        thread.setDaemon(true);
        thread.start();
    }

    /** Receives from a socket until it is let go. */
    void add(DatagramChannel channel, Receiver receiver) throws IOException {
        channel.configureBlocking(false);
        channel.register(selector, SelectionKey.OP_READ, receiver);
        selector.wakeup();
    }

    /** Hands on what a socket still holds, and closes it. */
    void letGo(DatagramChannel channel) {
        chores.add(() -> {
            SelectionKey key = channel.keyFor(selector);
            if (key != null && key.isValid()) {
                receive(key, Integer.MAX_VALUE);
            }
            shut(channel);
        });
        selector.wakeup();
    }

    private void run() {
        while (selector.isOpen()) {
            try {
                selector.select(this::receive);
                for (Runnable chore = chores.poll(); chore != null; chore = chores.poll()) {
                    chore.run();
                }
            } catch (IOException e) {
                LOG.log(System.Logger.Level.WARNING, "receiving goes on after: {0}", e.getMessage());
            } catch (ClosedSelectorException closed) {
                return;
            }
        }
    }

    private void receive(SelectionKey key) {
        receive(key, IN_A_ROW);
    }

    private void receive(SelectionKey key, int most) {
        try {
            DatagramChannel channel = (DatagramChannel) key.channel();
            for (int i = 0; i < most; i++) {
                buffer.clear();
                InetSocketAddress sender = (InetSocketAddress) channel.receive(buffer);
                if (sender == null) {
                    return;
                }
                byte[] packet = new byte[buffer.flip().remaining()];
                buffer.get(packet);
                ((Receiver) key.attachment()).received(packet, sender, System.nanoTime());
            }
        } catch (ClosedChannelException | CancelledKeyException closed) {
            LOG.log(System.Logger.Level.DEBUG, "a socket was closed while it was read");
        } catch (IOException e) {
            // As when a packet of ours was not taken where it went: the next is read all the same.
            LOG.log(System.Logger.Level.DEBUG, "a socket could not be read: {0}", e.getMessage());
        }
    }

    private static void shut(DatagramChannel channel) {
        try {
            channel.close();
        } catch (IOException e) {
            LOG.log(System.Logger.Level.DEBUG, "a socket did not close: {0}", e.getMessage());
        }
    }

    /** Closes all sockets: when this returns, another may have their ports. */
    @Override
    public void close() {
        chores.add(() -> {
            selector.keys().stream()
                    .map(k -> (DatagramChannel) k.channel())
                    .toList()
                    .forEach(Reactor::shut);
            try {
                selector.close();
            } catch (IOException e) {
                LOG.log(System.Logger.Level.DEBUG, "the selector did not close: {0}", e.getMessage());
            }
        });
        selector.wakeup();
        if (Thread.currentThread() != thread) {
            await();
        }
    }

    private void await() {
        try {
            thread.join(LONGEST_FAREWELL.toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}

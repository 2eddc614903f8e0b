package taxon.app.testing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * Stores that are made by a first start once for all tests of this process, and copied: few tests ask how a store is made, and
 * making one takes longer than most of them. A demo names the addresses of its boxes, so of its copies one is in use at a time.
 */
final class ReadyStore {
    private static final String NETWORK = TaxonServer.newNetwork();
    private static final AtomicBoolean TAKEN = new AtomicBoolean();

    private ReadyStore() {}

    private static final class Empty {
        static final byte[] CONTENT = content(false);
    }

    private static final class Demo {
        static final byte[] CONTENT = content(true);
    }

    private static byte[] content(boolean demo) {
        Path data = TaxonServer.newStore();
        TaxonServer.start(data, demo, NETWORK).close();
        try {
            return Files.readAllBytes(data);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    /** A store without jobs, for one server. */
    static Path empty() {
        return copy(Empty.CONTENT);
    }

    /** True for one caller at a time, who then has {@link #demo} to itself, with its network, until {@link #release}. */
    static boolean take() {
        return TAKEN.compareAndSet(false, true);
    }

    static void release() {
        TAKEN.set(false);
    }

    /** The store of a demo whose boxes are on {@link #network}. */
    static Path demo() {
        return copy(Demo.CONTENT);
    }

    static String network() {
        return NETWORK;
    }

    private static Path copy(byte[] content) {
        Path data = TaxonServer.newStore();
        try {
            Files.write(data, content);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
        return data;
    }
}

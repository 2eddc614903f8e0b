package taxon.app.testing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Deque;
import java.util.concurrent.ConcurrentLinkedDeque;

/**
 * Stores that are made by a first start once for all tests of this process, and copied: few tests ask how a store is made, and
 * making one takes longer than most of them. A demo names the addresses of its boxes, so that each has one user at a time; there
 * are as many as were in use at once.
 */
final class ReadyStore {
    private static final Deque<Demo> FREE = new ConcurrentLinkedDeque<>();

    private ReadyStore() {}

    private static final class Empty {
        static final byte[] CONTENT = content(false, TaxonServer.newNetwork());
    }

    private static byte[] content(boolean demo, String network) {
        Path data = TaxonServer.newStore();
        TaxonServer.start(data, demo, network).close();
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

    /**
     * The store of a demo.
     *
     * @param network of its boxes: "127.90.17"
     */
    record Demo(byte[] content, String network) {
        /** One that nobody has, until it is given back. */
        static Demo take() {
            Demo free = FREE.poll();
            return free == null ? made(TaxonServer.newNetwork()) : free;
        }

        private static Demo made(String network) {
            return new Demo(ReadyStore.content(true, network), network);
        }

        Path store() {
            return copy(content);
        }

        void giveBack() {
            FREE.push(this);
        }
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

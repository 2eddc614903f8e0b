package taxon.app.testing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ThreadLocalRandom;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import taxon.app.TaxonApplication;

/** The whole application on a free port, with a store of its own and loopback addresses that nothing else uses. */
public final class TaxonServer implements AutoCloseable {
    private final ConfigurableApplicationContext context;
    private final Path data;
    private final String network;
    private final Runnable whenClosed;

    private TaxonServer(ConfigurableApplicationContext context, Path data, String network, Runnable whenClosed) {
        this.context = context;
        this.data = data;
        this.network = network;
        this.whenClosed = whenClosed;
    }

    /** With a store that has no job in it. */
    public static TaxonServer empty() {
        return on(readyStore());
    }

    /** One for all tests of this process that keep to jobs of their own; it ends with the process, so nobody closes it. */
    public static TaxonServer shared() {
        return Shared.SERVER;
    }

    private static final class Shared {
        static final TaxonServer SERVER = empty();
    }

    /** With the demo's job and its simulated rig, as a first start leaves them. */
    public static TaxonServer demo() {
        ReadyStore.Demo demo = ReadyStore.Demo.take();
        return start(demo.store(), true, demo.network(), demo::giveBack);
    }

    /** The demo with its nodes wished on a network of loopback. */
    public static TaxonServer demo(String network) {
        return start(newStore(), true, network);
    }

    public static TaxonServer on(Path data) {
        return start(data, false, newNetwork());
    }

    /** On a port that is known already, as after an end that pages outlive. */
    public static TaxonServer on(Path data, int port) {
        return start(data, false, newNetwork(), port, () -> {});
    }

    static TaxonServer start(Path data, boolean demo, String network) {
        return start(data, demo, network, () -> {});
    }

    private static TaxonServer start(Path data, boolean demo, String network, Runnable whenClosed) {
        return start(data, demo, network, 0, whenClosed);
    }

    private static TaxonServer start(Path data, boolean demo, String network, int port, Runnable whenClosed) {
        List<String> arguments = new ArrayList<>(arguments(data, network));
        arguments.remove("--server.port=0");
        arguments.add("--server.port=" + port);
        arguments.add("--taxon.demo=" + demo);
        return new TaxonServer(run(arguments), data, network, whenClosed);
    }

    /** One after the other: applications that start at once write to one index of their components. */
    private static ConfigurableApplicationContext run(List<String> arguments) {
        synchronized (TaxonServer.class) {
            return SpringApplication.run(TaxonApplication.class, arguments.toArray(String[]::new));
        }
    }

    /** The arguments for a store, with a short patience since loopback answers at once. */
    public static List<String> arguments(Path data, String network) {
        return List.of(
                "--taxon.data=" + data,
                "--taxon.demo-types=true",
                "--server.port=0",
                "--taxon.card=" + network + ".1",
                "--taxon.node-a=" + network + ".2",
                "--taxon.node-b=" + network + ".3",
                "--taxon.upkeep=false",
                "--taxon.answer-within=200ms");
    }

    /** Three bytes of a loopback network, "127.90.17". */
    public static String newNetwork() {
        ThreadLocalRandom random = ThreadLocalRandom.current();
        return "127." + random.nextInt(90, 250) + "." + random.nextInt(1, 255);
    }

    /** A store without jobs, as a first start leaves it: what is not about first starts begins with one. */
    public static Path readyStore() {
        return ReadyStore.empty();
    }

    /** Where no store is yet. */
    public static Path newStore() {
        try {
            return Files.createTempDirectory("taxon").resolve("test.db");
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    public Path data() {
        return data;
    }

    public String network() {
        return network;
    }

    public <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    public String url() {
        return "http://127.0.0.1:"
                + ((WebServerApplicationContext) context).getWebServer().getPort();
    }

    public Http http() {
        return new Http(url());
    }

    /** Once: what it had is given back for others to have. */
    @Override
    public void close() {
        if (context.isActive()) {
            context.close();
            whenClosed.run();
        }
    }
}

package taxon.app.start;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.ServerSocket;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.boot.EnvironmentPostProcessor;
import org.springframework.boot.SpringApplication;
import org.springframework.core.env.CommandLinePropertySource;
import org.springframework.core.env.ConfigurableEnvironment;
import org.springframework.core.env.MapPropertySource;
import org.springframework.core.env.MutablePropertySources;
import taxon.core.network.Ipv4;

/** What is checked before anything else is done, the log file included: the port, the card, and the store's folder. */
public final class StartChecks implements EnvironmentPostProcessor {
    private static final int LAST_PORT = 65_535;
    private static final int PORTS_TRIED = 20;

    @Override
    public void postProcessEnvironment(ConfigurableEnvironment environment, SpringApplication application) {
        checkPort(environment.getProperty("server.port", "0"));
        freePort(environment)
                .ifPresent(free -> environment
                        .getPropertySources()
                        .addFirst(new MapPropertySource("free port", Map.of("server.port", free))));
        checkCard(environment.getProperty("taxon.card", "127.0.0.1"));
        Path data = Path.of(environment.getProperty("taxon.data", "taxon.db")).toAbsolutePath();
        checkFolder(data);
        MutablePropertySources sources = environment.getPropertySources();
        sources.addFirst(new MapPropertySource("log beside the store", logFile(data + ".log")));
        sources.addLast(new MapPropertySource(
                "mark of the build",
                Map.of("spring.web.resources.chain.strategy.fixed.version", BuildMark.of("classpath*:/static/**"))));
    }

    /** In the pattern of the log file's older parts a percent sign of the path would begin a word. */
    private static Map<String, Object> logFile(String path) {
        return Map.of("logging.file.name", path, "taxon.log-pattern", path.replace('%', '_'));
    }

    private static void checkPort(String port) {
        if (!port.matches("\\d{1,5}") || Integer.parseInt(port) > LAST_PORT) {
            throw new StartRefusedException("“" + port + "” is no port. Give a number from 1 to 65535 with --port.");
        }
    }

    /** A demo for which nobody named a port takes the next that is free. */
    private static Optional<Integer> freePort(ConfigurableEnvironment environment) {
        boolean demo = environment.getProperty("taxon.demo", Boolean.class, false);
        boolean named = environment.getPropertySources().stream()
                .filter(s -> s instanceof CommandLinePropertySource<?>)
                .anyMatch(s -> s.containsProperty("server.port"));
        int usual = Integer.parseInt(environment.getProperty("server.port", "0"));
        if (!demo || named || usual == 0) {
            return Optional.empty();
        }
        return IntStream.rangeClosed(usual, usual + PORTS_TRIED)
                .filter(StartChecks::isFree)
                .boxed()
                .findFirst()
                .filter(free -> free != usual);
    }

    private static boolean isFree(int port) {
        try (ServerSocket socket = new ServerSocket()) {
            socket.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
            return true;
        } catch (IOException taken) {
            // That is the answer.
            return false;
        }
    }

    private static void checkCard(String card) {
        Ipv4 address = Ipv4.parse(card)
                .orElseThrow(() -> new StartRefusedException(
                        "“" + card + "” is no IPv4 address. Give the address of a card of this machine with --card."));
        if (!isOfThisMachine(address)) {
            throw new StartRefusedException("No card of this machine has the address " + address
                    + ". Give one that is up with --card, or leave it out to speak to this machine only.");
        }
    }

    private static boolean isOfThisMachine(Ipv4 address) {
        try {
            InetAddress card = InetAddress.getByName(address.toString());
            return card.isLoopbackAddress() || NetworkInterface.getByInetAddress(card) != null;
        } catch (UnknownHostException | SocketException e) {
            throw new StartRefusedException("The cards of this machine cannot be listed: " + e.getMessage(), e);
        }
    }

    private static void checkFolder(Path data) {
        if (Files.isDirectory(data)) {
            throw new StartRefusedException(
                    data + " is a folder. Name the file that the jobs are kept in with --data.");
        }
        Path folder = Objects.requireNonNullElse(data.getParent(), data.getRoot());
        if (!Files.isDirectory(folder)) {
            throw new StartRefusedException(
                    "There is no folder " + folder + ". Make it, or choose another one with --data.");
        }
        if (!Files.isWritable(folder)) {
            throw new StartRefusedException("Nothing can be written to " + folder
                    + ", where the store would keep its journal. Choose another folder with --data.");
        }
        if (Files.exists(data) && !Files.isWritable(data)) {
            throw new StartRefusedException(
                    data + " cannot be written. Make it writable, or copy it to a folder where it is.");
        }
    }
}

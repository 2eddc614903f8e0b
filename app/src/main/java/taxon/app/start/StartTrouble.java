package taxon.app.start;

import java.net.BindException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.springframework.boot.web.server.PortInUseException;

/** One line for whatever stopped the start. */
public final class StartTrouble {
    private StartTrouble() {}

    /** What stopped it, and what to do, in one line. */
    public static String line(Throwable failure) {
        List<Throwable> chain = chain(failure);
        return first(chain, StartRefusedException.class)
                .map(Throwable::getMessage)
                .or(() -> first(chain, PortInUseException.class).map(e -> portTaken(e.getPort())))
                .or(() -> first(chain, BindException.class)
                        .map(e ->
                                "The port cannot be opened (" + e.getMessage() + "). Choose another one with --port."))
                .orElseGet(() -> unknown(chain.get(chain.size() - 1)));
    }

    private static String portTaken(int port) {
        return "Port " + port
                + " is in use, perhaps by Taxon itself. Choose another one with --port, or end what uses it.";
    }

    private static String unknown(Throwable root) {
        String message =
                Objects.requireNonNullElse(root.getMessage(), root.getClass().getSimpleName());
        return "Taxon could not begin: "
                + message.lines().findFirst().orElse("").strip() + ". The log says more.";
    }

    private static List<Throwable> chain(Throwable failure) {
        List<Throwable> chain = new ArrayList<>();
        Throwable next = failure;
        while (next != null && !chain.contains(next)) {
            chain.add(next);
            next = next.getCause();
        }
        return chain;
    }

    private static <T extends Throwable> Optional<T> first(List<Throwable> chain, Class<T> type) {
        return chain.stream().filter(type::isInstance).map(type::cast).findFirst();
    }
}

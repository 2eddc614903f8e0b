package taxon.app.handover;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import taxon.formats.bundle.BundleCheck;

/** What the command {@code check} says of a bundle: is a bundle as it was handed over, and of which revision is it? It needs no store. */
public final class BundleCommand {
    /** What is larger than that is no bundle. */
    private static final long MOST = 512L << 20;

    private final PrintStream out;

    public BundleCommand(PrintStream out) {
        this.out = out;
    }

    /** Runs it and gives the exit status: 0 when the bundle is whole, 1 when it is not, 2 when no file was named. */
    public int run(List<String> arguments) {
        if (arguments.size() != 2 || arguments.get(1).isBlank()) {
            out.println("taxon: check needs the file of a bundle.");
            return 2;
        }
        Path file = Path.of(arguments.get(1));
        try {
            if (Files.size(file) > MOST) {
                out.println("taxon: " + file + " has more than " + (MOST >> 20) + " MB; no bundle has.");
                return 1;
            }
            return tell(BundleCheck.of(Files.readAllBytes(file)));
        } catch (IOException e) {
            out.println("taxon: " + file + " cannot be read: " + e.getMessage());
            return 1;
        }
    }

    private int tell(BundleCheck check) {
        out.println(BundleText.verdict(check));
        check.troubles().forEach(t -> out.println("  " + t.words()));
        return check.isWhole() ? 0 : 1;
    }
}

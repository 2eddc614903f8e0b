package taxon.core.cable;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;

/** The lengths that the shop has; remembers what it found for each way, since many are alike. */
public final class Shelf {
    private final List<Length> stock;
    private final Map<Length, Pieces> found = new HashMap<>();

    /** @param stock at least one, each 10 cm or more */
    public Shelf(List<Length> stock) {
        this.stock = List.copyOf(stock);
    }

    /** Cables that reach so far. */
    public Pieces reaching(Length needed) {
        return found.computeIfAbsent(needed, n -> Pieces.reaching(n, stock));
    }

    /** The same in words: "10 m + 5 m". */
    public String words(Length needed, LengthUnit unit) {
        return reaching(needed).lengths().stream().map(unit::words).collect(Collectors.joining(" + "));
    }
}

package taxon.core.seen;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import taxon.core.dmx.UniverseNumber;
import taxon.core.reception.Carrier;
import taxon.core.reception.UniverseReception.Overview;

/**
 * One number of the wire, planned or heard.
 *
 * @param universes of the plan that are carried under it
 * @param overview what was heard; empty when it never was
 * @param remarks the gravest first
 */
public record SeenLine(
        Carrier carrier, List<UniverseNumber> universes, Optional<Overview> overview, List<Remark> remarks) {
    public SeenLine {
        universes = List.copyOf(universes);
        remarks = remarks.stream().sorted(Comparator.comparing(Remark::weight)).toList();
    }

    /** True when somebody sends it now. */
    public boolean isHeard() {
        return overview.filter(o -> !o.heard().isEmpty()).isPresent();
    }

    /** True when it is planned, heard, and nothing but notes is to be said of it. */
    public boolean isAsPlanned() {
        return isHeard()
                && !universes.isEmpty()
                && remarks.stream().allMatch(r -> r.weight() == Remark.Weight.NOTE)
                && remarks.stream().noneMatch(Remark.Sampling.class::isInstance);
    }
}

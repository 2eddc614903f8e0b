package taxon.core.rig;

import java.time.LocalDate;
import java.util.Optional;
import taxon.core.network.Counting;
import taxon.core.network.NetworkRules;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * The head of a job.
 *
 * @param name 1 to 120 characters
 * @param venue at most 120 characters, may be blank
 * @param from first day, where known
 * @param to last day, where known; not before {@code from}
 * @param note at most 4,000 characters
 * @param view how the rig is shown
 * @param network what is decided once for its network and lines
 */
public record JobSheet(
        String name,
        String venue,
        Optional<LocalDate> from,
        Optional<LocalDate> to,
        String note,
        RigView view,
        NetworkRules network)
        implements Element {
    public static final ElementKey KEY = ElementKey.of(Kind.JOB_SHEET, 0);

    public JobSheet {
        Texts.requireLine("job name", name, 120);
        Texts.allowLine("venue", venue, 120);
        Texts.allowNote("note", note, 4000);
        if (from.isPresent() && to.isPresent() && to.get().isBefore(from.get())) {
            throw new IllegalArgumentException(
                    "The last day " + to.get() + " is before the first day " + from.get() + ".");
        }
    }

    /** A job whose rig is shown as most are, and whose universes have the same numbers everywhere. */
    public JobSheet(String name, String venue, Optional<LocalDate> from, Optional<LocalDate> to, String note) {
        this(name, venue, from, to, note, RigView.USUAL, NetworkRules.USUAL);
    }

    /** The same with the rig shown otherwise. */
    public JobSheet withView(RigView changed) {
        return new JobSheet(name, venue, from, to, note, changed, network);
    }

    /** The same with universes counted otherwise on the network. */
    public JobSheet withCounting(Counting changed) {
        return with(network.with(changed));
    }

    /** The same with other rules for its network and lines. */
    public JobSheet with(NetworkRules changed) {
        return new JobSheet(name, venue, from, to, note, view, changed);
    }

    /** How its universes are counted on the network. */
    public Counting counting() {
        return network.counting();
    }

    /**
     * A sheet with nothing but a name.
     *
     * @throws IllegalArgumentException when it is blank or too long
     */
    public static JobSheet named(String name) {
        return new JobSheet(name, "", Optional.empty(), Optional.empty(), "");
    }

    @Override
    public ElementKey elementKey() {
        return KEY;
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.jobSheet(this);
    }
}

package taxon.app.addresses.tapes;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import taxon.app.form.Selection;
import taxon.core.addressing.space.Fits;
import taxon.core.dmx.Slot;
import taxon.core.dmx.UniverseNumber;
import taxon.core.rig.Plan;
import taxon.core.rig.Universe;
import taxon.core.text.Counted;

/**
 * What room there is on the universes of a job.
 *
 * @param largest the longest free run, "4.246, 267 slots"; empty when nothing is free
 * @param more how many more would fit, of each type and mode in the rig or among the chosen
 */
public record RoomView(Optional<String> largest, List<More> more) {

    /** @param count how many more of that type fit on the universes of the job as they are */
    public record More(String type, String mode, int slots, int count) {}

    public static RoomView of(Plan plan, Selection selection) {
        Fits fits = Fits.of(plan);
        List<UniverseNumber> universes =
                plan.universes().stream().map(Universe::number).toList();
        Optional<String> largest = fits.largest(universes)
                .map(r -> r.universe() + "."
                        + String.format(Locale.ROOT, "%03d", r.slots().first()) + ", "
                        + Counted.of(r.slots().length(), "slot"));
        List<More> more = plan.fixtures().stream()
                .filter(f -> selection.isEmpty() || selection.holds(f.key()))
                .flatMap(f ->
                        plan.mode(f).map(m -> new More(plan.type(f).shortName(), m.name(), m.footprint(), 0)).stream())
                .distinct()
                .filter(m -> m.slots() <= Slot.LAST)
                .map(m -> new More(m.type(), m.mode(), m.slots(), fits.more(universes, m.slots())))
                .toList();
        return new RoomView(largest, more);
    }
}

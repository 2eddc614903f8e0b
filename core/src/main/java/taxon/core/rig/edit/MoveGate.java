package taxon.core.rig.edit;

import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import taxon.core.dmx.StartAddress;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.edit.Edit.Outcome;

/**
 * The one gate through which every change of an address goes, typed, dragged, pasted, filled, proposed, merged or brought by
 * another mode: every {@link Edit} passes it. What is locked before and after keeps the addresses of all blocks that it still
 * has, and what only an app reaches gets no address, or the whole edit is refused. What a change brings besides, such as
 * stops, reserved slots taken, shared addresses that come apart and hazards joined, is told by {@code taxon.core.finding.PlanCheck#broughtSince}.
 *
 * <p>Undo and doing again do not pass: they give back what was there, locks and all.
 */
public final class MoveGate {
    private MoveGate() {}

    /** The outcome itself, or a refusal that names every locked fixture that would move. */
    static Outcome passed(Plan before, Outcome outcome) {
        if (!(outcome instanceof Changed changed)) {
            return outcome;
        }
        List<Refusal> refusals = PlanDelta.between(before, changed.plan())
                .fixtures()
                .flatMap(c -> moved(c.before(), c.after(), changed.plan()))
                .toList();
        return refusals.isEmpty() ? outcome : new Edit.Refused(refusals);
    }

    private static Stream<Refusal> moved(Fixture before, Fixture now, Plan after) {
        boolean locked = before.traits().locked() && now.traits().locked();
        return Stream.concat(
                locked ? refusal(before, now, after).stream() : Stream.empty(), deaf(before, now, after).stream());
    }

    /** An address that it had before, as from a list, may stay until someone takes it away; it may not get another. */
    private static Optional<Refusal> deaf(Fixture before, Fixture now, Plan after) {
        return after.type(now).hearsNoUniverse()
                ? now.addresses().values().stream()
                        .filter(a -> !before.addresses().containsValue(a))
                        .findFirst()
                        .map(a -> new Refusal(
                                "start address of " + now.label(), a.toString(), Fault.NEVER_HEARS, "an app"))
                : Optional.empty();
    }

    private static Optional<Refusal> refusal(Fixture before, Fixture now, Plan after) {
        int blocks = after.mode(now).map(m -> m.blocks().size()).orElse(Integer.MAX_VALUE - 1);
        TreeMap<Integer, StartAddress> own = new TreeMap<>(before.addresses());
        return own.headMap(blocks + 1).equals(now.addresses()) ? Optional.empty() : before.refuses(now.addresses());
    }
}

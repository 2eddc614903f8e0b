package taxon.core.wireless;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.RadioLink;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.edit.Edit;
import taxon.core.text.Counted;
import taxon.core.text.Listed;

/** Edits of what is known of wireless links. */
public final class LinkEdits {
    private LinkEdits() {}

    /**
     * That receivers were linked to a channel just now.
     *
     * @param by who says so
     */
    public static Edit link(Collection<RadioLink.Receiver> receivers, PortRef to, Instant at, String by) {
        return new Edit(Counted.of(receivers.size(), "receiver") + " linked", plan -> {
            AirWays ways = AirWays.of(plan);
            return stranger(plan, ways, receivers)
                    .or(() -> noChannel(plan, ways, to))
                    .map(Edit::refuse)
                    .orElseGet(() -> new Edit.Changed(plan.with(receivers.stream()
                            .map(r -> RadioLink.made(r, to, at, by))
                            .toList())));
        });
    }

    /** That the links of receivers do not hold any more; those that were never linked are refused. */
    public static Edit lose(Collection<RadioLink.Receiver> receivers, RadioLink.Loss loss) {
        return new Edit(Counted.of(receivers.size(), "link") + " lost after " + loss.after(), plan -> {
            List<RadioLink> lost = new ArrayList<>();
            for (RadioLink.Receiver receiver : receivers) {
                Optional<RadioLink> link = plan.radioLink(receiver);
                if (link.isEmpty()) {
                    return Edit.refuse(new Refusal(
                            "link",
                            NetworkText.receiver(plan, receiver),
                            Fault.NOT_FOUND,
                            "a receiver that was linked"));
                }
                lost.add(link.get().lost(loss));
            }
            return new Edit.Changed(plan.with(lost));
        });
    }

    /** That nobody knows of a link: for what was said by mistake. */
    public static Edit forget(Collection<RadioLink.Receiver> receivers) {
        return new Edit(
                Counted.of(receivers.size(), "link") + " forgotten",
                plan -> new Edit.Changed(plan.without(receivers.stream()
                        .map(RadioLink::keyOf)
                        .filter(k -> plan.elements().containsKey(k))
                        .toList())));
    }

    private static Optional<Refusal> stranger(Plan plan, AirWays ways, Collection<RadioLink.Receiver> receivers) {
        return receivers.stream()
                .filter(r -> ways.of(r).isEmpty())
                .findFirst()
                .map(r -> new Refusal(
                        "receiver",
                        NetworkText.receiver(plan, r),
                        Fault.OUT_OF_RANGE,
                        "a unit with a wireless receiver in it, or a wireless receiver"));
    }

    private static Optional<Refusal> noChannel(Plan plan, AirWays ways, PortRef to) {
        return ways.channels().contains(to)
                ? Optional.empty()
                : Optional.of(new Refusal(
                        "channel",
                        NetworkText.port(plan, to),
                        Fault.OUT_OF_RANGE,
                        ways.channels().isEmpty()
                                ? "none, since there is no transmitter in the plan"
                                : Listed.of(ways.channels().stream()
                                        .map(c -> NetworkText.port(plan, c))
                                        .toList())));
    }
}

package taxon.app.checks.list;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.checklist.CheckProgress;
import taxon.core.checklist.CheckState;
import taxon.core.checklist.CheckText;
import taxon.core.rig.CheckItem;
import taxon.core.rig.Fixture;
import taxon.core.rig.Plan;
import taxon.core.rig.UnitCheck;

/**
 * One unit of the check list, with the check that one is at.
 *
 * @param place from 1, of {@code of} along the rig
 * @param before the unit before it along the rig; empty for the first
 * @param next the unit after it; empty for the last
 * @param address "2.073 2.300"; "no address" where it has none
 * @param universes of its addresses, for arming them
 * @param here the check that one is at
 */
public record UnitView(
        int key,
        String label,
        String type,
        String where,
        String address,
        String universes,
        boolean hazard,
        int place,
        int of,
        Optional<Integer> before,
        Optional<Integer> next,
        List<ItemLine> items,
        Here here) {
    /**
     * A check in the list of the unit's checks.
     *
     * @param item its name in addresses and forms
     * @param mark "moss", "stop", "warn" where it is stale, "none"
     * @param said what was seen, by whom
     */
    public record ItemLine(String item, String name, String mark, String said, boolean isHere) {}

    /**
     * The check that one is at.
     *
     * @param raises true when there is something to raise for it
     * @param turns true for an axis, which can go the other way round
     * @param seen true when something was noted that can be taken back
     */
    public record Here(String item, String name, String question, boolean raises, boolean turns, boolean seen) {}

    static UnitView of(Plan plan, Fixture fixture, Optional<CheckItem> wanted) {
        List<CheckState> states = CheckState.of(plan, fixture);
        CheckState here = states.stream()
                .filter(s -> wanted.filter(s.item()::equals).isPresent())
                .findFirst()
                .or(() ->
                        states.stream().filter(s -> !s.isDone() && !s.isWrong()).findFirst())
                .orElse(states.get(0));
        List<Fixture> along = CheckProgress.along(plan);
        int place = along.indexOf(fixture);
        return new UnitView(
                fixture.key().number(),
                fixture.label(),
                plan.type(fixture).fullName(),
                plan.position(fixture).name() + ", unit " + fixture.unit(),
                fixture.addresses().isEmpty()
                        ? "no address"
                        : fixture.addresses().values().stream()
                                .map(Object::toString)
                                .collect(Collectors.joining(" ")),
                fixture.addresses().values().stream()
                        .map(a -> a.universe().toString())
                        .distinct()
                        .collect(Collectors.joining(", ")),
                fixture.isHazard(plan.type(fixture)),
                place + 1,
                along.size(),
                place > 0 ? Optional.of(along.get(place - 1).key().number()) : Optional.empty(),
                place + 1 < along.size()
                        ? Optional.of(along.get(place + 1).key().number())
                        : Optional.empty(),
                states.stream().map(s -> line(plan, fixture, s, s.equals(here))).toList(),
                here(plan, fixture, here));
    }

    private static ItemLine line(Plan plan, Fixture fixture, CheckState state, boolean isHere) {
        String mark = state.isDone() ? "moss" : state.isWrong() ? "stop" : state.stale() ? "warn" : "none";
        String said = state.seen().map(s -> said(s, state.stale())).orElse("");
        return new ItemLine(state.item().name(), CheckText.name(plan, fixture, state.item()), mark, said, isHere);
    }

    private static String said(UnitCheck seen, boolean stale) {
        return seen.seen().words() + (seen.note().isEmpty() ? "" : ", " + seen.note()) + ", " + seen.by()
                + (stale ? "; planned otherwise since" : "");
    }

    private static Here here(Plan plan, Fixture fixture, CheckState state) {
        CheckItem item = state.item();
        boolean axis = item.kind() == CheckItem.Kind.PAN || item.kind() == CheckItem.Kind.TILT;
        return new Here(
                item.name(),
                CheckText.name(plan, fixture, item),
                CheckText.question(plan, fixture, item),
                item.kind() != CheckItem.Kind.THERE,
                axis,
                state.seen().isPresent());
    }
}

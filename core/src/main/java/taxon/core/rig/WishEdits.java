package taxon.core.rig;

import java.util.List;
import java.util.Optional;
import taxon.core.rig.Edit.Changed;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Refusal.Fault;

/** Edits of what a job wishes of its addresses. */
public final class WishEdits {
    private WishEdits() {}

    /** Puts a wish in force: addresses are checked against it from now on. */
    public static Edit enforce(Wish wish) {
        return new Edit("Wish in force", plan -> new Changed(plan.with(wish.as(Wish.IN_FORCE, wish.name()))));
    }

    /** No wish is in force any more: nothing but clashes is checked. */
    public static Edit lift() {
        return new Edit("No wish in force", plan -> new Changed(plan.without(List.of(Wish.keyOf(Wish.IN_FORCE)))));
    }

    /** Keeps a wish by name, in the place of one that has the same name. */
    public static Edit keep(Wish wish, String name) {
        return new Edit("Wish kept: " + name, plan -> {
            Optional<Wish> same = plan.keptWishes().stream()
                    .filter(w -> w.name().equalsIgnoreCase(name))
                    .findFirst();
            if (same.isEmpty() && plan.keptWishes().size() >= Wish.MOST_KEPT) {
                return Edit.refuse(
                        new Refusal("number of kept wishes", name, Fault.OUT_OF_RANGE, Wish.MOST_KEPT + " at most"));
            }
            int number = same.map(Wish::number).orElse(Math.max(1, plan.nextNumber(Kind.WISH)));
            return new Changed(plan.with(wish.as(number, name)));
        });
    }

    /** Forgets a kept wish. */
    public static Edit forget(int number) {
        return new Edit(
                "Wish forgotten",
                plan -> number != Wish.IN_FORCE
                                && plan.element(Wish.keyOf(number)).isPresent()
                        ? new Changed(plan.without(List.of(Wish.keyOf(number))))
                        : Edit.refuse(new Refusal(
                                "kept wish",
                                Integer.toString(number),
                                Fault.NOT_FOUND,
                                plan.keptWishes().size() + " of them")));
    }
}

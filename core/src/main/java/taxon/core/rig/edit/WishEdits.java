package taxon.core.rig.edit;

import java.util.List;
import java.util.Optional;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Refusal;
import taxon.core.rig.Refusal.Fault;
import taxon.core.rig.edit.Edit.Changed;
import taxon.core.rig.wish.Wish;

/** Edits of what a job wishes of its addresses. */
public final class WishEdits {
    private WishEdits() {}

    /** Puts a wish in force: addresses are checked against it from now on. */
    public static Edit enforce(String name, Wish wish) {
        return new Edit("Wish in force", plan -> new Changed(plan.with(KeptWish.inForce(name, wish))));
    }

    /** No wish is in force any more: nothing but clashes is checked. */
    public static Edit lift() {
        return new Edit(
                "No wish in force", plan -> new Changed(plan.without(List.of(KeptWish.keyOf(KeptWish.IN_FORCE)))));
    }

    /** Keeps a wish by name, in the place of one that has the same name. */
    public static Edit keep(Wish wish, String name) {
        return new Edit("Wish kept: " + name, plan -> {
            Optional<KeptWish> same = plan.keptWishes().stream()
                    .filter(w -> w.name().equalsIgnoreCase(name))
                    .findFirst();
            if (same.isEmpty() && plan.keptWishes().size() >= KeptWish.MOST_KEPT) {
                return Edit.refuse(new Refusal(
                        "number of kept wishes", name, Fault.OUT_OF_RANGE, KeptWish.MOST_KEPT + " at most"));
            }
            int number = same.map(KeptWish::number).orElse(Math.max(1, plan.nextNumber(Kind.WISH)));
            return new Changed(plan.with(new KeptWish(number, name, wish)));
        });
    }

    /** Forgets a kept wish. */
    public static Edit forget(int number) {
        return new Edit(
                "Wish forgotten",
                plan -> number != KeptWish.IN_FORCE
                                && plan.element(KeptWish.keyOf(number)).isPresent()
                        ? new Changed(plan.without(List.of(KeptWish.keyOf(number))))
                        : Edit.refuse(new Refusal(
                                "kept wish",
                                Integer.toString(number),
                                Fault.NOT_FOUND,
                                plan.keptWishes().size() + " of them")));
    }
}

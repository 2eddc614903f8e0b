package taxon.core.rig;

import java.util.Collection;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.rig.ElementKey.Kind;

/** What elements of a plan may refer to. One check that every plan passes through. */
final class PlanBonds {
    private final Map<ElementKey, Element> elements;

    private PlanBonds(Map<ElementKey, Element> elements) {
        this.elements = elements;
    }

    static void verify(Map<ElementKey, Element> elements) {
        PlanBonds bonds = new PlanBonds(elements);
        bonds.require("a plan", JobSheet.KEY);
        elements.values().forEach(bonds::verify);
    }

    /** Verifies only these of a plan whose others were verified before and of which nothing has gone. */
    static void verify(Map<ElementKey, Element> elements, Collection<Element> changed) {
        changed.forEach(new PlanBonds(elements)::verify);
    }

    private void verify(Element element) {
        if (element instanceof Fixture f) {
            require("fixture " + f.key(), new ElementKey(Kind.TYPE, 0, f.type().value()));
            require("fixture " + f.key(), ElementKey.of(Kind.POSITION, f.position()));
        } else if (element instanceof BlockEvidence e) {
            require("evidence of " + e.ref(), Fixture.keyOf(e.ref().fixture()));
        } else if (element instanceof Group g) {
            g.members().forEach(m -> require("group " + g.number(), Fixture.keyOf(m)));
            g.rules().forEach(r -> r.refersTo().forEach(k -> require("a rule of group " + g.number(), k)));
            verifyParents(g);
        } else if (element instanceof Share s) {
            s.blocks().forEach(b -> require("share " + s.number(), Fixture.keyOf(b.fixture())));
        } else if (element instanceof Universe u) {
            u.route()
                    .ifPresent(r -> require(
                            "the route of universe " + u.number(),
                            Node.keyOf(r.port().node())));
        }
    }

    /** A group lies in one that exists, and never in itself, however deep. */
    private void verifyParents(Group group) {
        Set<Integer> seen = new HashSet<>(Set.of(group.number()));
        Optional<Integer> parent = group.parent();
        while (parent.isPresent()) {
            ElementKey key = Group.keyOf(parent.get());
            require("group " + group.number(), key);
            if (!seen.add(parent.get())) {
                throw new IllegalArgumentException("group " + group.number() + " lies in itself");
            }
            parent = Optional.ofNullable(elements.get(key))
                    .map(Group.class::cast)
                    .flatMap(Group::parent);
        }
    }

    private void require(String who, ElementKey key) {
        if (!elements.containsKey(key)) {
            throw new IllegalArgumentException(who + " refers to " + key + ", which the plan lacks");
        }
    }
}

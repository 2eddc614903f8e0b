package taxon.core.rig;

import java.util.Map;
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

    private void verify(Element element) {
        if (element instanceof Fixture f) {
            require("fixture " + f.key(), new ElementKey(Kind.TYPE, 0, f.type().value()));
            require("fixture " + f.key(), ElementKey.of(Kind.POSITION, f.position()));
        } else if (element instanceof BlockEvidence e) {
            require("evidence of " + e.ref(), Fixture.keyOf(e.ref().fixture()));
        } else if (element instanceof Universe u) {
            u.route()
                    .ifPresent(r -> require(
                            "the route of universe " + u.number(),
                            Node.keyOf(r.port().node())));
        }
    }

    private void require(String who, ElementKey key) {
        if (!elements.containsKey(key)) {
            throw new IllegalArgumentException(who + " refers to " + key + ", which the plan lacks");
        }
    }
}

package taxon.core.rig;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.core.rig.ElementKey.Kind;

/** What elements of a plan may refer to. One check that every plan passes through. */
final class PlanBonds {
    /** Far below what people make (edits go to 16), and far above what a walk down the tree can bear. */
    private static final int MOST_DEEP = 100;

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
        References references = element.match(ReferencesOf.EACH);
        references.keys().forEach(k -> require(references.who(), k));
        if (element.elementKey().kind() == Kind.GROUP) {
            verifyParents(element.elementKey());
        }
    }

    /** A group lies in one that exists, never in itself, and not so deep that nobody could walk there. */
    private void verifyParents(ElementKey group) {
        Set<ElementKey> seen = new HashSet<>(Set.of(group));
        Optional<ElementKey> parent = parent(group);
        while (parent.isPresent()) {
            require("group " + group.number(), parent.get());
            if (!seen.add(parent.get())) {
                throw new IllegalArgumentException("group " + group.number() + " lies in itself");
            }
            if (seen.size() > MOST_DEEP) {
                throw new IllegalArgumentException(
                        "group " + group.number() + " lies more than " + MOST_DEEP + " deep");
            }
            parent = parent(parent.get());
        }
    }

    private Optional<ElementKey> parent(ElementKey group) {
        return Optional.ofNullable(elements.get(group))
                .map(Group.class::cast)
                .flatMap(Group::parent)
                .map(Group::keyOf);
    }

    private void require(String who, ElementKey key) {
        if (!elements.containsKey(key)) {
            throw new IllegalArgumentException(who + " refers to " + key + ", which the plan lacks");
        }
    }

    /** The elements that one refers to, which its plan must hold. */
    private record References(String who, Collection<ElementKey> keys) {
        static final References NONE = new References("", Set.of());
    }

    private enum ReferencesOf implements ElementCases<References> {
        EACH;

        @Override
        public References jobSheet(JobSheet sheet) {
            return References.NONE;
        }

        @Override
        public References type(RigType type) {
            return References.NONE;
        }

        @Override
        public References position(Position position) {
            return References.NONE;
        }

        @Override
        public References box(Box box) {
            List<ElementKey> keys = new ArrayList<>();
            box.place().position().ifPresent(p -> keys.add(ElementKey.of(Kind.POSITION, p)));
            box.facts().reaches().ifPresent(p -> keys.add(Box.keyOf(p.box())));
            box.facts().fixture().ifPresent(f -> keys.add(Fixture.keyOf(f)));
            return new References("box " + box.number(), keys);
        }

        @Override
        public References line(Line line) {
            List<ElementKey> keys = new ArrayList<>();
            keys.add(Box.keyOf(line.from().box()));
            line.units().forEach(u -> keys.add(Fixture.keyOf(u)));
            line.boxes().forEach(b -> keys.add(Box.keyOf(b)));
            return new References("line " + line.number(), keys);
        }

        @Override
        public References radioLink(RadioLink link) {
            return new References(
                    link.elementKey().toString(),
                    List.of(link.receiver().elementKey(), Box.keyOf(link.to().box())));
        }

        @Override
        public References reservedRun(ReservedRun run) {
            return References.NONE;
        }

        @Override
        public References wish(KeptWish wish) {
            return References.NONE;
        }

        @Override
        public References universe(Universe universe) {
            List<ElementKey> keys = new ArrayList<>();
            universe.routes().forEach(r -> keys.add(Box.keyOf(r.port().box())));
            universe.sources().forEach(s -> keys.add(Box.keyOf(s.box())));
            return new References("universe " + universe.number(), keys);
        }

        @Override
        public References fixture(Fixture fixture) {
            return new References(
                    "fixture " + fixture.key(),
                    List.of(
                            new ElementKey(Kind.TYPE, 0, fixture.type().value()),
                            ElementKey.of(Kind.POSITION, fixture.position())));
        }

        @Override
        public References evidence(BlockEvidence evidence) {
            return new References(
                    "evidence of " + evidence.ref(),
                    Set.of(Fixture.keyOf(evidence.ref().fixture())));
        }

        @Override
        public References check(UnitCheck check) {
            return new References("check of fixture " + check.fixture(), Set.of(Fixture.keyOf(check.fixture())));
        }

        @Override
        public References group(Group group) {
            Set<ElementKey> keys = new HashSet<>();
            group.members().forEach(m -> keys.add(Fixture.keyOf(m)));
            group.parts().forEach(p -> keys.add(Fixture.keyOf(p.fixture())));
            group.rules().forEach(r -> keys.addAll(r.refersTo()));
            return new References("group " + group.number(), keys);
        }

        @Override
        public References share(Share share) {
            return new References(
                    "share " + share.number(),
                    share.blocks().stream().map(b -> Fixture.keyOf(b.fixture())).toList());
        }
    }
}

package taxon.core.scene;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import taxon.core.dmx.StartAddress;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.UnknownType;
import taxon.core.history.ChangeLine;
import taxon.core.history.ChangeLines;
import taxon.core.length.Length;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Plan;
import taxon.core.rig.PlanDelta;
import taxon.core.rig.RigType;
import taxon.core.rig.Traits;
import taxon.core.rig.edit.Edit;
import taxon.core.text.Texts;

/**
 * Merges a scene into a job. A fixture of the scene is the one of the same UUID; where no fixture has it, the only one without
 * a UUID that has the same ID; else it is new. Nothing that the scene does not say is changed.
 */
public final class SceneMerge {
    private static final double FAR = 0.5;
    private static final String NO_MODE = "not said";

    private final Plan plan;
    private final Scene scene;
    private final SceneTypes types;
    private final MergeRequest request;
    private final ScenePlaces places;
    private final Map<UUID, Fixture> byUuid = new HashMap<>();
    private final Map<FixtureId, List<Fixture>> withoutUuid = new HashMap<>();
    private final Map<SpecMode, Integer> unsettled = new TreeMap<>();
    private final List<Fixture> addressed = new ArrayList<>();
    private final List<String> byId = new ArrayList<>();
    private final List<String> beside = new ArrayList<>();
    private final List<String> locked = new ArrayList<>();
    private final List<Fixture> fixtures = new ArrayList<>();
    private final Set<FixtureKey> met = new HashSet<>();
    private final Set<RigType> used = new HashSet<>();
    private final SceneFolders folders;
    private int next;

    private SceneMerge(Plan plan, Scene scene, SceneTypes types, MergeRequest request) {
        this.plan = plan;
        this.scene = scene;
        this.types = types;
        this.request = request;
        places = new ScenePlaces(plan, scene);
        folders = new SceneFolders(plan);
        next = plan.nextNumber(Kind.FIXTURE);
        plan.fixtures().forEach(f -> {
            f.uuid().ifPresent(u -> byUuid.put(u, f));
            if (f.uuid().isEmpty()) {
                f.id().ifPresent(i ->
                        withoutUuid.computeIfAbsent(i, k -> new ArrayList<>()).add(f));
            }
        });
    }

    /**
     * What merging would do.
     *
     * @param types what is known of the types; a new fixture of a type that nobody knows comes in all the same, of a type of
     *     which only the name is known, and one that the job has keeps its own
     */
    public static SceneProposal propose(Plan plan, Scene scene, SceneTypes types, MergeRequest request) {
        return new SceneMerge(plan, scene, types, request).propose();
    }

    private SceneProposal propose() {
        ordered().forEach(this::merge);
        List<Fixture> gone = plan.fixtures().stream()
                .filter(f -> f.uuid().isPresent() && !met.contains(f.key()))
                .toList();
        Plan merged = after(gone);
        Doubles doubles = new Doubles(merged, request.shares() ? addressed : List.of());
        Plan after = merged.with(doubles.shares());
        PlanDelta delta = PlanDelta.between(plan, after);
        List<Fixture> added =
                fixtures.stream().filter(f -> plan.fixture(f.key()).isEmpty()).toList();
        int changed = (int) fixtures.stream()
                .filter(f -> plan.fixture(f.key()).filter(was -> !was.equals(f)).isPresent())
                .count();
        return new SceneProposal(
                Edit.computed(
                        "Scene merged",
                        plan,
                        after,
                        now -> new Edit.Changed(
                                propose(now, scene, types, request).after())),
                after,
                types.bySpec(),
                added,
                changes(delta, after),
                changed,
                fixtures.size() - added.size() - changed,
                gone,
                questions(),
                doubles.words(),
                byId,
                beside,
                locked);
    }

    private List<SceneProposal.Question> questions() {
        return unsettled.entrySet().stream()
                .map(e -> new SceneProposal.Question(
                        e.getKey(),
                        Optional.ofNullable(types.bySpec().get(e.getKey().spec())),
                        Optional.ofNullable(types.chosen().get(e.getKey())),
                        e.getValue()))
                .toList();
    }

    private static List<ChangeLine> changes(PlanDelta delta, Plan after) {
        TreeMap<ElementKey, PlanDelta.Change> both = new TreeMap<>(delta.changes());
        both.values().removeIf(c -> c.before().isEmpty() || !(c.after().orElse(null) instanceof Fixture));
        return ChangeLines.of(new PlanDelta(both), after);
    }

    /** Along each position from the left, so that new fixtures get their unit numbers in that order. */
    private List<SceneFixture> ordered() {
        return scene.fixtures().stream()
                .sorted(Comparator.comparing((SceneFixture f) ->
                                f.position().map(UUID::toString).orElse(""))
                        .thenComparing(f -> f.point().map(p -> along(f, p)).orElse(Length.ZERO))
                        .thenComparing(f -> f.id().map(FixtureId::number).orElse(Integer.MAX_VALUE))
                        .thenComparing(SceneFixture::uuid))
                .toList();
    }

    private Length along(SceneFixture fixture, ScenePoint point) {
        return GeometryFit.along(places.of(fixture).geometry(), point);
    }

    private void merge(SceneFixture wanted) {
        Optional<Fixture> known = known(wanted);
        Optional<FixtureType> ofJob = types.known(wanted).isPresent()
                ? Optional.empty()
                : known.map(plan::type).filter(t -> !UnknownType.is(t));
        // What was chosen stays a question, so that it can be chosen otherwise; what the job knows better is none.
        boolean isSettled = ofJob.map(t -> t.mode(wanted.mode()).isPresent()).orElseGet(() -> types.isSettled(wanted));
        if (!isSettled || types.chosen(wanted).isPresent()) {
            unsettled.merge(SpecMode.of(wanted), 1, Integer::sum);
        }
        FixtureType type = ofJob.orElseGet(() -> types.of(wanted));
        known.ifPresent(f -> met.add(f.key()));
        if (known.isPresent() && !request.changes()) {
            fixtures.add(known.get());
            return;
        }
        used.add(RigType.in(plan, type));
        Fixture merged = known.map(f -> changed(f, wanted, type)).orElseGet(() -> made(wanted, type));
        fixtures.add(merged);
        if (merged.addresses().equals(addresses(wanted, type.mode(merged.mode())))) {
            addressed.add(merged);
        }
        wanted.point()
                .filter(p -> GeometryFit.beside(places.of(wanted).geometry(), p) > FAR)
                .ifPresent(p -> beside.add(merged.label()));
    }

    private Optional<Fixture> known(SceneFixture wanted) {
        Optional<Fixture> same = Optional.ofNullable(byUuid.get(wanted.uuid()));
        if (same.isPresent()) {
            return same;
        }
        List<Fixture> alike =
                wanted.id().map(i -> withoutUuid.getOrDefault(i, List.of())).orElse(List.of());
        Optional<Fixture> only = alike.stream()
                .filter(f -> alike.size() == 1 && !met.contains(f.key()))
                .findFirst();
        only.ifPresent(f -> byId.add(f.label()));
        return only;
    }

    private Fixture made(SceneFixture wanted, FixtureType type) {
        FixtureKey key = FixtureKey.of(next++);
        int position = places.of(wanted).number();
        Fixture fixture = Fixture.of(
                        key,
                        wanted.id(),
                        new Fixture.Model(type.id(), mode(wanted)),
                        new Fixture.Place(position, places.unit(wanted, position), Optional.empty()))
                .withWords(Texts.clip(wanted.name(), 80), "")
                .withAddresses(addresses(wanted, type.mode(mode(wanted))));
        if (request.folders()) {
            folders.put(key, wanted.folders());
        }
        return placed(fixture, wanted).withUuid(Optional.of(wanted.uuid()));
    }

    private String mode(SceneFixture wanted) {
        String mode = Texts.clip(types.mode(wanted), 60);
        return mode.isBlank() ? NO_MODE : mode;
    }

    private Fixture changed(Fixture fixture, SceneFixture wanted, FixtureType type) {
        int position = places.isSaid(wanted) ? places.of(wanted).number() : fixture.position();
        Fixture changed = fixture.withUuid(Optional.of(wanted.uuid()))
                .withType(type.id())
                .withMode(keepsMode(fixture, wanted, type) ? fixture.mode() : mode(wanted))
                .withId(wanted.id().or(fixture::id))
                .withPlace(position, wanted.unit().orElse(fixture.unit()));
        if (!wanted.name().isBlank()) {
            changed = changed.withWords(Texts.clip(wanted.name(), 80), fixture.note());
        }
        if (request.addresses()) {
            changed = moved(changed, addresses(wanted, type.mode(changed.mode())));
        }
        return placed(changed, wanted);
    }

    /** A mode of a type that nobody knows says nothing of the type that the job has instead. */
    private boolean keepsMode(Fixture fixture, SceneFixture wanted, FixtureType type) {
        boolean otherType = types.known(wanted).isEmpty() && fixture.type().equals(type.id()) && !UnknownType.is(type);
        return types.mode(wanted).isEmpty()
                || otherType && type.mode(wanted.mode()).isEmpty();
    }

    /** What is locked keeps its addresses, and the proposal says so. */
    private Fixture moved(Fixture fixture, SortedMap<Integer, StartAddress> addresses) {
        if (fixture.refuses(addresses).isPresent()) {
            locked.add(fixture.label());
            return fixture;
        }
        return fixture.withAddresses(addresses);
    }

    private Fixture placed(Fixture fixture, SceneFixture wanted) {
        Traits traits = fixture.traits();
        if (wanted.panReversed().isPresent()) {
            traits = traits.withPanReversed(wanted.panReversed().get());
        }
        if (wanted.tiltReversed().isPresent()) {
            traits = traits.withTiltReversed(wanted.tiltReversed().get());
        }
        if (!wanted.purpose().isBlank()) {
            traits = traits.withPurpose(Texts.clip(wanted.purpose(), 80));
        }
        Optional<Length> offset = wanted.point().map(p -> along(wanted, p)).or(fixture::offset);
        return fixture.withTraits(traits).withOffset(offset);
    }

    /** Breaks become blocks: by the mode's break numbers, or one after the other where the mode is not known. */
    private static SortedMap<Integer, StartAddress> addresses(SceneFixture wanted, Optional<Mode> mode) {
        TreeMap<Integer, StartAddress> addresses = new TreeMap<>();
        wanted.addresses().forEach((number, address) -> {
            int block = mode.map(m -> m.breaks().indexOf(number) + 1).orElse(number);
            if (block > 0) {
                addresses.put(block, address);
            }
        });
        return addresses;
    }

    private Plan after(List<Fixture> gone) {
        List<Element> elements = new ArrayList<>(used);
        elements.addAll(places.changed());
        elements.addAll(fixtures);
        Plan merged = plan.with(elements);
        merged = merged.with(folders.elements());
        Plan left = request.removal()
                ? merged.without(gone.stream().map(Fixture::elementKey).toList())
                : merged;
        return left.without(left.types().types().stream()
                .filter(t -> UnknownType.is(t) && left.fixturesOf(t.id()).isEmpty())
                .map(t -> RigType.keyOf(t.id()))
                .toList());
    }
}

package taxon.app.store;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import taxon.core.dmx.SlotRange;
import taxon.core.dmx.StartAddress;
import taxon.core.dmx.UniverseNumber;
import taxon.core.fixture.TypeId;
import taxon.core.length.Length;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.BlockRef;
import taxon.core.rig.Element;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.rig.Fixture;
import taxon.core.rig.FixtureId;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Mark;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.PositionKind;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.RigType;
import taxon.core.rig.Traits;
import taxon.core.rig.UnitCheck;
import taxon.formats.json.ElementJson;
import taxon.formats.json.GroupJson;
import taxon.formats.json.Json;
import taxon.formats.json.MenuJson;
import taxon.formats.json.PlaceJson;

/** The rows of the plan tables, and the way from elements to rows and back. Nulls end here. */
final class PlanRows {
    private PlanRows() {}

    record TypeRow(String typeId, String definition) {
        static TypeRow of(RigType type) {
            return new TypeRow(type.type().id().value(), MenuJson.write(type).toString());
        }

        RigType element() {
            return MenuJson.readType(Json.parse(definition));
        }
    }

    record PositionRow(
            int number,
            String name,
            String kind,
            @Nullable Long lengthUm,
            long acrossUm,
            long upstageUm,
            long heightUm,
            int angle,
            boolean upright,
            int rank,
            @Nullable String uuid) {
        static PositionRow of(Position position) {
            PositionGeometry geometry = position.geometry();
            return new PositionRow(
                    position.number(),
                    position.name(),
                    Json.slug(position.kind()),
                    geometry.length().map(Length::micrometres).orElse(null),
                    geometry.across().micrometres(),
                    geometry.upstage().micrometres(),
                    geometry.height().micrometres(),
                    geometry.angle(),
                    geometry.upright(),
                    position.rank(),
                    position.uuid().map(UUID::toString).orElse(null));
        }

        Position element() {
            PositionGeometry geometry = new PositionGeometry(
                    Optional.ofNullable(lengthUm).map(Length::new),
                    new Length(acrossUm),
                    new Length(upstageUm),
                    new Length(heightUm),
                    angle,
                    upright);
            return new Position(
                    number,
                    name,
                    Json.constant(PositionKind.class, kind),
                    geometry,
                    // A position from before there was an order stands where its number puts it.
                    rank == 0 ? number : rank,
                    Optional.ofNullable(uuid).map(UUID::fromString));
        }
    }

    /**
     * A folder or group.
     *
     * @param members and {@code parts} and {@code rules} as JSON, each read and written whole
     */
    record GroupRow(
            int number,
            String kind,
            String name,
            @Nullable Integer groupId,
            @Nullable Integer parent,
            String members,
            String parts,
            String rules) {
        static GroupRow of(Group group) {
            return new GroupRow(
                    group.number(),
                    Json.slug(group.kind()),
                    group.name(),
                    group.id().map(FixtureId::number).orElse(null),
                    group.parent().orElse(null),
                    GroupJson.members(group).toString(),
                    GroupJson.parts(group).toString(),
                    GroupJson.rules(group).toString());
        }

        Group element() {
            return new Group(
                    number,
                    Json.constant(GroupKind.class, kind),
                    name,
                    Optional.ofNullable(groupId).map(FixtureId::of),
                    Optional.ofNullable(parent),
                    GroupJson.readMembers(Json.parse(members)),
                    GroupJson.readParts(Json.parse(parts)),
                    GroupJson.readRules(Json.parse(rules)));
        }
    }

    /** An element that is read and written whole, by number. */
    record ValueRow(int number, String definition) {
        static ValueRow of(Element element) {
            return new ValueRow(
                    element.elementKey().number(), ElementJson.write(element).toString());
        }

        Element element(Kind kind) {
            return ElementJson.read(kind, Json.parse(definition));
        }
    }

    /** What was seen of a unit, by fixture and check. */
    record CheckRow(int fixture, String item, String definition) {
        static CheckRow of(UnitCheck check) {
            return new CheckRow(
                    check.fixture().number(),
                    check.item().name(),
                    ElementJson.write(check).toString());
        }

        Element element() {
            return ElementJson.read(Kind.CHECK, Json.parse(definition));
        }
    }

    record ReservedRow(int number, int universe, int firstSlot, int lastSlot, String label) {
        static ReservedRow of(ReservedRun run) {
            return new ReservedRow(
                    run.number(),
                    run.universe().number(),
                    run.slots().first(),
                    run.slots().last(),
                    run.label());
        }

        ReservedRun element() {
            return new ReservedRun(number, UniverseNumber.of(universe), new SlotRange(firstSlot, lastSlot), label);
        }
    }

    record FixtureRow(
            int number,
            @Nullable Integer fixtureId,
            String typeId,
            String mode,
            int position,
            int unit,
            String name,
            String note,
            @Nullable Long offsetUm,
            String traits,
            @Nullable String uuid) {
        static FixtureRow of(Fixture f) {
            return new FixtureRow(
                    f.key().number(),
                    f.id().map(FixtureId::number).orElse(null),
                    f.type().value(),
                    f.mode(),
                    f.position(),
                    f.unit(),
                    f.name(),
                    f.note(),
                    f.offset().map(Length::micrometres).orElse(null),
                    PlaceJson.write(f.traits()).toString(),
                    f.uuid().map(UUID::toString).orElse(null));
        }

        Fixture element(Map<Integer, StartAddress> addresses) {
            return new Fixture(
                    FixtureKey.of(number),
                    Optional.ofNullable(fixtureId).map(FixtureId::of),
                    new Fixture.Model(TypeId.of(typeId), mode),
                    new Fixture.Place(
                            position, unit, Optional.ofNullable(offsetUm).map(Length::new)),
                    new Fixture.Words(name, note),
                    new TreeMap<>(addresses),
                    traits.equals("{}") ? Traits.NONE : PlaceJson.readTraits(Json.parse(traits)),
                    Optional.ofNullable(uuid).map(UUID::fromString));
        }
    }

    record AddressRow(int fixture, int block, int universe, int slot) {
        static AddressRow of(Fixture fixture, int block, StartAddress address) {
            return new AddressRow(
                    fixture.key().number(),
                    block,
                    address.universe().number(),
                    address.slot().number());
        }

        StartAddress address() {
            return StartAddress.of(universe, slot);
        }
    }

    record EvidenceRow(
            int fixture,
            int block,
            String uid,
            @Nullable Integer setUniverse,
            @Nullable Integer setSlot,
            @Nullable String setMode,
            @Nullable String setAt,
            @Nullable String setBy,
            @Nullable Integer provedUniverse,
            @Nullable Integer provedSlot,
            @Nullable String provedMode,
            @Nullable String provedAt,
            @Nullable String provedBy,
            String menu) {
        static EvidenceRow of(BlockEvidence e) {
            Mark s = e.set().orElse(null);
            Mark p = e.proved().orElse(null);
            return new EvidenceRow(
                    e.ref().fixture().number(),
                    e.ref().block(),
                    e.uid(),
                    s == null ? null : s.address().universe().number(),
                    s == null ? null : s.address().slot().number(),
                    s == null ? null : s.mode(),
                    s == null ? null : s.at().toString(),
                    s == null ? null : s.by(),
                    p == null ? null : p.address().universe().number(),
                    p == null ? null : p.address().slot().number(),
                    p == null ? null : p.mode(),
                    p == null ? null : p.at().toString(),
                    p == null ? null : p.by(),
                    e.menu());
        }

        BlockEvidence element() {
            return new BlockEvidence(
                    new BlockRef(FixtureKey.of(fixture), block),
                    mark(setUniverse, setSlot, setMode, setAt, setBy),
                    mark(provedUniverse, provedSlot, provedMode, provedAt, provedBy),
                    uid,
                    menu);
        }

        private static Optional<Mark> mark(
                @Nullable Integer universe,
                @Nullable Integer slot,
                @Nullable String mode,
                @Nullable String at,
                @Nullable String by) {
            if (universe == null || slot == null || mode == null || at == null || by == null) {
                return Optional.empty();
            }
            return Optional.of(new Mark(StartAddress.of(universe, slot), mode, Instant.parse(at), by));
        }
    }
}

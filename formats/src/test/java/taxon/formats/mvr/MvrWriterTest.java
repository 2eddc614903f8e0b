package taxon.formats.mvr;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import taxon.core.cable.CableWay;
import taxon.core.fixture.Mode;
import taxon.core.network.BoxKind;
import taxon.core.network.Ipv4;
import taxon.core.network.NetCard;
import taxon.core.network.Route.PortRef;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.Fixture;
import taxon.core.rig.Group;
import taxon.core.rig.Group.GroupKind;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.Plan;
import taxon.core.scene.SceneFixture;
import taxon.core.testing.Rigs;
import taxon.formats.gdtf.ParsedGdtf;

/** A rig written as a scene, and read back by what reads the scenes of others. */
class MvrWriterTest {
    private static final Instant NOW = Instant.parse("2026-05-01T12:00:00Z");

    static LongStream seeds() {
        return Rigs.seeds(100);
    }

    private static ParsedMvr.Read read(byte[] file) {
        ParsedMvr parsed = MvrReader.read(file);
        assertThat(parsed).isInstanceOf(ParsedMvr.Read.class);
        return (ParsedMvr.Read) parsed;
    }

    private static Map<UUID, SceneFixture> byUuid(ParsedMvr.Read scene) {
        return scene.scene().fixtures().stream().collect(Collectors.toMap(SceneFixture::uuid, f -> f));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatIsWrittenIsReadBack(long seed) {
        Plan plan = Rigs.hung(seed);
        ParsedMvr.Read read = read(MvrWriter.write(plan, NOW));
        assertThat(read.notes()).isEmpty();
        CableWay way = new CableWay(plan);
        List<Fixture> written = plan.positions().stream()
                .flatMap(p -> plan.fixturesOn(p).stream())
                .toList();
        assertThat(read.scene().fixtures()).hasSameSizeAs(written);
        for (Fixture fixture : written) {
            SceneFixture back = found(read, plan, fixture);
            assertThat(back.id()).isEqualTo(fixture.id());
            assertThat(back.unit()).contains(fixture.unit());
            assertThat(back.addresses()).isEqualTo(fixture.addresses());
            assertThat(back.mode()).isEqualTo(fixture.mode());
            assertThat(back.panReversed()).contains(fixture.traits().axes().panReversed());
            assertThat(back.position().map(read.scene().positions()::get))
                    .contains(plan.position(fixture).name());
            fixture.uuid().ifPresent(u -> assertThat(back.uuid()).isEqualTo(u));
            way.spot(fixture)
                    .flatMap(s -> s.point())
                    .ifPresent(
                            p -> assertThat(back.point().orElseThrow().across().inMetres())
                                    .isEqualTo(p.across(), within(0.001)));
        }
    }

    /** The one of the same UUID: its own, or the one that a file of this job gives it. */
    private static SceneFixture found(ParsedMvr.Read read, Plan plan, Fixture fixture) {
        String name = "taxon:" + plan.sheet().name() + "/fixture/" + fixture.key();
        UUID uuid = fixture.uuid().orElse(UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8)));
        return Optional.ofNullable(byUuid(read).get(uuid)).orElseThrow();
    }

    @Test
    void foldersAreLayersAndGroupsAreGroupsAndEachFixtureLiesInOne() throws IOException {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 8), 5, Optional.of(101), Optional.empty());
        List<Fixture> units = plan.fixtures();
        plan = plan.with(List.of(
                Group.folder(1, "Deck", Optional.empty())
                        .withMembers(Set.of(units.get(0).key())),
                Group.folder(2, "Front", Optional.of(1))
                        .withMembers(Set.of(units.get(0).key(), units.get(1).key())),
                new Group(3, GroupKind.GROUP, "Wash", Optional.empty(), Optional.empty(), List.of(), List.of())
                        .withMembers(Set.of(units.get(1).key(), units.get(2).key())),
                new Group(4, GroupKind.GROUP, "All", Optional.empty(), Optional.empty(), List.of(), List.of())
                        .withMembers(Set.of(
                                units.get(1).key(),
                                units.get(2).key(),
                                units.get(3).key()))));
        ParsedMvr.Read read = read(MvrWriter.write(plan, NOW));
        String job = plan.sheet().name();
        assertThat(read.scene().fixtures())
                .extracting(f -> f.id().orElseThrow() + " " + f.folders())
                .containsExactlyInAnyOrder(
                        "101 [Deck, Front]",
                        "102 [Deck, Front, Wash]",
                        "103 [" + job + ", Wash]",
                        "104 [" + job + ", All]",
                        "105 [" + job + "]");
        String xml = description(MvrWriter.write(plan, NOW));
        List<String> uuids = Pattern.compile("(?<!o)uuid=\"([^\"]+)")
                .matcher(xml)
                .results()
                .map(r -> r.group(1))
                .toList();
        assertThat(uuids).doesNotHaveDuplicates();
    }

    @Test
    void theTypesGoWithItInTheirFiles() {
        Plan plan = Rigs.hung(3);
        ParsedMvr.Read read = read(MvrWriter.write(plan, NOW));
        Map<UUID, SceneFixture> scene = byUuid(read);
        assertThat(scene).isNotEmpty();
        for (SceneFixture fixture : scene.values()) {
            ParsedMvr.TypeFile file =
                    Optional.ofNullable(read.types().get(fixture.spec())).orElseThrow();
            assertThat(file.content()).isInstanceOf(ParsedGdtf.Read.class);
            assertThat(((ParsedGdtf.Read) file.content())
                            .type().modes().stream().map(Mode::name))
                    .contains(fixture.mode());
        }
        assertThat(MvrWriter.write(plan, NOW)).isEqualTo(MvrWriter.write(plan, NOW));
    }

    @Test
    void aUnitOnTheNetworkHasItsAddressAndCableItsWay() throws IOException {
        Plan plan = Rigs.add(Rigs.empty(), Rigs.type("t", 8), 3, Optional.of(101), Optional.empty());
        List<Fixture> units = plan.fixtures();
        Ipv4 ip = Ipv4.of(10, 0, 0, 77);
        plan = plan.with(List.of(
                Box.node(1, "Node", Ipv4.of(10, 0, 0, 1), 1),
                Box.node(2, "103 itself", ip, 1)
                        .as(BoxKind.UNIT)
                        .with(new NetCard(ip, 24))
                        .with(BoxFacts.NONE.being(units.get(2).key())),
                new Line(
                        1,
                        "A",
                        new PortRef(1, 1),
                        List.of(
                                new LineStop.Unit(units.get(1).key()),
                                new LineStop.Unit(units.get(0).key())))));
        String xml = description(MvrWriter.write(plan, NOW));
        assertThat(xml)
                .contains("<Network geometry=\"ethernet_1\" ipv4=\"10.0.0.77\" subnetmask=\"255.255.255.0\"/>")
                .containsOnlyOnce("<Connection own=\"Output\" other=\"Input\" toObject=");
        String second = xml.substring(xml.indexOf("<FixtureID>102"), xml.indexOf("<FixtureID>103"));
        String first = xml.substring(xml.indexOf("name=\"101\""));
        String uuid = first.substring(first.indexOf("uuid=\"") + 6, first.indexOf("uuid=\"") + 42);
        assertThat(second).as("102 leads on to 101").contains("toObject=\"" + uuid + "\"");
    }

    private static String description(byte[] file) throws IOException {
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.getName().equals("GeneralSceneDescription.xml")) {
                    return new String(zip.readAllBytes(), StandardCharsets.UTF_8);
                }
            }
        }
        throw new AssertionError("no scene in the file");
    }
}

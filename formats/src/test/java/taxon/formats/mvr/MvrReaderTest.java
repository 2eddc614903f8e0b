package taxon.formats.mvr;

import static org.assertj.core.api.Assertions.assertThat;
import static taxon.formats.testing.MvrByHand.addresses;
import static taxon.formats.testing.MvrByHand.element;
import static taxon.formats.testing.MvrByHand.fixture;
import static taxon.formats.testing.MvrByHand.group;
import static taxon.formats.testing.MvrByHand.moved;
import static taxon.formats.testing.MvrByHand.uuid;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.SeekableByteChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.dmx.StartAddress;
import taxon.core.length.Length;
import taxon.core.rig.FixtureId;
import taxon.core.scene.SceneFixture;
import taxon.core.scene.ScenePoint;
import taxon.formats.mvr.MvrNote.Kind;
import taxon.formats.testing.GdtfByHand;
import taxon.formats.testing.MvrByHand;
import taxon.formats.zip.ByteSource;

class MvrReaderTest {
    private static ParsedMvr.Read read(MvrByHand scene) {
        ParsedMvr reading = MvrReader.read(scene.mvr());
        assertThat(reading).isInstanceOf(ParsedMvr.Read.class);
        ParsedMvr.Read read = (ParsedMvr.Read) reading;
        ParsedMvr.Read fromFile = (ParsedMvr.Read) fromFile(scene.mvr());
        assertThat(fromFile.scene()).isEqualTo(read.scene());
        assertThat(fromFile.notes()).isEqualTo(read.notes());
        return read;
    }

    /** As from a disk: each look at it is another channel. */
    private static ParsedMvr fromFile(byte[] content) {
        try {
            Path file = Files.write(Files.createTempFile("scene", ".mvr"), content);
            try {
                return MvrReader.read(new ByteSource() {
                    @Override
                    public long size() {
                        return content.length;
                    }

                    @Override
                    public SeekableByteChannel open() throws IOException {
                        return Files.newByteChannel(file);
                    }
                });
            } finally {
                Files.delete(file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static SceneFixture one(String... elements) {
        return read(new MvrByHand().layer("Rig", "", fixture(1, "Bow", elements)))
                .scene()
                .fixtures()
                .get(0);
    }

    private static List<Kind> notes(String... elements) {
        return read(new MvrByHand().layer("Rig", "", fixture(1, "Bow", elements))).notes().stream()
                .map(MvrNote::kind)
                .toList();
    }

    private static ScenePoint point(String x, String y, String z) {
        return new ScenePoint(Length.metres(x), Length.metres(y), Length.metres(z));
    }

    @Test
    void everyFieldOfAFixtureIsRead() {
        ParsedMvr.Read read = read(new MvrByHand()
                .position(uuid(70), "Crane rail")
                .layer(
                        "Lights",
                        "",
                        fixture(
                                1,
                                "Bow left",
                                moved("-3200", "6000", "7500.5"),
                                element("GDTFSpec", "Pellucid@Wader.gdtf"),
                                element("GDTFMode", "Standard"),
                                element("FixtureID", "204"),
                                element("FixtureIDNumeric", "204"),
                                element("UnitNumber", "4"),
                                element("Position", uuid(70)),
                                element("Function", "front light"),
                                element("DMXInvertPan", "true"),
                                element("DMXInvertTilt", "false"),
                                addresses("1234", "2.1"))));
        SceneFixture f = read.scene().fixtures().get(0);
        assertThat(read.notes()).isEmpty();
        assertThat(read.scene().positions()).containsExactly(Map.entry(UUID.fromString(uuid(70)), "Crane rail"));
        assertThat(f.uuid()).isEqualTo(UUID.fromString(uuid(1)));
        assertThat(f.name()).isEqualTo("Bow left");
        assertThat(f.folders()).containsExactly("Lights");
        assertThat(f.id()).contains(FixtureId.of(204));
        assertThat(f.unit()).contains(4);
        assertThat(f.position()).contains(UUID.fromString(uuid(70)));
        assertThat(f.point()).contains(point("-3.2", "6", "7.5005"));
        assertThat(f.spec()).isEqualTo("Pellucid@Wader.gdtf");
        assertThat(f.mode()).isEqualTo("Standard");
        assertThat(f.panReversed()).contains(true);
        assertThat(f.tiltReversed()).contains(false);
        assertThat(f.purpose()).isEqualTo("front light");
        // Absolute 1234 is 3.210 (worked example); breaks count from 0 in the file, from 1 in a type.
        assertThat(f.addresses())
                .containsExactly(Map.entry(1, StartAddress.of(3, 210)), Map.entry(2, StartAddress.of(2, 1)));
    }

    /**
     * By hand: a group turned a quarter about the upright axis, u = (0, 1, 0) and v = (-1, 0, 0), and 2 m to the right. What is
     * 3 m along its first axis is 3 m upstage of it: (2, 3). Inside a layer that is 1 m upstage and 5 m up: (2, 4, 5).
     */
    @Test
    void matricesOfLayersGroupsAndFixturesAreMultiplied() {
        String turned = element("Matrix", "{0,1,0}{-1,0,0}{0,0,1}{2000,0,0}");
        ParsedMvr.Read read = read(new MvrByHand()
                .layer(
                        "Rig",
                        moved("0", "1000", "5000"),
                        group("Truss", turned, fixture(1, "a", moved("3000", "0", "0")))));
        SceneFixture f = read.scene().fixtures().get(0);
        assertThat(f.point()).contains(point("2", "4", "5"));
        assertThat(f.folders()).containsExactly("Rig", "Truss");
    }

    @Test
    void aFixtureThatCarriesAnotherPlacesIt() {
        String carried = fixture(2, "scroller", moved("0", "0", "-200"));
        ParsedMvr.Read read = read(new MvrByHand()
                .layer("Rig", "", fixture(1, "par", moved("1000", "0", "6000"), element("ChildList", carried))));
        assertThat(read.scene().fixtures()).hasSize(2);
        assertThat(read.scene().fixtures().get(1).point()).contains(point("1", "0", "5.8"));
    }

    @ParameterizedTest
    @CsvSource({
        "'{1e3,2E3,-3.5e3}', 1, 2, -3.5",
        "'{ 1000 , 2000.25 ,-3}', 1, 2.00025, -0.003",
        "'{0,0,0}', 0, 0, 0",
    })
    void numbersOfAMatrixMayBeWrittenInManyWays(String offset, String x, String y, String z) {
        assertThat(one(element("Matrix", "{1,0,0}{0,1,0}{0,0,1}" + offset)).point())
                .contains(point(x, y, z));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{1,0,0}{0,1,0}{0,0,1}",
                "{1,0,0}{0,1,0}{0,0,1}{NaN,0,0}",
                "{1,0,0}{0,1,0}{0,0,1}{1e300,0,0}",
                "{1,0,0}{0,1,0}{0,0,1}{,0,0}",
                "here",
            })
    void aMatrixThatIsNoneLeavesThePlaceOpen(String text) {
        assertThat(one(element("Matrix", text)).point()).isEmpty();
        assertThat(notes(element("Matrix", text))).containsOnly(Kind.MATRIX_UNCLEAR);
    }

    @Test
    void whatIsNotUnderstoodIsNotedAndTheFixtureIsReadAllTheSame() {
        String[] odd = {
            element("FixtureID", "A12"), element("UnitNumber", "-4"), element("Position", uuid(71)), addresses("1.513")
        };
        assertThat(notes(odd))
                .containsExactlyInAnyOrder(
                        Kind.ID_UNCLEAR, Kind.UNIT_UNCLEAR, Kind.POSITION_UNKNOWN, Kind.ADDRESS_UNCLEAR);
        SceneFixture f = one(odd);
        assertThat(f.id()).isEmpty();
        assertThat(f.name()).isEqualTo("A12 Bow");
        assertThat(f.addresses()).isEmpty();
        assertThat(new MvrNote(Kind.ID_UNCLEAR, "A12", 3, "A12").sentence())
                .isEqualTo("A12, line 3: the fixture ID “A12” is no number from 1 to 99999; it is kept as the name.");
    }

    @Test
    void anAddressOfNoughtIsNone() {
        assertThat(one(addresses("0")).addresses()).isEmpty();
        assertThat(notes(addresses("0"))).isEmpty();
    }

    @Test
    void aFixtureIsReadOnceForEachUuidAndNeverWithoutOne() {
        ParsedMvr.Read read = read(new MvrByHand()
                .layer("Rig", "", fixture(1, "a"), fixture(1, "b"), "<Fixture uuid=\"none\" name=\"c\"/>"));
        assertThat(read.scene().fixtures()).extracting(SceneFixture::name).containsExactly("a");
        assertThat(read.notes()).extracting(MvrNote::kind).containsExactly(Kind.UUID_TWICE, Kind.UUID_UNCLEAR);
    }

    @Test
    void theTypesThatItNamesComeOutOfTheArchiveAndNoOthers() {
        byte[] gdtf = new GdtfByHand()
                .mode("Standard", GdtfByHand.channel("1", "Dimmer"))
                .file();
        ParsedMvr.Read read = read(new MvrByHand()
                .layer(
                        "Rig",
                        "",
                        fixture(1, "a", element("GDTFSpec", "Pellucid@Wader")),
                        fixture(2, "b", element("GDTFSpec", "none.gdtf")))
                .file("pellucid@wader.GDTF", gdtf)
                .file("unused.gdtf", gdtf)
                .file("truss.3ds", new byte[] {1, 2, 3}));
        assertThat(read.types()).containsOnlyKeys("Pellucid@Wader.gdtf");
        assertThat(read.types().get("Pellucid@Wader.gdtf").bytes()).isEqualTo(gdtf);
    }

    @Test
    void aTypeInTheSceneThatCannotBeReadSaysWhy() {
        ParsedMvr.Read read = read(new MvrByHand()
                .layer("Rig", "", fixture(1, "a", element("GDTFSpec", "broken.gdtf")))
                .file("broken.gdtf", GdtfByHand.zip("description.xml", "<GDTF/>".getBytes(StandardCharsets.UTF_8))));
        assertThat(read.notes())
                .extracting(MvrNote::sentence)
                .containsExactly("broken.gdtf: the file in the scene could not be read. description.xml holds no GDTF"
                        + " fixture type: it begins with <GDTF>.");
    }

    @Test
    void aNumberForTheConsoleAndANameForPeopleAreBothKept() {
        SceneFixture f = one(element("FixtureID", "S-12"), element("FixtureIDNumeric", "312"));
        assertThat(f.id()).contains(FixtureId.of(312));
        assertThat(f.name()).isEqualTo("S-12 Bow");
        assertThat(one(element("FixtureID", "Bow")).name()).isEqualTo("Bow");
    }

    @Test
    void whatIsTooLongIsCutAndTold() {
        assertThat(notes(element("Function", "f".repeat(81)), element("GDTFMode", "m".repeat(61))))
                .containsExactly(Kind.TEXT_CUT, Kind.TEXT_CUT);
        assertThat(one(element("GDTFMode", "m".repeat(61))).mode()).isEqualTo("m".repeat(60));
    }

    @Test
    void anotherVersionIsReadAndNoted() {
        assertThat(read(new MvrByHand().version("verMajor=\"2\" verMinor=\"0\""))
                        .notes())
                .extracting(MvrNote::kind)
                .containsExactly(Kind.VERSION_UNKNOWN);
    }

    private static void refused(byte[] file, String sentence) {
        ParsedMvr reading = MvrReader.read(file);
        assertThat(reading).isInstanceOf(ParsedMvr.Refused.class);
        assertThat(((ParsedMvr.Refused) reading).sentence()).contains(sentence);
        assertThat(fromFile(file)).isEqualTo(reading);
    }

    private static byte[] zipped(String xml) {
        return GdtfByHand.zip("GeneralSceneDescription.xml", xml.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void filesThatAreNoSceneAreRefusedWithASentence() {
        refused("not a zip".getBytes(StandardCharsets.UTF_8), "no ZIP archive");
        refused(GdtfByHand.zip("description.xml", new byte[0]), "has no GeneralSceneDescription.xml");
        refused(zipped("<GeneralSceneDescription/>"), "holds no scene");
        refused(
                zipped("<!DOCTYPE a [<!ENTITY e \"x\">]><GeneralSceneDescription>&e;</GeneralSceneDescription>"),
                "document type declaration");
        refused(GdtfByHand.zip("../GeneralSceneDescription.xml", new byte[0]), "leads out of it");
        refused(zipped("<a>".repeat(100)), "nests deeper than 64");
        refused(new byte[MvrReader.LARGEST_FILE + 1], "134217728 is the most");
    }

    @Test
    void aSceneOfTooManyFixturesIsRefused() {
        StringBuilder many = new StringBuilder();
        for (int i = 1; i <= 20_001; i++) {
            many.append("<Fixture uuid=\"").append(uuid(i)).append("\"/>");
        }
        refused(new MvrByHand().layer("Rig", "", many.toString()).mvr(), "more than 20000 fixtures");
    }

    /** Bytes changed at random anywhere in the file end in a scene or a sentence, never in anything else. */
    @Test
    void damagedFilesEndInASceneOrASentence() {
        byte[] whole = new MvrByHand()
                .position(uuid(70), "Rail")
                .layer(
                        "Rig",
                        moved("0", "0", "0"),
                        fixture(1, "a", moved("1", "2", "3"), addresses("17"), element("FixtureID", "1")))
                .mvr();
        Random random = new Random(4);
        int scenes = 0;
        for (int i = 0; i < 2_000; i++) {
            byte[] damaged = Arrays.copyOf(whole, whole.length - (i % 7 == 0 ? random.nextInt(whole.length) : 0));
            for (int n = 0; n < 1 + random.nextInt(4) && damaged.length > 0; n++) {
                damaged[random.nextInt(damaged.length)] = (byte) random.nextInt(256);
            }
            ParsedMvr reading = MvrReader.read(damaged);
            scenes += reading instanceof ParsedMvr.Read ? 1 : 0;
            assertThat(reading)
                    .matches(r -> r instanceof ParsedMvr.Read
                            || !((ParsedMvr.Refused) r).sentence().isBlank());
        }
        assertThat(scenes).isBetween(1, 1_999);
    }
}

package taxon.app.demo;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import taxon.app.library.TypeLibrary;
import taxon.app.library.TypeLibrary.Import;
import taxon.core.fixture.Facts;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.TypeId;
import taxon.core.library.ModeRef;
import taxon.core.typesheet.ParsedSheet;
import taxon.core.typesheet.SheetReader;

/** What the invented shop of the demo owns, doubts, was sent as a file and wrote down itself. */
final class DemoLibrary {
    private static final Map<String, Integer> SHELF = Map.of(
            "fernglass-heron-380", 12,
            "fernglass-tern", 15,
            "fernglass-kestrel", 4,
            "oxbow-dunlin", 24,
            "oxbow-curlew-12", 12,
            "brackwater-plover", 24,
            "brackwater-avocet", 18);

    private DemoLibrary() {}

    /** Two Terns fewer than the rig needs, one mode that is not what the unit does. */
    static void fill(TypeLibrary library, String who) throws IOException {
        SHELF.forEach((id, owned) -> library.own(TypeId.of(id), Optional.of(owned)));
        library.doubt(
                new ModeRef(TypeId.of("fernglass-kestrel"), "18-channel"),
                "Two of the four restart from slot 16, not 18.",
                who);
        Import read = library.importFile("Brackwater@Smew_5.gdtf", smew());
        if (read instanceof Import.Refused refused) {
            throw new IllegalStateException("the demo's own file was refused: " + refused.sentence());
        }
        library.keep(wren(), Optional.empty(), Optional.empty());
    }

    /** The file as a maker would hand it out, written by hand and not by Taxon. */
    private static byte[] smew() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry("description.xml"));
            zip.write(resource("smew.xml"));
        }
        return bytes.toByteArray();
    }

    private static FixtureType wren() throws IOException {
        ParsedSheet sheet = SheetReader.read(new String(resource("wren.txt"), StandardCharsets.UTF_8));
        if (!sheet.isWhole()) {
            throw new IllegalStateException("the demo's own sheet has faults: " + sheet.findings());
        }
        return FixtureType.of(
                TypeId.named("Pellucid", "Wren"), "Pellucid", "Wren", "Wren", Facts.onALine(), sheet.modes());
    }

    private static byte[] resource(String name) throws IOException {
        try (InputStream in = Objects.requireNonNull(DemoLibrary.class.getResourceAsStream(name), name)) {
            return in.readAllBytes();
        }
    }
}

package taxon.app.testing;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Large invented rigs: trusses of a hundred units each, of four types, arranged and placed. */
public final class BigRig {
    private static final int ON_A_TRUSS = 100;
    private static final List<String> TYPES = List.of(
            "fernglass-heron-380/24-channel",
            "fernglass-kestrel/18-channel",
            "fernglass-tern/16-channel",
            "brackwater-plover/6-channel");

    private BigRig() {}

    /** Makes a job of so many fixtures (whole hundreds) and gives its number. */
    public static int make(Http http, int fixtures) {
        int job = http.post("/jobs", "name", "Rig of " + fixtures)
                .json()
                .path("job")
                .asInt();
        for (int truss = 1; truss <= fixtures / ON_A_TRUSS; truss++) {
            String name = "Truss " + truss;
            post(
                    http,
                    job,
                    "fixtures",
                    "count",
                    ON_A_TRUSS,
                    "type",
                    TYPES.get(truss % TYPES.size()),
                    "position",
                    name,
                    "firstId",
                    1 + (truss - 1) * ON_A_TRUSS);
            post(
                    http,
                    job,
                    "positions/" + truss,
                    "name",
                    name,
                    "kind",
                    "truss",
                    "length",
                    "40 m",
                    "upstage",
                    2 * truss);
            post(http, job, "jot", "q", "arrange \"" + name + "\" from -19.5 m to 19.5 m");
        }
        post(http, job, "jot", "q", "place all from 1.1");
        return job;
    }

    /** Posts on the newest version. */
    public static Http.Answer post(Http http, int job, String path, Object... fields) {
        Object[] all = new Object[fields.length + 2];
        all[0] = "version";
        all[1] = http.version(job);
        System.arraycopy(fields, 0, all, 2, fields.length);
        Http.Answer answer = http.post("/jobs/" + job + "/" + path, all);
        if (answer.status() != 200) {
            throw new AssertionError(path + ": " + answer.text());
        }
        return answer;
    }

    /** A scene file of such a rig, its type named but not in it. */
    public static byte[] scene(int fixtures) {
        StringBuilder positions = new StringBuilder();
        StringBuilder units = new StringBuilder();
        for (int i = 0; i < fixtures; i++) {
            int truss = i / ON_A_TRUSS + 1;
            if (i % ON_A_TRUSS == 0) {
                positions
                        .append("<Position uuid=\"")
                        .append(uuid(1_000_000 + truss))
                        .append("\" name=\"Truss ")
                        .append(truss)
                        .append("\"/>");
            }
            units.append("<Fixture uuid=\"")
                    .append(uuid(i + 1))
                    .append("\" name=\"\"><Matrix>{1,0,0}{0,1,0}{0,0,1}{")
                    .append(-19_500 + 390 * (i % ON_A_TRUSS))
                    .append(',')
                    .append(2_000 * truss)
                    .append(
                            ",7000}</Matrix><GDTFSpec>Fernglass@Tern.gdtf</GDTFSpec><GDTFMode>16-channel</GDTFMode><FixtureID>")
                    .append(i + 1)
                    .append("</FixtureID><Position>")
                    .append(uuid(1_000_000 + truss))
                    .append("</Position><Addresses><Address break=\"0\">")
                    .append(i / 32 * 512 + i % 32 * 16 + 1)
                    .append("</Address></Addresses></Fixture>\n");
        }
        String xml = "<GeneralSceneDescription verMajor=\"1\" verMinor=\"6\"><Scene><AUXData>" + positions
                + "</AUXData><Layers><Layer uuid=\"" + uuid(2_000_000) + "\" name=\"Lights\"><ChildList>" + units
                + "</ChildList></Layer></Layers></Scene></GeneralSceneDescription>";
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("GeneralSceneDescription.xml", xml.getBytes(StandardCharsets.UTF_8));
        return Zips.zip(files);
    }

    private static String uuid(int number) {
        return String.format("0f1e2d3c-4b5a-6978-8796-%012x", number);
    }
}

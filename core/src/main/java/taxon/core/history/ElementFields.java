package taxon.core.history;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import taxon.core.length.Length;
import taxon.core.length.LengthUnit;
import taxon.core.network.BoxPort;
import taxon.core.network.NetCard;
import taxon.core.network.RouteWords;
import taxon.core.rig.BlockEvidence;
import taxon.core.rig.Box;
import taxon.core.rig.BoxFacts;
import taxon.core.rig.ElementCases;
import taxon.core.rig.Fixture;
import taxon.core.rig.Group;
import taxon.core.rig.JobSheet;
import taxon.core.rig.KeptWish;
import taxon.core.rig.Line;
import taxon.core.rig.LineStop;
import taxon.core.rig.NetworkText;
import taxon.core.rig.Plan;
import taxon.core.rig.Position;
import taxon.core.rig.PositionGeometry;
import taxon.core.rig.RadioLink;
import taxon.core.rig.ReservedRun;
import taxon.core.rig.RigType;
import taxon.core.rig.Share;
import taxon.core.rig.UnitCheck;
import taxon.core.rig.Universe;

/** The fields of an element that is no fixture, by name, so that a change of one of them is told as that; none of kinds that have few. */
final class ElementFields implements ElementCases<Map<String, String>> {
    private final Plan names;

    ElementFields(Plan names) {
        this.names = names;
    }

    private String length(Length length) {
        LengthUnit unit = names.sheet().view().unit();
        return unit.words(length);
    }

    @Override
    public Map<String, String> jobSheet(JobSheet sheet) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("Name", sheet.name());
        fields.put("Venue", sheet.venue());
        fields.put("First day", sheet.from().map(LocalDate::toString).orElse(""));
        fields.put("Last day", sheet.to().map(LocalDate::toString).orElse(""));
        fields.put("Note", sheet.note());
        fields.put("Front", sheet.view().frontWords());
        return fields;
    }

    @Override
    public Map<String, String> position(Position position) {
        Map<String, String> fields = new LinkedHashMap<>();
        PositionGeometry geometry = position.geometry();
        fields.put("Name", position.name());
        fields.put("Length", geometry.length().map(this::length).orElse(""));
        fields.put("Across", length(geometry.across()));
        fields.put("Upstage", length(geometry.upstage()));
        fields.put("Height", length(geometry.height()));
        fields.put("Angle", geometry.angle() / 10.0 + "°");
        fields.put("Upright", geometry.upright() ? "yes" : "no");
        fields.put("Place in the order", Integer.toString(position.rank()));
        return fields;
    }

    @Override
    public Map<String, String> box(Box box) {
        Map<String, String> fields = new LinkedHashMap<>();
        BoxFacts facts = box.facts();
        fields.put("Name", box.name());
        fields.put("Kind", box.kind().words());
        fields.put("IP address", box.card().map(NetCard::toString).orElse(""));
        fields.put(
                "Position",
                box.place()
                        .position()
                        .flatMap(names::position)
                        .map(Position::name)
                        .orElse(""));
        fields.put("Rack", box.place().rack());
        fields.put(
                "Cabled to",
                facts.reaches().map(r -> NetworkText.port(names, r)).orElse(""));
        fields.put("Most universes", facts.mostUniverses().map(Object::toString).orElse(""));
        fields.put("Note", facts.note());
        for (int port = 1; port <= box.ports().size(); port++) {
            fields.put("Port " + port, words(box.ports().get(port - 1)));
        }
        return fields;
    }

    private static String words(BoxPort port) {
        return port.direction().words() + ", " + port.socket().words() + ", RDM " + (port.rdm() ? "on" : "off") + ", "
                + port.merge().words() + ", " + port.whenLost().words();
    }

    @Override
    public Map<String, String> line(Line line) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("Name", line.name());
        fields.put("From", NetworkText.port(names, line.from()));
        fields.put("Stops", line.stops().stream().map(this::words).collect(Collectors.joining(", ")));
        return fields;
    }

    private String words(LineStop stop) {
        if (stop instanceof LineStop.Unit unit) {
            return names.fixture(unit.fixture()).map(Fixture::label).orElse("no. " + unit.fixture());
        }
        int box = ((LineStop.Through) stop).box();
        return names.box(box).map(Box::name).orElse("box " + box);
    }

    @Override
    public Map<String, String> universe(Universe universe) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("Label", universe.label());
        fields.put(
                "Ways",
                universe.routes().stream()
                        .map(r -> NetworkText.port(names, r.port()) + " as " + RouteWords.carried(r))
                        .collect(Collectors.joining(", ")));
        fields.put(
                "Senders",
                universe.sources().stream()
                        .map(s -> names.box(s.box()).map(Box::name).orElse("box " + s.box()) + " with priority "
                                + s.priority())
                        .collect(Collectors.joining(", ")));
        return fields;
    }

    @Override
    public Map<String, String> reservedRun(ReservedRun run) {
        return Map.of();
    }

    @Override
    public Map<String, String> radioLink(RadioLink link) {
        return Map.of();
    }

    @Override
    public Map<String, String> type(RigType type) {
        return Map.of();
    }

    @Override
    public Map<String, String> fixture(Fixture fixture) {
        return Map.of();
    }

    @Override
    public Map<String, String> evidence(BlockEvidence evidence) {
        return Map.of();
    }

    @Override
    public Map<String, String> check(UnitCheck check) {
        return Map.of();
    }

    @Override
    public Map<String, String> group(Group group) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("Name", group.name());
        fields.put("Number", group.id().map(Object::toString).orElse(""));
        fields.put(
                "Members",
                group.members().stream()
                        .map(k -> names.fixture(k).map(Fixture::label).orElse("no. " + k))
                        .collect(Collectors.joining(", ")));
        return fields;
    }

    @Override
    public Map<String, String> share(Share share) {
        return Map.of();
    }

    @Override
    public Map<String, String> wish(KeptWish wish) {
        return Map.of();
    }
}

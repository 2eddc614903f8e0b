package taxon.app.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import taxon.core.finding.Finding;
import taxon.core.finding.FindingText;
import taxon.core.finding.Grounds;
import taxon.core.finding.LineGrounds;
import taxon.core.finding.NetworkGrounds;
import taxon.core.finding.RadioGrounds;
import taxon.core.rig.Box;

/** Where findings sit in the drawing: at boxes and at lines. */
final class NetworkMarks {
    private final Map<Integer, List<Finding>> boxes = new HashMap<>();
    private final Map<Integer, List<Finding>> lines = new HashMap<>();

    /**
     * A mark.
     *
     * @param severity of the gravest: "stop", "warn", "note"; empty where there is none
     * @param why all sentences
     */
    record Mark(String severity, String why) {
        static final Mark NONE = new Mark("", "");
    }

    NetworkMarks(List<Finding> findings) {
        for (Finding finding : findings) {
            boxes(finding.grounds())
                    .forEach(b ->
                            boxes.computeIfAbsent(b, k -> new ArrayList<>()).add(finding));
            if (finding.grounds() instanceof Grounds.OfLine l && l.what() instanceof LineGrounds.OfOneLine one) {
                lines.computeIfAbsent(one.line().number(), k -> new ArrayList<>())
                        .add(finding);
            }
        }
    }

    private static List<Integer> boxes(Grounds grounds) {
        if (grounds instanceof Grounds.Network n && n.what() instanceof NetworkGrounds.OfOneBox one) {
            return List.of(one.box().number());
        }
        if (grounds instanceof Grounds.Network n && n.what() instanceof NetworkGrounds.OfBoxes several) {
            return several.boxes().stream().map(Box::number).toList();
        }
        return grounds instanceof Grounds.OfRadio r && r.what() instanceof RadioGrounds.OfChannel channel
                ? List.of(channel.to().box())
                : List.of();
    }

    Mark ofBox(int number) {
        return mark(boxes.getOrDefault(number, List.of()));
    }

    Mark ofLine(int number) {
        return mark(lines.getOrDefault(number, List.of()));
    }

    private static Mark mark(List<Finding> findings) {
        return findings.stream()
                .map(Finding::severity)
                .min(Enum::compareTo)
                .map(s -> new Mark(
                        s.name().toLowerCase(Locale.ROOT),
                        findings.stream().map(FindingText::sentence).collect(Collectors.joining(" "))))
                .orElse(Mark.NONE);
    }
}

package taxon.app.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.core.finding.Finding;
import taxon.core.finding.FindingText;
import taxon.core.finding.Grounds;
import taxon.core.finding.LineGrounds;
import taxon.core.finding.NetworkGrounds;
import taxon.core.rig.Box;
import taxon.core.rig.Line;

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
            if (finding.grounds() instanceof Grounds.Network n) {
                boxes(n.what())
                        .forEach(b -> boxes.computeIfAbsent(b.number(), k -> new ArrayList<>())
                                .add(finding));
            } else if (finding.grounds() instanceof Grounds.OfLine l) {
                line(l.what())
                        .ifPresent(line -> lines.computeIfAbsent(line.number(), k -> new ArrayList<>())
                                .add(finding));
            }
        }
    }

    private static List<Box> boxes(NetworkGrounds what) {
        if (what instanceof NetworkGrounds.PortTwice p) {
            return List.of(p.box());
        }
        if (what instanceof NetworkGrounds.PortNoOutput p) {
            return List.of(p.box());
        }
        if (what instanceof NetworkGrounds.SourcesEqual s) {
            return s.boxes();
        }
        if (what instanceof NetworkGrounds.BoxFull b) {
            return List.of(b.box());
        }
        if (what instanceof NetworkGrounds.IpTwice i) {
            return i.boxes();
        }
        if (what instanceof NetworkGrounds.IpNoHost i) {
            return List.of(i.box());
        }
        if (what instanceof NetworkGrounds.IpOutside i) {
            return List.of(i.box());
        }
        if (what instanceof NetworkGrounds.IpSelfGiven i) {
            return List.of(i.box());
        }
        if (what instanceof NetworkGrounds.MaskDiffers m) {
            return List.of(m.box());
        }
        return what instanceof NetworkGrounds.NetworksApart a ? a.others() : List.of();
    }

    private static Optional<Line> line(LineGrounds what) {
        if (what instanceof LineGrounds.Loaded l) {
            return Optional.of(l.line());
        }
        if (what instanceof LineGrounds.TooLong l) {
            return Optional.of(l.line());
        }
        if (what instanceof LineGrounds.PassesNothing p) {
            return Optional.of(p.line());
        }
        if (what instanceof LineGrounds.CarriesOther c) {
            return Optional.of(c.line());
        }
        if (what instanceof LineGrounds.CarriesNothing c) {
            return Optional.of(c.line());
        }
        if (what instanceof LineGrounds.HearsNoCable h) {
            return Optional.of(h.line());
        }
        if (what instanceof LineGrounds.RdmStopped r) {
            return Optional.of(r.line());
        }
        return what instanceof LineGrounds.SocketsDiffer s ? Optional.of(s.line()) : Optional.empty();
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

package taxon.core.typesheet;

import java.util.List;
import taxon.core.finding.Severity;
import taxon.core.fixture.Mode;

/**
 * A type sheet as understood.
 *
 * @param modes what can be shown, even of a sheet with problems; a channel that has one is left out of its mode
 * @param findings in the order of the lines
 */
public record ParsedSheet(List<Mode> modes, List<SheetFinding> findings) {
    public ParsedSheet {
        modes = List.copyOf(modes);
        findings = List.copyOf(findings);
    }

    /** True when it can be kept: it has a mode, and nothing in it is a stop. */
    public boolean isWhole() {
        return !modes.isEmpty() && findings.stream().noneMatch(f -> f.severity() == Severity.STOP);
    }
}

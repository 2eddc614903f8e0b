package taxon.app.frame;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import taxon.app.form.Selection;

/**
 * What stands around the work surface of every page of a job.
 *
 * @param here the address of the page, to come back to
 * @param view how the page is looked at
 * @param undo what undo would undo, where there is anything
 * @param card the fixture that is chosen, where one is
 * @param several the fixtures that are chosen, where more than one is
 * @param hasDrawing true on a stage whose drawing shows units
 * @param open the first findings of this stage, for the card when nothing is chosen
 */
public record Frame(
        int job,
        long version,
        String name,
        String revision,
        List<Link> stages,
        Tally tally,
        String here,
        Selection selection,
        PageView view,
        Optional<String> undo,
        Optional<String> redo,
        Optional<Card> card,
        Optional<Several> several,
        boolean hasDrawing,
        List<FindingView> open) {

    /** @param severity "stop", "warn" or empty: the gravest that is still open there */
    public record Link(String title, String path, boolean isHere, long count, String severity) {}

    /** True when no room is kept for a card: nothing is chosen, and the page's drawing does not offer units to choose. */
    public boolean cardless() {
        return card.isEmpty() && several.isEmpty() && !hasDrawing;
    }

    /** The address of a page of this job with the selection kept. */
    public String to(String path) {
        return "/jobs/" + job + "/" + path + selection.query();
    }

    /** The address of this stage, or of the addresses where the page is none, with these fixtures chosen. */
    public String showing(List<Integer> fixtures) {
        String stage =
                stages.stream().filter(Link::isHere).map(Link::path).findFirst().orElse(Stage.ADDRESSES.path());
        return choosing(stage, fixtures);
    }

    /** Where the finding is decided; for a placing, with its fixtures chosen. */
    public String deciding(FindingView finding) {
        return finding.decidePath().equals(Stage.ADDRESSES.path())
                ? choosing(Stage.ADDRESSES.path(), finding.fixtures())
                : to(finding.decidePath());
    }

    private String choosing(String stage, List<Integer> fixtures) {
        String keys = fixtures.stream().map(String::valueOf).collect(Collectors.joining(","));
        return "/jobs/" + job + "/" + stage + "?sel=" + keys;
    }

    /** The address of this page with one fixture chosen, looked at as it is now. */
    public String choosing(int fixture) {
        return path() + view.query(Integer.toString(fixture));
    }

    /** The address of this page sorted by a column: first ascending, then descending, then as it was. */
    public String sorted(String column) {
        String now = view.value("sort");
        String next = now.equals(column) ? "-" + column : now.equals("-" + column) ? "" : column;
        return seen("sort", next);
    }

    /** The address of this page looked at otherwise in one respect; an empty value is as it usually is. */
    public String seen(String name, String value) {
        return path() + view.with(name, value).query(selection.text());
    }

    /** The address of this page with nothing chosen. */
    public String closed() {
        return path() + view.query("");
    }

    private String path() {
        int query = here.indexOf('?');
        return query < 0 ? here : here.substring(0, query);
    }
}

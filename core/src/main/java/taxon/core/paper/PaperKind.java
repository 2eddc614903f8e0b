package taxon.core.paper;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The papers that there are, in their order. */
public enum PaperKind {
    BY_FIXTURE("Patch by fixture", "No fixture yet."),
    BY_POSITION("Patch by position", "No fixture yet."),
    BY_UNIVERSE("Patch by universe", "No universe is in use."),
    BY_TYPE("Patch by type", "No fixture yet."),
    SLOTS("Every slot", "No fixture has an address."),
    SETTINGS("Settings sheet", "No fixture yet."),
    CARDS("Settings cards", "No fixture yet."),
    UNIT_LABELS("Unit labels", "No fixture yet."),
    CABLE_LABELS("Cable labels", "No line is drawn."),
    BOX_LABELS("Box and port labels", "No box yet."),
    CASE_LABELS("Case labels", "No fixture yet."),
    LINES("Lines and cable", "No line is drawn."),
    CABLES("Cables to take along", "No line is drawn."),
    BOXES("Boxes", "No box yet."),
    PORTS("Ports", "No box with ports yet."),
    NETWORK("Network drawing", "No box yet."),
    RIG_PLAN("Rig plan", "No fixture yet."),
    GROUPS("Groups", "No group."),
    COUNTS("Counts", "No fixture yet."),
    TO_KNOW("What to know", "Nothing to know of single fixtures."),
    TOUCH_AGAIN("Touch again", "Every unit that is known is as planned."),
    CHANGES("Change notice", "Nothing is planned otherwise.");

    private final String title;
    private final String nothing;

    PaperKind(String title, String nothing) {
        this.title = title;
        this.nothing = nothing;
    }

    public String title() {
        return title;
    }

    /** What stands on it where it has no row. */
    public String nothing() {
        return nothing;
    }

    /** Its name in addresses and files: "by-fixture". */
    public String slug() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The paper of that name. */
    public static Optional<PaperKind> of(String slug) {
        return Arrays.stream(values()).filter(k -> k.slug().equals(slug)).findFirst();
    }

    /** The columns by which people tell its rows apart. */
    List<String> naming() {
        return switch (this) {
            case BY_FIXTURE, BY_POSITION, BY_UNIVERSE, BY_TYPE, TOUCH_AGAIN, SETTINGS -> List.of("Fixture ID", "Block");
            case SLOTS -> List.of("Fixture ID", "Block", "Channel");
            case LINES, TO_KNOW, CARDS -> List.of("Fixture ID", "Type");
            case CABLES -> List.of("What", "Length");
            case BOXES -> List.of("Box");
            case PORTS -> List.of("Port", "Label");
            case NETWORK -> List.of("Box", "Port", "Line");
            case RIG_PLAN -> List.of("Fixture ID");
            case GROUPS -> List.of("Name", "Folder", "Because");
            case COUNTS -> List.of("Type", "Mode", "Position");
            case CHANGES -> List.of("Which", "What");
            case UNIT_LABELS -> List.of("Fixture ID", "Type");
            case CABLE_LABELS -> List.of("Cable", "This end");
            case BOX_LABELS -> List.of("Label", "Address or box");
            case CASE_LABELS -> List.of("Type", "Case");
        };
    }

    /** What of the title of a part names its rows too: the box, where each part is of one box and begins with its name. */
    String naming(String part) {
        return switch (this) {
            case PORTS, CABLES -> part.replaceFirst(", .*", "");
            default -> "";
        };
    }

    /** True when it is of fixtures, so that it can be of some of them. */
    public boolean isOfFixtures() {
        return switch (this) {
            case BY_FIXTURE,
                    BY_POSITION,
                    BY_UNIVERSE,
                    BY_TYPE,
                    SLOTS,
                    COUNTS,
                    RIG_PLAN,
                    TO_KNOW,
                    TOUCH_AGAIN,
                    SETTINGS,
                    CARDS,
                    UNIT_LABELS,
                    CASE_LABELS -> true;
            case LINES, CABLES, BOXES, PORTS, NETWORK, GROUPS, CABLE_LABELS, BOX_LABELS, CHANGES -> false;
        };
    }

    /** True when it begins with a drawing, of which its rows say in words what is on it. */
    public boolean isDrawn() {
        return this == NETWORK || this == RIG_PLAN;
    }

    /** True when each of its rows is a label of its own. */
    public boolean isLabels() {
        return this == UNIT_LABELS || this == CABLE_LABELS || this == BOX_LABELS || this == CASE_LABELS;
    }

    /** True when each of its rows is a paper of its own, with its own code: a label, or a card. */
    public boolean isByPiece() {
        return isLabels() || this == CARDS;
    }

    /** True when its rows are of single fixtures in an order that can be chosen. */
    public boolean isOrdered() {
        return switch (this) {
            case BY_FIXTURE, BY_POSITION, BY_TYPE, TO_KNOW, SETTINGS, CARDS, UNIT_LABELS -> true;
            default -> false;
        };
    }
}

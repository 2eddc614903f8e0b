package taxon.core.finding;

import java.util.Locale;

/** The rules, in the order in which findings are listed. Each is described in docs/findings.md. */
public enum Rule {
    OVERLAP(Severity.STOP),
    PAST_END(Severity.STOP),
    TYPE_UNKNOWN(Severity.STOP),
    MODE_MISSING(Severity.STOP),
    DUPLICATE_ID(Severity.STOP),
    NUMBER_TWICE(Severity.STOP),
    IP_TWICE(Severity.STOP),
    IP_NO_HOST(Severity.STOP),
    RESERVED_TOUCHED(Severity.WARN),
    NO_ADDRESS(Severity.WARN),
    BLOCK_NOT_ADDRESSED(Severity.WARN),
    ADDRESS_UNHEARD(Severity.WARN),
    SHARE_BROKEN(Severity.WARN),
    HAZARD_SHARES(Severity.WARN),
    GAP_SHORT(Severity.WARN),
    HEADROOM_USED(Severity.WARN),
    ROOM_SHORT(Severity.WARN),
    UNIVERSE_UNROUTED(Severity.WARN),
    PORT_TWICE(Severity.WARN),
    PORT_NO_OUTPUT(Severity.WARN),
    SOURCES_EQUAL(Severity.WARN),
    BOX_FULL(Severity.WARN),
    CABLE_FULL(Severity.WARN),
    IP_OUTSIDE(Severity.WARN),
    IP_SELF_GIVEN(Severity.WARN),
    MASK_DIFFERS(Severity.WARN),
    NETWORKS_APART(Severity.WARN),
    LINE_CARRIES_NOTHING(Severity.WARN),
    LINE_CARRIES_OTHER(Severity.WARN),
    LINE_LOADED(Severity.WARN),
    LINE_TOO_LONG(Severity.WARN),
    LINE_ENDS_EARLY(Severity.WARN),
    HEARS_NO_CABLE(Severity.WARN),
    ON_TWO_LINES(Severity.WARN),
    ON_NO_LINE(Severity.WARN),
    SENT_BY_NO_RADIO(Severity.WARN),
    LINKED_ELSEWHERE(Severity.WARN),
    LINK_LOST(Severity.WARN),
    MODE_DOUBTED(Severity.WARN),
    SHELF_SHORT(Severity.WARN),
    COUNTED_OTHERWISE(Severity.NOTE),
    NOBODY_HEARS(Severity.NOTE),
    RDM_STOPPED(Severity.NOTE),
    SOCKETS_DIFFER(Severity.NOTE),
    NEVER_LINKED(Severity.NOTE),
    MENU_DIFFERS(Severity.NOTE),
    NO_ID(Severity.NOTE),
    OUT_OF_STEP(Severity.NOTE),
    GROUP_NUMBER_TAKEN(Severity.NOTE);

    private final Severity severity;

    Rule(Severity severity) {
        this.severity = severity;
    }

    public Severity severity() {
        return severity;
    }

    /** The name in addresses and files: {@code past-end}. */
    public String slug() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}

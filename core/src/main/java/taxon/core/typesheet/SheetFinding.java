package taxon.core.typesheet;

import taxon.core.finding.Severity;

/**
 * What is wrong, or worth knowing, in a type sheet.
 *
 * @param line counted from 1
 * @param subject which channel, mode or heading, as written
 * @param value what was found
 * @param allowed what would do
 */
public record SheetFinding(Kind kind, int line, String subject, String value, String allowed) {

    /** What can be found. */
    public enum Kind {
        SLOT_TWICE(Severity.STOP),
        SLOT_OUTSIDE(Severity.STOP),
        FINE_WITHOUT_COARSE(Severity.STOP),
        TOO_FINE(Severity.STOP),
        RANGE_WITHOUT_CHANNEL(Severity.STOP),
        RANGE_OVERLAP(Severity.STOP),
        VALUE_OUTSIDE(Severity.STOP),
        NO_CHANNEL(Severity.STOP),
        NAME_TWICE(Severity.STOP),
        HEADING_UNCLEAR(Severity.STOP),
        EXTRA_UNCLEAR(Severity.STOP),
        TOO_MUCH(Severity.STOP),
        TEXT_REFUSED(Severity.STOP),
        LENGTH_DIFFERS(Severity.STOP),
        LENGTH_NAMED_OTHERWISE(Severity.WARN),
        GAP(Severity.NOTE),
        READ_AS(Severity.NOTE),
        TEXT_CUT(Severity.NOTE),
        ROW_NOT_READ(Severity.NOTE),
        ATTRIBUTE_UNKNOWN(Severity.NOTE);

        private final Severity severity;

        Kind(Severity severity) {
            this.severity = severity;
        }
    }

    public Severity severity() {
        return kind.severity;
    }

    /** One sentence with the line, the value and the way out. */
    public String sentence() {
        return "Line " + line + ": "
                + switch (kind) {
                    case SLOT_TWICE -> "slot " + value + " is used twice, by " + subject + " and by " + allowed + ".";
                    case SLOT_OUTSIDE -> subject + " would take slot " + value + "; it takes " + allowed + ".";
                    case FINE_WITHOUT_COARSE -> subject + " is a fine channel, but no " + allowed + " comes before it.";
                    case TOO_FINE -> subject + " would have " + value + " slots; a channel takes " + allowed + ".";
                    case RANGE_WITHOUT_CHANNEL -> "the range " + value + " stands before any channel.";
                    case RANGE_OVERLAP -> "the range " + subject + " begins at " + value + ", inside " + allowed + ".";
                    case VALUE_OUTSIDE -> subject + " has the value " + value + "; it takes " + allowed + ".";
                    case NO_CHANNEL -> subject + " has no channel with a slot.";
                    case NAME_TWICE -> "there are two modes called " + value + ".";
                    case HEADING_UNCLEAR -> subject + " reads " + value + "; it takes " + allowed + ".";
                    case EXTRA_UNCLEAR -> subject + " has “" + value + "” in brackets; it takes " + allowed + ".";
                    case TOO_MUCH -> subject + " has " + value + "; it takes " + allowed + ".";
                    case TEXT_REFUSED -> subject + ": " + value;
                    case LENGTH_DIFFERS -> subject + " is said to have " + allowed + " slots, but has " + value + ".";
                    case LENGTH_NAMED_OTHERWISE ->
                        subject + " is named by " + allowed + " slots, but has " + value + ".";
                    case READ_AS -> "“" + subject + "” was read as " + value + ".";
                    case TEXT_CUT -> "more stands there than is kept; what is kept reads “" + value + "”.";
                    case ROW_NOT_READ -> "the row “" + value + "” names no slot and no values; it was not read.";
                    case GAP -> "slots " + value + " before " + subject + " stay empty.";
                    case ATTRIBUTE_UNKNOWN ->
                        "“" + value + "” is no attribute that GDTF names; it is kept under its own name.";
                };
    }
}

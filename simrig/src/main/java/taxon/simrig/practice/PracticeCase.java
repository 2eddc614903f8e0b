package taxon.simrig.practice;

/** A case to practise on: what the crew tells, and no more. */
public enum PracticeCase {
    LAST_SHOWS_ADDRESS(
            "One does something else", "One unit does not do what it is told, or does what another is told."),
    OTHER_MODE("Odd colours", "One unit moves and colours oddly; its neighbours may too."),
    SWAPPED("Two of a kind", "When one unit is raised another one answers."),
    TURNED("Against the others", "One head goes the other way than the rest."),
    EXCHANGED("Sideways", "One head nods where it should turn."),
    OTHER_ORDER("Something else", "One unit answers to all that it is told, and does something else."),
    ADD_ON("Half of it", "One unit does most of what it should."),
    DEAD("Dark", "One unit stays dark, whatever is raised."),
    LINE_BROKEN("From here on", "Several units in a row stay dark."),
    UNTERMINATED("Nervous", "Some units flicker."),
    PORT_ON_ANOTHER_NUMBER("Nobody moves", "A whole line does nothing, or does what another line is told."),
    PORT_IS_INPUT("No levels", "A whole line does nothing."),
    BOX_MOVED("No answer", "A box that is switched on does not answer."),
    THREE_AT_ONCE("Opening night", "Three things are wrong. Nobody knows which.");

    private final String title;
    private final String told;

    PracticeCase(String title, String told) {
        this.title = title;
        this.told = told;
    }

    /** Its name, which gives nothing away. */
    public String title() {
        return title;
    }

    /** What the crew tells. */
    public String told() {
        return told;
    }
}

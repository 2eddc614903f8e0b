package taxon.core.text;

import java.util.Objects;

/** A text that a name or note cannot be. Carries what was given and what is allowed, so that a form can say it. */
public final class TextRefusedException extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final String what;
    private final Fault fault;

    public enum Fault {
        BLANK,
        TOO_LONG,
        CONTROL_CHARACTER
    }

    TextRefusedException(String what, int length, int shortest, int longest, Fault fault) {
        super(sentence(what, length, shortest, longest, fault));
        this.what = what;
        this.fault = fault;
    }

    /** The name of the field, as people call it. */
    public String what() {
        return what;
    }

    /** What is wrong and what would do. */
    public String sentence() {
        return Objects.requireNonNull(getMessage());
    }

    public Fault fault() {
        return fault;
    }

    private static String sentence(String what, int length, int shortest, int longest, Fault fault) {
        return switch (fault) {
            case BLANK -> "The " + what + " is empty; it takes " + shortest + " to " + longest + " characters.";
            case TOO_LONG -> "The " + what + " has " + length + " characters; it takes at most " + longest + ".";
            case CONTROL_CHARACTER ->
                "The " + what + " holds a control character, such as a line break; it takes plain text.";
        };
    }
}

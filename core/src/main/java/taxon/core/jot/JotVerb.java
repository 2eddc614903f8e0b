package taxon.core.jot;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The first word of a line, the key words that may follow, and what it does. */
public enum JotVerb {
    ADD(
            "add 8 Heron in 24-channel on Crane rail as 201 from 2.1 gap 4",
            "adds fixtures of a type, in a mode (one with a single mode needs none), on a position that is made if it is new, or on none yet; as: the first ID; from, or at: the first address; gap: free slots between",
            "in",
            "on",
            "as",
            "from",
            "at",
            "gap"),
    ALSO("also Tern on North quay", "chooses these too"),
    ARRANGE(
            "arrange 201-208 from -7 m to 7 m",
            "spreads them along their position: from here to there; from here every so much; or every so much about the centre",
            "from",
            "to",
            "every"),
    CHOOSE("choose 201-204, 301", "chooses these and no others"),
    CLEAR("clear 301-304", "takes their addresses away"),
    COLOUR("colour 201-204 as amber", "says their colour or gel", "as"),
    FIND("find 2.73", "finds and chooses"),
    HAZARD("hazard 801 as beam over the stairs", "says what they can do to people", "as"),
    IP("ip Quay node as 10.0.0.20", "gives a box another IP address; its mask stays", "as"),
    LINE("line 201-204 to B at 3", "plugs them into a line; at: before which place, else at its end", "to", "at"),
    MODE("mode 201-208 as 24-channel", "gives them another mode; addresses stay", "as"),
    MOVE(
            "move 301-304 to North quay at -3 m",
            "hangs them on another position; at: the offset of a single one",
            "to",
            "at"),
    NAME("name 204 as Bow left", "names them", "as"),
    NOTE("note Kestrel as spare lamps in the rack", "writes a note on them", "as"),
    NUMBER("number chosen from 401", "gives IDs from here on, in the order in which the rig is read", "from"),
    PLACE(
            "place chosen from 3.1 gap 8",
            "gives them addresses from here on, in the order of their IDs, each at the first free place; gap: free slots between",
            "from",
            "gap"),
    PURPOSE("purpose 101-108 as quay wash", "says what they are for", "as"),
    REDO("redo", "does the last undone edit again"),
    REMOVE("remove 301-304", "takes them off the rig"),
    ROUTE(
            "route 5 to Quay node port 3 as sACN 105",
            "takes a universe to a port, the first spare one where none is said, or nowhere; as: the number that it has there, Art-Net or sACN",
            "to",
            "port",
            "as"),
    UNDO("undo", "undoes the latest edit"),
    WITHOUT("without 203", "takes these out of the choice");

    private final String example;
    private final String meaning;
    private final String keys;

    JotVerb(String example, String meaning, String... keys) {
        this.example = example;
        this.meaning = meaning;
        this.keys = String.join(" ", keys);
    }

    /** A whole line with every key word. */
    public String example() {
        return example;
    }

    /** What it does, in one line. */
    public String meaning() {
        return meaning;
    }

    List<String> keys() {
        return keys.isEmpty() ? List.of() : List.of(keys.split(" "));
    }

    /** As it is typed. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    static Optional<JotVerb> of(String word) {
        return Arrays.stream(values()).filter(v -> v.word().equals(word)).findFirst();
    }
}

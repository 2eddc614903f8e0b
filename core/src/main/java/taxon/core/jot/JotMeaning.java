package taxon.core.jot;

import java.util.List;
import java.util.Set;
import taxon.core.history.ChangeLine;
import taxon.core.rig.FixtureKey;
import taxon.core.rig.edit.Edit;

/** What a jot line means. */
public sealed interface JotMeaning {
    /**
     * It is not whole yet.
     *
     * @param expected what comes next, in words
     * @param ways how it may go on: whole lines
     */
    record Unfinished(String expected, List<String> ways) implements JotMeaning {
        public Unfinished {
            ways = List.copyOf(ways);
        }
    }

    /**
     * It cannot be done.
     *
     * @param sentence why, with what would do
     * @param ways lines that would do, where some come close
     */
    record Refused(String sentence, List<String> ways) implements JotMeaning {
        public Refused {
            ways = List.copyOf(ways);
        }
    }

    /** It chooses these fixtures and no others. */
    record Chooses(Set<FixtureKey> fixtures) implements JotMeaning {
        public Chooses {
            fixtures = Set.copyOf(fixtures);
        }
    }

    /**
     * It changes the plan.
     *
     * @param effects what it does, in the order of the rig
     * @param remarks what else to know: who must be set again, what finds no place
     * @param chosen the fixtures that are chosen afterwards
     */
    record Changes(Edit edit, List<ChangeLine> effects, List<String> remarks, Set<FixtureKey> chosen)
            implements JotMeaning {
        public Changes {
            effects = List.copyOf(effects);
            remarks = List.copyOf(remarks);
            chosen = Set.copyOf(chosen);
        }
    }

    /** It undoes the latest edit, or does it again. */
    record Turns(boolean undo) implements JotMeaning {}
}

package taxon.core.rig.edit;

/** Something that was asked for and is left out, with the reason in it: nothing is left out without a word. */
public interface Omission {
    /** Whom or what it is about, as its label reads: "204", "line 7". */
    String who();
}

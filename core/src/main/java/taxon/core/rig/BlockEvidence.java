package taxon.core.rig;

import java.util.Optional;
import taxon.core.rig.ElementKey.Kind;
import taxon.core.text.Texts;

/**
 * What is known of the real unit behind a block, apart from what is planned for it.
 *
 * @param set what was last set on the unit, ticked by someone or read back
 * @param proved when it last answered as planned
 * @param uid the RDM UID it answered with, such as {@code 7FF0:00000001}; empty when it never did
 * @param menu what was asked for besides address and mode when someone ticked the unit off: "fan = quiet"; empty where nothing was
 */
public record BlockEvidence(BlockRef ref, Optional<Mark> set, Optional<Mark> proved, String uid, String menu)
        implements Element {
    /** The longest text of a menu that is kept. */
    public static final int LONGEST_MENU = 2_000;

    public BlockEvidence {
        Texts.allowLine("UID", uid, 13);
        Texts.allowLine("menu", menu, LONGEST_MENU);
    }

    /** Nothing is known of its menu. */
    public BlockEvidence(BlockRef ref, Optional<Mark> set, Optional<Mark> proved, String uid) {
        this(ref, set, proved, uid, "");
    }

    /** Nothing is known of the unit. */
    public static BlockEvidence none(BlockRef ref) {
        return new BlockEvidence(ref, Optional.empty(), Optional.empty(), "");
    }

    @Override
    public ElementKey elementKey() {
        return keyOf(ref);
    }

    @Override
    public <R> R match(ElementCases<R> cases) {
        return cases.evidence(this);
    }

    /** The key under which a plan holds what is known of a block. */
    public static ElementKey keyOf(BlockRef ref) {
        return new ElementKey(Kind.EVIDENCE, ref.fixture().number(), digits(ref.block()));
    }

    /** Three digits, so that blocks come in their order. */
    private static String digits(int block) {
        String plain = Integer.toString(block);
        return "0".repeat(Math.max(0, 3 - plain.length())) + plain;
    }

    /** The same, last set so. */
    public BlockEvidence withSet(Mark mark) {
        return new BlockEvidence(ref, Optional.of(mark), proved, uid, menu);
    }

    /**
     * The same, last set so and found so.
     *
     * @param provedUid the RDM UID that it answered with
     */
    public BlockEvidence withProved(Mark mark, String provedUid) {
        return new BlockEvidence(ref, Optional.of(mark), Optional.of(mark), provedUid, menu);
    }

    /** The same, but no longer proved: what the unit has now is not known, or is not as planned. */
    public BlockEvidence withoutProof() {
        return new BlockEvidence(ref, set, Optional.empty(), uid, menu);
    }

    /** The same with nothing known of what is set: the unit itself is still known by its UID. */
    public BlockEvidence withoutMarks() {
        return new BlockEvidence(ref, Optional.empty(), Optional.empty(), uid);
    }

    /** The same with another RDM UID. */
    public BlockEvidence withUid(String changed) {
        return new BlockEvidence(ref, set, proved, changed, menu);
    }

    /** The same with what its menu was ticked off as. */
    public BlockEvidence withMenu(String ticked) {
        return new BlockEvidence(ref, set, proved, uid, ticked);
    }
}

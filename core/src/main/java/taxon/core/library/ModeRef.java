package taxon.core.library;

import taxon.core.fixture.TypeId;

/** One mode of one type. */
public record ModeRef(TypeId type, String mode) implements Comparable<ModeRef> {
    @Override
    public int compareTo(ModeRef other) {
        int byType = type.compareTo(other.type);
        return byType != 0 ? byType : mode.compareTo(other.mode);
    }
}

package taxon.core.addressing.request;

import taxon.core.fixture.TypeId;

/** Which blocks are placed as one since they share an address: those of one key do. */
sealed interface ShareKey {
    /** Blocks of a share that somebody made. */
    record OnPurpose(int share) implements ShareKey {}

    /** Blocks of one number of one mode that the wish lets act as one, where they may lie on one universe. */
    record ByWish(TypeId type, String mode, int block, SharingClass sharingClass) implements ShareKey {}
}

package taxon.app.checks;

import java.util.Optional;

/**
 * Where the reading of a job's rig stands.
 *
 * @param running how far a reading that runs now is
 * @param last the newest one that ended
 * @param trouble why the newest one failed; empty when it did not
 */
public record ReadingState(Optional<RigReader.Progress> running, Optional<RigReading> last, String trouble) {
    static final ReadingState NONE = new ReadingState(Optional.empty(), Optional.empty(), "");

    ReadingState at(RigReader.Progress progress) {
        return new ReadingState(Optional.of(progress), last, "");
    }

    ReadingState ended(RigReading reading) {
        return new ReadingState(Optional.empty(), Optional.of(reading), "");
    }

    ReadingState failed(String why) {
        return new ReadingState(Optional.empty(), last, why);
    }
}

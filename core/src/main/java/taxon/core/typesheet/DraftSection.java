package taxon.core.typesheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import taxon.core.fixture.Part;

/** The lines between two headings: channels of the whole fixture, of one part, or of parts that repeat. */
final class DraftSection {
    /** The parts that its channels are for, one for each repetition. */
    final List<Part> parts;

    /** True when each repetition is a block of its own. */
    final boolean ownBlocks;

    final List<DraftChannel> channels = new ArrayList<>();
    int next;

    DraftSection(List<Part> parts, boolean ownBlocks, int next) {
        this.parts = List.copyOf(parts);
        this.ownBlocks = ownBlocks;
        this.next = next;
    }

    static DraftSection whole(int next) {
        return new DraftSection(List.of(Part.WHOLE), false, next);
    }

    static DraftSection repeated(Part.Kind kind, int count, boolean ownBlocks, int next) {
        List<Part> parts = IntStream.rangeClosed(1, count)
                .mapToObj(i -> new Part(kind, List.of(i)))
                .toList();
        return new DraftSection(parts, ownBlocks, next);
    }

    boolean isRepeated() {
        return parts.size() > 1;
    }

    /** The last channel with this attribute for this part that still has no more than so many slots. */
    Optional<DraftChannel> last(DraftChannel like, int slots) {
        for (int i = channels.size() - 1; i >= 0; i--) {
            DraftChannel channel = channels.get(i);
            if (channel.attribute.equals(like.attribute)
                    && channel.part.equals(like.part)
                    && channel.offsets.size() == slots) {
                return Optional.of(channel);
            }
        }
        return Optional.empty();
    }

    Optional<DraftChannel> last() {
        return channels.isEmpty() ? Optional.empty() : Optional.of(channels.get(channels.size() - 1));
    }

    /** How many slots one repetition takes. */
    int stride() {
        int first = channels.stream()
                .flatMap(c -> c.offsets.stream())
                .mapToInt(Integer::intValue)
                .min()
                .orElse(next);
        return next - first;
    }
}

package taxon.core.typesheet;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import taxon.core.fixture.Block;
import taxon.core.fixture.Channel;
import taxon.core.typesheet.SheetFinding.Kind;

/** A block while its lines are read. A channel that cannot be placed is told and left out. */
final class DraftBlock {
    private static final int LAST_SLOT = 512;
    private static final int MOST_CHANNELS = 4096;

    final String name;
    final int line;
    final Optional<Integer> breakNumber;
    String needs = "";
    private final List<Channel> channels = new ArrayList<>();
    private final Map<Integer, String> takenBy = new HashMap<>();
    private int next = 1;

    DraftBlock(String name, int line, Optional<Integer> breakNumber) {
        this.name = name;
        this.line = line;
        this.breakNumber = breakNumber;
    }

    /** The slot after the last one in use. */
    int next() {
        return next;
    }

    boolean isEmpty() {
        return takenBy.isEmpty();
    }

    void add(DraftChannel draft, Channel channel, Consumer<SheetFinding> findings) {
        for (int offset : channel.offsets()) {
            if (takenBy.containsKey(offset)) {
                findings.accept(new SheetFinding(
                        Kind.SLOT_TWICE,
                        draft.line,
                        draft.words,
                        String.valueOf(offset),
                        takenBy.getOrDefault(offset, "")));
                return;
            }
        }
        if (channels.size() >= MOST_CHANNELS) {
            findings.accept(new SheetFinding(
                    Kind.TOO_MUCH, draft.line, name, "more than " + MOST_CHANNELS + " channels", "no more than that"));
            return;
        }
        channel.offsets().forEach(o -> takenBy.put(o, draft.words));
        next = Math.max(next, channel.lastOffset() + 1);
        channels.add(channel);
    }

    static boolean isInside(int slot) {
        return slot >= 1 && slot <= LAST_SLOT;
    }

    Block block() {
        return new Block(name, channels, needs);
    }
}

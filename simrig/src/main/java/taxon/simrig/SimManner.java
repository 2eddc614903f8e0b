package taxon.simrig;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import taxon.wire.bytes.Bytes;
import taxon.wire.rdm.codec.CommandClass;
import taxon.wire.rdm.codec.NackReason;
import taxon.wire.rdm.codec.Pid;
import taxon.wire.rdm.codec.RdmMessage;

/**
 * How a simulated unit gives its answers: at once, after a while, piece by piece, out of a queue or without one (ANSI E1.20, 6.3,
 * from memory). Not safe for several threads.
 */
final class SimManner {
    /** So many tenths of a second an answer takes that takes its time. */
    private int tenths;

    private boolean hasQueue = true;
    private int longest = RdmMessage.MOST_DATA;
    private final Deque<RdmMessage> queue = new ArrayDeque<>();
    private final Map<Integer, Integer> given = new HashMap<>();
    private final Set<String> asked = new HashSet<>();

    void takeTime(int wanted, boolean withQueue) {
        tenths = wanted;
        hasQueue = withQueue;
    }

    /** No piece is longer than so many bytes. */
    void inPieces(int bytes) {
        longest = bytes;
    }

    /** True when this question is one for the queue. */
    boolean isForQueue(RdmMessage request) {
        return request.pid() == Pid.QUEUED_MESSAGE && request.commandClass() == CommandClass.GET;
    }

    /** What comes out of the queue; a list of nothing to report where it is empty. */
    RdmMessage queued(RdmMessage request) {
        if (tenths == 0 || !hasQueue) {
            return request.refuse(NackReason.UNKNOWN_PID);
        }
        RdmMessage next = queue.poll();
        if (next == null) {
            return new RdmMessage(
                    /* destination= */ request.source(),
                    /* source= */ request.destination(),
                    request.transaction(),
                    RdmMessage.ACK,
                    0,
                    0,
                    CommandClass.GET_RESPONSE,
                    Pid.STATUS_MESSAGES,
                    Bytes.NONE);
        }
        return new RdmMessage(
                /* destination= */ request.source(),
                /* source= */ request.destination(),
                request.transaction(),
                next.portOrResponse(),
                queue.size(),
                next.subDevice(),
                next.commandClass(),
                next.pid(),
                next.data());
    }

    /** An answer as it is given to a question. */
    Optional<RdmMessage> given(RdmMessage request, RdmMessage answer) {
        if (answer.portOrResponse() != RdmMessage.ACK) {
            return Optional.of(answer);
        }
        return tenths > 0 ? Optional.of(later(request, answer)) : Optional.of(piece(request, answer));
    }

    private RdmMessage later(RdmMessage request, RdmMessage answer) {
        String question = request.commandClass() + " " + request.pid() + " " + request.subDevice() + request.data();
        boolean again = !hasQueue && asked.remove(question);
        if (again) {
            return answer;
        }
        if (hasQueue) {
            queue.add(answer);
        } else {
            asked.add(question);
        }
        return request.answer(RdmMessage.ACK_TIMER, Bytes.of(tenths >> 8, tenths & 0xFF));
    }

    private RdmMessage piece(RdmMessage request, RdmMessage answer) {
        return piece(request, answer.data());
    }

    /** The next piece of an answer, which may be longer than one message. */
    RdmMessage piece(RdmMessage request, Bytes all) {
        byte[] whole = all.toArray();
        int from = given.getOrDefault(request.pid(), 0);
        int to = Math.min(whole.length, from + longest);
        boolean last = to == whole.length;
        given.put(request.pid(), last ? 0 : to);
        return request.answer(
                last ? RdmMessage.ACK : RdmMessage.ACK_OVERFLOW, Bytes.of(Arrays.copyOfRange(whole, from, to)));
    }
}

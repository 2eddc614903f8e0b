package taxon.app.store;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Repository;
import taxon.core.fixture.TypeId;
import taxon.core.text.Counted;
import taxon.formats.json.Json;

/** What is said at a hand-over: what is taken over with a reason, who signed off, what the programmer should know. */
@Repository
public class HandoverStore {
    private final HandoverMapper rows;
    private final Clock clock;

    HandoverStore(HandoverMapper rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /**
     * Something that stands in the way and was taken over.
     *
     * @param about what: the id of a finding, or of another obstacle
     * @param version of the job when it was
     */
    public record TakenOver(String about, String reason, String who, long version, Instant at) {}

    /** The two sides of a hand-over. */
    public enum Side {
        /** Who set the rig up. */
        CREW,
        /** Who programs the show. */
        PROGRAMMER
    }

    /**
     * Somebody signed the job off.
     *
     * @param version at which
     */
    public record SignOff(Side side, String who, String note, long version, Instant at) {}

    /** A note about a group or a type: "group 3", "type fernglass-tern". */
    public record Note(String about, String words, String who) {}

    /** A value of a type that is worth remembering. */
    public record TypeValue(TypeId type, String name, String value, String who) {}

    /** Takes something over, in the place of what was said of it before. */
    public void take(int job, String about, String reason, String who, long version) {
        rows.take(job, about, reason, who, version, now());
    }

    /** Takes that back; true when there was something. */
    public boolean giveBack(int job, String about) {
        return rows.giveBack(job, about) == 1;
    }

    /** All of a job by what they are about. */
    public Map<String, TakenOver> taken(int job) {
        return rows.taken(job).stream()
                .map(r -> new TakenOver(r.about(), r.reason(), r.who(), r.version(), Instant.parse(r.at())))
                .collect(Collectors.toMap(TakenOver::about, Function.identity()));
    }

    /** Remembers that somebody signed off. */
    public void sign(int job, Side side, String who, String note, long version) {
        rows.sign(job, Json.slug(side), who, note, version, now());
    }

    /** Those of a job, the newest first. */
    public List<SignOff> signed(int job) {
        return rows.signed(job).stream()
                .map(r -> new SignOff(
                        Json.constant(Side.class, r.side()), r.who(), r.note(), r.version(), Instant.parse(r.at())))
                .toList();
    }

    /** For a paper: ", signed off by Kim, 2 changes since"; empty where nobody signed. */
    public String words(int job, long version) {
        return signed(job).stream()
                .findFirst()
                .map(s -> ", signed off by " + s.who()
                        + (version == s.version() ? "" : ", " + Counted.of(version - s.version(), "change") + " since"))
                .orElse("");
    }

    /** Keeps a note; an empty one takes it away. */
    public void note(int job, String about, String words, String who) {
        if (words.isBlank()) {
            rows.forgetNote(job, about);
        } else {
            rows.note(job, about, words, who, now());
        }
    }

    /** Those of a job. */
    public List<Note> notes(int job) {
        return rows.notes(job).stream()
                .map(r -> new Note(r.about(), r.words(), r.who()))
                .toList();
    }

    /** Keeps a value with a type, for this job and all others; an empty one takes it away. */
    public void remember(TypeId type, String name, String value, String who) {
        if (value.isBlank()) {
            rows.forgetValue(type.value(), name);
        } else {
            rows.remember(type.value(), name, value, who, now());
        }
    }

    /** Those of one type, by name. */
    public List<TypeValue> values(TypeId type) {
        return values().stream().filter(v -> v.type().equals(type)).toList();
    }

    /** All that are remembered, by type and name. */
    public List<TypeValue> values() {
        return rows.values().stream()
                .map(r -> new TypeValue(TypeId.of(r.type()), r.name(), r.value(), r.who()))
                .toList();
    }

    private String now() {
        return clock.instant().toString();
    }
}

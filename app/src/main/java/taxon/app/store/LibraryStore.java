package taxon.app.store;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionTemplate;
import taxon.app.store.LibraryMapper.TypeRow;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.SettingGuide;
import taxon.core.fixture.TypeId;
import taxon.core.library.Doubt;
import taxon.core.library.ModeRef;
import taxon.core.library.Shop;
import taxon.core.library.Source;
import taxon.core.library.TypeSummary;
import taxon.formats.json.FixtureTypeJson;
import taxon.formats.json.Json;
import taxon.formats.json.MenuJson;
import taxon.formats.json.TypeSummaryJson;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** The types that were imported or made here, with the files that they came from; the shelf and the doubts. */
@Repository
public class LibraryStore {
    private final LibraryMapper rows;
    private final TransactionTemplate transaction;
    private final Clock clock;

    LibraryStore(LibraryMapper rows, TransactionTemplate transaction, Clock clock) {
        this.transaction = transaction;
        this.rows = rows;
        this.clock = clock;
    }

    /**
     * A type as stored.
     *
     * @param derivedFrom the id of the type that it was made from; empty where there is none
     * @param notes what was odd in its file, a sentence each
     * @param digest of the file that it was read from (SHA-256)
     */
    public record StoredType(
            FixtureType type,
            Source source,
            String derivedFrom,
            List<String> notes,
            Optional<String> digest,
            boolean putAway,
            Instant changedAt) {}

    /** A file that a type was read from. */
    public record Original(String digest, String fileName, Instant at) {}

    /** A file on its way in. */
    public record NewFile(String digest, String name, byte[] content) {}

    /** Every type's summary, and whether it was put away. */
    public Map<TypeSummary, Boolean> summaries() {
        Map<TypeSummary, Boolean> found = new LinkedHashMap<>();
        rows.summaries().forEach(r -> found.put(TypeSummaryJson.read(Json.parse(r.summary())), r.putAway()));
        return found;
    }

    public Optional<StoredType> find(TypeId id) {
        return rows.find(id.value()).map(LibraryStore::stored);
    }

    private static StoredType stored(TypeRow row) {
        List<String> notes = new ArrayList<>();
        Json.parse(row.notes()).forEach(n -> notes.add(n.asString()));
        return new StoredType(
                FixtureTypeJson.read(Json.parse(row.definition())),
                source(row.source()),
                row.derivedFrom(),
                notes,
                Optional.ofNullable(row.digest()),
                row.putAway(),
                Instant.parse(row.changedAt()));
    }

    private static Source source(String slug) {
        for (Source source : Source.values()) {
            if (source.slug().equals(slug)) {
                return source;
            }
        }
        throw new IllegalStateException("the store has a type from " + slug);
    }

    /** The type that was last read from a file with this FixtureTypeID. */
    public Optional<TypeId> idOf(UUID guid) {
        return rows.idOfGuid(guid.toString()).map(TypeId::of);
    }

    /** Keeps a type that was made here, in the place of the one with its id. */
    public void putMade(FixtureType type, Source source, String derivedFrom) {
        put(type, source, derivedFrom, List.of(), Optional.empty());
    }

    /** Keeps a type and the file that it was read from, both or neither. */
    public void putImported(FixtureType type, List<String> notes, NewFile file) {
        transaction.executeWithoutResult(status -> {
            String at = clock.instant().toString();
            rows.addFile(file.digest(), file.name(), file.content(), at);
            put(type, Source.IMPORTED, "", notes, Optional.of(file.digest()));
            rows.addOriginal(type.id().value(), file.digest(), at);
        });
    }

    private void put(FixtureType type, Source source, String derivedFrom, List<String> notes, Optional<String> digest) {
        ArrayNode array = JsonNodeFactory.instance.arrayNode();
        notes.forEach(array::add);
        rows.put(
                type.id().value(),
                type.guid().toString(),
                source.slug(),
                derivedFrom,
                FixtureTypeJson.write(type).toString(),
                TypeSummaryJson.write(TypeSummary.of(type, source)).toString(),
                array.toString(),
                digest.orElse(null),
                clock.instant().toString());
    }

    /** Takes a type out of the search, or back into it; false when it was so already, or is not in the store. */
    public boolean putAway(TypeId id, boolean putAway) {
        return rows.putAway(id.value(), putAway) == 1;
    }

    /** The files that a type was read from, the newest first. */
    public List<Original> originals(TypeId id) {
        return rows.originals(id.value()).stream()
                .map(r -> new Original(r.digest(), r.fileName(), Instant.parse(r.at())))
                .toList();
    }

    public Optional<byte[]> content(String digest) {
        return rows.content(digest);
    }

    /** How units are set by hand, as far as the shop has written it down. */
    public Map<TypeId, SettingGuide> guides() {
        Map<TypeId, SettingGuide> guides = new LinkedHashMap<>();
        rows.guides().forEach(r -> guides.put(TypeId.of(r.typeId()), MenuJson.readGuide(Json.parse(r.guide()))));
        return guides;
    }

    /** Writes down how units of a type are set by hand. */
    public void describe(TypeId id, SettingGuide guide) {
        rows.describe(id.value(), MenuJson.write(guide).toString());
    }

    /** The shelf and the doubts as they are now. */
    public Shop shop() {
        Map<TypeId, Integer> shelf = new LinkedHashMap<>();
        rows.shelf().forEach(r -> shelf.put(TypeId.of(r.typeId()), r.owned()));
        Map<ModeRef, Doubt> doubts = new LinkedHashMap<>();
        rows.doubts().forEach(r -> {
            ModeRef mode = new ModeRef(TypeId.of(r.typeId()), r.mode());
            doubts.put(mode, new Doubt(mode, r.note(), r.who(), Instant.parse(r.at())));
        });
        return new Shop(shelf, doubts);
    }

    /** Sets how many of a type the shop owns; empty takes it off the shelf. */
    public void own(TypeId id, Optional<Integer> owned) {
        owned.ifPresentOrElse(n -> rows.own(id.value(), n), () -> rows.offShelf(id.value()));
    }

    public void doubt(ModeRef mode, String note, String who) {
        Doubt doubt = new Doubt(mode, note, who, clock.instant());
        rows.doubt(
                mode.type().value(),
                mode.mode(),
                doubt.note(),
                doubt.who(),
                doubt.at().toString());
    }

    /** Takes a doubt away; false when there was none. */
    public boolean trust(ModeRef mode) {
        return rows.trust(mode.type().value(), mode.mode()) == 1;
    }
}

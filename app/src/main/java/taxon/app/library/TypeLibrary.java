package taxon.app.library;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;
import taxon.app.TaxonSettings;
import taxon.app.store.LibraryStore;
import taxon.app.store.LibraryStore.NewFile;
import taxon.app.store.LibraryStore.Original;
import taxon.app.store.LibraryStore.StoredType;
import taxon.core.fixture.BuiltInTypes;
import taxon.core.fixture.FixtureType;
import taxon.core.fixture.Mode;
import taxon.core.fixture.SettingGuide;
import taxon.core.fixture.TypeBook;
import taxon.core.fixture.TypeId;
import taxon.core.fixture.TypeSource;
import taxon.core.library.ModeRef;
import taxon.core.library.ModeSummary;
import taxon.core.library.Shop;
import taxon.core.library.Source;
import taxon.core.library.TypeIndex;
import taxon.core.library.TypeSummary;
import taxon.core.rig.Plan;
import taxon.core.text.Sums;
import taxon.core.text.Texts;
import taxon.demo.DemoTypes;
import taxon.formats.gdtf.GdtfNote;
import taxon.formats.gdtf.GdtfReader;
import taxon.formats.gdtf.ParsedGdtf;

/**
 * The one writer of the library. Searches and look-ups see the newest state without waiting; the index of all types is in
 * memory, definitions are read when they are asked for.
 */
@Service
public class TypeLibrary {
    private static final int LONGEST_FILE_NAME = 120;
    private static final int MOST_CHOICES = 60;

    private final LibraryStore store;
    private final TypeBook shipped;
    private final ReentrantLock writing = new ReentrantLock();
    private volatile TypeIndex index;
    private final AtomicLong version = new AtomicLong();
    private volatile Shop shop;
    private volatile Map<TypeId, SettingGuide> guides;

    TypeLibrary(LibraryStore store, TaxonSettings settings) {
        this.store = store;
        shipped = settings.demo() || settings.demoTypes() ? DemoTypes.withGeneric() : BuiltInTypes.generic();
        Map<TypeId, TypeSummary> summaries = new TreeMap<>();
        shipped.types().forEach(t -> summaries.put(t.id(), TypeSummary.of(t, Source.BUILT_IN)));
        store.summaries().forEach((summary, putAway) -> {
            if (!putAway) {
                summaries.put(summary.id(), summary);
            }
        });
        index = TypeIndex.of(summaries.values());
        shop = store.shop();
        guides = store.guides();
    }

    /** What became of a file. */
    public sealed interface Import {
        /** @param again true when this very file was read before */
        record Done(TypeId id, String name, int modes, List<String> notes, boolean again) implements Import {}

        record Refused(String sentence) implements Import {}
    }

    /**
     * A type with where it comes from.
     *
     * @param stored empty for a type that ships with Taxon
     */
    public record Entry(FixtureType type, Source source, Optional<StoredType> stored, List<Original> originals) {}

    public TypeIndex index() {
        return index;
    }

    /** The shelf and the doubts. The same instance until one of them changes. */
    public Shop shop() {
        return shop;
    }

    /** A type as the library has it, also when it was put away. */
    public Optional<Entry> entry(TypeId id) {
        Optional<Entry> stored =
                store.find(id).map(s -> new Entry(guided(s.type()), s.source(), Optional.of(s), store.originals(id)));
        return stored.or(
                () -> shipped.find(id).map(t -> new Entry(guided(t), Source.BUILT_IN, Optional.empty(), List.of())));
    }

    /** What the shop has written down of its setting comes before what the type brought along. */
    private FixtureType guided(FixtureType type) {
        return Optional.ofNullable(guides.get(type.id()))
                .map(g -> type.with(type.facts().with(g)))
                .orElse(type);
    }

    /** Writes down how units of a type are set by hand, wherever the type comes from. */
    public void describe(TypeId id, SettingGuide guide) {
        alone(() -> {
            store.describe(id, guide);
            guides = store.guides();
            return true;
        });
    }

    public Optional<FixtureType> find(TypeId id) {
        return entry(id).map(Entry::type);
    }

    /** The types that a job may use: its own copies before those of the library. */
    public TypeSource knownTo(Plan plan) {
        return new JobTypes(plan.types(), this);
    }

    /** Another number each time that the library learns or loses a type. */
    public long version() {
        return version.get();
    }

    /** A type that was read from a file, under the id under which {@link #importFile} would keep it. */
    public FixtureType asImported(FixtureType read) {
        return read.withId(idFor(read));
    }

    /** Reads a GDTF file and keeps it with its type. A file that is refused leaves nothing behind. */
    public Import importFile(String fileName, byte[] content) {
        ParsedGdtf reading = GdtfReader.read(content);
        if (reading instanceof ParsedGdtf.Refused refused) {
            return new Import.Refused(refused.sentence());
        }
        ParsedGdtf.Read read = (ParsedGdtf.Read) reading;
        List<String> notes = read.notes().stream().map(GdtfNote::sentence).toList();
        return alone(() -> {
            FixtureType type = asImported(read.type());
            NewFile file = new NewFile(Sums.of(content), Texts.clip(fileName, LONGEST_FILE_NAME), content);
            boolean again = store.find(type.id()).flatMap(StoredType::digest).equals(Optional.of(file.digest()));
            store.putImported(type, notes, file);
            index = index.with(TypeSummary.of(type, Source.IMPORTED));
            return new Import.Done(type.id(), type.fullName(), type.modes().size(), notes, again);
        });
    }

    /** A file with a FixtureTypeID that is known is a newer state of that type; else the name gives the id. */
    private TypeId idFor(FixtureType type) {
        return store.idOf(type.guid()).orElseGet(() -> freeId(type.id()));
    }

    private TypeId freeId(TypeId wanted) {
        TypeId id = wanted;
        for (int i = 2; isTaken(id); i++) {
            id = TypeId.named(wanted.value(), "").numbered(i);
        }
        return id;
    }

    private boolean isTaken(TypeId id) {
        return store.find(id).isPresent() || shipped.find(id).isPresent();
    }

    /**
     * Keeps a type that was made here.
     *
     * @param replaces the type made here that it takes the place of, where it does
     * @param derivedFrom the type that it was made from, where there is one
     * @return the id that it got
     */
    public TypeId keep(FixtureType type, Optional<TypeId> replaces, Optional<TypeId> derivedFrom) {
        return alone(() -> {
            TypeId id = replaces.filter(this::isMadeHere).orElseGet(() -> freeId(type.id()));
            FixtureType kept = type.withId(id);
            Source source = derivedFrom.isPresent() ? Source.DERIVED : Source.MADE_HERE;
            store.putMade(kept, source, derivedFrom.map(TypeId::value).orElse(""));
            index = index.with(TypeSummary.of(kept, source));
            return id;
        });
    }

    /** True for a type that can be changed in its place: a file's or Taxon's own type is only derived from. */
    public boolean isMadeHere(TypeId id) {
        return store.find(id)
                .filter(s -> s.source() == Source.MADE_HERE || s.source() == Source.DERIVED)
                .isPresent();
    }

    /** Takes a type of the store out of the search, or back into it. Jobs that use it keep it. */
    public boolean putAway(TypeId id, boolean away) {
        return alone(() -> {
            boolean done = store.putAway(id, away);
            if (done) {
                index = away ? index.without(id) : index.with(summary(id));
            }
            return done;
        });
    }

    private TypeSummary summary(TypeId id) {
        StoredType stored = store.find(id).orElseThrow();
        return TypeSummary.of(stored.type(), stored.source());
    }

    /** The file that a type was read from. */
    public Optional<byte[]> original(String digest) {
        return store.content(digest);
    }

    /** Sets how many of a type the shop owns; empty takes it off the shelf. */
    public void own(TypeId id, Optional<Integer> owned) {
        shopAfter(() -> {
            store.own(id, owned);
            return true;
        });
    }

    public void doubt(ModeRef mode, String note, String who) {
        shopAfter(() -> {
            store.doubt(mode, note, who);
            return true;
        });
    }

    /** Takes a doubt away; false when there was none. */
    public boolean trust(ModeRef mode) {
        return shopAfter(() -> store.trust(mode));
    }

    private boolean shopAfter(Supplier<Boolean> change) {
        return alone(() -> {
            boolean done = change.get();
            shop = store.shop();
            return done;
        });
    }

    private <T> T alone(Supplier<T> work) {
        writing.lock();
        try {
            return work.get();
        } finally {
            version.incrementAndGet();
            writing.unlock();
        }
    }

    /** A type to choose from, with the names of its modes. */
    public record Choice(TypeId id, String name, String fullName, List<String> modes) {
        private static Choice of(TypeSummary type) {
            return new Choice(
                    type.id(),
                    type.name(),
                    type.fullName(),
                    type.modes().stream().map(ModeSummary::name).toList());
        }

        private static Choice of(FixtureType type) {
            return new Choice(
                    type.id(),
                    type.name(),
                    type.fullName(),
                    type.modes().stream().map(Mode::name).toList());
        }
    }

    /**
     * What a job offers when fixtures are added: its own types, the shelf, the one wanted, and all of a library that is small
     * enough to be read through.
     */
    public List<Choice> choices(Plan plan, Optional<TypeId> wanted) {
        Map<TypeId, Choice> found = new TreeMap<>();
        if (index.size() <= MOST_CHOICES) {
            index.all().forEach(t -> found.put(t.id(), Choice.of(t)));
        }
        onShelf().forEach(t -> found.put(t.id(), Choice.of(t)));
        wanted.flatMap(this::find).ifPresent(t -> found.put(t.id(), Choice.of(t)));
        plan.types().types().forEach(t -> found.put(t.id(), Choice.of(t)));
        return found.values().stream()
                .sorted(Comparator.comparing(Choice::fullName).thenComparing(Choice::id))
                .toList();
    }

    /** The types on the shelf that the library knows, by maker and name. */
    public List<TypeSummary> onShelf() {
        List<TypeSummary> found = new ArrayList<>();
        shop.shelf().keySet().forEach(id -> index.find(id).ifPresent(found::add));
        found.sort(Comparator.comparing(TypeSummary::fullName));
        return found;
    }

    /** A file name for a type, {@code pellucid-wader.gdtf}. */
    public static String fileName(FixtureType type) {
        return type.id() + ".gdtf";
    }
}

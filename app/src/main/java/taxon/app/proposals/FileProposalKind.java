package taxon.app.proposals;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.file.Path;
import java.util.function.Function;
import taxon.app.frame.Stage;
import taxon.app.library.TypeLibrary;
import taxon.app.store.ProposalStore;
import taxon.app.store.ProposalStore.StoredProposal;
import taxon.core.rig.edit.Proposed;

/**
 * A kind of proposal that a file was given for: it is looked at for the job and the library as they are.
 *
 * @param <T> what it computes
 * @param <R> what the file is when it was read
 */
public abstract class FileProposalKind<T extends Proposed, R> implements ProposalKind<T> {
    private final Names names;
    private final TypeLibrary library;
    private final ReadFiles<R> files;

    /**
     * How it is called.
     *
     * @param store in the store, "scene"
     * @param path in addresses, "scenes"
     * @param template of its page
     */
    public record Names(String store, String path, String template) {}

    /** @param reader reads what was read before without complaint: only files that were understood are kept */
    protected FileProposalKind(Names names, TypeLibrary library, ProposalStore proposals, Function<Path, R> reader) {
        this.names = names;
        this.library = library;
        files = new ReadFiles<>(proposals, reader);
    }

    /** The files, each read once. */
    public ReadFiles<R> files() {
        return files;
    }

    protected TypeLibrary library() {
        return library;
    }

    @Override
    public String name() {
        return names.store();
    }

    @Override
    public String path() {
        return names.path();
    }

    @Override
    public String template() {
        return names.template();
    }

    @Override
    public Stage stage() {
        return Stage.RIG;
    }

    @Override
    public boolean followsJob() {
        return true;
    }

    /** A type that the library learns meanwhile is another question. */
    @Override
    public String question(StoredProposal stored) {
        return ProposalKind.super.question(stored) + " library " + library.version();
    }

    @Override
    public String then(int job, StoredProposal stored, HttpServletRequest request) {
        return "/jobs/" + job + "/rig";
    }
}

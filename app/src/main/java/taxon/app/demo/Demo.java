package taxon.app.demo;

import java.io.IOException;
import java.time.Clock;
import java.util.Optional;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import taxon.app.TaxonSettings;
import taxon.app.edit.EditOutcome;
import taxon.app.edit.Guard;
import taxon.app.edit.JobEditor;
import taxon.app.handover.Freezer;
import taxon.app.library.TypeLibrary;
import taxon.app.store.JobStore;
import taxon.core.network.Ipv4;
import taxon.core.rig.edit.Edit;
import taxon.simrig.SimulatedRig;

/** Puts the demo job into an empty store and starts its simulated rig. */
@Component
@ConditionalOnProperty("taxon.demo")
class Demo implements ApplicationRunner, DisposableBean {
    private static final String WHO = "the demo";

    private final TaxonSettings settings;
    private final JobStore jobs;
    private final JobEditor editor;
    private final TypeLibrary library;
    private final Freezer freezer;
    private final Clock clock;
    private Optional<SimulatedRig> rig = Optional.empty();

    Demo(TaxonSettings settings, JobStore jobs, JobEditor editor, TypeLibrary library, Freezer freezer, Clock clock) {
        this.settings = settings;
        this.jobs = jobs;
        this.editor = editor;
        this.library = library;
        this.freezer = freezer;
        this.clock = clock;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        Ipv4 nodeA = address(settings.nodeA());
        Ipv4 nodeB = address(settings.nodeB());
        Optional<Integer> known = jobs.ids().stream().findFirst();
        int job = known.isPresent() ? known.get() : make(nodeA, nodeB);
        rig = Optional.of(
                SimulatedRig.start(DemoRig.of(editor.find(job).orElseThrow().plan(), nodeA, nodeB)));
    }

    private int make(Ipv4 nodeA, Ipv4 nodeB) throws IOException {
        DemoLibrary.fill(library, WHO);
        int job = editor.make(DemoJob.beforeRevision(nodeA, nodeB, clock.instant()));
        if (!(freezer.freeze(job, 0, "Before the rehearsal", WHO) instanceof Freezer.Frozen)) {
            throw new IllegalStateException("the demo job changed before it was frozen");
        }
        for (Edit edit : DemoJob.sinceRevision()) {
            EditOutcome outcome =
                    editor.apply(job, editor.find(job).orElseThrow().version(), Guard.UNCHANGED_JOB, WHO, edit);
            if (!(outcome instanceof EditOutcome.Done)) {
                throw new IllegalStateException("the demo's own edit failed: " + edit.title() + ", " + outcome);
            }
        }
        return job;
    }

    private static Ipv4 address(String text) {
        return Ipv4.parse(text).orElseThrow(() -> new IllegalStateException("no IPv4 address: " + text));
    }

    @Override
    public void destroy() {
        rig.ifPresent(SimulatedRig::close);
    }
}

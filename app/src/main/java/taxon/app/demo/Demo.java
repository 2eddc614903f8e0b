package taxon.app.demo;

import java.io.IOException;
import java.time.Clock;
import java.util.List;
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
import taxon.core.network.NetCard;
import taxon.core.rig.Box;
import taxon.core.rig.Plan;
import taxon.core.rig.edit.Edit;
import taxon.core.rig.edit.NetworkEdits;

/** Puts the demo job into an empty store and starts its simulated rig. */
@Component
@ConditionalOnProperty("taxon.demo")
class Demo implements ApplicationRunner, DisposableBean {
    private static final String WHO = "the demo";
    /** Two nodes and a transmitter. */
    private static final int BOXES = 3;

    private final TaxonSettings settings;
    private final JobStore jobs;
    private final JobEditor editor;
    private final TypeLibrary library;
    private final Freezer freezer;
    private final Clock clock;
    private final DemoFaults rig;
    private final DemoDesk desk;

    Demo(
            TaxonSettings settings,
            JobStore jobs,
            JobEditor editor,
            TypeLibrary library,
            Freezer freezer,
            Clock clock,
            DemoFaults rig,
            DemoDesk desk) {
        this.settings = settings;
        this.jobs = jobs;
        this.editor = editor;
        this.library = library;
        this.freezer = freezer;
        this.clock = clock;
        this.rig = rig;
        this.desk = desk;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        Optional<Integer> known = jobs.ids().stream().findFirst();
        int job = known.isPresent() ? known.get() : make(address(settings.nodeA()), address(settings.nodeB()));
        Plan plan = editor.find(job).orElseThrow().plan();
        List<Ipv4> planned =
                onNetwork(plan).stream().map(b -> b.ip().orElseThrow()).toList();
        DemoNodes nodes = DemoNodes.start(plan, planned.size() == BOXES ? planned : wished());
        rig.start(nodes.rig());
        nodes.trouble().ifPresent(System.out::println);
        if (nodes.isElsewhere()) {
            moveNodes(job, plan, nodes);
        }
        desk.start(editor.find(job).orElseThrow().plan());
    }

    /** The boxes of the job that stand in the simulated rig. */
    private static List<Box> onNetwork(Plan plan) {
        return plan.boxes().stream()
                .filter(b -> b.ip().isPresent())
                .limit(BOXES)
                .toList();
    }

    private List<Ipv4> wished() {
        Ipv4 last = address(settings.nodeB());
        return List.of(address(settings.nodeA()), last, new Ipv4(last.bits() + 1));
    }

    /** The job names the nodes by where they are now. */
    private void moveNodes(int job, Plan plan, DemoNodes nodes) {
        List<Box> boxes = onNetwork(plan);
        for (int i = 0; i < boxes.size(); i++) {
            Box node = boxes.get(i);
            Box moved = node.with(NetCard.usual(nodes.at().get(i)));
            editor.apply(
                    job,
                    editor.find(job).orElseThrow().version(),
                    Guard.UNCHANGED_JOB,
                    WHO,
                    NetworkEdits.putBox(moved));
        }
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
    public void destroy() throws IOException {
        desk.close();
        rig.close();
    }
}
